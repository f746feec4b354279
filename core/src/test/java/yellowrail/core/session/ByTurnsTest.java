package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.reading.Meter;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.AdaptorMoved;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Entered;
import yellowrail.core.session.stops.BeforePower;
import yellowrail.core.session.stops.Drained;
import yellowrail.core.session.stops.Look;
import yellowrail.core.session.stops.Stops;

/** What an evening with one adaptor is told at every step, and the small rules of clocks, findings and exactness. */
class ByTurnsTest {
    private static final AmpDescription PAIR = Bench.amp(BiasScheme.FIXED_TRACKING, ControlLayout.PER_TUBE, 2, false);

    private static Bench byTurns() {
        return new Bench(Plan.usual(PAIR, Purpose.YEARLY_CHECK, Meter.FINE)
                        .worked(new Setup(Access.ADAPTORS, true, false, List.of(), Memory.NONE)))
                .reachedFromOutside();
    }

    private static Bench moved(Bench bench, String socket) {
        if (bench.session.power(bench.now) != Power.OFF) {
            bench.did(new Declared(Power.OFF))
                    .ticks(BeforePower.TUBES_COOL, Drained.STANDBY_PLAY)
                    .minutes(1.1);
        }
        bench.did(new AdaptorMoved(socket));
        if (bench.session.here().equals(Stops.BEFORE_POWER)) {
            bench.enters(Stops.MAINS);
        }
        return bench;
    }

    private static Bench reads(Bench bench, String socket, double milliamperes) {
        return bench.reads(Quantity.MAINS, "", 230)
                .reads(Quantity.CURRENT, socket, milliamperes * Bench.OHMS / 1000)
                .reads(Quantity.SCREEN, socket, 380)
                .reads(Quantity.PLATE, socket, 397);
    }

    private static String next(Bench bench) {
        Look look = Look.at(bench.session, bench.standards, bench.judged(), bench.now);
        return Stops.MEASURE.next(look).map(Object::toString).orElse("");
    }

    @Test
    void theNextStepIsToldAllTheWay() {
        Bench bench = moved(byTurns(), "V1");
        assertThat(next(bench)).contains("The adaptor is in V1: switch on").contains("0 of 2 read");
        bench.did(new Declared(Power.ON_TUBES_IN)).minutes(3);
        assertThat(next(bench)).contains("V1 warms up. Its reading counts in 7 min.");
        bench.minutes(6.7);
        assertThat(next(bench)).contains("counts in 1 min.");
        bench.minutes(0.05);
        assertThat(next(bench)).contains("Read the current and the plate volts of V1.");
        bench.minutes(2);
        reads(bench, "V1", 31.6);
        assertThat(next(bench)).contains("Move the adaptor to V2:").contains("1 of 2 read");
        moved(bench, "V2").did(new Declared(Power.ON_TUBES_IN)).minutes(11);
        reads(bench, "V2", 31.2);
        assertThat(next(bench))
                .contains("Move the adaptor to V1 again, to see how far it moved")
                .contains("2 of 2 read");
        moved(bench, "V1").did(new Declared(Power.ON_TUBES_IN)).minutes(11);
        reads(bench, "V1", 31.6);
        assertThat(next(bench)).doesNotContain("Move the adaptor");
    }

    /** One warm reading is enough by turns; it is warm from 10 min less a quarter on. */
    @ParameterizedTest
    @CsvSource({"9.6, false", "9.76, true", "11, true"})
    void warmUpIsDoneByOneWarmReading(double minutes, boolean done) {
        Bench bench =
                moved(byTurns(), "V1").did(new Declared(Power.ON_TUBES_IN)).minutes(minutes);
        assertThat(Stops.WARM_UP.missing(bench.session, bench.now)).isNotEmpty();
        reads(bench, "V1", 31.6);
        assertThat(Stops.WARM_UP.missing(bench.session, bench.now).isEmpty()).isEqualTo(done);
        // What was read warm in another power-on is not this one's.
        moved(bench, "V2").did(new Declared(Power.ON_TUBES_IN)).minutes(1);
        assertThat(Stops.WARM_UP.missing(bench.session, bench.now)).isNotEmpty();
    }

