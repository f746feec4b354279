package yellowrail.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.hipparchus.complex.Complex;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import yellowrail.core.amp.Topology;
import yellowrail.core.load.Speaker;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.TubeModels;

class ReactiveSolverTest {
    private static final Speaker SPEAKER =
            new Speaker.Modelled(6.4, 0.0006, 30, 80, 46.4, 40 / Math.sqrt(0.0159155 / 0.00024868));

    private static Stage stage() {
        var model = TubeModels.of("6L6GC").orElseThrow();
        return new Stage(
                Topology.PUSH_PULL,
                Connection.PENTODE,
                0,
                455,
                0,
                445,
                0,
                70,
                0,
                4200,
                List.of(new StageTube(model, 0, 1, 470, 0), new StageTube(model, 1, 1, 470, 0)),
                Biasing.fixed(-46.7));
    }

    /** Half a primary has 20 H: what both halves together put beside the load. */
    private static ReflectedLoad reflected(boolean resistor) {
        return hertz -> {
            Complex z = (resistor ? new Complex(8) : SPEAKER.at(hertz)).multiply(4200 / 8.0);
            Complex primary = new Complex(0, 2 * Math.PI * hertz * 4 * 20);
            return z.multiply(primary).divide(z.add(primary));
        };
    }

    /** An independent circuit simulator's figures: plate W, screen W, load W, highest and lowest plate V, peak A. */
    @ParameterizedTest
    @CsvSource({
        "true, 1000, 21.21964, 4.116684, 51.89921, 784.0211, 103.9532, 0.3140419",
        "false, 80, 7.316825, 8.09244, 25.60097, 911.8762, -1.943457, 0.1833875",
        "false, 400, 25.6624, 3.734969, 46.07793, 739.154, 147.6078, 0.3313999",
        "false, 5000, 11.20853, 7.314041, 40.91779, 892.8671, 11.10932, 0.2188644",
    })
    void agreesWithACircuitSimulator(
            boolean resistor,
            double hertz,
            double plate,
            double screen,
            double watts,
            double most,
            double least,
            double peak) {
        ReactiveCycle cycle = new ReactiveSolver(stage(), reflected(resistor)).at(hertz, 44);
        assertThat(cycle.hottestPlateWatts()).isCloseTo(plate, within(0.03 * plate));
        assertThat(cycle.hottestScreenWatts()).isCloseTo(screen, within(0.03 * screen));
        assertThat(cycle.watts()).isCloseTo(watts, within(0.03 * watts));
        assertThat(cycle.plateMost()).isCloseTo(most, within(0.02 * most));
        assertThat(cycle.plateLeast()).isCloseTo(least, within(0.02 * most));
        assertThat(cycle.plateAmperes()).isCloseTo(peak, within(0.02 * peak));
    }

    static List<StageCases.Case> cases() {
        return StageCases.all();
    }

    /** A resistor is a speaker without memory: both solvers give the same for every connection and bias. */
    @ParameterizedTest
    @MethodSource("cases")
    void aResistorIsWhatTheOtherSolverSays(StageCases.Case c) {
        StageCases.Level level = c.levels().get(c.levels().size() - 1);
        Cycle wanted = new StageSolver(c.stage()).driven(level.peak());
        ReflectedLoad resistor = hertz -> new Complex(c.stage().loadOhms());
        ReactiveCycle got = new ReactiveSolver(c.stage(), resistor).at(400, level.peak());
        for (int t = 0; t < wanted.tubes().size(); t++) {
            assertThat(got.tubes().get(t).plateWatts())
                    .isCloseTo(wanted.tubes().get(t).plateWatts(), within(1e-4 * wanted.hottestPlateWatts()));
            assertThat(got.tubes().get(t).screenWatts())
                    .isCloseTo(wanted.tubes().get(t).screenWatts(), within(1e-4 * wanted.hottestPlateWatts()));
        }
        assertThat(got.watts()).isCloseTo(wanted.watts(), within(1e-3 * wanted.watts()));
        assertThat(got.plateMost()).isCloseTo(wanted.plateMost(), within(0.01));
        assertThat(got.supplyVolts()).isCloseTo(wanted.supplyVolts(), within(1e-3));
    }

    /** Every stage of the cases into the speaker over the band, whichever frequency comes first. */
    @ParameterizedTest
    @MethodSource("cases")
    void goesOverTheBandInAnyOrder(StageCases.Case c) {
        double peak = c.levels().get(c.levels().size() - 1).peak();
        ReflectedLoad load = hertz -> SPEAKER.at(hertz).multiply(c.stage().loadOhms() / 8);
        ReactiveSolver over = new ReactiveSolver(c.stage(), load);
        ReactiveCycle last = null;
        for (double hertz = 20; hertz < 20_000; hertz *= 1.5) {
            last = over.at(hertz, peak);
            assertThat(last.hottestPlateWatts()).isGreaterThan(0);
        }
        ReactiveCycle alone = new ReactiveSolver(c.stage(), load).at(last.hertz(), peak);
        assertThat(alone.hottestPlateWatts()).isCloseTo(last.hottestPlateWatts(), within(1e-3));
        assertThat(alone.hottestScreenWatts()).isCloseTo(last.hottestScreenWatts(), within(1e-3));
    }

    @Test
    void magnitudesAloneWouldGiveWrongHeat() {
        double hertz = 5000;
        ReactiveCycle speaker = new ReactiveSolver(stage(), reflected(false)).at(hertz, 44);
        Complex size = new Complex(reflected(false).at(hertz).norm());
        ReactiveCycle resistor = new ReactiveSolver(stage(), h -> size).at(hertz, 44);
        assertThat(Math.abs(resistor.hottestPlateWatts() / speaker.hottestPlateWatts() - 1))
                .isGreaterThan(0.1);
    }
}
