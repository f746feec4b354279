package yellowrail.core.adjust;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.idle.Permitted;
import yellowrail.core.reading.Band;
import yellowrail.core.target.Target.Window;

/** What is advised is permitted: on the stiffest supply that is possible, and at the mains as it is now. */
class PermittedStopTest extends AdjustBench {
    private static final AmpDescription PAIR = amp(ControlLayout.PER_TUBE, 2);
    private static final Window WIDE = new Window("wide", 0.55, 0.75, "");
    private static final SupplySag UNKNOWN = SupplySag.between(
            new SupplySag.Load(0.0516, 406.8, 0, 0.1, Optional.empty(), 0),
            new SupplySag.Load(0.0658, 396.5, 0, 0.1, Optional.empty(), 0));

    private static TubeNow limited(int index, double cathode, double share) {
        TubeNow t = tube(PAIR, index, cathode, 400);
        Permitted permitted = new Permitted(
                share, share * 19, share * 19 / 400, Optional.empty(), share * 1.01, "the rating", false, false);
        return new TubeNow(
                t.socket(),
                t.plateAmperes(),
                t.screenAmperes(),
                t.plateVolts(),
                t.error(),
                t.ratedWatts(),
                t.point(),
                t.method(),
                true,
                List.of(),
                Optional.empty(),
                Optional.of(permitted));
    }

    /** Share of the rating where the meter shows a reading, with these volts. */
    private static double share(double reading, double volts) {
        return reading / OHMS * 0.94 * volts / 19;
    }

    @ParameterizedTest
    @CsvSource({"0.020, 0.64", "0.024, 0.66", "0.010, 0.60", "0.027, 0.62"})
    void theHotterOfTwoEndsIsPermittedOnAStiffSupply(double cathode, double permitted) {
        List<TubeNow> tubes = List.of(limited(0, cathode, permitted), limited(1, cathode, permitted));
        Advice.Turn turn = (Advice.Turn) NextTurn.of(PAIR, tubes, WIDE, UNKNOWN, Map.of());
        double hottest = turn.between().map(Band::high).orElse(turn.stopAt().value());
        // B+ does not move on it at all.
        assertThat(share(hottest, 400)).isLessThanOrEqualTo(permitted + 1e-9);
        turn.between().ifPresent(b -> assertThat(b.mid()).isBetween(b.low(), b.high()));
        assertThat(turn.then()).isEmpty();
        assertThat(turn.remarks().toString()).contains("then read every point");
    }

    @ParameterizedTest
    @CsvSource({"1, 1", "1.03, 1.02", "1.06, 1.02", "0.97, 0.98"})
    void permittedIsWhatIsReadNowAtWhateverMainsTheMarkIs(double amperes, double volts) {
        NextTurn.Wish middle =
                new NextTurn.Wish(Optional.of(new Band(0, 0, 0)), true, List.of(), new AtMains(amperes, volts));
        List<TubeNow> tubes = List.of(limited(0, 0.025, 0.60), limited(1, 0.025, 0.60));
        SupplySag.Known stiff = new SupplySag.Known(0, 0, 400);
        Advice.Turn turn = (Advice.Turn) NextTurn.of(PAIR, tubes, WIDE, stiff, Map.of(), middle);
        assertThat(turn.between()).isEmpty();
        assertThat(turn.plateVolts()).isCloseTo(400, within(1e-6));
        assertThat(share(turn.stopAt().value(), 400)).isCloseTo(0.60, within(1e-3));
        assertThat(turn.remarks().toString()).contains("highest permitted reading, 60 %");
    }

    @Test
    void aMarkAtNominalMainsReadsHigherWhileTheMainsIsHigh() {
        NextTurn.Wish middle =
                new NextTurn.Wish(Optional.of(new Band(0, 0, 0)), true, List.of(), new AtMains(1.03, 1.02));
        List<TubeNow> tubes = List.of(tube(PAIR, 0, 0.025, 400), tube(PAIR, 1, 0.025, 400));
        Advice.Turn turn =
                (Advice.Turn) NextTurn.of(PAIR, tubes, WIDE, new SupplySag.Known(0, 0, 400), Map.of(), middle);
        assertThat(share(turn.stopAt().value(), 400)).isCloseTo(0.65 * 1.03 * 1.02, within(1e-3));
        assertThat(turn.formulas().get(0).toString()).contains("at nominal mains, × 1.03");
    }
}
