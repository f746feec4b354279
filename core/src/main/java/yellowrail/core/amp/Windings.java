package yellowrail.core.amp;

import java.util.Optional;

/** What is known of the windings of the mains transformer. */
public record Windings(Heater heater, HighTension highTension, BiasSupply bias) {
    public static final Windings UNKNOWN = new Windings(
            new Heater(Optional.empty(), Optional.empty()),
            new HighTension(Optional.empty()),
            new BiasSupply(Optional.empty()));

    /** Of which only the heater volts are known. */
    public static Windings heater(double volts) {
        return new Windings(new Heater(Optional.of(volts), Optional.empty()), UNKNOWN.highTension, UNKNOWN.bias);
    }

    /**
     * The winding of the output tubes' heaters; empty is not known.
     *
     * @param volts under load, V
     * @param amperes its rating, A
     */
    public record Heater(Optional<Double> volts, Optional<Double> amperes) {}

    /**
     * The winding of the plates' supply; empty is not known.
     *
     * @param amperes DC that may be drawn behind the rectifier, A
     */
    public record HighTension(Optional<Double> amperes) {}

    /**
     * The winding of the grids' supply; empty is not known.
     *
     * @param volts AC before the rectifier, V
     */
    public record BiasSupply(Optional<Double> volts) {}
}
