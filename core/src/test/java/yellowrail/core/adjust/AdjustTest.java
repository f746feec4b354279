package yellowrail.core.adjust;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.reading.Band;
import yellowrail.core.target.Target.Window;

class AdjustTest extends AdjustBench {
    /** Others stay as they are, whatever B+ does. */
    private static final NextTurn.Wish NOTHING_PULLS =
            new NextTurn.Wish(Optional.of(new Band(0, 0, 0)), false, List.of(), AtMains.SAME);

    @Test
    void theSupplyOfTheStoryIs725OhmsBehind444Volts() {
        SupplySag.Known known = (SupplySag.Known) SAG;
        assertThat(known.ohms()).isCloseTo(725, within(3.0));
        assertThat(known.unloaded()).isCloseTo(444, within(1.0));
        assertThat(known.limit()).isPositive();
    }

    @Test
    void theStoppingPointOfTheStoryTakesTheSagAlong() {
        AmpDescription amp = amp(ControlLayout.LEVEL, 2);
        List<TubeNow> tubes = List.of(tube(amp, 0, 0.0329, 396.5), tube(amp, 1, 0.0329, 396.5));
        Advice.Turn turn = (Advice.Turn) NextTurn.of(amp, tubes, AT_62, SAG, Map.of());
        assertThat(turn.stopAt().value()).isCloseTo(0.3125, within(0.0004));
        assertThat(turn.plateVolts()).isCloseTo(398.6, within(0.2));
        assertThat(turn.hotter()).isFalse();
        assertThat(turn.control()).isEqualTo("level control");
        assertThat(turn.plusMinus()).isBetween(0.005, 0.02);
        assertThat(turn.way()).isEmpty();
        Advice.Turn known = (Advice.Turn)
                NextTurn.of(amp, tubes, AT_62, SAG, Map.of("level control", Control.Direction.CCW_HOTTER));
        assertThat(known.way()).isEqualTo("clockwise");
        // Taking the first round's volts as constant would stop short.
        double naive = 11.78 / 406.8 / 0.94 * OHMS;
        assertThat(naive).isCloseTo(0.3062, within(0.0003));
        assertThat(turn.stopAt().value()).isGreaterThan(naive);
    }

    @Test
    void oneRoundOrAnotherMainsSolvesNothing() {
        AmpDescription amp = amp(ControlLayout.LEVEL, 2);
        List<TubeNow> tubes = List.of(tube(amp, 0, 0.0329, 396.5), tube(amp, 1, 0.0329, 396.5));
        SupplySag moved = SupplySag.between(
                new SupplySag.Load(0.0516, 406.8, 0, 0.1, Optional.of(230.0), 0),
                new SupplySag.Load(0.0658, 396.5, 0, 0.1, Optional.of(233.0), 0));
        assertThat(moved).isInstanceOf(SupplySag.Refused.class);
        // Not known how far, so between two ends, and why.
        List<TubeNow> far = List.of(tube(amp, 0, 0.022, 396.5), tube(amp, 1, 0.022, 396.5));
        Advice.Turn advice = (Advice.Turn) NextTurn.of(amp, far, AT_62, moved, Map.of());
        assertThat(advice.between()).isPresent();
        assertThat(advice.then()).isEmpty();
        assertThat(advice.remarks().toString()).contains("mains moved 1.3 %");
        SupplySag unknown = SupplySag.between(
                new SupplySag.Load(0.0516, 406.8, 0, 0.1, Optional.empty(), 0),
                new SupplySag.Load(0.0658, 396.5, 0, 0.1, Optional.of(233.0), 0));
        assertThat(((SupplySag.Refused) unknown).reason()).contains("Mains was not read");
        SupplySag still = SupplySag.between(
                new SupplySag.Load(0.0650, 397, 0, 0.1, Optional.of(230.0), 0),
                new SupplySag.Load(0.0658, 396.5, 0, 0.1, Optional.of(230.0), 0));
        assertThat(((SupplySag.Refused) still).reason()).contains("hardly moved");
        SupplySag rising = SupplySag.between(
                new SupplySag.Load(0.0516, 396.8, 0, 0.1, Optional.of(230.0), 0),
                new SupplySag.Load(0.0658, 406.5, 0, 0.1, Optional.of(230.0), 0));
        assertThat(((SupplySag.Refused) rising).reason()).contains("rose together");
        SupplySag coarse = SupplySag.between(
                new SupplySag.Load(0.0616, 397.0, 0, 4, Optional.of(230.0), 0),
                new SupplySag.Load(0.0658, 396.0, 0, 4, Optional.of(230.0), 0));
        assertThat(((SupplySag.Refused) coarse).reason()).contains("less than the meter can tell");
        // A digit of the mains is as good as a fall of B+: 0.2 % of 396.5 V twice, over 14.2 mA.
        SupplySag.Known byMains = (SupplySag.Known) SupplySag.between(
                new SupplySag.Load(0.0516, 406.8, 0, 0.1, Optional.of(230.0), 0.002),
                new SupplySag.Load(0.0658, 396.5, 0, 0.1, Optional.of(230.0), 0.002));
        assertThat(byMains.limit()).isCloseTo((0.1 + 0.004 * 396.5) / 0.0142, within(0.01));
    }

