package yellowrail.core.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowrail.core.fit.Operation.Currents;
import yellowrail.core.tube.Calibration;
import yellowrail.core.tube.TubeModel;
import yellowrail.core.tube.TubeModels;

class ModelFitTest {
    private static final double NAN = Double.NaN;

    @ParameterizedTest
    @ValueSource(strings = {"6V6GT", "6L6GC", "5881", "EL84"})
    void publishedOperationsGiveTheShippedCurves(String type) {
        List<Operation> operations = Operations.of(type);
        TubeModel shipped = TubeModels.of(type).orElseThrow();
        ModelFit.Fitted fit = ModelFit.to(operations);
        for (Operation o : operations) {
            if (Double.isNaN(o.gridVolts())) {
                continue;
            }
            double screen = Double.isNaN(o.screenVolts()) ? o.plateVolts() : o.screenVolts();
            near(fit.model(), shipped, o.plateVolts(), screen, o.gridVolts(), 0.05);
            near(fit.model(), shipped, o.plateVolts(), screen, o.gridVolts() * 0.9, 0.05);
            // The knee, where the load line ends.
            near(fit.model(), shipped, 40, screen, 0, 0.12);
            near(fit.model(), shipped, 80, screen, 0, 0.12);
        }
        assertThat(fit.residuals()).hasSizeGreaterThan(2 * operations.size());
        assertThat(fit.rms()).isBetween(0.01, 0.12);
    }

    private static void near(TubeModel fit, TubeModel shipped, double plate, double screen, double grid, double share) {
        double wanted = shipped.plateAmperes(plate, screen, grid);
        assertThat(fit.plateAmperes(plate, screen, grid))
                .as("at %s V, %s V, %s V", plate, screen, grid)
                .isCloseTo(wanted, within(share * wanted));
    }

    @Test
    void pointsOfAKnownTubeAreMetBetweenThem() {
        TubeModel truth = new TubeModel(9.5, 1.36, 1400, 11000, 40, 15, 2200, 5, 45);
        List<Operation> points = List.of(
                point(truth, 250, 250, -14),
                point(truth, 350, 250, -18),
                point(truth, 300, 200, -12),
                point(truth, 400, 300, -25),
                point(truth, 60, 250, -5));
        ModelFit.Fitted fit = ModelFit.to(points);
        near(fit.model(), truth, 320, 270, -18, 0.02);
        near(fit.model(), truth, 420, 310, -24, 0.04);
        assertThat(fit.rms()).isLessThan(0.01);
        assertThat(fit.residuals())
                .allSatisfy(r -> assertThat(r.miss()).isCloseTo(r.fitted() / r.published() - 1, within(1e-12)));
    }

    private static Operation point(TubeModel m, double plate, double screen, double grid) {
        double gm =
                1e3 * (m.plateAmperes(plate, screen, grid + 0.05) - m.plateAmperes(plate, screen, grid - 0.05)) / 0.1;
        return Operation.point(
                "own",
                plate,
                screen,
                grid,
                new Currents(m.plateAmperes(plate, screen, grid), m.screenAmperes(plate, screen, grid), NAN),
                gm,
                NAN);
    }

    @Test
    void tooFewPointsAreRefusedInWords() {
        Operation one = Operation.point("own", 250, 250, -14, new Currents(0.072, 0.005, NAN), NAN, NAN);
        assertThatThrownBy(() -> ModelFit.to(List.of(one))).hasMessageContaining("at least 3 figures");
        Operation noScreen = Operation.point("own", 250, 250, -14, new Currents(0.072, NAN, NAN), 6, 22_000);
        assertThatThrownBy(() -> ModelFit.to(List.of(noScreen))).hasMessageContaining("at least one screen current");
        assertThatThrownBy(() -> Operation.point("own", 250, 250, 14, new Currents(0.07, NAN, NAN), 6, NAN))
                .hasMessageContaining("grid volts of 14.0 V");
    }

    @Test
    void aTubeOfOnesOwnIsAScaleThroughItsIdlePoints() {
        TubeModel model = TubeModels.of("6L6GC").orElseThrow();
        double here = model.plateAmperes(430, 420, -42);
        double there = model.plateAmperes(440, 430, -46);
        Calibration one = Calibration.of(model, List.of(new Calibration.Point(430, 420, -42, 1.1 * here)));
        assertThat(one.scale()).isCloseTo(1.1, within(1e-9));
        assertThat(one.spread()).isZero();
        Calibration two = Calibration.of(
                model,
                List.of(
                        new Calibration.Point(430, 420, -42, 1.1 * here),
                        new Calibration.Point(440, 430, -46, 1.2 * there)));
        assertThat(two.scale()).isCloseTo(Math.sqrt(1.1 * 1.2), within(1e-9));
        assertThat(two.spread()).isCloseTo(Math.log(1.2 / 1.1) / 2, within(1e-9));
        assertThatThrownBy(() -> Calibration.of(model, List.of())).hasMessageContaining("measured idle point");
    }
}
