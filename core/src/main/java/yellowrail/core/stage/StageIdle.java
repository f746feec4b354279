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
        double most = watts(set.apply(hot));
        if (most < watts) {
            throw new NoSolution("No bias reaches " + Show.significant(watts, 3)
                    + " W at idle: even at its hottest this stage gives " + Show.significant(most, 3) + " W.");
        }
        double least = watts(set.apply(cold));
        if (least > watts) {
            throw new NoSolution("No bias is cold enough for " + Show.significant(watts, 3)
                    + " W at idle: even at its coldest, "
                    + (resistor ? "50 kΩ at the cathodes" : "−250 V at the grids") + ", this stage gives "
                    + Show.significant(least, 3) + " W.");
        }
        double x = new BrentSolver(1e-9)
                .solve(EVALUATIONS, at -> Math.log(Math.max(LEAST_WATTS, watts(set.apply(at))) / watts), cold, hot);
        return set.apply(x);
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
