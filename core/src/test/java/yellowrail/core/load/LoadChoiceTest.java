package yellowrail.core.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import yellowrail.core.amp.Duty;
import yellowrail.core.amp.Topology;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.DriveSweep;
import yellowrail.core.stage.GridSupply;
import yellowrail.core.stage.OutputResistance;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageIdle;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.stage.StageTube;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.TubeModel;
import yellowrail.core.tube.TubeModels;

class LoadChoiceTest {
    private static final TubeModel MODEL = TubeModels.of("6L6GC").orElseThrow();
    private static final Speaker CONE = new Speaker.Modelled(6.4, 0.6e-3, 30, 80, 46.4, 5);

    private static StageSetting pair(Connection connection) {
        Stage stage = new Stage(
                Topology.PUSH_PULL,
                connection,
                0.43,
                460,
                90,
                Double.NaN,
                connection == Connection.PENTODE ? 200 : 0,
                70,
                0,
                4200,
                java.util.List.of(new StageTube(MODEL, 0, 1, 470, 0), new StageTube(MODEL, 1, 1, 470, 0)),
                Biasing.fixed(-40));
        return new StageSetting(stage, 30, 0.65, 1, 1, GridSupply.FOLLOWS, Duty.TONE);
    }

    private static LoadChoice choice(int levels) {
        return LoadChoice.of(pair(Connection.PENTODE), at -> DriveSweep.of(at.stage(), levels));
    }

    private static double rp(StageSetting setting) {
        return OutputResistance.of(setting.stage());
    }

    /** Twice the plate resistance of the curves at idle, from the tubes' own currents, for a pair of pentodes. */
    @Test
    void outputResistanceIsThatOfTheCurves() {
        Stage stage = StageIdle.at(pair(Connection.TRIODE).described(), 0.65 * 30);
        var idle = new yellowrail.core.stage.StageSolver(stage).idle();
        double volts = idle.plateToCathodeVolts();
        double grid = stage.biasing().gridA();
        double step = 0.5;
        double up = MODEL.plateAmperes(volts + step, volts + step, grid)
                + MODEL.screenAmperes(volts + step, volts + step, grid);
        double down = MODEL.plateAmperes(volts - step, volts - step, grid)
                + MODEL.screenAmperes(volts - step, volts - step, grid);
        double triode = 2 * step / (up - down);
        assertThat(OutputResistance.of(stage)).isCloseTo(2 * triode, within(0.06 * 2 * triode));
    }

    /** A triode drives stiffly, a pentode does not, ultralinear lies between. */
    @Test
    void connectionsDiffer() {
        double pentode = rp(pair(Connection.PENTODE));
        double ultralinear = rp(pair(Connection.ULTRALINEAR));
        double triode = rp(pair(Connection.TRIODE));
        assertThat(pentode).isGreaterThan(5 * 4200);
        assertThat(ultralinear).isLessThan(pentode / 2).isGreaterThan(1.2 * triode);
        assertThat(triode).isBetween(0.3 * 4200, 1.2 * 4200);
    }

    @Test
    void wishesPickTheirLoads() {
        LoadChoice choice = choice(12);
        assertThat(choice.points()).hasSize(LoadChoice.PLACES.size());
        double most = choice.points().stream()
                .mapToDouble(LoadChoice.Point::watts)
                .max()
                .orElseThrow();
        var power = choice.best(LoadChoice.Wish.MOST_POWER, p -> true, p -> Double.NaN)
                .orElseThrow();
        assertThat(power.watts()).isEqualTo(most);
        assertThat(power.factor()).isBetween(1.0, 1.7);
        // Coolest screens: the lowest load; hotter ones are left out when they are not allowed.
        assertThat(choice.best(LoadChoice.Wish.COOLEST_SCREENS, p -> true, p -> Double.NaN)
                        .orElseThrow()
                        .factor())
                .isLessThanOrEqualTo(0.5);
        assertThat(choice.best(LoadChoice.Wish.COOLEST_SCREENS, p -> p.factor() >= 0.85, p -> Double.NaN)
                        .orElseThrow()
                        .factor())
                .isEqualTo(0.85);
        assertThat(choice.best(LoadChoice.Wish.MOST_POWER, p -> false, p -> 0)).isEmpty();
        // Without a curve of the speaker nothing is said of tone.
        assertThat(choice.best(LoadChoice.Wish.LEAST_CHANGE_OF_TONE, p -> true, p -> Double.NaN))
                .isEmpty();
        Wiring cone = new Wiring.Driver("A", CONE);
        var flat = choice.best(LoadChoice.Wish.LEAST_CHANGE_OF_TONE, p -> true, p -> p.changeOfTone(cone, 80, 5000))
                .orElseThrow();
        assertThat(flat.changeOfTone(cone, 80, 5000))
                .isLessThan(choice.points().get(0).changeOfTone(cone, 80, 5000));
    }

    /** The level into a pentode's high resistance follows the impedance: 46.4 Ω over the dip of 6.5 Ω is near 17 dB. */
    @Test
    void toneFollowsImpedance() {
        Wiring cone = new Wiring.Driver("A", CONE);
        var point = choice(4).points().get(0);
        double ratio = 46.4 / 6.5;
        assertThat(point.changeOfTone(cone, 20, 20e3)).isBetween(12.0, 20 * Math.log10(ratio) + 2);
        Wiring resistor = new Wiring.Driver("8", new Speaker.Nominal(8));
        assertThat(point.changeOfTone(resistor, 20, 20e3)).isCloseTo(0, within(1e-9));
    }
}
