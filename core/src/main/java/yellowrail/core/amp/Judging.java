package yellowrail.core.amp;

import java.util.Optional;

/**
 * What this amp's readings are held against.
 *
 * @param target name of the chosen target, or empty while none is chosen
 * @param ceiling share of the rating; empty for the usual one
 * @param system name of the rating system to judge by, or empty for the lowest plate rating
 * @param makersFigure what the maker asks to be read at the amp's test point, as typed; or empty
 * @param duty what is played, which heat with signal is judged by
 */
public record Judging(String target, Optional<Double> ceiling, String system, String makersFigure, Duty duty) {
    /** No target, the usual ceiling, the lowest plate rating; what is played is not said. */
    public static final Judging USUAL = new Judging("", Optional.empty(), "", "");

    /** What is played is not said. */
    public Judging(String target, Optional<Double> ceiling, String system, String makersFigure) {
        this(target, ceiling, system, makersFigure, Duty.NOT_SAID);
    }

    /** The same with another target. */
    public Judging aimedAt(String other) {
        return new Judging(other, ceiling, system, makersFigure, duty);
    }

    /** The same while this is played. */
    public Judging playing(Duty other) {
        return new Judging(target, ceiling, system, makersFigure, other);
    }
}
