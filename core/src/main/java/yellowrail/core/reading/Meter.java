package yellowrail.core.reading;

import java.util.List;

/** A meter: what it is called and how exact it is on volts, current and ohms. */
public record Meter(String name, Accuracy volts, Accuracy amperes, Accuracy ohms) {
    /*
     * Generic classes, to be replaced by the builder's own figures. They bracket what the specifications of present
     * handheld and bench meters promise on their DC ranges.
     */
    public static final Meter BASIC =
            new Meter("basic handheld", new Accuracy(1.0, 3), new Accuracy(2.0, 3), new Accuracy(1.5, 3));
    public static final Meter HANDHELD =
            new Meter("handheld", new Accuracy(0.5, 2), new Accuracy(1.2, 3), new Accuracy(0.8, 2));
    public static final Meter FINE =
            new Meter("fine handheld", new Accuracy(0.1, 2), new Accuracy(0.4, 3), new Accuracy(0.2, 2));
    public static final Meter BENCH =
            new Meter("bench", new Accuracy(0.03, 3), new Accuracy(0.1, 4), new Accuracy(0.05, 3));

    /** The shipped classes, coarsest first. */
    public static final List<Meter> CLASSES = List.of(BASIC, HANDHELD, FINE, BENCH);

    /** The limit of error of a reading on the function its unit needs; exact for units no meter measures. */
    public double limit(Typed reading) {
        return switch (reading.unit()) {
            case VOLT -> volts.limit(reading);
            case AMPERE -> amperes.limit(reading);
            case OHM -> ohms.limit(reading);
            default -> reading.lastDigit() / 2;
        };
    }
}
