package yellowrail.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowrail.core.amp.Topology;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.TubeModels;

/** An idle that is asked for is set, or refused only where a wide search finds none. */
class IdleIsSetTest {
    private static final int WIDE = 240;

    @Test
    void orRefusedWhereNoneIsFound() {
        Random random = new Random(2817);
        int refused = 0;
        for (int trial = 0; trial < 500; trial++) {
            Stage stage = StageSolverTest.random(random, trial);
            double watts = 3 + 27 * random.nextDouble();
            try {
                assertThat(StageIdle.watts(StageIdle.at(stage, watts))).isCloseTo(watts, within(1e-4 * watts));
            } catch (NoSolution none) {
                assertThat(found(stage, watts))
                        .as(none.getMessage() + " " + stage)
                        .isFalse();
                refused++;
            }
        }
        // A check that never refuses would be none.
        assertThat(refused).isBetween(5, 250);
    }

    /** A single EL84 with a cathode resistor of its own: at 2 Ω it cannot be solved, and that ended the search. */
    @ParameterizedTest
    @ValueSource(doubles = {4, 6, 8, 10, 11.4, 12})
    void aSingleEndedStageOnItsOwnResistor(double watts) {
        Stage stage = new Stage(
                Topology.SINGLE_ENDED,
                Connection.PENTODE,
                0,
                285,
                120,
                Double.NaN,
                0,
                180,
                0,
                5200,
                List.of(new StageTube(TubeModels.of("EL84").orElseThrow(), 0, 1, 0, 0)),
                Biasing.cathode(135, false));
        Stage set = StageIdle.at(stage, watts);
        assertThat(StageIdle.watts(set)).isCloseTo(watts, within(1e-4 * watts));
        assertThat(set.biasing().cathodeOhms()).isBetween(40.0, 1500.0);
    }

    private static boolean found(Stage stage, double watts) {
        Biasing b = stage.biasing();
        boolean above = false;
        boolean below = false;
        for (int i = 0; i <= WIDE; i++) {
            double part = (double) i / WIDE;
            double apart = b.gridB() - b.gridA();
            double grid = -250 * (1 - part);
            try {
                double now = StageIdle.watts(stage.biased(
                        b.cathodeOhms() > 0
                                ? Biasing.cathode(50e3 * Math.pow(2 / 50e3, part), b.shared())
                                : new Biasing(grid, Math.min(0, grid + apart), 0, b.shared())));
                above |= now >= watts;
                below |= now <= watts;
            } catch (NoSolution none) {
                // a gap in the search
            }
        }
        return above && below;
    }
}
