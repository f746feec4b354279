package yellowrail.core.reading;

import java.util.List;
import java.util.Optional;

/**
 * A meter: what it is called and how exact it is.
 *
 * @param volts DC volts
 * @param amperes direct current
 * @param acVolts AC volts of a sine near mains frequency; empty when it was never looked up
 */
public record Meter(String name, Accuracy volts, Accuracy amperes, Accuracy ohms, Optional<Accuracy> acVolts) {
    /*
     * Generic classes, to be replaced by the builder's own figures. They bracket what the specifications of present
     * handheld and bench meters promise on their DC ranges, and on AC volts from 45 to 400 Hz.
     */
    public static final Meter BASIC = shipped(
            "basic handheld", new Accuracy(1.0, 3), new Accuracy(2.0, 3), new Accuracy(1.5, 3), new Accuracy(1.5, 5));
    public static final Meter HANDHELD =
            shipped("handheld", new Accuracy(0.5, 2), new Accuracy(1.2, 3), new Accuracy(0.8, 2), new Accuracy(1.0, 3));
    public static final Meter FINE = shipped(
            "fine handheld", new Accuracy(0.1, 2), new Accuracy(0.4, 3), new Accuracy(0.2, 2), new Accuracy(0.7, 4));
    public static final Meter BENCH =
            shipped("bench", new Accuracy(0.03, 3), new Accuracy(0.1, 4), new Accuracy(0.05, 3), new Accuracy(0.2, 20));

    /** The shipped classes, coarsest first. */
    public static final List<Meter> CLASSES = List.of(BASIC, HANDHELD, FINE, BENCH);

    /** A meter whose AC accuracy was never looked up. */
    public Meter(String name, Accuracy volts, Accuracy amperes, Accuracy ohms) {
        this(name, volts, amperes, ohms, Optional.empty());
    }

    private static Meter shipped(String name, Accuracy volts, Accuracy amperes, Accuracy ohms, Accuracy acVolts) {
        return new Meter(name, volts, amperes, ohms, Optional.of(acVolts));
    }

    /** The limit of error of a reading of AC volts, V; by the coarsest shipped class where the meter's own is not known. */
    public double acLimit(Typed reading) {
        return acVolts.orElseGet(BASIC.acVolts::orElseThrow).limit(reading);
    }

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
