package yellowrail.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.amp.Duty;
import yellowrail.core.amp.Topology;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.TubeModels;

class SweepTest {
    /** 6L6GC, 460 V, 4.2 kΩ. */
    private static Stage sixL6(double grid) {
        return pair("6L6GC", 460, 90, 200, 470, 70, 4200, Biasing.fixed(grid));
    }

    /** EL34, 455 V, 3.4 kΩ, a stiff supply and a low load. */
    private static Stage el34() {
        return pair("EL34", 460, 50, 100, 470, 60, 3400, Biasing.fixed(-38));
    }

    private static Stage pair(
            String type, double vbb, double rsrc, double feed, double rg2, double rdc, double load, Biasing biasing) {
        var model = TubeModels.of(type).orElseThrow();
        return new Stage(
                Topology.PUSH_PULL,
                Connection.PENTODE,
                0,
                vbb,
                rsrc,
                Double.NaN,
                feed,
                rdc,
                0,
                load,
                List.of(new StageTube(model, 0, 1, rg2, 0), new StageTube(model, 1, 1, rg2, 0)),
                biasing);
    }

    @ParameterizedTest
    @CsvSource({"0.3,0.588", "0.5,0.658", "0.7,0.747", "0.9,0.900"})
    void theHottestPlateOverDriveFollowsTheSolvedTable(double idle, double hottest) {
        Stage stage = StageIdle.at(sixL6(-45), idle * 30);
        assertThat(StageIdle.watts(stage)).isCloseTo(idle * 30, within(1e-6));
        DriveSweep sweep = DriveSweep.of(stage, 24);
        assertThat(sweep.hottestPlate(Duty.TONE).hottestPlateWatts() / 30).isCloseTo(hottest, within(0.01));
        assertThat(sweep.full().watts()).isBetween(45.0, 57.0);
    }

    @Test
    void classAEndsWhereTheSolvedStageSays() {
        DriveSweep sweep = DriveSweep.of(StageIdle.at(sixL6(-45), 21), 40);
        assertThat(sweep.classAWatts().orElseThrow()).isCloseTo(15, within(1.0));
        assertThat(100 * sweep.distortionAt(1).orElseThrow()).isCloseTo(0.11, within(0.05));
        assertThat(sweep.distortionAt(500)).isEmpty();
        assertThat(sweep.plateMost()).isBetween(700.0, 800.0);
    }

    @Test
    void aHighLoadOverloadsTheScreens() {
        DriveSweep nominal = DriveSweep.of(StageIdle.at(sixL6(-45), 21), 16);
        DriveSweep twice = DriveSweep.of(StageIdle.at(sixL6(-45), 21).withLoad(8400), 16);
        assertThat(nominal.screenReaches(5, Duty.TONE)).isEmpty();
        assertThat(twice.screenReaches(5, Duty.TONE).orElseThrow()).isBetween(0.5, 1.0);
        assertThat(twice.hottestScreen(Duty.TONE).hottestScreenWatts())
                .isGreaterThan(nominal.hottestScreen(Duty.TONE).hottestScreenWatts() * 1.4);
    }

    @Test
    void cathodeBiasIdlesHottest() {
        Stage stage = StageIdle.at(pair("EL84", 330, 150, 0, 0, 150, 8000, Biasing.cathode(130, true)), 11);
        DriveSweep sweep = DriveSweep.of(stage, 16);
        assertThat(sweep.hottestPlate(Duty.TONE).drive()).isZero();
        assertThat(sweep.full().cathodeVolts().get(0))
                .isGreaterThan(sweep.idle().cathodeVolts().get(0));
    }

