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
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.TubeModels;

/** Sweeps against tables solved by an independent program: 6L6GC, 460 V, 4.2 kΩ, 70 % at idle. */
class SweepKindsTest {
    private static Stage stage() {
        var model = TubeModels.of("6L6GC").orElseThrow();
        return new Stage(
                Topology.PUSH_PULL,
                Connection.PENTODE,
                0,
                460,
                90,
                Double.NaN,
                200,
                70,
                0,
                4200,
                List.of(new StageTube(model, 0, 1, 470, 0), new StageTube(model, 1, 1, 470, 0)),
                Biasing.fixed(-40));
    }

    private static StageSetting setting() {
        return new StageSetting(stage(), 30, 0.7, 1, 1, GridSupply.FOLLOWS, Duty.TONE);
    }

    @ParameterizedTest
    @CsvSource({
        "0.5,33,4.1,368,32.5,3.3,630",
        "1,53,1.4,317,22.4,4.4,771",
        "2,53,12.6,197,20.3,6.9,855",
        "4,33,26,104,18.7,8.6,880",
        "100,1.6,41,44,15.7,10.3,907"
    })
    void theLoadMovesPowerHeatAndVolts(
            double factor, double watts, double thd, double milli, double plate, double screen, double volts) {
        SweepPoint p = SweepPoint.of(Sweep.LOAD, setting(), factor);
        // The table's idle was a little colder at high loads; the rows agree within 12 %.
        assertThat(p.watts()).isCloseTo(watts, within(Math.max(3, 0.02 * watts)));
        assertThat(100 * p.distortion()).isCloseTo(thd, within(0.3));
        assertThat(1000 * p.plateAmperes()).isCloseTo(milli, within(0.08 * milli));
        assertThat(p.screenWatts()).isCloseTo(screen, within(0.1));
        assertThat(p.plateVolts()).isCloseTo(volts, within(2.0));
        // At high loads the idle itself is the hottest.
        assertThat(p.plateWatts()).isCloseTo(Math.max(plate, p.idleWatts()), within(0.3));
    }

    @Test
    void aConstantGridSupplyIsTheDangerousOneOnHighMains() {
        double nominal = SweepPoint.of(Sweep.MAINS_TRACKING, setting(), 1.0).idleWatts();
        assertThat(nominal).isCloseTo(21, within(1e-6));
        assertThat(SweepPoint.of(Sweep.MAINS_TRACKING, setting(), 1.1).idleWatts() / nominal)
                .isCloseTo(1.27, within(0.02));
        assertThat(SweepPoint.of(Sweep.MAINS_CONSTANT, setting(), 1.1).idleWatts() / nominal)
                .isCloseTo(1.67, within(0.02));
        assertThat(SweepPoint.of(Sweep.MAINS_CONSTANT, setting(), 0.9).idleWatts() / nominal)
                .isCloseTo(0.53, within(0.02));
        SweepPoint cathode = SweepPoint.of(Sweep.MAINS_CATHODE, setting(), 1.1);
        assertThat(cathode.idleWatts() / nominal).isCloseTo(1.22, within(0.02));
        // Under drive the cathode rises and turns the stage down: the idle is the hottest.
        assertThat(cathode.plateWatts()).isEqualTo(cathode.idleWatts());
    }

    @ParameterizedTest
    @CsvSource({"0.05,0.19", "0.10,0.38", "0.20,0.75", "0.30,1.13"})
    void aMismatchMakesSecondHarmonic(double difference, double second) {
        SweepPoint apart = SweepPoint.of(Sweep.MISMATCH, setting(), difference);
        assertThat(100 * apart.secondAtOneWatt()).isCloseTo(second, within(0.03));
        assertThat(apart.standingDifference() / difference).isCloseTo(0.046, within(0.003));
        double matched = SweepPoint.of(Sweep.MISMATCH, setting(), 0).watts();
        assertThat(apart.watts()).isCloseTo(matched, within(0.005 * matched));
    }

