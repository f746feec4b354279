package yellowrail.core.adjust;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.reading.Band;
import yellowrail.core.target.Target.Window;

/** A stop against the ceiling, at another mains and on the way, and the figures that stand beside it. */
class CeilingOfATurnTest extends AdjustBench {
    private static final AmpDescription PAIR = amp(ControlLayout.PER_TUBE, 2);
    private static final SupplySag.Known STIFF = new SupplySag.Known(0, 0, 400);
    private static final Optional<Band> NO_PULL = Optional.of(new Band(0, 0, 0));

    private static double share(double reading, double volts) {
        return reading / OHMS * 0.94 * volts / 19;
    }

    /** The ceiling of 80 % holds for what is read now: a mark above it at nominal mains comes down to it. */
    @ParameterizedTest
    @CsvSource({"1.06, 1.04", "1.02, 1.01", "1.15, 1.08"})
    void atAHigherMainsTheMarkStaysBelowTheCeilingAsRead(double amperes, double volts) {
        Window hot = new Window("hot", 0.70, 0.90, "");
        NextTurn.Wish wish = new NextTurn.Wish(NO_PULL, true, List.of(), new AtMains(amperes, volts));
        List<TubeNow> tubes = List.of(tube(PAIR, 0, 0.020, 400), tube(PAIR, 1, 0.020, 400));
        Advice.Turn turn = (Advice.Turn) NextTurn.of(PAIR, tubes, hot, STIFF, Map.of(), wish);
        assertThat(share(turn.stopAt().value(), 400)).isBetween(0.79, 0.8 + 1e-6);
    }

    /** On a soft supply the first of four would stand at 93 % until the others are turned: it stops 1 % under the ceiling. */
    @Test
    void whileOthersAreStillToTurnAStopKeepsUnderTheCeiling() {
        AmpDescription four = amp(ControlLayout.PER_TUBE, 4);
        Window window = new Window("high", 0.66, 0.90, "");
        List<TubeNow> tubes =
                IntStream.range(0, 4).mapToObj(i -> tube(four, i, 0.010, 430)).toList();
        NextTurn.Wish wish = new NextTurn.Wish(NO_PULL, false, List.of(), AtMains.SAME);
        Advice.Turn turn =
                (Advice.Turn) NextTurn.of(four, tubes, window, new SupplySag.Known(800, 0, 460), Map.of(), wish);
        assertThat(share(turn.stopAt().value(), turn.plateVolts())).isCloseTo(0.792, within(1e-3));
        assertThat(turn.hotter()).isTrue();
        assertThat(turn.then()).hasSize(3);
    }

    /** Grid volts go with the current as it is read now, not as it would be at nominal mains. */
    @Test
    void theGridVoltsAreThoseOfTheCurrentNow() {
        TubeNow cold = tube(PAIR, 0, 0.025, 400);
        List<TubeNow.GridPoint> grids =
                List.of(new TubeNow.GridPoint(-42, 0.018), new TubeNow.GridPoint(-40, cold.plateAmperes()));
        TubeNow known = new TubeNow(
                cold.socket(),
                cold.plateAmperes(),
                cold.screenAmperes(),
                cold.plateVolts(),
                cold.error(),
                cold.ratedWatts(),
                cold.point(),
                cold.method(),
                true,
                grids);
        NextTurn.Wish wish = new NextTurn.Wish(NO_PULL, true, List.of(), new AtMains(1.05, 1.03));
        Advice.Turn turn = (Advice.Turn)
                NextTurn.of(PAIR, List.of(known, tube(PAIR, 1, 0.029, 400)), AT_62, STIFF, Map.of(), wish);
        assertThat(turn.socket()).isEqualTo("V1");
        double stop = turn.stopAt().value() / OHMS * 0.94;
        double expected =
                FourthRoot.gridFor(-42, 0.018, -40, cold.plateAmperes(), stop).orElseThrow();
        assertThat(turn.gridVolts().orElseThrow()).isCloseTo(expected, within(1e-6));
    }

    /** A supply known within a limit gives both ends of a stop; nothing known to be stiff becomes softer than nothing. */
    @Test
    void theLimitOfTheSupplysOhmsGoesBothWays() {
        Coupling coupling = Coupling.of(new SupplySag.Known(300, 120, 460), 400, 0.1, NO_PULL);
        assertThat(coupling.ohms()).isEqualTo(new Band(180, 300, 420));
        assertThat(Coupling.of(new SupplySag.Known(50, 120, 460), 400, 0.1, NO_PULL)
                        .ohms())
                .isEqualTo(new Band(0, 50, 170));
    }

    @ParameterizedTest
    @CsvSource({
        "0.040, 0.030, 0.030, 0.040, true",
        "0.040, 0.030, 0.034, 0.040, false",
        "0.040, 0.034, 0.030, 0.040, false",
        "0.044, 0.030, 0.030, 0.040, false",
        "0.040, 0.030, 0.030, 0.044, false"
    })
    void aSwingIsAsUnequalAsItsWorseHalf(double a1, double b1, double a2, double b2, boolean symmetric) {
        SwingTest swing = SwingTest.of(new SwingTest.Sides(a1, b1), new SwingTest.Sides(a2, b2));
        assertThat(swing.symmetric()).isEqualTo(symmetric);
    }

    @ParameterizedTest
    @CsvSource({"-40, 0, -38, 0.03", "-40, 0.02, -38, 0", "-40, 0.02, -39.9, 0.03", "-40, 0.03, -38, 0.02"})
    void noGridIsToldOfPointsThatTellNone(double grid1, double amperes1, double grid2, double amperes2) {
        assertThat(FourthRoot.gridFor(grid1, amperes1, grid2, amperes2, 0.035)).isEmpty();
    }

    @Test
    void theNearestPreferredValueIsFoundAcrossADecade() {
        assertThat(Preferred.nearestE12(98)).isEqualTo(100);
        assertThat(Preferred.nearestE12(9.6)).isCloseTo(10, within(1e-9));
        assertThat(Preferred.nearestE24(470)).isCloseTo(470, within(1e-9));
    }
}