    @Test
    void theComputedTargetKeepsThePlatesInsideOrSaysThatNoneDoes() {
        StageJudge judge = JudgedBy.watts(30, 500, 0.05, 1.1);
        ComputedTarget easy =
                ComputedTarget.of(new StageSetting(sixL6(-45), 30, 0.5, 1, 1, GridSupply.FOLLOWS, Duty.TONE), judge);
        assertThat(easy.solved()).isTrue();
        assertThat(easy.share()).isBetween(0.65, 0.85);
        Stage set = StageIdle.at(sixL6(-45), easy.watts()).atMains(1.1, true);
        double hottest = DriveSweep.of(set, 16).hottestPlate(Duty.TONE).hottestPlateWatts();
        // With the model's band it stands just inside.
        assertThat(hottest).isLessThan(30 / 1.05);
        assertThat(hottest).isGreaterThan(30 / 1.08);
        Stage hotter = StageIdle.at(sixL6(-45), easy.watts() + 0.9).atMains(1.1, true);
        assertThat(DriveSweep.of(hotter, 16).hottestPlate(Duty.TONE).hottestPlateWatts())
                .isGreaterThan(30 / 1.06);
        ComputedTarget constant =
                ComputedTarget.of(new StageSetting(sixL6(-45), 30, 0.5, 1, 1, GridSupply.HELD, Duty.TONE), judge);
        assertThat(constant.share()).isLessThan(easy.share());
        ComputedTarget none = ComputedTarget.of(
                new StageSetting(el34().withLoad(1700), 25, 0.5, 1, 1, GridSupply.FOLLOWS, Duty.TONE),
                JudgedBy.watts(25, 500, 0.05, 1.1));
        assertThat(none.solved()).isFalse();
        assertThat(none.reason()).contains("No idle keeps the plates inside");
        // Where something else ends it, that is named.
        ComputedTarget screens = ComputedTarget.of(
                new StageSetting(sixL6(-45), 30, 0.5, 1, 1, GridSupply.FOLLOWS, Duty.TONE),
                JudgedBy.watts(30, 0.9, 0.05, 1.1));
        assertThat(screens.share()).isLessThan(easy.share() - 0.1);
        assertThat(screens.reason()).contains("screen dissipation").contains("ends it");
        ComputedTarget cold = ComputedTarget.of(
                new StageSetting(sixL6(-45), 30, 0.5, 1, 1, GridSupply.FOLLOWS, Duty.TONE),
                JudgedBy.watts(30, 0.01, 0.05, 1.1));
        assertThat(cold.solved()).isFalse();
        assertThat(cold.reason()).startsWith("No idle is accepted: screen dissipation");
    }

    /** A design-centre publication allows 1.22 of its watts at highest mains, a design-maximum one nothing more. */
    @Test
    void theComputedTargetGoesByTheSystemOfEachPublication() {
        StageSetting setting = new StageSetting(
                pair("6V6GT", 268, 100, 0, 0, 200, 8000, Biasing.fixed(-20)),
                12,
                0.5,
                1,
                1,
                GridSupply.FOLLOWS,
                Duty.TONE);
        ComputedTarget centre = ComputedTarget.of(setting, JudgedBy.type("6V6GT", 1.1));
        ComputedTarget maximum = ComputedTarget.of(setting, JudgedBy.watts(12, 2, 0.088, 1.1));
        assertThat(centre.solved()).as(centre.reason()).isTrue();
        assertThat(centre.share()).isGreaterThan(maximum.share() + 0.05);
    }

    @Test
    void whatCannotBeIsRefusedWithItsLimit() {
        assertThatThrownBy(() -> StageIdle.at(sixL6(-45), 500))
                .isInstanceOf(NoSolution.class)
                .hasMessageContaining("No bias reaches 500 W");
        // A strong tube at high volts does not get cold.
        assertThatThrownBy(() -> StageIdle.at(pair("6V6GT", 1900, 20, 0, 0, 0, 4200, Biasing.fixed(-40)), 1))
                .isInstanceOf(NoSolution.class)
                .hasMessageContaining("No bias is cold enough for 1.00 W");
        assertThatThrownBy(() -> new StageSetting(sixL6(-45), 30, 0.6, 1, 1, GridSupply.FOLLOWS, Duty.TONE)
                        .of(sixL6(-45).screensAt(1000))
                        .mains(1.1)
                        .stage())
                .isInstanceOf(NoSolution.class)
                .hasMessageContaining("screen supply volts of 1100 V");
        assertThatThrownBy(() -> sixL6(-45).withLoad(0)).hasMessageContaining("load ohms");
        assertThatThrownBy(() -> sixL6(5)).hasMessageContaining("grid bias");
        assertThatThrownBy(() -> DriveSweep.of(pair("6L6GC", 460, 90, 200, 470, 70, 4200, Biasing.fixed(0)), 8))
                .isInstanceOf(NoSolution.class)
                .hasMessageContaining("no room to drive");
        var model = TubeModels.of("6L6GC").orElseThrow();
        assertThatThrownBy(() -> new Stage(
                        Topology.PUSH_PULL,
                        Connection.ULTRALINEAR,
                        1.2,
                        460,
                        90,
                        Double.NaN,
                        0,
                        70,
                        0,
                        4200,
                        List.of(new StageTube(model, 0, 1, 0, 0), new StageTube(model, 1, 1, 0, 0)),
                        Biasing.fixed(-40)))
                .hasMessageContaining("120");
        assertThatThrownBy(() -> new Stage(
                        Topology.SINGLE_ENDED,
                        Connection.PENTODE,
                        0,
                        300,
                        90,
                        Double.NaN,
                        0,
                        70,
                        0,
                        5000,
                        List.of(new StageTube(model, 0, 1, 0, 0), new StageTube(model, 1, 1, 0, 0)),
                        Biasing.fixed(-40)))
                .hasMessageContaining("single-ended takes");
    }
}
