package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Changed;
import yellowrail.core.session.events.ClosedUnsigned;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.EmergencyStop;
import yellowrail.core.session.events.Exchanged;
import yellowrail.core.session.events.Placed;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.Resumed;
import yellowrail.core.session.events.SignedOff;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.events.Ticked;
import yellowrail.core.session.events.Voided;
import yellowrail.core.session.stops.BeforePower;
import yellowrail.core.session.stops.Drained;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.session.stops.TubesIn;

class LocksTest {
    private static Locks locks(Bench bench) {
        return bench.session.locks(bench.now);
    }

    private static Bench off() {
        return Bench.pair(Purpose.YEARLY_CHECK).preflight().enters(Stops.DRAINED);
    }

    @Test
    void twoDeadReadingsAMinuteApartOpenHandsAtTenAndOhmsAtOne() {
        Bench bench = off();
        assertThat(locks(bench).handsNext()).contains("standby");
        bench.ticks(Drained.STANDBY_PLAY);
        assertThat(locks(bench).handsNext()).contains("reservoir: residual volts not read yet");
        assertThat(bench.tell(new Ticked(Drained.METER_PROVEN, "", true)).orElseThrow())
                .contains("once more after the dead readings");
        bench.reads(Quantity.RESIDUAL, "reservoir", 37);
        assertThat(locks(bench).handsNext()).contains("reservoir holds 37.0 V").contains("10 V or less");
        bench.reads(Quantity.RESIDUAL, "reservoir", 1.3).reads(Quantity.RESIDUAL, "bias", 2.1);
        assertThat(locks(bench).handsNext()).contains("second time 60 s");
        bench.minutes(0.9).reads(Quantity.RESIDUAL, "reservoir", 1.3).reads(Quantity.RESIDUAL, "bias", 2.1);
        assertThat(locks(bench).handsNext()).contains("second time 60 s");
        bench.minutes(0.2).reads(Quantity.RESIDUAL, "reservoir", 1.4).reads(Quantity.RESIDUAL, "bias", 2.2);
        assertThat(locks(bench).handsNext()).contains("known source");
        bench.ticks(Drained.METER_PROVEN);
        assertThat(locks(bench).hands()).isTrue();
        assertThat(locks(bench).handsNext()).isEmpty();
        assertThat(locks(bench).ohms()).isFalse();
        assertThat(bench.tell(Bench.read(Quantity.SENSE_OHMS, "V1", 9.94)).orElseThrow())
                .contains("reservoir holds 1.4 V")
                .contains("1 V or less");
        bench.reads(Quantity.RESIDUAL, "reservoir", 0.8).reads(Quantity.RESIDUAL, "bias", 0.2);
        assertThat(locks(bench).ohms()).isFalse();
        bench.minutes(1.1).reads(Quantity.RESIDUAL, "reservoir", 0.8).reads(Quantity.RESIDUAL, "bias", 0.2);
        assertThat(locks(bench).ohms()).isTrue();
        assertThat(locks(bench).ohmsNext()).isEmpty();
        bench.reads(Quantity.SENSE_OHMS, "V1", 9.9);
        assertThat(locks(bench).tubes()).isTrue();
    }

    @Test
    void aReadingAboveTheLimitBeginsAnewAndCorrectingItOpensNothing() {
        Bench bench = off().drained();
        assertThat(locks(bench).hands()).isTrue();
        bench.reads(Quantity.RESIDUAL, "reservoir", 37);
        assertThat(locks(bench).hands()).isFalse();
        RecordedReading high =
                bench.session.last(Quantity.RESIDUAL, "reservoir").orElseThrow();
        Typed low = new Typed("3.7", 3.7, Unit.VOLT, 0.1);
        bench.did(new Read(Quantity.RESIDUAL, "reservoir", low, high.id(), "misread"));
        assertThat(locks(bench).hands()).isFalse();
        RecordedReading fixed =
                bench.session.last(Quantity.RESIDUAL, "reservoir").orElseThrow();
        bench.did(new Voided(fixed.id(), "not sure"));
        assertThat(locks(bench).hands()).isFalse();
        bench.drained();
        assertThat(locks(bench).hands()).isTrue();
    }

