package yellowrail.core.stage;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import yellowrail.core.amp.Duty;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Judge;
import yellowrail.core.judging.Judgement;
import yellowrail.core.judging.Standing;
import yellowrail.core.judging.Value;
import yellowrail.core.tube.DriveLimit;
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
 * @param duty what is played
 * @param played how it would stand by each of {@link Duty#PLAYED}; empty beside a test tone
 */
public record StageJudgement(
        PublishedLimit limit,
        When when,
        At at,
        double mains,
        Value value,
        Optional<Judgement> judgement,
        Standing standing,
        String formula,
        Duty duty,
        Map<Duty, Standing> played) {
    /** The gravest comes last; of one gravity the one furthest towards its limit. */
    public static final Comparator<StageJudgement> GRAVITY = Comparator.comparing(
                    StageJudgement::standing, Standing.GRAVITY)
            .thenComparingDouble(j -> j.judgement().map(Judgement::reach).orElse(0.0));

    /** Figure over what is allowed there; NaN where no publication gives this limit. */
    public double share() {
        return judgement.map(Judgement::share).orElse(Double.NaN);
    }

    /**
     * Everything that is judged of a stage, limit by limit, idle first.
     *
     * @param duty what it plays
     * @param figures of everything its bias can turn out to be: a standing that differs between them, or between what it may
     *     be played by, is an open question
     */
    public static List<StageJudgement> of(Judge judge, Duty duty, List<StageFigures> figures) {
        List<StageJudgement> all = new ArrayList<>();
        for (When when : When.values()) {
            Map<Duty, Outcomes> outcomes = new EnumMap<>(Duty.class);
            Stream.concat(Stream.of(duty), duty == Duty.TONE ? Stream.of() : Duty.PLAYED.stream())
                    .distinct()
                    .forEach(d -> outcomes.put(d, new Outcomes(judge, figures, d, when)));
            for (PublishedLimit limit : StageFigures.limits(when)) {
                for (At at : figures.get(0).at()) {
                    row(judge, duty, outcomes, limit, at).ifPresent(all::add);
                }
            }
        }
        return List.copyOf(all);
    }

    /** What a stage can turn out to be, judged limit by limit. */
    private record Outcomes(When when, List<StageFigures> figures, List<List<Judgement>> judged) {
        Outcomes(Judge judge, List<StageFigures> figures, Duty duty, When when) {
            this(
                    when,
                    figures.stream()
                            .flatMap(f -> duty.outcomes().stream().map(f::playing))
                            .toList(),
                    judge);
        }

        private Outcomes(When when, List<StageFigures> figures, Judge judge) {
            this(
                    when,
                    figures,
                    figures.stream()
                            .map(f -> judge.all(StageFigures.limits(when), f.figures(when)))
                            .toList());
        }

        /** The gravest of each outcome. */
        List<Judgement> gravest(PublishedLimit limit, At at) {
            return judged.stream()
                    .flatMap(all -> all.stream()
                            .filter(j -> j.what() == limit && j.at() == at && !j.ceiling())
                            .max(Judgement.GRAVITY)
                            .stream())
                    .toList();
        }

        Optional<Standing> standing(PublishedLimit limit, At at) {
            List<Judgement> gravest = gravest(limit, at);
            return gravest.isEmpty()
                    ? Optional.empty()
                    : Optional.of(Standing.ofOutcomes(
                            gravest.stream().map(Judgement::standing).toList()));
        }
    }

    private static Optional<StageJudgement> row(
            Judge judge, Duty duty, Map<Duty, Outcomes> all, PublishedLimit limit, At at) {
        Outcomes outcomes = all.get(duty);
        When when = outcomes.when();
        StageFigures first = outcomes.figures().get(0);
        Standing without = judge.without(limit);
        Optional<Value> value = first.figures(when).of(limit, at);
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
                            first.mains(at),
                            value.get(),
                            Optional.empty(),
                            without,
                            first.formula(limit, when, at),
                            duty,
                            Map.of()));
        }
        List<Judgement> gravest = outcomes.gravest(limit, at);
        Map<Duty, Standing> played = new EnumMap<>(Duty.class);
        Duty.PLAYED.forEach(d -> Optional.ofNullable(all.get(d))
                .flatMap(o -> o.standing(limit, at))
                .ifPresent(s -> played.put(d, s)));
        return gravest.stream()
                .max(Judgement.GRAVITY)
                .map(worst -> new StageJudgement(
                        limit,
                        when,
                        at,
                        worst.mains(),
                        worst.value(),
                        Optional.of(worst),
                        outcomes.standing(limit, at).orElseThrow(),
                        outcomes.figures().get(gravest.indexOf(worst)).formula(limit, when, at),
                        duty,
                        played));
    }

    /** Whether what it plays is not said and decides. */
    public boolean openByDuty() {
        return openByDuty(standing, played);
    }

    private static boolean openByDuty(Standing standing, Map<Duty, Standing> played) {
        return standing == Standing.OPEN_QUESTION
                && played.values().stream().distinct().count() > 1;
    }

    /** What an open question hangs on, as a sentence goes on after its figures. */
    public String hangsOn() {
        return hangsOn(standing, played);
    }

    /** What it hangs on for this standing, with those by what is played. */
    public static String hangsOn(Standing standing, Map<Duty, Standing> played) {
        if (!openByDuty(standing, played)) {
            return "it hangs on whether the bias follows the mains";
        }
        return "it hangs on what is played: "
                + played.values().stream()
                        .distinct()
                        .map(s -> (s == Standing.OPEN_QUESTION ? "a question of the bias" : s.words()) + " with "
                                + played.entrySet().stream()
                                        .filter(e -> e.getValue() == s)
                                        .map(e -> e.getKey().words())
                                        .collect(Collectors.joining(" or ")))
                        .collect(Collectors.joining("; "));
    }

    /**
     * What louder playing would do to screens that pass as they are played: said beside the standing, in words behind
     * "caution". Empty where it would do nothing.
     */
    public Optional<String> caution() {
        return caution(limit, standing, duty, played);
    }

    /** The same of one limit that stands so while this is played, and so by each that may be. */
    public static Optional<String> caution(
            PublishedLimit limit, Standing standing, Duty duty, Map<Duty, Standing> played) {
        if (limit != DriveLimit.SCREEN_WATTS || !standing.passes()) {
            return Optional.empty();
        }
        return duty.louder()
                .filter(d -> played.containsKey(d) && !played.get(d).passes())
                .findFirst()
                .map(d -> played.get(d).words() + " with " + d.words());
    }

    /** The gravest caution of these. */
    public static Optional<String> caution(List<StageJudgement> judged) {
        return judged.stream()
                .filter(j -> j.caution().isPresent())
                .max(Comparator.comparing(j -> j.played().get(Duty.HARD), Standing.GRAVITY))
                .flatMap(StageJudgement::caution);
    }

    /** Whether a setting may be proposed: nothing that is published is over, too close, open or not told. */
    public boolean accepted() {
        return judgement.isEmpty() || standing.passes();
    }
}