    @Test
    void theClosedFormAgreesWithTheSolvedStage() {
        double ohms = 90 * 2 * (1 + 0.0495) + 70;
        assertThat(ohms).isCloseTo(258.9, within(0.05));
        SagLine line = new SagLine(460, ohms);
        double current = line.currentFor(21).orElseThrow();
        assertThat(current).isCloseTo(0.04689, within(0.00001));
        assertThat(line.voltsAt(current)).isCloseTo(447.9, within(0.05));
        assertThat(new SagLine(400, 0).currentFor(20).orElseThrow()).isCloseTo(0.05, within(1e-12));
        assertThat(new SagLine(100, 500).currentFor(6)).isEmpty();
        assertThat(new SagLine(100, 500).mostWatts()).isEqualTo(5);
        assertThatThrownBy(() -> new SagLine(-1, 3)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void anUnreachableTargetIsSaidToBe() {
        AmpDescription amp = amp(ControlLayout.LEVEL, 2);
        List<TubeNow> tubes = List.of(tube(amp, 0, 0.020, 150), tube(amp, 1, 0.020, 150));
        SupplySag soft = new SupplySag.Known(4000, 20, 310);
        Advice advice = NextTurn.of(amp, tubes, AT_62, soft, Map.of());
        assertThat(((Advice.Refused) advice).reason())
                .contains("cannot be reached")
                .contains("11.8 W");
    }

    @Test
    void onlyControlsTheAmpHasAreAdvisedAndTheWorstTubeLeads() {
        AmpDescription each = amp(ControlLayout.PER_TUBE, 4);
        List<TubeNow> tubes = List.of(
                tube(each, 0, 0.0316, 397),
                tube(each, 1, 0.0250, 397),
                tube(each, 2, 0.0390, 397),
                tube(each, 3, 0.0316, 397));
        NextTurn.Wish sure = new NextTurn.Wish(Optional.of(new Band(1.5, 1.5, 1.5)), false, List.of(), AtMains.SAME);
        Advice.Turn turn = (Advice.Turn) NextTurn.of(each, tubes, AT_62, SAG, Map.of(), sure);
        // The one with furthest to go first, the other after it, each on its mark when both are turned.
        assertThat(turn.control()).isEqualTo("V2 control");
        assertThat(turn.hotter()).isTrue();
        assertThat(turn.then()).singleElement().satisfies(then -> {
            assertThat(then.control()).isEqualTo("V3 control");
            assertThat(then.hotter()).isFalse();
        });
        assertThat(turn.endsAt().value()).isGreaterThan(turn.stopAt().value());
        // What passes the ceiling comes before all else.
        List<TubeNow> hot = List.of(tubes.get(0), tubes.get(1), tube(each, 2, 0.0440, 397), tubes.get(3));
        assertThat(((Advice.Turn) NextTurn.of(each, hot, AT_62, SAG, Map.of())).control())
                .isEqualTo("V3 control");
        List<TubeNow> one = List.of(tubes.get(0), tube(each, 1, 0.0316, 397), tubes.get(2), tubes.get(3));
        Advice.Turn alone = (Advice.Turn) NextTurn.of(each, one, AT_62, SAG, Map.of(), NOTHING_PULLS);
        assertThat(alone.control()).isEqualTo("V3 control");
        // One tube moves: the supply sags by one tube's share only.
        double single = SagLine.through(0.039 * 0.94, 397, ((SupplySag.Known) SAG).ohms() / 0.94)
                .currentFor(0.62 * 19)
                .orElseThrow();
        assertThat(alone.stopAt().value()).isCloseTo(single / 0.94 * OHMS, within(1e-6));

        AmpDescription level = amp(ControlLayout.LEVEL, 4);
        Advice.Turn all = (Advice.Turn) NextTurn.of(level, tubes, AT_62, SAG, Map.of());
        assertThat(all.control()).isEqualTo("level control");
        assertThat(all.socket()).isEqualTo("V3");
        assertThat(all.remarks().get(0)).contains("V2 stays about 36 % colder").contains("no control of this amp");

        AmpDescription sides = amp(ControlLayout.PER_SIDE, 4);
        assertThat(((Advice.Turn) NextTurn.of(sides, tubes, AT_62, SAG, Map.of())).control())
                .isEqualTo("side B control");

        AmpDescription both = amp(ControlLayout.LEVEL_AND_BALANCE, 4);
        Advice.Turn balance = (Advice.Turn) NextTurn.of(both, tubes, AT_62, SAG, Map.of());
        assertThat(balance.control()).isEqualTo("balance control");
        assertThat(balance.plateVolts()).isEqualTo(397);

        AmpDescription none = amp(ControlLayout.NONE, 4);
        assertThat(NextTurn.of(none, tubes, AT_62, SAG, Map.of())).isInstanceOf(Advice.Rest.class);

        AmpDescription onlyBalance = amp(ControlLayout.BALANCE, 2);
        List<TubeNow> cold = List.of(tube(onlyBalance, 0, 0.020, 397), tube(onlyBalance, 1, 0.0202, 397));
        assertThat(((Advice.Rest) NextTurn.of(onlyBalance, cold, AT_62, SAG, Map.of())).sentence())
                .contains("no level control");
    }

    @Test
    void noTurnGoesAboveTheCeilingAndNoneIsNeededInside() {
        AmpDescription amp = amp(ControlLayout.LEVEL, 2);
        List<TubeNow> inside = List.of(tube(amp, 0, 0.0316, 397), tube(amp, 1, 0.0313, 397));
        assertThat(NextTurn.of(amp, inside, AT_62, SAG, Map.of())).isInstanceOf(Advice.Rest.class);
        Window hot = new Window("too hot", 0.85, 0.95, "");
        // A window above the ceiling is aimed at no further than the ceiling.
        Advice.Turn capped = (Advice.Turn) NextTurn.of(amp, inside, hot, SAG, Map.of());
        double plate = capped.stopAt().value() / OHMS * 0.94;
        assertThat(plate * capped.plateVolts() / 19).isCloseTo(0.80, within(0.002));
    }

    @Test
    void gridVoltsFollowTheFourthRoot() {
        // A tube that is exactly fourth-root: I = (0.4 + 0.006·(Vg + 50))^4 / 10.
        java.util.function.DoubleUnaryOperator current = g -> Math.pow(0.4 + 0.006 * (g + 50), 4) / 1;
        double a = current.applyAsDouble(-45);
        double b = current.applyAsDouble(-43);
        double wanted = current.applyAsDouble(-40.5);
        assertThat(FourthRoot.gridFor(-45, a, -43, b, wanted).orElseThrow()).isCloseTo(-40.5, within(1e-9));
        double slope = 4 * 0.006 / (0.4 + 0.006 * 7);
        assertThat(FourthRoot.gridFor(-43, b, slope, wanted)).isCloseTo(-40.5, within(1e-9));
        assertThat(FourthRoot.gridFor(-43, b, -43.05, a, wanted)).isEmpty();
        assertThat(FourthRoot.gridFor(-45, b, -43, a, wanted)).isEmpty();
    }
}