    private static Entry entry(String id, long at, String device) {
        return new Entry(id, at, device, new Entered(Stops.MAINS));
    }

    @Test
    void whatCrossesOnItsWayIsPutInOrder() {
        DeviceClocks clocks = new DeviceClocks();
        assertThat(clocks.inOrder(entry("a", 50_000, "desk")).at()).isEqualTo(50_000);
        assertThat(clocks.wentBack(entry("a", 50_000, "desk"))).isFalse();
        // Up to two seconds back is the way it took; it counts from the last one on.
        assertThat(clocks.inOrder(entry("b", 48_000, "desk")).at()).isEqualTo(50_000);
        assertThat(clocks.inOrder(entry("b", 47_999, "desk")).at()).isEqualTo(47_999);
        assertThat(clocks.inOrder(entry("b", 50_001, "desk")).at()).isEqualTo(50_001);
        assertThat(clocks.inOrder(entry("b", 48_000, "phone")).at()).isEqualTo(48_000);
        assertThat(clocks.wentBack(entry("c", 48_000, "desk"))).isFalse();
        assertThat(clocks.wentBack(entry("d", 45_999, "desk"))).isTrue();
    }

    @Test
    void aFindingSaysWhatItIsAboutAndWhatClosesIt() {
        Finding leak = new Finding(Finding.Code.LEAK, "V1", "T-7", 0, "s", Optional.empty(), "w");
        Finding stopped = new Finding(Finding.Code.STOPPED, Finding.AMP, "", 0, "s", Optional.empty(), "w");
        assertThat(leak.title()).isEqualTo("grid shift, V1 (T-7)");
        assertThat(stopped.title()).isEqualTo("stop for safety");
        assertThat(leak.sayable()).isFalse();
        assertThat(new Finding(Finding.Code.CREEP, "V1", "", 0, "s", Optional.empty(), "w").sayable())
                .isFalse();
        assertThat(stopped.sayable()).isTrue();
    }

    @Test
    void drainingIsToldWithTheBleederThatIsKnown() {
        assertThat(Drain.hint("reservoir", 400, 10, Optional.empty(), Optional.of(2200.0)))
                .contains("never with metal")
                .doesNotContain("Give the bleeder's ohms");
        assertThat(Drain.hint("reservoir", 400, 10, Optional.of(180e-6), Optional.empty()))
                .contains("Give the bleeder's ohms");
        // ln(400/10) · 2.2 kΩ · 180 µF
        assertThat(Drain.hint("reservoir", -400, 10, Optional.of(180e-6), Optional.of(2200.0)))
                .contains("from 400 V to 10 V through 2200 Ω takes 1.5 s")
                .contains("73 W at first")
                .contains("14 J in all");
    }

    @Test
    void aLimiterBreaksCurvesAndSettingOnce() {
        Context on = Context.BEGIN.powered(1000, Power.ON_TUBES_IN);
        Context limited = on.limited(2000, true);
        assertThat(limited.limiter()).isTrue();
        assertThat(limited.stretch()).isEqualTo(on.stretch() + 1);
        assertThat(limited.setting()).isEqualTo(on.setting() + 1);
        assertThat(limited.limited(3000, true)).isEqualTo(limited);
        assertThat(limited.limited(3000, false).limiter()).isFalse();
    }

    @Test
    void howExactlyACurrentWasReadIsMeterAndLastDigits() {
        Bench bench = new Bench(Plan.usual(PAIR, Purpose.YEARLY_CHECK, Meter.FINE)).poweredUp();
        bench.minutes(11).reads(Quantity.MAINS, "", 230).reads(Quantity.CURRENT, "V1", 0.3141);
        Memory.Exactness exactness = Agreement.exactness(
                bench.session, bench.session.last(Quantity.CURRENT, "V1").orElseThrow());
        // ±(0.1 % + 2 counts of 0.1 mV) of 314.1 mV; half a digit of it, and of 230 V to 0.1 V with the exponent 1.55.
        assertThat(exactness.limit()).isCloseTo(0.001 + 2e-4 / 0.3141, within(1e-9));
        assertThat(exactness.rounding()).isCloseTo(Math.hypot(0.5e-4 / 0.3141, 0.05 / 230 * 1.55), within(2e-6));
    }
}
