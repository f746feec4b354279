package yellowrail.core.stage;

import java.util.List;
import java.util.Optional;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Judgement;
import yellowrail.core.judging.JudgementWords;
import yellowrail.core.judging.Standing;
import yellowrail.core.reading.Show;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Limit;

/**
 * The hottest idle that the judge accepts: its volts, currents and heat at idle, and the plates' heat over the whole drive,
 * at nominal and highest mains.
 *
 * @param watts idle plate dissipation of the hottest tube at the mains the stage was described at, W
 * @param share of the rating
 * @param solved whether it is accepted; else this is the least bad idle
 * @param reason why it ends there, with its numbers
 */
public record ComputedTarget(double watts, double share, boolean solved, String reason) {
    /** The name it goes by among the targets. */
    public static final String NAME = "computed";

    /** How far below the hottest idle its window reaches. */
    private static final double WINDOW = 0.05;

    private static final double COLDEST = 0.15;
    private static final double HOTTEST = 1.2;
    private static final double STEP = 0.1;
    private static final int STEPS = 8;

    /** @param setting at marked load and described mains; its idle is what is looked for */
    public static ComputedTarget of(StageSetting setting, StageJudge judge) {
        // Colder is not always better: volts rise, out of what the model was fitted on or past a limit.
        double hot = HOTTEST;
        double cold = HOTTEST;
        while (!accepted(setting, judge, cold)) {
            if (cold == COLDEST) {
                return leastBad(setting, judge, gravest(judged(setting, judge.proposing(), COLDEST)));
            }
            hot = cold;
            cold = Math.max(COLDEST, cold - STEP);
        }
        for (int i = 0; i < STEPS && hot > cold; i++) {
            double middle = (cold + hot) / 2;
            if (accepted(setting, judge, middle)) {
                cold = middle;
            } else {
                hot = middle;
            }
        }
        return target(setting, judge, cold);
    }

    /**
     * Among the target windows: from a little colder up to the hottest idle; empty when none is accepted.
     *
     * @param ceiling idle not to be passed whatever the drive allows, share of the rating
     */
    public Optional<Window> window(double ceiling) {
        double high = Math.min(share, ceiling);
        String why = high < share
                ? "the drive would allow " + Show.fixed(100 * share, 0) + " %, the ceiling at idle is lower: "
                : "the hottest idle this stage can take: ";
        return solved && high > WINDOW
                ? Optional.of(new Window(NAME, high - WINDOW, high, why + reason))
                : Optional.empty();
    }

    private static List<StageJudgement> judged(StageSetting setting, StageJudge judge, double share) {
        return judge.of(setting.idle(share)).stream().filter(StageJudge.BY_IDLE).toList();
    }

    /** An idle that cannot be set is beyond the answer too. */
    private static boolean accepted(StageSetting setting, StageJudge judge, double share) {
        try {
            return StageJudge.accepted(judged(setting, judge.proposing(), share));
        } catch (NoSolution tooHot) {
            return false;
        }
    }

    private static StageJudgement gravest(List<StageJudgement> judged) {
        return judged.stream()
                .filter(j -> j.judgement().isPresent())
                .max(StageJudgement.GRAVITY)
                .orElseThrow();
    }

    private static StageJudgement plate(List<StageJudgement> judged) {
        return judged.stream()
                .filter(j -> j.limit() == Limit.PLATE_WATTS
                        && j.when() == When.DRIVE
                        && j.judgement().isPresent())
                .max(StageJudgement.GRAVITY)
                .orElseThrow();
    }

    private static ComputedTarget leastBad(StageSetting setting, StageJudge judge, StageJudgement coldest) {
        double best = COLDEST;
        StageJudgement least = coldest;
        boolean heat = coldest.limit() == Limit.PLATE_WATTS && coldest.standing() != Standing.UNKNOWN;
        for (double share = COLDEST; heat && share <= 0.6; share += 0.05) {
            StageJudgement worst = plate(judged(setting, judge, share));
            if (worst.share() < least.share()) {
                least = worst;
                best = share;
            }
        }
        Judgement most = least.judgement().orElseThrow();
        return new ComputedTarget(
                best * setting.ratedWatts(),
                best,
                false,
                heat
                        ? "No idle keeps the plates inside " + Show.significant(most.allowed(), 3)
                                + " W " + setting.duty().over() + mains(least) + ": the least bad, "
                                + Show.fixed(100 * best, 0)
                                + " % at idle, still reaches "
                                + Show.significant(most.value().figure().value(), 3)
                                + " W. Load, supply or tube would have to change."
                        : "No idle is accepted: " + lower(JudgementWords.sentence(most))
                                + (coldest.standing() == Standing.UNKNOWN
                                        ? "."
                                        : ". Load, supply or tube would have to change."));
    }

    private static ComputedTarget target(StageSetting setting, StageJudge judge, double share) {
        List<StageJudgement> judged = judged(setting, judge, share);
        StageJudgement plate = plate(judged);
        Judgement most = plate.judgement().orElseThrow();
        return new ComputedTarget(
                share * setting.ratedWatts(),
                share,
                true,
                upper(mains(plate).strip()) + " the hottest plate averages "
                        + Show.significant(most.value().figure().value(), 3) + " W of "
                        + Show.significant(most.allowed(), 3) + " W "
                        + setting.duty().over() + ends(judged, plate) + ".");
    }

    /** Another limit than the plates' heat that ends it. */
    private static String ends(List<StageJudgement> judged, StageJudgement plate) {
        StageJudgement nearest = gravest(judged);
        return nearest.limit() == Limit.PLATE_WATTS
                        || nearest.judgement().orElseThrow().reach()
                                <= plate.judgement().orElseThrow().reach()
                ? ""
                : "; " + lower(JudgementWords.sentence(nearest.judgement().orElseThrow())) + " ends it";
    }

    private static String mains(StageJudgement j) {
        return j.at() == At.HIGHEST ? " at highest mains" : " at nominal mains";
    }

    private static String lower(String text) {
        return Character.toLowerCase(text.charAt(0)) + text.substring(1);
    }

    private static String upper(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }
}
