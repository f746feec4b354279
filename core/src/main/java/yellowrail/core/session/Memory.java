package yellowrail.core.session;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.adjust.Control;
import yellowrail.core.round.Quantity;

/**
 * What earlier sessions of an amp learned of it.
 *
 * @param turns which turn of a control is hotter, by its name
 * @param ranges how far a control reached, by its name
 * @param used what was read beside plate volts and currents at least once
 * @param drainMinutes from off to the first dead reading of every node, min; empty when never drained
 * @param currents as the amp was last set, by sense point; empty when it was not, or was changed since
 */
public record Memory(
        Map<String, KnownTurn> turns,
        Map<String, KnownRange> ranges,
        List<Quantity> used,
        Optional<Double> drainMinutes,
        Map<String, WasRead> currents) {
    public static final Memory NONE = new Memory(Map.of(), Map.of(), List.of(), Optional.empty(), Map.of());

    /** @param since when it was noted or shown, milliseconds since 1970 */
    public record KnownTurn(Control.Direction direction, long since) {}

    /**
     * Both ends of a control, read at the grid with the tubes out.
     *
     * @param coldest V, below zero
     * @param hottest V, below zero
     * @param since milliseconds since 1970
     */
    public record KnownRange(double coldest, double hottest, long since) {}

    /**
     * A current as it was left.
     *
     * @param amperes of one tube, or the mean behind a shared point, A
     * @param exactness how exactly that is known
     * @param mains V; empty when it was not read
     * @param share of the plate rating; empty when watts were not known
     * @param at milliseconds since 1970
     */
    public record WasRead(
            double amperes, Exactness exactness, Optional<Double> mains, Optional<Double> share, long at) {}

    /**
     * How exactly a current was read.
     *
     * @param meter its name
     * @param limit the meter's limit of error there, share of the reading
     * @param rounding what the last digits of the current and of the mains leave open, share of the current
     */
    public record Exactness(String meter, double limit, double rounding) {
        /** How far two readings of one current lie apart at most: one meter errs alike both times, two do not. */
        double apart(Exactness other) {
            double rounded = Math.hypot(rounding, other.rounding);
            return meter.equals(other.meter) ? rounded : Math.hypot(rounded, Math.hypot(limit, other.limit));
        }
    }

    public Memory {
        turns = Map.copyOf(turns);
        ranges = Map.copyOf(ranges);
        used = List.copyOf(used);
        currents = Map.copyOf(currents);
    }
}
