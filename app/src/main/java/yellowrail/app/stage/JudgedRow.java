package yellowrail.app.stage;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Judge;
import yellowrail.core.judging.Judgement;
import yellowrail.core.judging.JudgementWords;
import yellowrail.core.judging.Standing;
import yellowrail.core.judging.Value;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.StageJudgement;
import yellowrail.core.stage.When;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.PublishedLimit;

/**
 * How a figure of a stage stands, as the judge found it, in words.
 *
 * @param code the limit and when it is judged, for programs; empty for what has no published limit
 * @param figure with its unit, and its mains where that is not the one the stage stands at
 * @param rating what it is held against, or why there is nothing
 * @param formula how the figure is worked out, with this stage's numbers
 * @param share figure over what is allowed; null where nothing is published
 */
public record JudgedRow(
        String code, String name, String figure, String rating, Standing standing, String formula, Double share) {
    /** For styles and scripts. */
    @JsonProperty
    public String tone() {
        return tone(standing);
    }

    /** A model gives no all-clear: what is inside is open. */
    public static String tone(Standing standing) {
        return switch (standing) {
            case OVER -> "over";
            case UNKNOWN -> "unknown";
            case OPEN_QUESTION, TOO_CLOSE -> "near";
            case NONE_PUBLISHED, NOT_APPLICABLE -> "unpublished";
            case INSIDE -> "open";
        };
    }

    /** One row for each limit at idle and over the drive: as it stands, and at the mains where it is gravest. */
    public static List<JudgedRow> of(List<StageJudgement> judged) {
        List<JudgedRow> rows = new ArrayList<>();
        for (When when : When.values()) {
            judged.stream()
                    .filter(j -> j.when() == when)
                    .map(StageJudgement::limit)
                    .distinct()
                    .forEach(limit -> rows.add(of(
                            limit,
                            when,
                            judged.stream()
                                    .filter(j -> j.when() == when && j.limit() == limit)
                                    .toList())));
        }
        return List.copyOf(rows);
    }

    private static JudgedRow of(PublishedLimit limit, When when, List<StageJudgement> mains) {
        StageJudgement worst = mains.stream().max(StageJudgement.GRAVITY).orElseThrow();
        String now = mains.stream()
                .filter(j -> j.at() == At.NOW && j != worst)
                .map(j -> shown(j) + "; ")
                .findFirst()
                .orElse("");
        return new JudgedRow(
                ((Enum<?>) limit).name() + " " + when,
                name(limit, when),
                now
                        + shown(worst)
                        + (worst.at() == At.NOW ? "" : " at " + Show.fixed(100 * worst.mains(), 0) + " % mains"),
                worst.judgement().map(g -> against(worst, g)).orElse(without(worst.standing())),
                worst.standing(),
                worst.formula(),
                worst.judgement().isPresent() ? worst.share() : null);
    }

    static JudgedRow of(StageJudgement j) {
        return of(j.limit(), j.when(), List.of(j));
    }

    private static String shown(StageJudgement j) {
        return Show.si(j.value().figure().value(), j.limit().unit(), 3);
    }

    /** Direct current against what a transformer is rated for. */
    static JudgedRow part(String name, Value value, Optional<Double> rated, Standing unrated, String formula) {
        Standing standing = rated.isPresent() ? Judge.part(value, rated) : unrated;
        return new JudgedRow(
                "",
                name,
                Show.si(value.figure().value(), Unit.AMPERE, 3),
                rated.map(r -> percent(value.figure().value() / r, r, Unit.AMPERE) + why(standing, value, ""))
                        .orElse("its rating is not known"),
                standing,
                formula,
                rated.map(r -> value.figure().value() / r).orElse(null));
    }

    private static String name(PublishedLimit limit, When when) {
        if (limit == DriveLimit.SCREEN_WATTS) {
            return "Screen with signal, highest average";
        }
        if (limit == DriveLimit.PEAK_PLATE_VOLTS) {
            return "Plate volts, peak";
        }
        boolean idle = when == When.IDLE;
        return switch ((Limit) limit) {
            case PLATE_WATTS -> idle ? "Plate at idle" : "Plate with signal, highest average";
            case SCREEN_WATTS -> "Screen at idle";
            case COMBINED_WATTS -> idle ? "Plate and screen at idle" : "Plate and screen with signal, highest average";
            case PLATE_VOLTS -> idle ? "Plate volts, DC, at idle" : "Plate volts, DC, at full drive";
            case SCREEN_VOLTS -> "Screen volts, DC, at idle";
            case CATHODE_AMPERES -> idle ? "Cathode current at idle" : "Cathode current, highest average";
        };
    }

    private static String without(Standing standing) {
        return standing == Standing.UNKNOWN ? "no limit is known here" : "no published limit";
    }

    /** For example {@code 64 % of 30 W, too close to call: …}. */
    private static String against(StageJudgement j, Judgement g) {
        double published = g.what().in(g.edition()).orElseThrow().value();
        boolean allowing = g.allowed() > published * (1 + 1e-9);
        return percent(g.share(), g.allowed(), g.what().unit())
                + (allowing
                        ? " (" + Show.siPlain(published, g.what().unit(), 3) + " "
                                + g.edition().system().words() + ", which allows for the line)"
                        : "")
                + why(j.standing(), g.value(), j.hangsOn())
                + j.caution().map(c -> "; caution: " + c).orElse("");
    }

    private static String percent(double share, double allowed, Unit unit) {
        return Show.fixed(100 * share, 0) + " % of " + Show.siPlain(allowed, unit, 3);
    }

    private static String why(Standing standing, Value value, String hangsOn) {
        return switch (standing) {
            case UNKNOWN -> ", not told: the model is not fitted near these volts";
            case OPEN_QUESTION -> ", " + hangsOn;
            case TOO_CLOSE -> ", too close to call: inside " + JudgementWords.band(value);
            default -> "";
        };
    }

    /** The gravest comes last; of those that pass, and of one gravity, the one furthest towards its limit. */
    public static final Comparator<JudgedRow> GRAVITY = Comparator.comparing(
                    (JudgedRow r) -> r.standing().passes() ? Standing.INSIDE : r.standing(), Standing.GRAVITY)
            .thenComparingDouble(r -> r.share() == null ? -1 : r.share());
}
