package yellowrail.core.stage;

import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.target.Target.Window;

/**
 * The hottest idle at which the plates stay inside their rating over the whole drive, at highest mains.
 *
 * @param watts idle plate dissipation of the hottest tube at the mains the stage was described at, W
 * @param share of the rating
 * @param solved whether the limit is kept; else this is the least bad idle
 * @param reason why it ends there, with its numbers
 */
public record ComputedTarget(double watts, double share, boolean solved, String reason) {
    /** The name it goes by among the targets. */
    public static final String NAME = "computed";

    /** How far below the hottest idle its window reaches. */
    private static final double WINDOW = 0.05;

    private static final int LEVELS = 16;
    private static final double COLDEST = 0.15;
    private static final int STEPS = 12;

    /**
     * @param ratedWatts plate rating, W
     * @param margin share of the rating not to be passed, for example 1 or 0.9
     * @param mainsUp highest over present mains, 1 or above
     * @param biasFollows whether the grid supply follows the mains
     */
    public static ComputedTarget of(
            Stage stage, double ratedWatts, double margin, double mainsUp, boolean biasFollows) {
        double limit = margin * ratedWatts;
        double cold = COLDEST;
        if (worst(stage, cold * ratedWatts, mainsUp, biasFollows) > limit) {
            return leastBad(stage, ratedWatts, limit, mainsUp, biasFollows);
        }
        double hot = Math.min(1.2, margin);
        try {
            if (worst(stage, hot * ratedWatts, mainsUp, biasFollows) <= limit) {
                return target(stage, hot, ratedWatts, mainsUp, biasFollows, true);
            }
        } catch (NoSolution tooHot) {
            // An idle that cannot be set is beyond the answer too.
        }
        for (int i = 0; i < STEPS; i++) {
            double middle = (cold + hot) / 2;
            boolean inside;
            try {
                inside = worst(stage, middle * ratedWatts, mainsUp, biasFollows) <= limit;
            } catch (NoSolution tooHot) {
                inside = false;
            }
            if (inside) {
                cold = middle;
            } else {
                hot = middle;
            }
        }
        return target(stage, cold, ratedWatts, mainsUp, biasFollows, true);
    }

    /**
     * Among the target windows: from a little colder up to the hottest idle; empty when no idle keeps the limit.
     *
     * @param ceiling idle not to be passed whatever the drive allows, share of the rating
     */
    public Optional<Window> window(double ceiling) {
        double high = Math.min(share, ceiling);
        String why = high < share
                ? "the drive would allow " + Show.fixed(100 * share, 0) + " %, the ceiling at idle is lower: "
                : "the hottest idle this stage stands: ";
        return solved && high > WINDOW
                ? Optional.of(new Window(NAME, high - WINDOW, high, why + reason))
                : Optional.empty();
    }

    /** Hottest average plate over drive at highest mains with this idle at present mains, W. */
    private static double worst(Stage stage, double idleWatts, double mainsUp, boolean biasFollows) {
        Stage set = StageIdle.at(stage, idleWatts).atMains(mainsUp, biasFollows);
        return DriveSweep.of(set, LEVELS).hottestPlate().hottestPlateWatts();
    }

    private static ComputedTarget leastBad(
            Stage stage, double ratedWatts, double limit, double mainsUp, boolean biasFollows) {
        double best = COLDEST;
        double least = Double.POSITIVE_INFINITY;
        for (double share = COLDEST; share <= 0.6; share += 0.05) {
            double worst = worst(stage, share * ratedWatts, mainsUp, biasFollows);
            if (worst < least) {
                least = worst;
                best = share;
            }
        }
        return new ComputedTarget(
                best * ratedWatts,
                best,
                false,
                "No idle keeps the plates inside " + Show.significant(limit, 3)
                        + " W over the drive at highest mains: the least"
                        + " bad, " + Show.fixed(100 * best, 0) + " % at idle, still reaches "
                        + Show.significant(least, 3) + " W. Load, supply or tube would have to change.");
    }

    private static ComputedTarget target(
            Stage stage, double share, double ratedWatts, double mainsUp, boolean biasFollows, boolean solved) {
        Stage set = StageIdle.at(stage, share * ratedWatts).atMains(mainsUp, biasFollows);
        DriveSweep sweep = DriveSweep.of(set, LEVELS);
        Cycle hottest = sweep.hottestPlate();
        String where = hottest.drive() == 0
                ? "at idle"
                : "at " + Show.fixed(100 * hottest.drive() / sweep.full().drive(), 0) + " % of full drive";
        return new ComputedTarget(
                share * ratedWatts,
                share,
                solved,
                "At highest mains the hottest plate averages " + Show.significant(hottest.hottestPlateWatts(), 3)
                        + " W of " + Show.significant(ratedWatts, 3) + " W, " + where + ".");
    }
}
