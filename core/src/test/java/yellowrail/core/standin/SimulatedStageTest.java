package yellowrail.core.standin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.MeterText;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.TubeModel;
import yellowrail.core.tube.TubeModels;

class SimulatedStageTest {
    private static final TubeModel MODEL = TubeModels.of("6L6GC").orElseThrow();

    @Test
    void settlesWhereSupplyAndTubesAgree() {
        SimulatedStage stage = new SimulatedStage(MODEL, List.of(1.0, 0.9), 460, 90, 400, -37, 0);
        SimulatedStage.Idle idle = stage.idle(1);
        assertThat(idle.plateVolts()).isCloseTo(460 - 90 * idle.totalAmperes(), within(1e-6));
        assertThat(idle.plate().get(0)).isCloseTo(MODEL.plateAmperes(idle.plateVolts(), 400, -37), within(1e-9));
        assertThat(idle.plate().get(1)).isCloseTo(0.9 * idle.plate().get(0), within(1e-9));
    }

    @Test
    void cathodeBiasFindsItsOwnCathodeVolts() {
        SimulatedStage stage = new SimulatedStage(MODEL, List.of(1.0, 1.0), 330, 80, Double.NaN, 0, 250);
        SimulatedStage.Idle idle = stage.idle(1);
        assertThat(idle.cathodeVolts())
                .isCloseTo(250 * idle.totalAmperes(), within(1e-6))
                .isBetween(10.0, 40.0);
        assertThat(stage.idle(1.05).totalAmperes()).isGreaterThan(idle.totalAmperes());
    }

    @Test
    void theMeterShowsDigitsThatCanBeTypedBack() {
        SimulatedMeter meter = new SimulatedMeter(0.002);
        assertThat(meter.show(0.0364, Unit.VOLT)).isEqualTo("36.47 mV");
        assertThat(meter.show(431.0, Unit.VOLT)).isEqualTo("431.9 V");
        Field plate = Field.of("plate volts", Unit.VOLT, Prefix.NONE, 20, 2000);
        assertThat(MeterText.understand(meter.show(431.0, Unit.VOLT), plate)
                        .value()
                        .orElseThrow()
                        .value())
                .isCloseTo(431.9, within(1e-9));
    }
}