    @Test
    void colderIsDirtierAndHotterIsWarmer() {
        List<SweepPoint> points = Sweep.IDLE.places().stream()
                .map(p -> SweepPoint.of(Sweep.IDLE, setting(), p))
                .toList();
        assertThat(points).hasSizeGreaterThanOrEqualTo(12);
        for (int i = 1; i < points.size(); i++) {
            assertThat(points.get(i).plateWatts())
                    .isGreaterThan(points.get(i - 1).plateWatts());
            assertThat(points.get(i).watts()).isGreaterThan(points.get(i - 1).watts());
        }
        assertThat(100 * points.get(0).distortionAtOneWatt()).isCloseTo(4.4, within(0.2));
        assertThat(Sweep.LOAD.places().size()).isGreaterThanOrEqualTo(12);
    }

    @Test
    void aPlaceWithoutASolutionSaysWhy() {
        StageSetting weak = new StageSetting(stage().atMains(0.1, true), 30, 0.7, 1, 1, GridSupply.FOLLOWS, Duty.TONE);
        SweepPoint none = SweepPoint.of(Sweep.IDLE, weak, 1.1);
        assertThat(none.trouble()).contains("No bias reaches 33");
        assertThat(none.watts()).isNaN();
        assertThatThrownBy(() -> setting().load(0)).hasMessageContaining("load factor");
        assertThatThrownBy(() -> setting().mains(2)).hasMessageContaining("mains of 200");
    }

    @Test
    void whatAMovedStageWouldHaveBeyondTheLimitsIsSaid() {
        assertThatThrownBy(() -> stage().withLoad(20))
                .isInstanceOf(NoSolution.class)
                .hasMessageContaining("load ohms of 20 Ω; 50 to");
        assertThatThrownBy(() -> stage().screensAt(900).atMains(1.2, true))
                .isInstanceOf(NoSolution.class)
                .hasMessageContaining("1080 V");
        assertThat(SweepPoint.of(Sweep.LOAD, setting().of(stage().withLoad(60)), 0.25)
                        .trouble())
                .contains("load ohms of 15");
    }

    @Test
    void theColdestCleanIdleIsWhereTheCurveCrosses() {
        CleanIdle half = CleanIdle.of(setting(), 0.005);
        double share = half.share().orElseThrow();
        assertThat(share).isCloseTo(0.50, within(0.01));
        assertThat(SweepPoint.of(Sweep.IDLE, setting(), share).distortionAtOneWatt())
                .isCloseTo(0.005, within(0.0002));
        assertThat(half.reason()).contains("From 50 % on");
        assertThat(CleanIdle.of(setting(), 1e-9).share()).isEmpty();
        assertThat(CleanIdle.of(setting().load(100), 0.0001).reason()).contains("No idle");
    }

