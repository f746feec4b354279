package yellowrail.core.adjust;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.TubeModel;
import yellowrail.core.tube.TubeModels;
import yellowrail.core.tube.TubeType;

/** The usual pull of B+ on a current is what the catalogue's curves give, not an opinion. */
class CouplingTest {
    private static final double STEP = 0.005;

    /** Every type with curves, from 250 V to its rating and at most 450 V, idling at 40, 60 and 80 %. */
    private static List<Double> pulls(boolean screensFollow) {
        List<Double> all = new ArrayList<>();
        Set<TubeModel> models = new HashSet<>();
        for (TubeType type : Catalogue.shipped().types()) {
            Optional<TubeModel> model = TubeModels.of(type.designation());
            Optional<Figure> watts = type.ratings().stream()
                    .flatMap(r -> r.plateWatts().stream())
                    .findFirst();
            Optional<Figure> limit = type.ratings().stream()
                    .flatMap(r -> r.figure(Limit.PLATE_VOLTS).stream())
                    .findFirst();
            boolean another = model.isPresent() && !models.add(model.get());
            if (another || model.isEmpty() || watts.isEmpty() || limit.isEmpty()) {
                continue;
            }
            for (double volts = 250; volts <= Math.min(450, limit.get().value()); volts += 50) {
                for (double idle : new double[] {0.4, 0.6, 0.8}) {
                    double amperes = idle * watts.get().value() / volts;
                    double grid = model.get().gridVolts(volts, volts, amperes);
                    double up = drawn(model.get(), volts, 1 + STEP, screensFollow, grid);
                    double down = drawn(model.get(), volts, 1 - STEP, screensFollow, grid);
                    all.add(Math.log(up / down) / Math.log((1 + STEP) / (1 - STEP)));
                }
            }
        }
        return all;
    }

    private static double drawn(TubeModel model, double volts, double factor, boolean screensFollow, double grid) {
        double screen = screensFollow ? volts * factor : volts;
        return model.plateAmperes(volts * factor, screen, grid) + model.screenAmperes(volts * factor, screen, grid);
    }

    @Test
    void theUsualPullIsThatOfTheCatalogue() {
        List<Double> onSupply = pulls(true);
        List<Double> apart = pulls(false);
        assertThat(onSupply).hasSizeGreaterThan(100).allMatch(p -> p < Coupling.USUAL_PULL.high());
        assertThat(onSupply.stream().mapToDouble(p -> p).max().orElseThrow())
                .isCloseTo(Coupling.USUAL_PULL.high(), within(0.5));
        assertThat(onSupply.stream().mapToDouble(p -> p).average().orElseThrow())
                .isCloseTo(Coupling.USUAL_PULL.mid(), within(0.3));
        assertThat(apart.stream().mapToDouble(p -> p).average().orElseThrow())
                .isCloseTo(Coupling.USUAL_PULL.low(), within(0.05));
    }
}
