package yellowrail.core.judging;

import java.util.Comparator;
import yellowrail.core.tube.PublishedLimit;
import yellowrail.core.tube.Ratings;

/**
 * One limit of one publication, or the builder's ceiling, against a figure at one mains.
 *
 * @param what what is limited
 * @param ceiling whether it is the builder's ceiling instead of the publication's figure
 * @param edition the publication; for the ceiling the one every per cent refers to
 * @param at the mains it is judged at
 * @param mains that mains, V as read, share of nominal where computed; NaN where it is not known
 * @param value the figure at that mains
 * @param allowed what it must not pass there, in the limit's unit
 * @param standing how they compare
 */
public record Judgement(
        PublishedLimit what,
        boolean ceiling,
        Ratings edition,
        At at,
        double mains,
        Value value,
        double allowed,
        Standing standing) {
    /** The gravest comes last; of one gravity the one furthest towards its limit. */
    public static final Comparator<Judgement> GRAVITY =
            Comparator.comparing(Judgement::standing, Standing.GRAVITY).thenComparingDouble(Judgement::reach);

    /** How far the value with its band lies towards its limit, 1 = at it. */
    public double reach() {
        return value.figure().high() / allowed;
    }

    /** How far the value itself lies towards its limit, 1 = at it. */
    public double share() {
        return value.figure().value() / allowed;
    }

    /** Whether the publication's figure is to be verified with the maker's sheet. */
    public boolean toBeVerified() {
        return !ceiling && what.in(edition).filter(f -> f.toBeVerified()).isPresent();
    }
}
