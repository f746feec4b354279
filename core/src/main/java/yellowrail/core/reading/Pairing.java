package yellowrail.core.reading;

import java.util.Optional;

/**
 * How a voltage and a current belong together in time.
 *
 * @param minutesApart minutes between the two readings; empty when taken together
 * @param currentChange relative change of the current since the voltage was taken; empty when not known to have moved
 * @param declaredApart whether the builder says that the voltage was not taken with this current
 */
public record Pairing(Optional<Double> minutesApart, Optional<Double> currentChange, boolean declaredApart) {
    /** Plate volts move with the current: a larger change makes them stale. */
    private static final double CHANGE_LIMIT = 0.05;

    private static final double MINUTES_LIMIT = 10;

    public static Pairing together() {
        return new Pairing(Optional.empty(), Optional.empty(), false);
    }

    /** The builder says that the voltage belongs to an earlier current or time. */
    public static Pairing apart() {
        return new Pairing(Optional.empty(), Optional.empty(), true);
    }

    /** Why the voltage is stale; empty when it is not. */
    public Optional<String> stale() {
        if (currentChange.isPresent() && !(Math.abs(currentChange.get()) <= CHANGE_LIMIT)) {
            return Optional.of("the current moved " + Show.significant(100 * Math.abs(currentChange.get()), 2)
                    + " % since the plate volts were taken (5 % allowed): take them again");
        }
        if (minutesApart.isPresent() && !(Math.abs(minutesApart.get()) <= MINUTES_LIMIT)) {
            return Optional.of("volts and current are " + Show.significant(Math.abs(minutesApart.get()), 2)
                    + " minutes apart (10 allowed): take them together");
        }
        return declaredApart
                ? Optional.of("the plate volts were not taken together with this current: take them again")
                : Optional.empty();
    }
}
