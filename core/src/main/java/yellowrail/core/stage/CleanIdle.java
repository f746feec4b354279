package yellowrail.core.stage;

import java.util.Optional;
import org.hipparchus.analysis.solvers.BrentSolver;
import yellowrail.core.reading.Show;

/**
 * The coldest idle at which distortion at 1 W stays under a figure. Hotter is not always cleaner: what counts is the first
 * idle from the cold end.
 *
 * @param share of the plate rating
 * @param reason in words, with its numbers
 */
public record CleanIdle(Optional<Double> share, String reason) {
    private static final double COLDEST = 0.10;
    private static final double HOTTEST = 1.10;
    private static final double STEP = 0.05;
    private static final int EVALUATIONS = 40;

    /** @param most distortion not to be passed, share above zero */
    public static CleanIdle of(StageSetting setting, double most) {
        String under = "distortion at 1 W under " + Show.significant(100 * most, 2) + " %";
        double before = Double.NaN;
        for (double share = COLDEST; share <= HOTTEST + 1e-9; share += STEP) {
            double now;
            try {
                now = atOneWatt(setting, share);
            } catch (NoSolution none) {
                return new CleanIdle(
                        Optional.empty(), "No idle that can be set here keeps " + under + ": " + none.getMessage());
            }
            if (now <= most) {
                double found = Double.isNaN(before) ? share : crossing(setting, most, share - STEP, share);
                return new CleanIdle(
                        Optional.of(found),
                        "From " + Show.fixed(100 * found, 0) + " % on, " + under + "; colder it rises.");
            }
            before = now;
        }
        return new CleanIdle(
                Optional.empty(),
                Double.isNaN(before)
                        ? "This stage does not reach 1 W."
                        : "No idle up to " + Show.fixed(100 * HOTTEST, 0) + " % keeps " + under + "; at that end it is "
                                + Show.significant(100 * before, 2) + " %.");
    }

    private static double crossing(StageSetting setting, double most, double cold, double hot) {
        return new BrentSolver(1e-3).solve(EVALUATIONS, share -> atOneWatt(setting, share) - most, cold, hot);
    }

    private static double atOneWatt(StageSetting setting, double share) {
        StageSolver solver = new StageSolver(setting.idle(share).stage());
        Cycle most = solver.full();
        return most.watts() < 1 ? Double.NaN : solver.giving(1, most).distortion();
    }
}
