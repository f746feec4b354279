package yellowrail.core.idle;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Judge;
import yellowrail.core.judging.Judgement;
import yellowrail.core.judging.JudgementWords;
import yellowrail.core.judging.Standing;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.Ratings;

/** The limits beside the plate's, one line each, and what of them is not known. */
final class LimitChecks {
    private static final List<Limit> LINES = List.of(
            Limit.SCREEN_WATTS, Limit.COMBINED_WATTS, Limit.PLATE_VOLTS, Limit.SCREEN_VOLTS, Limit.CATHODE_AMPERES);

    private final IdleQuestion question;
    private final Point point;
    private final List<Assessor.Outcome> outcomes;
    private final List<Ratings> editions;
    private final Judge judge;

    LimitChecks(IdleQuestion question, Point point, List<Assessor.Outcome> outcomes) {
        this.question = question;
        this.point = point;
        this.outcomes = outcomes;
        this.editions = question.stage().editions();
        this.judge = Judge.by(editions, question.stage().hasScreen());
    }

    private boolean applies(Limit limit) {
        return judge.without(limit) != Standing.NOT_APPLICABLE;
    }

    /** ReadFigures of which no publication says anything take the all-clear away; cathode current is let pass. */
    void lacking(Findings findings) {
        for (Limit limit : List.of(Limit.PLATE_VOLTS, Limit.SCREEN_WATTS, Limit.SCREEN_VOLTS)) {
            boolean known = editions.stream().anyMatch(e -> !e.unknown(limit));
            if (applies(limit) && !known) {
                findings.lacks(
                        limit.words() + " limit",
                        0.1,
                        "No limit for the " + limit.words()
                                + " of this type is known here: enter it from the maker's sheet,"
                                + " or say that none is published.",
                        true);
            }
        }
        boolean needed = outcomes.stream().anyMatch(o -> o.limits().screenVoltsNeeded(point));
        boolean bound = outcomes.stream().anyMatch(o -> !o.unread().isEmpty());
        if (needed || bound) {
            findings.lacks(
                    "screen volts",
                    0.1,
                    "Screen volts are missing: with the plate's "
                            + JudgementWords.figure(point.volts().value(), yellowrail.core.reading.Unit.VOLT)
                            + " on the screen "
                            + (needed ? "its voltage limit" : "its dissipation limit")
                            + " would be passed or too close.",
                    true);
        }
    }

    List<LimitCheck> lines() {
        List<Supplier<LimitCheck>> lines = new ArrayList<>();
        for (Limit limit : LINES) {
            if (limit != Limit.COMBINED_WATTS
                    || editions.stream().anyMatch(e -> e.figure(limit).isPresent())) {
                lines.add(() -> line(limit));
            }
        }
        return new LazyList<>(lines);
    }

    private LimitCheck line(Limit limit) {
        if (!applies(limit)) {
            return new LimitCheck(limit.words(), "", "a triode has no screen", Standing.NOT_APPLICABLE);
        }
        Optional<Estimate> value = point.value(limit);
        String bound = point.screenUnread() && limit.ofScreen() ? "at most " : "";
        String present =
                value.map(v -> bound + Show.si(v.value(), limit.unit(), 3)).orElse("not known");
        if (editions.stream().allMatch(e -> e.figure(limit).isEmpty())) {
            boolean none = editions.stream().anyMatch(e -> !e.unknown(limit));
            return new LimitCheck(limit.words(), present, none ? "none published" : "not known", judge.without(limit));
        }
        Optional<Judgement> worst = outcomes.stream()
                .flatMap(o -> o.results().stream())
                .filter(r -> r.what() == limit && !r.ceiling())
                .max(Judgement.GRAVITY);
        boolean unread = outcomes.stream().anyMatch(o -> o.unread().stream().anyMatch(r -> r.what() == limit));
        if (value.isEmpty() || worst.isEmpty() || unread) {
            String max = editions.stream()
                    .flatMap(e -> e.figure(limit).stream())
                    .findFirst()
                    .map(f -> Show.si(f.value(), limit.unit(), 3))
                    .orElse("");
            return new LimitCheck(
                    limit.words(),
                    value.isEmpty() ? "not known" : present + ", screen volts not read",
                    max,
                    Standing.UNKNOWN);
        }
        Judgement r = worst.get();
        String at = r.at() == At.NOW ? "" : "; " + JudgementWords.value(r) + JudgementWords.mains(r);
        double max = r.edition().figure(limit).orElseThrow().value();
        return new LimitCheck(
                limit.words(),
                present + at,
                Show.si(max, limit.unit(), 3) + " (" + r.edition().system().words() + ")",
                standing(limit));
    }

    /** The same word whatever the bias does, else the open question. */
    private Standing standing(Limit limit) {
        return Standing.ofOutcomes(outcomes.stream()
                .map(o -> o.results().stream()
                        .filter(r -> r.what() == limit && !r.ceiling())
                        .map(Judgement::standing)
                        .max(Standing.GRAVITY)
                        .orElse(Standing.UNKNOWN))
                .toList());
    }
}
