package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.SocketAnswer;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.LimiterSet;
import yellowrail.core.session.events.Placed;
import yellowrail.core.session.stops.Stops;

/** What single readings of a session mean. */
class MeaningsTest {
    @ParameterizedTest
    @CsvSource({"0.6,0.9,false", "0.6,1.3,true", "0.2,0.9,false", "-0.6,-1.3,true", "3,6,false", "3,6.1,true"})
    void aCapacitorThatRecoversIsSeen(double first, double last, boolean back) {
        assertThat(Drain.cameBack(first, last)).isEqualTo(back);
    }

    @Test
    void theColdestEndIsTheMoreNegativeOne() {
        Bench bench =
                Bench.pair(Purpose.NEW_TUBES).preflight().enters(Stops.DRAINED).drained();
        bench.did(new Placed("V1", "T-1")).did(new Placed("V2", "T-2"));
        bench.enters(Stops.TUBES_OUT)
                .did(new LimiterSet(true))
                .did(new Declared(Power.ON_TUBES_OUT))
                .minutes(1);
        bench.reads(Quantity.GRID_COLDEST, "V1 control", -46.2);
        assertThat(ControlRange.of(bench.session, "V1 control")).isEmpty();
        bench.reads(Quantity.GRID_HOTTEST, "V1 control", -31.7);
        ControlRange range = ControlRange.of(bench.session, "V1 control").orElseThrow();
        assertThat(range.sensible()).isTrue();
        assertThat(range.sentence()).contains("−46.2 V at its coldest").doesNotContain("read both again");
        bench.reads(Quantity.GRID_COLDEST, "V2 control", -31.7).reads(Quantity.GRID_HOTTEST, "V2 control", -46.2);
        ControlRange swapped = ControlRange.of(bench.session, "V2 control").orElseThrow();
        assertThat(swapped.sensible()).isFalse();
        assertThat(swapped.sentence()).contains("must be the more negative one");
    }

    private static SocketAnswer first(Bench bench) {
        return bench.judged().present().orElseThrow().sockets().get(0);
    }

    @Test
    void theFirstCurrentTellsADeadTubeAHotOneAndOneWithoutVolts() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp().enters(Stops.WARM_UP);
        bench.reads(Quantity.CURRENT, "V1", 0.0004);
        assertThat(FirstCurrent.of(first(bench), 0.7))
                .isEqualTo(
                        new FirstCurrent(false, "V1 draws nothing yet: heater, seat, mute, or bias at its coldest."));
        bench.reads(Quantity.CURRENT, "V1", 0.3);
        assertThat(FirstCurrent.of(first(bench), 0.7).sentence()).contains("read plate volts");
        bench.reads(Quantity.PLATE, "V1", 400);
        FirstCurrent cool = FirstCurrent.of(first(bench), 0.7);
        assertThat(cool.over()).isFalse();
        assertThat(cool.sentence()).contains("% of the rating");
        double share = first(bench).answer().share().orElseThrow().value();
        // The share itself lies below the ceiling, its band does not.
        FirstCurrent hot = FirstCurrent.of(first(bench), share + 0.001);
        assertThat(hot.over()).isTrue();
        assertThat(hot.sentence())
                .contains("The ceiling lies inside the error band")
                .doesNotContain("Above");
        assertThat(FirstCurrent.of(first(bench), share - 0.001).sentence()).endsWith("Above the ceiling: power off.");
    }

    @Test
    void outputPowerIsVoltsSquaredOverTheLoad() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp().soaked(31, 31, 396);
        bench.enters(Stops.PLAY);
        assertThat(OutputPower.of(bench.session)).isEmpty();
        bench.reads(Quantity.OUTPUT_VOLTS, "", 20);
        OutputPower power = OutputPower.of(bench.session).orElseThrow();
        assertThat(power.watts()).isCloseTo(50, within(1e-9));
        assertThat(power.sentence()).contains("20.0 V across 8.0 Ω is 50.0 W");
    }
}
