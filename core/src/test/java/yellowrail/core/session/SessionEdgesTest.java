package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.EmergencyStop;
import yellowrail.core.session.events.Exchanged;
import yellowrail.core.session.events.Placed;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.Ticked;
import yellowrail.core.session.stops.BeforePower;
import yellowrail.core.session.stops.Drained;
import yellowrail.core.session.stops.Stops;

/** Times and figures exactly at the edges of a session's rules. */
class SessionEdgesTest {
    private static Bench off() {
        return Bench.pair(Purpose.YEARLY_CHECK)
                .preflight()
                .enters(Stops.DRAINED)
                .ticks(Drained.STANDBY_PLAY);
    }

    private static Bench dead(Bench bench, double volts) {
        return bench.reads(Quantity.RESIDUAL, "reservoir", volts).reads(Quantity.RESIDUAL, "bias", volts);
    }

    @ParameterizedTest
    @CsvSource({"59999, false", "60000, true"})
    void theSecondDeadReadingComesSixtySecondsLater(long millis, boolean open) {
        Bench bench = dead(off(), 0.5);
        bench.now += millis;
        dead(bench, 0.5);
        assertThat(bench.tell(new Ticked(Drained.METER_PROVEN, "", true)).isEmpty())
                .isEqualTo(open);
        assertThat(bench.session.locks(bench.now).hands()).isEqualTo(open);
    }

    @ParameterizedTest
    @CsvSource({"10, true", "10.1, false", "-10, true", "-10.1, false"})
    void handsAtTenVoltsEitherWay(double volts, boolean open) {
        Bench bench = dead(off(), volts).minutes(2);
        dead(bench, volts);
        bench.tell(new Ticked(Drained.METER_PROVEN, "", true));
        assertThat(bench.session.locks(bench.now).hands()).isEqualTo(open);
    }

    @ParameterizedTest
    @CsvSource({"1, true", "1.1, false", "-1, true"})
    void ohmsAtOneVoltEitherWay(double volts, boolean open) {
        Bench bench = dead(off(), volts).minutes(2);
        dead(bench, volts).ticks(Drained.METER_PROVEN);
        assertThat(bench.session.locks(bench.now).ohms()).isEqualTo(open);
    }

