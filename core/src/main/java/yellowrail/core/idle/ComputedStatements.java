package yellowrail.core.idle;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.Ratings;

/**
 * The two statements of a computed idle, in the words and with the comparisons of one that was read: at the mains it is
 * computed for, and at highest mains. A model gives no all-clear.
 */
public final class ComputedStatements {
    private ComputedStatements() {}

    /**
     * One computed idle.
     *
     * @param mains its mains, share of nominal
     * @param values of the hottest tube, with the model's band, each in the unit of its limit
     * @param fitted whether anything published is near; else the bands do not hold and nothing but what is above is told
     */
    public record At(double mains, Map<Limit, Estimate> values, boolean fitted) {}

    /** @param ratings the publication it is judged by, with a plate rating */
    public static List<Statement> of(Ratings ratings, At now, At highest) {
        return List.of(statement(ratings, now, false), statement(ratings, highest, true));
    }

    private static Statement statement(Ratings ratings, At at, boolean allowing) {
        List<LimitResult> results = new ArrayList<>();
        for (Limit limit : Limit.values()) {
            Estimate value = at.values().get(limit);
            if (value != null) {
                ratings.figure(limit)
                        .ifPresent(f -> results.add(result(ratings, limit, value, f.value(), at.mains(), allowing)));
            }
        }
        LimitResult worst = results.stream()
                .max(Comparator.comparing(LimitResult::standing).thenComparingDouble(LimitResult::reach))
                .orElseThrow();
        boolean over = worst.standing() == LimitResult.Standing.OVER;
        if (!at.fitted() && !over) {
            return new Statement(
                    Verdict.Place.UNKNOWN,
                    LimitWords.told(plate(results))
                            + ": not told, these volts lie outside what the model was fitted on.");
        }
        Verdict.Place place = switch (worst.standing()) {
            case OVER -> worst.what() == Limit.PLATE_WATTS ? Verdict.Place.ABOVE_RATING : Verdict.Place.LIMIT_PASSED;
            case TOO_CLOSE -> Verdict.Place.TOO_CLOSE;
            case WITHIN -> Verdict.Place.WITHIN_LIMITS;
        };
        LimitResult said = worst.standing() == LimitResult.Standing.WITHIN ? plate(results) : worst;
        return new Statement(
                place,
                LimitWords.sentence(said)
                        + (place == Verdict.Place.WITHIN_LIMITS
                                ? ", the model's ±"
                                        + Show.plain(100 * said.value().errors().likely(), 2) + " % included."
                                : "."));
    }

    private static LimitResult plate(List<LimitResult> results) {
        return results.stream()
                .filter(r -> r.what() == Limit.PLATE_WATTS)
                .findFirst()
                .orElseThrow();
    }

    private static LimitResult result(
            Ratings ratings, Limit limit, Estimate value, double published, double mains, boolean allowing) {
        double max = allowing ? published * ratings.system().allowanceAtHighestMains(limit.unit()) : published;
        return new LimitResult(
                limit,
                false,
                ratings,
                LimitResult.At.COMPUTED,
                mains,
                value,
                value.value(),
                value.value(),
                max,
                LimitResult.Standing.of(value, max, LimitResult.At.COMPUTED));
    }
}
