package yellowrail.core.load;

import java.util.List;
import java.util.Optional;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Judge;
import yellowrail.core.judging.Judgement;
import yellowrail.core.judging.Standing;
import yellowrail.core.tube.PublishedLimit;

/**
 * How the gravest frequency of a band stands against one limit.
 *
 * @param at which mains
 * @param mains that mains, share of nominal
 * @param figure in the limit's unit
 * @param hertz where it is, Hz
 * @param worst against its rating; empty where none is published or known
 */
public record OverFrequency(
        PublishedLimit limit,
        Standing standing,
        At at,
        double mains,
        double figure,
        double hertz,
        Optional<Judgement> worst) {
    /** @param outcomes one for each thing the bias can turn out to be */
    public static OverFrequency of(PublishedLimit limit, List<FrequencyFigures> outcomes, Judge judge) {
        List<Judgement> gravest = outcomes.stream()
                .flatMap(o -> judge.all(List.of(limit), o).stream().max(Judgement.GRAVITY).stream())
                .toList();
        Standing standing = gravest.isEmpty()
                ? judge.without(limit)
                : Standing.ofOutcomes(gravest.stream().map(Judgement::standing).toList());
        Optional<Judgement> worst = gravest.stream().max(Judgement.GRAVITY);
        FrequencyFigures of = outcomes.get(worst.map(gravest::indexOf).orElse(0));
        At at = worst.map(Judgement::at).orElse(At.NOW);
        return new OverFrequency(
                limit,
                standing,
                at,
                of.mains(at),
                of.of(limit, at).orElseThrow().figure().value(),
                of.where(limit, at).orElseThrow().hertz(),
                worst);
    }
}