    @ParameterizedTest
    @CsvSource({"59999, false", "60000, true"})
    void fromOutsideAMinuteAfterOff(long millis, boolean open) {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK);
        bench.did(new Declared(Power.OFF)).ticks(Drained.CHASSIS_CLOSED, Drained.STANDBY_PLAY, BeforePower.TUBES_COOL);
        bench.now += millis;
        assertThat(bench.session.locks(bench.now).tubes()).isEqualTo(open);
    }

    @ParameterizedTest
    @CsvSource({"0, true", "60000, true", "60001, false"})
    void aMistakeIsTakenBackWithinAMinute(long millis, boolean taken) {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp();
        bench.did(new EmergencyStop(""));
        bench.now += millis;
        assertThat(bench.session.mistake(Power.ON_TUBES_IN, bench.now)).isEqualTo(taken);
        assertThat(bench.session.mistake(Power.ON_TUBES_OUT, bench.now)).isFalse();
        assertThat(Declared.waits(bench.session, Power.ON_TUBES_IN, bench.now).isEmpty())
                .isEqualTo(taken);
        bench.did(new Declared(Power.ON_TUBES_IN));
        assertThat(bench.session.stopped()).isEqualTo(!taken);
    }

    @Test
    void beforeAnythingWasDeclaredThereIsNothingToTakeBack() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK);
        bench.did(new EmergencyStop("smoke"));
        assertThat(bench.session.beforeStop(bench.now)).isEmpty();
        assertThat(bench.session.mistake(Power.UNDECLARED, bench.now)).isFalse();
    }

    @ParameterizedTest
    @CsvSource({"2000, false", "2001, true"})
    void aClockMayStepBackByTwoSeconds(long back, boolean said) {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp();
        bench.now -= back;
        bench.reads(Quantity.MAINS, "", 230);
        assertThat(bench.session.clockWentBack()).isEqualTo(said);
    }

    /** Made on the phone so long before or after off was declared on the desk. */
    @ParameterizedTest
    @CsvSource({"-120001, true", "-120000, false", "0, false", "5000, false"})
    void aLateSignOfPowerCountsFromTwoMinutesBeforeOff(long offset, boolean stays) {
        Bench bench = off();
        long off = bench.session.context().offSince();
        dead(bench, 0.5).minutes(2);
        dead(bench, 0.5).ticks(Drained.METER_PROVEN);
        long now = bench.now;
        bench.now = off + offset;
        bench.tell(new Declared(Power.ON_TUBES_IN), "phone");
        bench.now = now;
        assertThat(bench.session.locks(now).hands()).isEqualTo(stays);
        assertThat(bench.session.late()).hasSize(1);
        assertThat(bench.session.late().get(0).effect()).isEqualTo(stays ? Late.Effect.FILED : Late.Effect.CLOSED);
    }

    /** Two people at once: what crosses on its way is not late, but for power and readings. */
    @ParameterizedTest
    @CsvSource({"2000, true", "2001, false"})
    void anEntryMayCrossAnotherOnItsWay(long before, boolean counts) {
        Bench bench = off();
        bench.now += 10_000;
        bench.reads(Quantity.RESIDUAL, "reservoir", 0.5);
        bench.now -= before;
        bench.tell(new Ticked(Drained.CHASSIS_CLOSED, "", true), "phone");
        assertThat(bench.session.ticked(Drained.CHASSIS_CLOSED, "")).isEqualTo(counts);
        bench.tell(new Declared(Power.ON_TUBES_IN), "phone");
        assertThat(bench.session.late()).hasSize(counts ? 1 : 2);
        assertThat(bench.session.power(bench.now)).isEqualTo(Power.UNDECLARED);
    }

    @ParameterizedTest
    @CsvSource({"21600000, true", "21600001, false"})
    void whatWasDeclaredHoldsSixHours(long millis, boolean holds) {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK);
        bench.did(new Declared(Power.OFF));
        assertThat(bench.session.power(bench.now + millis) == Power.OFF).isEqualTo(holds);
    }

    @ParameterizedTest
    @CsvSource({"0.1, false", "0.2, true", "-0.2, true"})
    void aReadingOfMoreThanItsLastDigitIsASignOfPower(double volts, boolean sign) {
        Read read = Read.of(Quantity.GRID, "V1", new Typed("", volts, Unit.VOLT, 0.1));
        assertThat(SignOfPower.in(read)).isEqualTo(sign);
        assertThat(SignOfPower.in(Read.of(Quantity.MAINS, "", new Typed("", 230, Unit.VOLT, 1))))
                .isFalse();
    }

    /** Plate volts of a warm stage read again at the same mains and current. */
    @ParameterizedTest
    @CsvSource({
        "405.9, 230, 31.6, false",
        "406.1, 230, 31.6, true",
        "389.9, 230, 31.6, true",
        "410.0, 232.4, 31.6, false",
        "410.0, 232.2, 31.6, true",
        "410.0, 230, 32.6, false",
        "410.0, 230, 32.5, true"
    })
    void plateVoltsThatMoveOverTwoPerCentAtEqualMainsAndCurrentAreFound(
            double volts, double mains, double milli, boolean found) {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp().enters(Stops.WARM_UP);
        bench.minutes(11).reads(Quantity.MAINS, "", 230).round(31.6, 31.6, 398);
        bench.minutes(5).reads(Quantity.MAINS, "", mains).round(milli, 31.6, volts);
        assertThat(PlateWatch.of(bench.session).stream().anyMatch(f -> f.about().equals("V1")))
                .isEqualTo(found);
    }

    @Test
    void beforeItIsWarmPlateVoltsMayMove() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp().enters(Stops.WARM_UP);
        bench.minutes(2).round(31.6, 31.6, 398).minutes(3).round(31.6, 31.6, 420);
        assertThat(PlateWatch.of(bench.session)).isEmpty();
    }

    @Test
    void tubesKeepTheirNamesWhereverTheyGo() {
        Bench bench = off();
        dead(bench, 0.5).minutes(2);
        dead(bench, 0.5).ticks(Drained.METER_PROVEN);
        bench.did(new Placed("V1", "T1")).minutes(1).did(new Exchanged("V1", "V2"));
        TubeHistory tubes = TubeHistory.of(bench.session);
        assertThat(tubes.in("V2", bench.now)).isEqualTo("T1");
        assertThat(tubes.in("V1", bench.now - 30_000)).isEqualTo("T1");
        assertThat(tubes.socketOf("T1")).isEqualTo("V2");
        assertThat(tubes.socketOf("T9")).isEmpty();
        assertThat(tubes.label(tubes.in("V1", bench.now))).isEmpty();
        assertThat(tubes.label("T1")).isEqualTo("T1");
        assertThat(bench.session.seating().labels()).containsEntry("V2", "T1").doesNotContainKey("V1");
    }

    @Test
    void aFindingIsNamedByWhatTheAmpHas() {
        Session session = off().session;
        assertThat(Finding.known(session, "EXCURSION/V1")).isTrue();
        assertThat(Finding.known(session, "STOPPED/amp")).isTrue();
        assertThat(Finding.known(session, "EXCURSION/V9")).isFalse();
        assertThat(Finding.known(session, "EXCURSIONS/V1")).isFalse();
        assertThat(Finding.known(session, "EXCURSION")).isFalse();
    }

    @ParameterizedTest
    @CsvSource({"0, 1e-4, 1e4", "10, 0, 1e4", "10, 1e-4, 0", "-1, 1e-4, 1e4"})
    void nothingDrainsToNothingOrThroughNothing(double limit, double farads, double ohms) {
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> Drain.of(430, limit, farads, ohms))
                .hasMessageContaining("above zero");
    }

    @ParameterizedTest
    @CsvSource({"10, 0", "-10, 0", "10.1, 9.95e-3", "27.18281828459045, 1"})
    void drainingTakesItsTimeConstant(double volts, double seconds) {
        assertThat(Drain.of(volts, 10, 1e-4, 1e4).seconds())
                .isCloseTo(seconds, org.assertj.core.api.Assertions.within(1e-5));
    }

    @ParameterizedTest
    @CsvSource({"0.4, 1.0, false", "0.4, 1.1, true", "0.6, 1.2, false", "0.6, 1.21, true", "-0.6, -1.3, true"})
    void aCapacitorThatCameBack(double first, double last, boolean back) {
        assertThat(Drain.cameBack(first, last)).isEqualTo(back);
    }

    @ParameterizedTest
    @CsvSource({
        "9.45, WITHIN",
        "9.46, AMBER",
        "9.9, AMBER",
        "9.91, RED",
        "8.55, WITHIN",
        "8.54, AMBER",
        "8.1, AMBER",
        "8.09, RED"
    })
    void heatersAtTheirBands(double volts, HeaterCheck.State state) {
        assertThat(HeaterCheck.of(volts, true, java.util.Optional.of(9.0), 5 + 1e-9, 10 + 1e-9)
                        .state())
                .isEqualTo(state);
    }
}
