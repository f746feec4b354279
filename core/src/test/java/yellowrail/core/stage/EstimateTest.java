package yellowrail.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Duty;
import yellowrail.core.amp.Topology;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.TubeModels;

/** A stage is found again from readings that the solver made of it. */
class EstimateTest {
    private static Stage stage(double grid) {
        var model = TubeModels.of("6550").orElseThrow();
        return new Stage(
                Topology.PUSH_PULL,
                Connection.PENTODE,
                0,
                470,
                120,
                320,
                0,
                60,
                0,
                4200,
                List.of(new StageTube(model, 0, 1.10, 0, 0), new StageTube(model, 1, 0.92, 0, 0)),
                Biasing.fixed(grid));
    }

    private static ReadRound read(double grid, double mains, boolean grids) {
        Cycle idle = new StageSolver(stage(grid).atMains(mains, true)).idle();
        List<ReadRound.ReadTube> tubes = new ArrayList<>();
        double total = 0;
        for (int t = 0; t < 2; t++) {
            Cycle.TubeCycle tube = idle.tubes().get(t);
            total += tube.plateAmperes();
            tubes.add(new ReadRound.ReadTube(
                    "V" + t,
                    tube.plateWatts() / tube.plateAmperes(),
                    tube.plateAmperes(),
                    Optional.of(idle.screenVolts()),
                    grids ? Optional.of(grid * mains) : Optional.empty(),
                    0,
                    true));
        }
        return new ReadRound(Optional.of(mains), Optional.of(total), tubes, 0);
    }

    @Test
    void twoCurrentsTellTheSupply() {
        List<ReadRound> rounds = List.of(read(-38, 1.01, true), read(-34, 0.99, true));
        SupplyEstimate supply = SupplyEstimate.of(rounds, 30);
        assertThat(supply.told()).isTrue();
        assertThat(supply.ohms()).isCloseTo(120, within(3.0));
        assertThat(supply.volts()).isCloseTo(470, within(0.5));
        assertThat(supply.how()).contains("from 2 rounds");
        double total = rounds.get(1).nodeAmperes().orElseThrow() / 0.99;
        assertThat(supply.voltsLoaded()).isCloseTo(supply.volts() - supply.ohms() * total, within(1e-9));
        // A digit of the mains moves B+ by as much as these currents do: the slope tells nothing.
        List<ReadRound> coarse = rounds.stream()
                .map(r -> new ReadRound(r.mains(), r.nodeAmperes(), r.tubes(), 0.02))
                .toList();
        assertThat(SupplyEstimate.of(coarse, 30).told()).isFalse();
        assertThat(SupplyEstimate.of(coarse, 30).how()).contains("±").contains("mains");
        assertThat(supply.how()).contains("±");
    }

    @Test
    void oneCurrentDoesNot() {
        SupplyEstimate one = SupplyEstimate.of(List.of(read(-36, 1, true), read(-36, 1.02, true)), 30);
        assertThat(one.told()).isFalse();
        assertThat(one.ohms()).isEqualTo(100);
        assertThat(one.how()).contains("hardly differ").contains("100 Ω is assumed");
        ReadRound noMains = new ReadRound(
                Optional.empty(), Optional.empty(), read(-36, 1, true).tubes(), 0);
        assertThat(SupplyEstimate.of(List.of(noMains), 30).how()).contains("mains or single currents are missing");
    }

    @Test
    void gridVoltsTellEachTubesStrength() {
        var model = TubeModels.of("6550").orElseThrow();
        ScaleEstimate scales = ScaleEstimate.of(model, List.of(read(-38, 1, true), read(-34, 1, true)));
        assertThat(scales.told()).isTrue();
        assertThat(scales.scales().get(0)).isCloseTo(1.10, within(1e-6));
        assertThat(scales.scales().get(1)).isCloseTo(0.92, within(1e-6));
        assertThat(scales.how()).contains("from 2 rounds with grid volts");
    }

    @Test
    void withoutThemOnlyTheirRatioIsKnown() {
        var model = TubeModels.of("6550").orElseThrow();
        ScaleEstimate scales = ScaleEstimate.of(model, List.of(read(-36, 1, false)));
        assertThat(scales.scales().get(0) / scales.scales().get(1)).isCloseTo(1.10 / 0.92, within(0.01));
        assertThat(scales.scales().get(0) + scales.scales().get(1)).isCloseTo(2, within(1e-9));
        assertThat(scales.how()).contains("against each other");
    }

    @Test
    void aMeanTellsNothingOfATubeAndNonsenseIsNotUsed() {
        var model = TubeModels.of("6550").orElseThrow();
        ReadRound round = read(-36, 1, true);
        List<ReadRound.ReadTube> means = round.tubes().stream()
                .map(t -> new ReadRound.ReadTube(
                        t.name(), t.plateVolts(), t.plateAmperes(), t.screenVolts(), t.gridVolts(), 0, false))
                .toList();
        ScaleEstimate mean =
                ScaleEstimate.of(model, List.of(new ReadRound(round.mains(), round.nodeAmperes(), means, 0)));
        assertThat(mean.told()).isFalse();
        assertThat(mean.scales()).containsExactly(1.0, 1.0);
        List<ReadRound.ReadTube> wrong = round.tubes().stream()
                .map(t -> new ReadRound.ReadTube(
                        t.name(), t.plateVolts(), t.plateAmperes(), t.screenVolts(), Optional.of(-70.0), 0, true))
                .toList();
        ScaleEstimate nonsense =
                ScaleEstimate.of(model, List.of(new ReadRound(round.mains(), round.nodeAmperes(), wrong, 0)));
        assertThat(nonsense.told()).isFalse();
        assertThat(nonsense.how()).contains("differ by more than a tube's spread");
    }