    @Test
    void screensAreHelpedByResistorVoltsOrLoadAndHardlyByTheIdle() {
        StageJudge judge = JudgedBy.watts(60, 5, 1e-6, 1);
        assertThat(ScreenReport.of(setting(), judge).reachedAt()).isEmpty();
        ScreenReport twice = ScreenReport.of(setting().load(2), judge);
        assertThat(twice.reachedAt().orElseThrow()).isBetween(0.5, 1.0);
        assertThat(twice.colderHelps()).isFalse();
        assertThat(twice.remedies()).hasSize(3);
        assertThat(twice.words()).hasSize(4);
        assertThat(twice.remedies().get(0)).matches("A resistor of (\\d+) Ω at each screen would keep them inside, .*");
        double ohms = Double.parseDouble(twice.remedies().get(0).replaceAll("A resistor of (\\d+) Ω.*", "$1"));
        var model = TubeModels.of("6L6GC").orElseThrow();
        Stage resisted =
                stage().tubed(List.of(new StageTube(model, 0, 1, ohms, 0), new StageTube(model, 1, 1, ohms, 0)));
        assertThat(DriveSweep.of(setting().of(resisted).load(2).stage(), 24)
                        .hottestScreen(Duty.TONE)
                        .hottestScreenWatts())
                .isBetween(4.6, 5.02);
        // What is advised keeps the model's band as room.
        assertThat(ScreenReport.of(setting().load(2), JudgedBy.watts(60, 5, 0.25, 1))
                        .remedies())
                .allSatisfy(remedy -> {
                    if (remedy.startsWith("A resistor")) {
                        assertThat(Double.parseDouble(remedy.replaceAll("A resistor of (\\d+) Ω.*", "$1")))
                                .isGreaterThan(1.2 * ohms);
                    }
                });
        // A lower load that burns the plates is no remedy.
        double plates = DriveSweep.of(setting().load(2).stage(), 12)
                .hottestPlate(Duty.TONE)
                .hottestPlateWatts();
        assertThat(ScreenReport.of(setting().load(2), JudgedBy.watts(1.01 * plates, 5, 1e-6, 1))
                        .remedies())
                .noneMatch(r -> r.startsWith("A load"))
                .anyMatch(r -> r.startsWith("A resistor"));
        // Inside now, over at highest mains.
        double now =
                DriveSweep.of(setting().stage(), 12).hottestScreen(Duty.TONE).hottestScreenWatts();
        ScreenReport higher = ScreenReport.of(setting(), JudgedBy.watts(60, 1.05 * now, 1e-6, 1.1));
        assertThat(higher.words().get(0)).contains("at 110 % mains").contains("over it");
        ScreenReport near = ScreenReport.of(setting(), JudgedBy.watts(60, 1.05 * now, 0.15, 1));
        assertThat(near.words().get(0)).contains("too close to call").doesNotContain("included");
        assertThat(ScreenReport.of(setting(), JudgedBy.watts(60, 2 * now, 0.15, 1))
                        .words()
                        .get(0))
                .contains("included");
        StageJudge far = new StageJudge(
                JudgedBy.watts(60, 2 * now, 0.15, 1).judge(),
                new ModelTrust(9, 1, 2, 1, 2, 0.1, 0.1, 0.1, 0.1, 0.1, 0.3),
                1);
        assertThat(ScreenReport.of(setting(), far).words().get(0)).contains("not known");
    }

    @Test
    void mixedBiasSetsTheGridAndKeepsTheResistor() {
        Stage mixed = StageIdle.at(stage().biased(new Biasing(-10, -10, 100, true)), 21);
        assertThat(mixed.biasing().cathodeOhms()).isEqualTo(100);
        assertThat(mixed.biasing().gridA()).isBetween(-45.0, -20.0);
        assertThat(StageIdle.watts(mixed)).isCloseTo(21, within(1e-6));
        Cycle idle = new StageSolver(mixed).idle();
        assertThat(idle.cathodeVolts().get(0)).isBetween(8.0, 12.0);
    }

    @Test
    void copperOfTheSecondaryIsHeatAndNotPower() {
        Stage lossy = new Stage(
                Topology.PUSH_PULL,
                Connection.PENTODE,
                0,
                460,
                90,
                Double.NaN,
                200,
                70,
                210,
                3990,
                stage().tubes(),
                Biasing.fixed(-45));
        Cycle with = new StageSolver(lossy).driven(40);
        Cycle without = new StageSolver(stage().biased(Biasing.fixed(-45))).driven(40);
        assertThat(with.watts()).isCloseTo(0.95 * without.watts(), within(1e-6));
        double tubes = with.tubes().stream()
                .mapToDouble(t -> t.plateWatts() + t.screenWatts())
                .sum();
        assertThat(with.watts() + tubes + with.resistorWatts())
                .isCloseTo(with.supplyWatts(), within(0.001 * with.supplyWatts()));
    }
}
