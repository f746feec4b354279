package yellowrail.core.adjust;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.Socket.Side;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.Transformers;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.reading.Band;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Connection;

class AdjustTest {
    private static final Window AT_62 = new Window("story", 0.60, 0.64, "");
    private static final double OHMS = 9.94;

    private static AmpDescription amp(ControlLayout layout, int tubes) {
        List<Socket> sockets = java.util.stream.IntStream.rangeClosed(1, tubes)
                .mapToObj(i -> new Socket("V" + i, 1, i <= tubes / 2 ? Side.A : Side.B, "X19"))
                .toList();
        return new AmpDescription(
                "Bench-1",
                Topology.PUSH_PULL,
                Connection.PENTODE,
                0,
                BiasScheme.FIXED_TRACKING,
                layout,
                sockets,
                sockets.stream()
                        .map(s -> new SenseGroup(
                                s.name(), List.of(s.name()), new OwnResistor(SenseResistor.marked(OHMS, 1))))
                        .toList(),
                Optional.empty(),
                Optional.empty(),
                Mains.around(230, Optional.empty()),
                List.of(),
                Transformers.unknown(),
                "",
                "",
                "story",
                "",
                Optional.empty());
    }

    /** A tube with this cathode current, a 6 % screen share and 19 W. */
    private static TubeNow tube(AmpDescription amp, int index, double cathode, double volts) {
        Socket socket = amp.sockets().get(index);
        return new TubeNow(
                socket,
                cathode * 0.94,
                cathode * 0.06,
                volts,
                0.03,
                19,
                socket.name(),
                amp.groups().get(index).method(),
                true,
                List.of());
    }

    private static final SupplySag SAG = SupplySag.between(
            new SupplySag.Load(0.0516, 406.8, 0.0001, 0.1, Optional.of(230.0), 0),
            new SupplySag.Load(0.0658, 396.5, 0.0001, 0.1, Optional.of(230.0), 0));

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
        Advice advice = NextTurn.of(amp, tubes, AT_62, moved, Map.of());
        assertThat(((Advice.Refused) advice).reason()).contains("Mains moved 1.3 %");
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
        Advice.Turn turn = (Advice.Turn) NextTurn.of(each, tubes, AT_62, SAG, Map.of());
        assertThat(turn.control()).isEqualTo("V3 control");
        assertThat(turn.hotter()).isFalse();
        // One tube moves: the supply sags by one tube's share only.
        double single = SagLine.through(0.039 * 0.94, 397, ((SupplySag.Known) SAG).ohms() / 0.94)
                .currentFor(0.62 * 19)
                .orElseThrow();
        assertThat(turn.stopAt().value()).isCloseTo(single / 0.94 * OHMS, within(1e-6));

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

    @Test
    void theCathodeResistorOfTheStory() {
        CathodeFit fit = CathodeFit.of(
                new CathodeFit.Wish(2, 15.4, 0.03407, 0.0290, Optional.empty()),
                Optional.of(0.007),
                Optional.of(0.005),
                Optional.of(0.009));
        assertThat(fit.ohms().orElseThrow()).isCloseTo(278, within(0.5));
        assertThat(fit.low()).isCloseTo(275, within(0.5));
        assertThat(fit.high()).isCloseTo(283, within(0.5));
        assertThat(fit.constantVolts()).isCloseTo(266, within(0.6));
        assertThat(fit.e12()).isEqualTo(270);
        assertThat(fit.e96()).isEqualTo(280);
        assertThat(fit.idleWatts()).isCloseTo(0.94, within(0.01));
        assertThat(fit.ratingWatts()).isEqualTo(3);
        assertThat(fit.cathodeVolts()).isNotCloseTo(15.4, within(0.3));
        CathodeFit unknown =
                CathodeFit.of(new CathodeFit.Wish(2, 15.4, 0.03407, 0.0290, Optional.of(24.0)), Optional.empty());
        assertThat(unknown.ohms()).isEmpty();
        assertThat(unknown.formulas().get(0).result()).contains("not known");
        // Full drive asks for more than three times idle here: 2·24²/265.5 = 4.3 W.
        assertThat(unknown.ratingWatts()).isEqualTo(5);
        assertThat(unknown.bypassVolts()).isEqualTo(36);
    }

    @ParameterizedTest
    @CsvSource({"278,270,270,280", "99,100,100,100", "1.04,1,1,1.05", "9600,10000,10000,9530", "0.5,0.47,0.51,0.499"})
    void preferredValues(double ohms, double e12, double e24, double e96) {
        assertThat(Preferred.nearestE12(ohms)).isEqualTo(e12);
        assertThat(Preferred.nearestE24(ohms)).isEqualTo(e24);
        assertThat(Preferred.nearestE96(ohms)).isEqualTo(e96);
    }

    @Test
    void theDrawerGivesSinglesSeriesAndParallelPairs() {
        List<Preferred.Made> made = Preferred.fromDrawer(278, List.of(560.0, 270.0, 10.0));
        assertThat(made.get(0).words()).isEqualTo("560 Ω ∥ 560 Ω");
        assertThat(made.get(0).ohms()).isEqualTo(280);
        assertThat(made.get(1).words()).isEqualTo("270 Ω + 10 Ω in series");
        assertThat(made).hasSize(3);
        assertThat(Preferred.fromDrawer(278, List.of())).isEmpty();
    }

    @Test
    void theSwingMirrorsWithMatchedTubesOnly() {
        SwingTest alike = SwingTest.of(new SwingTest.Sides(0.036, 0.028), new SwingTest.Sides(0.0282, 0.0355));
        assertThat(alike.symmetric()).isTrue();
        SwingTest unlike = SwingTest.of(new SwingTest.Sides(0.040, 0.028), new SwingTest.Sides(0.032, 0.034));
        assertThat(unlike.symmetric()).isFalse();
        assertThat(unlike.sentence()).contains("16.2 %").contains("A draws more than B");
        assertThatThrownBy(() -> new SwingTest.Sides(0, 1)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void theMainsExponentComesFromTwoMains() {
        MainsExponent.Reading low = new MainsExponent.Reading(12.25, 0.002, 230, 0.001);
        Band x = MainsExponent.of(low, at(12.25 * Math.pow(1.06, 2.7), 230 * 1.06))
                .orElseThrow();
        assertThat(x.mid()).isCloseTo(2.7, within(1e-9));
        assertThat(x.high() - x.mid()).isCloseTo((0.004 + 2.7 * 0.002) / Math.log(1.06), within(1e-9));
        assertThat(x.mid() - x.low()).isCloseTo(x.high() - x.mid(), within(1e-9));
        // 4.9 % apart is too near; a stage whose heat falls with the mains there is none.
        assertThat(MainsExponent.of(low, at(13.8, 230 * 1.049))).isEmpty();
        assertThat(MainsExponent.of(low, at(13.8, 230 * 1.051))).isPresent();
        assertThat(MainsExponent.of(low, at(11, 245))).isEmpty();
        assertThat(MainsExponent.of(low, at(12.25 * Math.pow(1.06, 9.1), 230 * 1.06)))
                .isEmpty();
        assertThat(MainsExponent.of(low, at(0, 245))).isEmpty();
    }

    private static MainsExponent.Reading at(double watts, double mains) {
        return new MainsExponent.Reading(watts, 0.002, mains, 0.001);
    }
}
