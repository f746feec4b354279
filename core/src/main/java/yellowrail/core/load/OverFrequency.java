package yellowrail.core.load;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.amp.Duty;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Judge;
import yellowrail.core.judging.Judgement;
import yellowrail.core.judging.Standing;
import yellowrail.core.judging.Value;
import yellowrail.core.stage.StageJudgement;
import yellowrail.core.tube.PublishedLimit;

/**
 * How the hottest over the frequencies of a band stands against one limit.
 *
 * @param at which mains
 * @param mains that mains, share of nominal
 * @param value in the limit's unit
 * @param found where that is
 * @param worst against its rating; empty where none is published or known
 * @param duty what is played
 * @param played how it would stand by each of {@link Duty#PLAYED}; empty beside a test tone
 * @param octave the worst octave and how it stands, where it stands worse than a band that passes
 */
public record OverFrequency(
        PublishedLimit limit,
        Standing standing,
        At at,
        double mains,
        Value value,
        FrequencyFigures.Found found,
        Optional<Judgement> worst,
        Duty duty,
        Map<Duty, Standing> played,
        Optional<Octave> octave) {
    /**
     * The worst octave: a tune can dwell there.
     *
     * @param standing as if nothing else were played
     */
    public record Octave(FrequencyFigures.Found found, Standing standing) {}

    /** The gravest of several outcomes, and how they stand together. */
    private record Gravest(
            Standing standing, Optional<Judgement> worst, At at, FrequencyFigures of, FrequencyFigures.Found found) {}

    /**
     * @param duty what is played
     * @param outcomes one for each thing the bias can turn out to be
     * @param whole whether the speakers were measured over all of the band: what hides a hotter point passes nothing
     */
    public static OverFrequency of(
            PublishedLimit limit, Duty duty, List<FrequencyFigures> outcomes, Judge judge, boolean whole) {
        OverFrequency seen = seen(limit, duty, outcomes, judge);
        boolean hidden = !whole || outcomes.stream().anyMatch(o -> o.unsolved() > 0);
        return hidden && seen.standing() == Standing.INSIDE ? seen.unknown() : seen;
    }

    private OverFrequency unknown() {
        return new OverFrequency(
                limit, Standing.UNKNOWN, at, mains, value, found, worst, duty, played, Optional.empty());
    }

    private static OverFrequency seen(PublishedLimit limit, Duty duty, List<FrequencyFigures> outcomes, Judge judge) {
        Gravest all = gravest(limit, duty, outcomes, judge);
        Map<Duty, Standing> played = new EnumMap<>(Duty.class);
        if (duty != Duty.TONE) {
            Duty.PLAYED.forEach(
                    d -> played.put(d, gravest(limit, d, outcomes, judge).standing()));
        }
        Optional<Octave> octave = duty == Duty.TONE || !all.standing().passes()
                ? Optional.empty()
                : Optional.of(gravest(
                                limit,
                                duty,
                                outcomes.stream()
                                        .map(FrequencyFigures::worstOctave)
                                        .toList(),
                                judge))
                        .filter(g -> !g.standing().passes())
                        .map(g -> new Octave(g.found(), g.standing()));
        return new OverFrequency(
                limit,
                all.standing(),
                all.at(),
                all.of().mains(all.at()),
                all.of().of(limit, all.at()).orElseThrow(),
                all.found(),
                all.worst(),
                duty,
                played,
                octave);
    }

    private static Gravest gravest(PublishedLimit limit, Duty duty, List<FrequencyFigures> outcomes, Judge judge) {
        List<FrequencyFigures> all = outcomes.stream()
                .flatMap(o -> duty.outcomes().stream().map(o::playing))
                .toList();
        List<Optional<Judgement>> each = all.stream()
                .map(o -> judge.all(List.of(limit), o).stream().max(Judgement.GRAVITY))
                .toList();
        List<Judgement> judged = each.stream().flatMap(Optional::stream).toList();
        Optional<Judgement> worst = judged.stream().max(Judgement.GRAVITY);
        FrequencyFigures of = all.get(worst.map(w -> each.indexOf(worst)).orElse(0));
        At at = worst.map(Judgement::at).orElse(At.NOW);
        return new Gravest(
                judged.isEmpty()
                        ? judge.without(limit)
                        : Standing.ofOutcomes(
                                judged.stream().map(Judgement::standing).toList()),
                worst,
                at,
                of,
                of.found(limit, at).orElseThrow());
    }

    /** What an open question hangs on, as a sentence goes on after its figures. */
    public String hangsOn() {
        return StageJudgement.hangsOn(standing, played);
    }

    /** What louder playing would do to screens that pass as they are played, in words behind "caution". */
    public Optional<String> caution() {
        return StageJudgement.caution(limit, standing, duty, played);
    }
}
