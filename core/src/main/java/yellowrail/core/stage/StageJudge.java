package yellowrail.core.stage;

import java.util.Collection;
import java.util.List;
import java.util.function.Predicate;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Judge;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.ModelTrust;

/**
 * Puts a setting of a stage to the judge: solved at the mains it stands at, at nominal mains where that is higher, and at
 * highest mains. Whatever is proposed of a stage goes through here before it is shown.
 *
 * @param trust of the type's model
 * @param highest highest mains, share of nominal
 */
public record StageJudge(Judge judge, ModelTrust trust, double highest) {
    /** Levels of drive that find the hottest within the model's band. */
    public static final int LEVELS = 12;

    /** What is proposed keeps so much room for what lies between two levels of drive. */
    private static final double ROOM = 0.995;

    /** The same for what is to be proposed. */
    public StageJudge proposing() {
        return within(ROOM);
    }

    /** @throws NoSolution when it cannot be solved */
    public List<StageJudgement> of(StageSetting setting) {
        Stage set = setting.set();
        DriveSweep now = at(setting.outcomes().get(0), set, setting.mains());
        return StageJudgement.of(
                judge,
                setting.duty(),
                setting.outcomes().stream()
                        .map(outcome ->
                                figures(outcome, set, setting.mains() == 1 ? now : at(outcome, set, setting.mains())))
                        .toList());
    }

    private StageFigures figures(StageSetting setting, Stage set, DriveSweep now) {
        StageFigures figures = new StageFigures(bands(now)).with(At.NOW, setting.mains(), now);
        if (setting.mains() < 1) {
            figures.with(At.NOMINAL, 1, at(setting, set, 1));
        }
        return figures.with(At.HIGHEST, highest, at(setting, set, highest));
    }

    private static DriveSweep at(StageSetting setting, Stage set, double mains) {
        return DriveSweep.of(setting.mains(mains).moved(set), LEVELS);
    }

    /** How far figures at these volts may be off. */
    public ModelTrust.Bands bands(DriveSweep drive) {
        return trust.bands(drive.idle().plateToCathodeVolts(), drive.full().screenToCathodeVolts());
    }

    /** The same with room kept, or what was asked for above the rating. */
    public StageJudge within(double share) {
        return new StageJudge(judge.within(share), trust, highest);
    }

    /** Whether all of these may be proposed. */
    public static boolean accepted(Collection<StageJudgement> judged) {
        return judged.stream().allMatch(StageJudgement::accepted);
    }

    /** What an idle decides: everything at idle, and over the drive all but screens and peaks, which it hardly moves. */
    public static final Predicate<StageJudgement> BY_IDLE = j -> j.when() == When.IDLE
            || j.limit() == Limit.PLATE_WATTS
            || j.limit() == Limit.COMBINED_WATTS
            || j.limit() == Limit.CATHODE_AMPERES;
}
