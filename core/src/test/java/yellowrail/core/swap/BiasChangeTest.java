package yellowrail.core.swap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yellowrail.core.amp.Duty;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.GridSupply;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageIdle;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.stage.StageTube;
import yellowrail.core.tube.Connection;

/** Fixed bias to a cathode resistor and back, and a resistor each for unlike tubes. */
class BiasChangeTest {
    private static final Present FIXED = Swaps.fixed("6L6GC", 2, 380, 4200, 0.6);

    private static SwapCandidate same(Present present, BiasChange bias, Optional<Double> ohms) {
        SwapCandidate c = Swaps.candidate(present, present.type().designation());
        return new SwapCandidate(
                c.type(),
                c.editions(),
                c.curves(),
                c.tubes(),
                Connection.PENTODE,
                0.5,
                0.6,
                ohms,
                bias,
                Optional.empty(),
                true);
    }

    private static SwapSheet sheet(Present present, BiasChange bias, Optional<Double> ohms) {
        return SwapSheet.of(new SwapQuestion(present, Around.generous(), same(present, bias, ohms)));
    }

    @Test
    void aResistorForTheIdleWantedIsComputed() {
        SwapSheet sheet = sheet(FIXED, BiasChange.CATHODE, Optional.empty());
        Stage after = sheet.after().orElseThrow().stage();
        assertThat(StageIdle.watts(after)).isCloseTo(18, within(1e-3));
        assertThat(after.biasing().gridA()).isZero();
        SwapRow row = Swaps.row(sheet, Criterion.CATHODE_RESISTOR);
        assertThat(row.verdict()).isEqualTo(SwapVerdict.NOTE);
        assertThat(row.reason()).contains("It is new, one for all cathodes");
        // Plate to cathode has the cathode volts less, and less power comes out.
        double volts = after.biasing().cathodeOhms()
                * sheet.after().orElseThrow().drive().idle().tubes().stream()
                        .mapToDouble(t -> t.plateAmperes() + t.screenAmperes())
                        .sum();
        assertThat(sheet.after().orElseThrow().drive().idle().leastCathodeVolts())
                .isCloseTo(volts, within(0.01));
        assertThat(sheet.after().orElseThrow().drive().full().watts())
                .isLessThan(sheet.before().orElseThrow().drive().full().watts());
        assertThat(sheet.rows()).noneMatch(r -> r.criterion() == Criterion.BIAS_RANGE);
    }

    /** A resistor that is given counts as it is: 100 Ω for a pair of them is far too hot. */
    @Test
    void aGivenResistorIsTakenAsItIs() {
        SwapSheet sheet = sheet(FIXED, BiasChange.CATHODE, Optional.of(100.0));
        assertThat(sheet.after().orElseThrow().stage().biasing()).isEqualTo(Biasing.cathode(100, true));
        assertThat(Swaps.row(sheet, Criterion.PLATE_HEAT).verdict()).isEqualTo(SwapVerdict.FAIL);
    }

    @Test
    void theGridResistorIsJudgedByTheNewBias() {
        Chassis chassis = Around.with(new Chassis.GridCircuit(Optional.of(220e3), Optional.of(1)));
        SwapQuestion now = new SwapQuestion(FIXED, chassis, same(FIXED, BiasChange.AS_NOW, Optional.empty()));
        SwapQuestion then = new SwapQuestion(FIXED, chassis, same(FIXED, BiasChange.CATHODE, Optional.empty()));
        assertThat(GridRow.of(now, Optional.empty()).verdict()).isEqualTo(SwapVerdict.FAIL);
        assertThat(GridRow.of(then, Optional.empty()).verdict()).isEqualTo(SwapVerdict.PASS);
    }

    @Test
    void backToFixedBiasAsksForASupply() {
        Present cathode = Swaps.cathode("6L6GC", 2, 360, 5000, 250);
        SwapSheet sheet = sheet(cathode, BiasChange.FIXED, Optional.empty());
        assertThat(sheet.after().orElseThrow().stage().biasing().cathodeOhms()).isZero();
        assertThat(Swaps.row(sheet, Criterion.BIAS_RANGE).reason())
                .contains("A bias supply is needed that is not there now");
        assertThat(sheet.rows()).noneMatch(r -> r.criterion() == Criterion.CATHODE_RESISTOR);
        SwapSheet unanswered = SwapSheet.of(
                new SwapQuestion(cathode, Chassis.unanswered(1), same(cathode, BiasChange.FIXED, Optional.empty())));
        assertThat(Swaps.row(unanswered, Criterion.BIAS_RANGE).verdict()).isEqualTo(SwapVerdict.UNKNOWN);
    }

    /** The tubes that are in stay unlike; a resistor each brings their idle nearer to one another than one for both. */
    @Test
    void aResistorEachBringsUnlikeTubesTogether() {
        Present pair = Swaps.cathode("6L6GC", 2, 360, 5000, 250);
        Stage described = pair.setting().described();
        List<StageTube> unlike = List.of(
                new StageTube(described.tubes().get(0).model(), 0, 1.15, 470, 0),
                new StageTube(described.tubes().get(1).model(), 1, 0.9, 470, 0));
        Present spread = new Present(
                pair.type(),
                pair.ratings(),
                pair.trust(),
                new StageSetting(
                        described.tubed(unlike),
                        30,
                        StageIdle.watts(described.tubed(unlike)) / 30,
                        1,
                        1,
                        GridSupply.FOLLOWS,
                        Duty.TONE),
                pair.scheme(),
                0.9,
                1.1,
                1,
                List.of());
        double before = apart(sheet(spread, BiasChange.CATHODE, Optional.of(250.0)));
        SwapSheet each = sheet(spread, BiasChange.CATHODE_EACH, Optional.of(500.0));
        assertThat(apart(each)).isLessThan(before / 2);
        assertThat(Swaps.row(each, Criterion.CATHODE_RESISTOR).reason())
                .contains("one at each cathode")
                .contains("The coldest tube idles at");
        // Fresh tubes of the type are alike.
        assertThat(apart(Swaps.sheet(spread, "6L6GC", Around.generous()))).isCloseTo(0, within(1e-6));
    }

    private static double apart(SwapSheet sheet) {
        List<Double> watts = sheet.after().orElseThrow().drive().idle().tubes().stream()
                .map(t -> t.plateWatts())
                .toList();
        return Math.abs(watts.get(0) - watts.get(1));
    }
}
