package yellowrail.core.tube;

import static org.assertj.core.api.Assertions.assertThat;

import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;

class TubeModelTest {
    /** Points worked out by an independent evaluation of the same equations. */
    @ParameterizedTest
    @CsvFileSource(resources = "/model-points.csv")
    void followsItsEquations(
            String type, double plate, double screen, double grid, double plateAmperes, double screenAmperes) {
        TubeModel model = TubeModels.of(type).orElseThrow();
        assertThat(model.plateAmperes(plate, screen, grid))
                .isCloseTo(plateAmperes, Offset.offset(1e-6 * Math.abs(plateAmperes) + 1e-15));
        assertThat(model.screenAmperes(plate, screen, grid))
                .isCloseTo(screenAmperes, Offset.offset(1e-6 * Math.abs(screenAmperes) + 1e-15));
    }

    @Test
    void hasNoCurvesForATypeThatWasNotFitted() {
        assertThat(TubeModels.of("KT150")).isEmpty();
        assertThat(TubeModels.of("6550A")).isEqualTo(TubeModels.of("6550"));
    }
}
