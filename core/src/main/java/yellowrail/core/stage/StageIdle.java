package yellowrail.core.stage;

import java.util.function.DoubleFunction;
import org.hipparchus.analysis.solvers.BrentSolver;
import yellowrail.core.reading.Show;

/**
 * Sets a stage to an idle: the grid supply with fixed bias, the cathode resistor with cathode bias alone. With both, the
 * resistor stays and the grid supply is set.
 */
public final class StageIdle {
    private static final double COLDEST_GRID = -250;
    private static final double LEAST_WATTS = 1e-12;
    private static final int EVALUATIONS = 200;
    private static final int STEPS = 60;

    private StageIdle() {}

    /**
     * The stage with its hottest tube idling at this plate dissipation. The difference between the sides' grids stays.
     *
     * @param watts above zero
     * @throws NoSolution when no bias gives it
     */
    public static Stage at(Stage stage, double watts) {
        Biasing b = stage.biasing();
        boolean resistor = byResistor(b);
        double apart = b.gridB() - b.gridA();
        DoubleFunction<Stage> set = resistor
                ? x -> stage.biased(new Biasing(b.gridA(), b.gridB(), Math.exp(-x), b.shared()))
                : x -> stage.biased(new Biasing(Math.min(0, x), Math.min(0, x + apart), b.cathodeOhms(), b.shared()));
        // Both ways larger is hotter.
        double cold = resistor ? -Math.log(50e3) : COLDEST_GRID;
        double hot = resistor ? -Math.log(2) : -1e-9;
        try {
            double most = watts(set.apply(hot));
            if (most >= watts) {
                coldEnough(watts(set.apply(cold)), watts, resistor);
                return set.apply(between(set, watts, cold, hot));
            }
        } catch (NoSolution far) {
            // Far hotter than it was asked for it may not be solved; and where the supply sags most, hotter gives less.
        }
        return searched(set, watts, cold, hot, resistor);
    }

    /** Step by step from the coldest end to the first that is hot enough: what cannot be solved on the way is passed over. */
    private static Stage searched(DoubleFunction<Stage> set, double watts, double cold, double hot, boolean resistor) {
        double before = Double.NaN;
        double most = Double.NEGATIVE_INFINITY;
        double hottest = cold;
        for (int i = 0; i <= STEPS; i++) {
            double x = cold + (hot - cold) * i / STEPS;
            double now = orNothing(set, x);
            if (now >= watts && i == 0) {
                coldEnough(now, watts, resistor);
                return set.apply(x);
            }
            if (now >= watts && Double.isNaN(before)) {
                throw new NoSolution("An idle of " + Show.significant(watts, 3)
                        + " W is not found: nothing colder than " + Show.significant(now, 3) + " W can be solved.");
            }
            if (now >= watts) {
                return set.apply(between(set, watts, before, x));
            }
            if (now > 0) {
                before = x;
            }
            if (now > most) {
                most = now;
                hottest = x;
            }
        }
        if (!(most > 0)) {
            // Says why.
            watts(set.apply(hot));
        }
        // The hottest may lie between two steps.
        double step = (hot - cold) / STEPS;
        double low = Math.max(cold, hottest - step);
        for (double x = low; x <= Math.min(hot, hottest + step); x += step / STEPS) {
            double now = orNothing(set, x);
            most = Math.max(most, now);
            if (now >= watts && orNothing(set, low) < watts) {
                return set.apply(between(set, watts, low, x));
            }
        }
        throw new NoSolution("No bias reaches " + Show.significant(watts, 3)
                + " W at idle: even at its hottest this stage gives " + Show.significant(most, 3) + " W.");
    }

    /** Idle watts; zero where they cannot be solved. */
    private static double orNothing(DoubleFunction<Stage> set, double x) {
        try {
            return watts(set.apply(x));
        } catch (NoSolution none) {
            return 0;
        }
    }

    private static void coldEnough(double least, double watts, boolean resistor) {
        if (least > watts) {
            throw new NoSolution("No bias is cold enough for " + Show.significant(watts, 3)
                    + " W at idle: even at its coldest, "
                    + (resistor ? "50 kΩ at the cathodes" : "−250 V at the grids") + ", this stage gives "
                    + Show.significant(least, 3) + " W.");
        }
    }

    private static double between(DoubleFunction<Stage> set, double watts, double cold, double hot) {
        return new BrentSolver(1e-9)
                .solve(EVALUATIONS, at -> Math.log(Math.max(LEAST_WATTS, watts(set.apply(at))) / watts), cold, hot);
    }

    /** Whether the idle is set with the cathode resistor: there is one, and no grid supply beside it. */
    private static boolean byResistor(Biasing b) {
        return b.cathodeOhms() > 0 && b.gridA() == 0 && b.gridB() == 0;
    }

    /** Idle plate dissipation of the hottest tube, W. */
    public static double watts(Stage stage) {
        return new StageSolver(stage).idle().hottestPlateWatts();
    }
}
