package yellowrail.core.idle;

import java.util.Optional;
import yellowrail.core.reading.Typed;

/**
 * The hottest idle at which nothing is passed: no ceiling, no limit, at no mains that counts, error bands included; less one
 * per cent and one count, so that reading it again does not fall over the edge.
 *
 * @param share of the plate rating; zero when no current keeps every limit
 * @param watts plate dissipation there, W
 * @param plateAmperes of one tube, A
 * @param reading what the meter shows there; empty when the method has no reading for it
 * @param edge the share at which that limit is passed: what is read below it may stay
 * @param limit what ends it, in words with its mains
 * @param step whether plate volts will have moved so far that it is a step on the way: turn, then read volts and current
 *     again
 * @param unread whether there is none because something was not read: then {@code limit} names that
 */
public record Permitted(
        double share,
        double watts,
        double plateAmperes,
        Optional<Typed> reading,
        double edge,
        String limit,
        boolean step,
        boolean unread) {
    static Permitted none(String limit) {
        return new Permitted(0, 0, 0, Optional.empty(), 0, limit, false, false);
    }

    /** Nothing can be permitted before this was read. */
    static Permitted before(String reading) {
        return new Permitted(0, 0, 0, Optional.empty(), 0, reading, false, true);
    }

    /** The same idle in figures of another mains, smaller by these factors; what the meter shows there is left out. */
    public Permitted over(double amperes, double volts) {
        double factor = amperes * volts;
        return factor == 1
                ? this
                : new Permitted(
                        share / factor,
                        watts / factor,
                        plateAmperes / amperes,
                        Optional.empty(),
                        edge / factor,
                        limit,
                        step,
                        unread);
    }

    /** Whether there is any such idle. */
    public boolean exists() {
        return share > 0;
    }
}
