package yellowrail.core.stage;

import java.util.function.DoubleFunction;
import yellowrail.core.reading.Show;

/** Sets a stage to an idle: the grid supply with fixed bias, the cathode resistor with cathode bias. */
public final class StageIdle {
    private static final double COLDEST_GRID = -250;
    private static final int STEPS = 60;

    private StageIdle() {}

    /**
     * The stage with its hottest tube idling at this plate dissipation. The difference between the sides' grids stays.
     *
     * @param watts above zero
     * @throws NoSolution when no bias gives it
     */
    public static Stage at(Stage stage, double watts) {
        boolean cathode = stage.biasing().cathodeOhms() > 0;
        Biasing b = stage.biasing();
        double apart = b.gridB() - b.gridA();
        DoubleFunction<Stage> set = cathode
                ? x -> stage.biased(new Biasing(b.gridA(), b.gridB(), Math.exp(-x), b.shared()))
                : x -> stage.biased(new Biasing(Math.min(0, x), Math.min(0, x + apart), 0, b.shared()));
        // Both ways larger is hotter.
        double cold = cathode ? -Math.log(50e3) : COLDEST_GRID;
        double hot = cathode ? -Math.log(2) : 0;
        if (watts(set.apply(hot)) < watts) {
            throw new NoSolution("No bias reaches " + Show.significant(watts, 3)
                    + " W at idle: even at its hottest this stage gives " + Show.significant(watts(set.apply(hot)), 3)
                    + " W.");
        }
        for (int i = 0; i < STEPS; i++) {
            double middle = (cold + hot) / 2;
            if (watts(set.apply(middle)) < watts) {
                cold = middle;
            } else {
                hot = middle;
            }
        }
        return set.apply(hot);
    }

    /** Idle plate dissipation of the hottest tube, W. */
    public static double watts(Stage stage) {
        return new StageSolver(stage).idle().hottestPlateWatts();
    }
}