    @Test
    void whatWasConfirmedBeforePowerDoesNotCountAfterIt() {
        Bench bench = off().drained();
        bench.enters(Stops.MAINS).did(new Declared(Power.ON_TUBES_IN));
        assertThat(locks(bench).hands()).isFalse();
        assertThat(bench.tell(Bench.read(Quantity.SENSE_OHMS, "V1", 9.94))).isPresent();
        assertThat(bench.tell(new Ticked(BeforePower.TUBES_COOL, "", true)).orElseThrow())
                .contains("declared on");
        bench.minutes(1).did(new Declared(Power.OFF));
        assertThat(locks(bench).tubes()).isFalse();
        bench.minutes(5).reads(Quantity.RESIDUAL, "reservoir", 0.6).reads(Quantity.RESIDUAL, "bias", 0.3);
        bench.minutes(1.1).reads(Quantity.RESIDUAL, "reservoir", 0.6).reads(Quantity.RESIDUAL, "bias", 0.3);
        assertThat(locks(bench).handsNext()).contains("standby");
        bench.ticks(Drained.STANDBY_PLAY, Drained.METER_PROVEN);
        assertThat(locks(bench).hands()).isTrue();
        assertThat(locks(bench).tubesNext()).contains("not confirmed cool");
        // Declaring the same state again changes nothing.
        bench.did(new Declared(Power.OFF));
        assertThat(locks(bench).hands()).isTrue();
        bench.ticks(BeforePower.TUBES_COOL).did(new Exchanged("V1", "V2"));
    }

    @Test
    void aSignOfPowerClosesWhatIsOpenUntilDrainedAgain() {
        Bench bench = off().drained();
        assertThat(bench.tell(Bench.read(Quantity.PLATE, "V1", 0.1)).orElseThrow())
                .contains("declared off");
        bench.reads(Quantity.HEATER, "", 6.2);
        assertThat(locks(bench).hands()).isFalse();
        assertThat(bench.session.power(bench.now)).isEqualTo(Power.UNDECLARED);
        assertThat(locks(bench).handsNext()).contains("speaks for power");
        bench.did(new Declared(Power.OFF));
        assertThat(bench.session.contradiction()).isEmpty();
        assertThat(locks(bench).hands()).isFalse();
        bench.drained();
        assertThat(locks(bench).hands()).isTrue();
        assertThat(locks(bench).tubes()).isFalse();
    }

    @Test
    void tubesAreReachedFromOutsideAMinuteAfterOff() {
        Bench bench = off();
        bench.ticks(Drained.CHASSIS_CLOSED);
        assertThat(locks(bench).tubesNext()).contains("standby");
        bench.ticks(Drained.STANDBY_PLAY);
        assertThat(locks(bench).tubesNext()).contains("one minute");
        bench.minutes(1);
        assertThat(locks(bench).tubes()).isTrue();
        assertThat(locks(bench).hands()).isFalse();
        assertThat(locks(bench).ohms()).isFalse();
        bench.did(new Placed("V1", "T7"));
        assertThat(bench.tell(new Changed("grid leak", "220 k", "100 k", ""))).isPresent();
        assertThat(bench.session.missing(Stops.DRAINED, bench.now)).isEmpty();
        bench.ticks(TubesIn.KEYS).did(new Declared(Power.ON_TUBES_IN));
        bench.minutes(5).did(new Declared(Power.OFF)).minutes(2);
        assertThat(locks(bench).tubes()).isFalse();
        bench.ticks(Drained.CHASSIS_CLOSED, Drained.STANDBY_PLAY);
        assertThat(locks(bench).tubesNext()).contains("cool");
        bench.ticks(BeforePower.TUBES_COOL);
        assertThat(locks(bench).tubes()).isTrue();
    }

    @Test
    void anEmergencyStopIsNoDeclarationOfOff() {
        Bench bench = off().drained();
        bench.enters(Stops.MAINS).did(new Declared(Power.ON_TUBES_IN)).minutes(3);
        bench.did(new EmergencyStop("a plate glows"));
        assertThat(bench.session.power(bench.now)).isEqualTo(Power.UNDECLARED);
        assertThat(bench.tell(Bench.read(Quantity.RESIDUAL, "reservoir", 0.4)).orElseThrow())
                .contains("declare off first");
        bench.minutes(2);
        assertThat(Declared.waits(bench.session, Power.ON_TUBES_IN, bench.now).orElseThrow())
                .contains("find the cause");
        assertThat(bench.tell(new Resumed("bad tube")).orElseThrow()).contains("Hands stay out");
        bench.did(new Declared(Power.OFF)).drained().did(new Resumed("bad tube"));
        assertThat(bench.session.stopped()).isFalse();
    }

