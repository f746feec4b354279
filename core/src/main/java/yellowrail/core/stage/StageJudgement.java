package yellowrail.core.stage;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Judge;
import yellowrail.core.judging.Judgement;
import yellowrail.core.judging.Standing;
import yellowrail.core.judging.Value;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.PublishedLimit;

/**
 * How one figure of a computed stage stands at one mains: the gravest of all publications that have to hold. Every page,
 * sheet and list of a stage goes by these.
 *
 * @param mains share of nominal
 * @param value the figure; of several outcomes the one furthest towards its limit
 * @param judgement the gravest; empty where no publication gives this limit
 * @param standing of it, over everything that is not known of the stage
 * @param formula how the figure is worked out, with this stage's numbers
 */
public record StageJudgement(
        PublishedLimit limit,
        When when,
        At at,
        double mains,
        Value value,
        Optional<Judgement> judgement,
        Standing standing,
        String formula) {
    /** The gravest comes last; of one gravity the one furthest towards its limit. */
    public static final Comparator<StageJudgement> GRAVITY = Comparator.comparing(
                    StageJudgement::standing, Standing.GRAVITY)
            .thenComparingDouble(j -> j.judgement().map(Judgement::reach).orElse(0.0));

    /** Figure over what is allowed there; NaN where no publication gives this limit. */
    public double share() {
        return judgement.map(Judgement::share).orElse(Double.NaN);
    }

    /** Everything that is judged of a stage, limit by limit, idle first. */
    public static List<StageJudgement> of(Judge judge, StageFigures figures) {
        return of(judge, List.of(figures));
    }

    /** @param outcomes what the stage can turn out to be: a standing they differ in is an open question */
    public static List<StageJudgement> of(Judge judge, List<StageFigures> outcomes) {
        List<StageJudgement> all = new ArrayList<>();
        for (When when : When.values()) {
            List<List<Judgement>> judged = outcomes.stream()
                    .map(o -> judge.all(StageFigures.limits(when), o.figures(when)))
                    .toList();
            for (PublishedLimit limit : StageFigures.limits(when)) {
                for (At at : outcomes.get(0).at()) {
                    row(judge, outcomes, judged, limit, when, at).ifPresent(all::add);
                }
            }
        }
        return List.copyOf(all);
    }

    private static Optional<StageJudgement> row(
            Judge judge,
            List<StageFigures> outcomes,
            List<List<Judgement>> judged,
            PublishedLimit limit,
            When when,
            At at) {
        Standing without = judge.without(limit);
        Optional<Value> value = outcomes.get(0).figures(when).of(limit, at);
        if (value.isEmpty() || without == Standing.NOT_APPLICABLE) {
            return Optional.empty();
        }
        if (!judge.gives(limit)) {
            return at == At.NOMINAL || limit == Limit.COMBINED_WATTS
                    ? Optional.empty()
                    : Optional.of(new StageJudgement(
                            limit,
                            when,
                            at,
                            outcomes.get(0).mains(at),
                            value.get(),
                            Optional.empty(),
                            without,
                            outcomes.get(0).formula(limit, when, at)));
        }
        List<Judgement> gravest = judged.stream()
                .flatMap(all -> all.stream()
                        .filter(j -> j.what() == limit && j.at() == at && !j.ceiling())
                        .max(Judgement.GRAVITY)
                        .stream())
                .toList();
        return gravest.stream()
                .max(Judgement.GRAVITY)
                .map(worst -> new StageJudgement(
                        limit,
                        when,
                        at,
                        worst.mains(),
                        worst.value(),
                        Optional.of(worst),
                        Standing.ofOutcomes(
                                gravest.stream().map(Judgement::standing).toList()),
                        outcomes.get(gravest.indexOf(worst)).formula(limit, when, at)));
    }

    /** Whether a setting may be proposed: nothing that is published is over, too close, open or not told. */
    public boolean accepted() {
        return judgement.isEmpty() || standing.passes();
    }
}
