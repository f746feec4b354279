package yellowrail.core.load;

import java.util.List;
import yellowrail.core.reading.Estimate;

/**
 * The ratio of one tap as measured.
 *
 * @param tap the secondary tap
 * @param turns whole primary over this tap, above zero
 * @param bothSides whether it was read with either winding driven: losses pull the two readings apart, so that their
 *     mean is nearer the truth
 * @param from the readings it follows from
 */
public record TapRatio(Lead tap, Estimate turns, boolean bothSides, List<AcReading> from) {
    public TapRatio {
        if (!tap.secondary() || !(turns.value() > 0)) {
            throw new IllegalArgumentException("a tap's ratio is above zero");
        }
        from = List.copyOf(from);
    }

    /** Turns squared; its error is twice theirs. */
    public Estimate impedance() {
        return turns.times(turns);
    }

    /** What the whole primary shows with the tap's nominal load on it, Ω: n² · Z; copper left out. */
    public Estimate primaryOhms() {
        return reflected(tap.ohms());
    }

    /** What the whole primary shows with this load on the tap, Ω. */
    public Estimate reflected(double ohms) {
        return impedance().times(ohms);
    }

    /** Turns of another tap, if the marking of both is right: turns of a tap go with the root of its nominal load. */
    public Estimate turnsOf(Lead other) {
        return turns.times(Math.sqrt(tap.ohms() / other.ohms()));
    }
}