    private static ReadRound screensAt(double volts, double mains) {
        ReadRound.ReadTube tube =
                new ReadRound.ReadTube("V1", 430, 0.040, Optional.of(volts), Optional.of(-40.0), 20, true);
        ReadRound.ReadTube other =
                new ReadRound.ReadTube("V2", 440, 0.050, Optional.of(volts), Optional.of(-37.0), 10, true);
        return new ReadRound(Optional.of(mains), Optional.empty(), List.of(tube, other), 0);
    }

    @Test
    void screensAreFedFromTheSupplyOrFromOneOfTheirOwn() {
        // Plates 450 V to chassis; screens 420 + 15 V, 5 mA over 470 Ω each above them.
        ScreenFeed fed = ScreenFeed.of(screensAt(420, 1), 0.010, 470);
        assertThat(fed.own()).isFalse();
        assertThat(fed.ohms()).isCloseTo((450 - 435 - 2.35) / 0.010, within(1e-6));
        assertThat(fed.how()).contains("13 V below the plates");
        ScreenFeed own = ScreenFeed.of(screensAt(300, 1.05), 0.010, 0);
        assertThat(own.own()).isTrue();
        assertThat(own.ownVolts()).isCloseTo(315 / 1.05, within(1e-9));
        // Screens at the plates have no feed, current known or not; below them without a known current it is no feed.
        assertThat(ScreenFeed.of(screensAt(440, 1), 0, 0).ohms()).isZero();
        assertThat(ScreenFeed.of(screensAt(425, 1), 0, 0).own()).isTrue();
    }

    @Test
    void gridsStandApartFromTheirMeanAndIdleIsCarriedToNominalMains() {
        ReadRound round = screensAt(420, 1.1);
        assertThat(round.gridsApart()).containsExactly(-1.5, 1.5);
        assertThat(round.nodeVolts()).isEqualTo(450);
        assertThat(round.idleWatts(BiasScheme.FIXED_TRACKING))
                .isCloseTo(440 * 0.050 * Math.pow(1 / 1.1, 2.5), within(1e-9));
        ReadRound noMains = new ReadRound(Optional.empty(), Optional.empty(), round.tubes(), 0);
        assertThat(noMains.idleWatts(BiasScheme.FIXED_TRACKING)).isCloseTo(22, within(1e-9));
        assertThat(read(-36, 1, false).gridsApart()).isEmpty();
    }

    @Test
    void voltsAreThoseOfTheTubeThatHasMost() {
        Cycle idle = new StageSolver(stage(-36)).idle();
        assertThat(idle.plateToCathodeVolts()).isLessThan(idle.supplyVolts()).isGreaterThan(idle.supplyVolts() - 20);
        Stage cathode = stage(-36).biased(Biasing.cathode(400, false));
        Cycle driven = DriveSweep.of(cathode, 8).full();
        assertThat(driven.plateToCathodeVolts())
                .isEqualTo(driven.supplyVolts() - Collections.min(driven.cathodeVolts()));
        assertThat(driven.screenToCathodeVolts())
                .isEqualTo(driven.screenVolts() - Collections.min(driven.cathodeVolts()));
        assertThat(Copper.assumedOhms(5000, Topology.SINGLE_ENDED))
                .isEqualTo(2 * Copper.assumedOhms(5000, Topology.PUSH_PULL));
    }

    @Test
    void whatChangesIsSaidWithItsNumbers() {
        StageSetting setting = new StageSetting(stage(-36), 42, 0.4, 1, 1, GridSupply.FOLLOWS, Duty.TONE);
        DriveSweep cold = DriveSweep.of(setting.stage(), 16);
        DriveSweep hot = DriveSweep.of(setting.idle(0.8).stage(), 16);
        String said = WhatChanges.between(cold, hot, Duty.TONE, 42);
        assertThat(said)
                .startsWith("Power at clipping")
                .contains("class A reaches")
                .contains("distortion at 1 W")
                .contains("% of its rating");
        assertThat(WhatChanges.between(cold, cold, Duty.TONE, 42)).contains("ower at clipping hardly changes");
        DriveSweep tooHot = DriveSweep.of(setting.idle(1.2).stage(), 16);
        assertThat(WhatChanges.between(cold, tooHot, Duty.TONE, 42)).contains("and over it");
    }

    @Test
    void theComputedTargetIsAWindowBelowTheHottestIdle() {
        ComputedTarget target = ComputedTarget.of(
                new StageSetting(stage(-36), 42, 0.5, 1, 1, GridSupply.FOLLOWS, Duty.TONE),
                JudgedBy.watts(42, 6, 0.05, 1.1));
        var window = target.window(1).orElseThrow();
        assertThat(window.name()).isEqualTo(ComputedTarget.NAME);
        assertThat(window.high()).isEqualTo(target.share());
        assertThat(window.low()).isCloseTo(target.share() - 0.05, within(1e-9));
        assertThat(window.why()).contains("At highest mains");
        assertThat(new ComputedTarget(5, 0.2, false, "none").window(1)).isEmpty();
    }
}