    @Test
    void aStopPressedByMistakeIsTakenBackWithinAMinute() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp().enters(Stops.WARM_UP);
        bench.minutes(12).round(31.6, 31.3, 398);
        Object before = bench.judged().present();
        bench.minutes(1).did(new EmergencyStop("")).minutes(0.5);
        assertThat(bench.session.beforeStop(bench.now)).contains(Power.ON_TUBES_IN);
        assertThat(Declared.waits(bench.session, Power.ON_TUBES_OUT, bench.now)).isPresent();
        bench.did(new Declared(Power.ON_TUBES_IN));
        assertThat(bench.session.stopped()).isFalse();
        assertThat(bench.judged().present()).isEqualTo(before);
        assertThat(bench.session.context().run()).isEqualTo(1);
        assertThat(bench.outcome().findings())
                .singleElement()
                .satisfies(f -> assertThat(f.closedBy().orElseThrow()).contains("mistake"));
        bench.did(new EmergencyStop("")).minutes(1.1);
        assertThat(bench.session.beforeStop(bench.now)).isEmpty();
        assertThat(Declared.waits(bench.session, Power.ON_TUBES_IN, bench.now)).isPresent();
        assertThat(bench.replayed()).isEqualTo(bench.session.fingerprint());
    }

    @Test
    void declaringOnWhereItIsDrainedLeavesAWayForward() {
        Bench bench = off().drained();
        bench.did(new Declared(Power.ON_TUBES_IN)).enters(Stops.MAINS);
        assertThat(bench.session.marks().get(Stops.DRAINED).done()).isTrue();
    }

    @Test
    void aSkippedDrainUnlocksNothingUntilItIsDone() {
        Bench bench = off();
        assertThat(bench.tell(new Skipped(Stops.DRAINED, " "))).isPresent();
        bench.did(new Skipped(Stops.DRAINED, "no time"));
        bench.reads(Quantity.RESIDUAL, "reservoir", 0.1).reads(Quantity.RESIDUAL, "bias", 0.1);
        assertThat(locks(bench).ohms()).isFalse();
        assertThat(bench.tell(new Exchanged("V1", "V2"))).isPresent();
        assertThat(bench.tell(new Changed("grid leak", "220 k", "100 k", ""))).isPresent();
        bench.drained();
        assertThat(bench.session.marks().get(Stops.DRAINED).done()).isTrue();
        assertThat(locks(bench).ohms()).isTrue();
    }

    @Test
    void aSessionIsClosedWithoutASheet() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp();
        assertThat(bench.tell(new ClosedUnsigned("begun by mistake")).orElseThrow())
                .contains("switch off");
        bench.did(new Declared(Power.OFF));
        assertThat(bench.tell(new ClosedUnsigned(" "))).isPresent();
        bench.did(new ClosedUnsigned("begun by mistake"));
        assertThat(bench.session.over()).isTrue();
        assertThat(bench.tell(new Declared(Power.OFF)).orElseThrow()).contains("without a sheet");
    }

    @Test
    void signingWaitsUntilTheAmpIsDeclaredOff() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp();
        bench.enters(Stops.CLOSE).did(new Skipped(Stops.CLOSE, "test")).enters(Stops.SIGN_OFF);
        assertThat(bench.tell(new SignedOff("E", "")).orElseThrow()).contains("declared on with the tubes in");
        bench.did(new EmergencyStop("")).did(new Declared(Power.OFF));
        assertThat(bench.tell(new SignedOff("E", "")).orElseThrow()).contains("stopped for safety");
        Bench off = Bench.pair(Purpose.YEARLY_CHECK).poweredUp();
        off.did(new Declared(Power.OFF)).enters(Stops.CLOSE).did(new Skipped(Stops.CLOSE, "test"));
        off.enters(Stops.SIGN_OFF).did(new SignedOff("E", ""));
    }
}
