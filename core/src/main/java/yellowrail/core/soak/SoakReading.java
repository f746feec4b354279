package yellowrail.core.soak;

import java.util.Optional;

/**
 * One current of a soak.
 *
 * @param at milliseconds since 1970
 * @param amperes of one tube, above zero
 * @param digitShare size of the last digit typed, as a share of the reading
 * @param mains the mains read nearest to it in this power-on; empty when it was not read
 * @param level against ceiling and rating, error band included
 */
public record SoakReading(long at, double amperes, double digitShare, Optional<MainsReading> mains, Level level) {
    /** The mains as read at a time: V, milliseconds since 1970. */
    public record MainsReading(long at, double volts) {}

    /** Where a reading lies against the ceiling and the rating. */
    public enum Level {
        BELOW,
        /** The limit lies inside the error band. */
        TOUCHING,
        ABOVE
    }
}
