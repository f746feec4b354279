package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.idle.Contradiction;
import yellowrail.core.reading.Meter;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.AdaptorMoved;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Named;
import yellowrail.core.session.events.Opened;
import yellowrail.core.session.events.Placed;
import yellowrail.core.session.events.Ripple;
import yellowrail.core.session.events.Ticked;
import yellowrail.core.session.events.Turned;
import yellowrail.core.session.stops.BeforePower;
import yellowrail.core.session.stops.Drained;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.session.stops.TubesIn;

/** Sessions with less opened, read by turns, without a soak, or remembering: what they ask for, and what they never say. */
class WorkedOtherwiseTest {
    private static final AmpDescription PAIR = Bench.amp(BiasScheme.FIXED_TRACKING, ControlLayout.PER_TUBE, 2, false);

    static Bench worked(Access access, boolean turns, boolean soaks, Memory memory) {
        return new Bench(Plan.usual(PAIR, Purpose.YEARLY_CHECK, Meter.FINE)
                .worked(new Setup(access, turns, soaks, List.of(), memory)));
    }

    @Test
    void withoutASoakItIsSetAtMost() {
        Bench bench = worked(Access.OPEN, false, false, Memory.NONE).poweredUp();
        bench.enters(Stops.WARM_UP).minutes(10).round(31.6, 31.4, 397);
        bench.minutes(6).reads(Quantity.SCREEN, "V1", 380).round(31.6, 31.4, 397);
        bench.enters(Stops.MEASURE);
        assertThat(bench.session.stops()).doesNotContain(Stops.SOAK);
        assertThat(bench.outcome().proof().state()).isEqualTo(Proof.State.SET);
        assertThat(bench.outcome().proof().open()).anyMatch(o -> o.contains("No soak was chosen"));
        assertThat(bench.outcome().proof().open()).noneMatch(o -> o.contains("whole soak in this power-on"));
    }

    @Test
    void withAdaptorsTubesOpenFromOutsideAndHandsNever() {
        Bench bench = worked(Access.ADAPTORS, false, true, Memory.NONE);
        bench.did(new Declared(Power.OFF))
                .ticks(BeforePower.LOAD, BeforePower.CONTROLS_DOWN, BeforePower.QUIRKS, BeforePower.JEWELLERY)
                .reads(Quantity.LOAD_OHMS, "", 8);
        assertThat(bench.session.locks(bench.now).tubes()).isFalse();
        bench.ticks(BeforePower.TUBES_COOL, Drained.STANDBY_PLAY);
        assertThat(bench.session.locks(bench.now).tubesNext()).contains("one minute");
        bench.minutes(1.1);
        assertThat(bench.session.locks(bench.now).tubes()).isTrue();
        // Nodes read dead do not open hands while the chassis is declared closed.
        bench.reads(Quantity.RESIDUAL, "reservoir", 0.4).reads(Quantity.RESIDUAL, "bias", 0.3);
        bench.minutes(1.1).reads(Quantity.RESIDUAL, "reservoir", 0.4).reads(Quantity.RESIDUAL, "bias", 0.3);
        assertThat(bench.tell(new Ticked(Drained.METER_PROVEN, "", true))).isEmpty();
        Locks locks = bench.session.locks(bench.now);
        assertThat(locks.hands()).isFalse();
        assertThat(locks.ohms()).isFalse();
        assertThat(locks.handsNext()).contains("say that the chassis is opened");
        bench.did(new Opened(Access.OPEN));
        assertThat(bench.session.stops()).contains(Stops.DRAINED);
        assertThat(bench.session.locks(bench.now).handsNext()).contains("Only one hand works inside");
        assertThat(bench.tell(new Opened(Access.ADAPTORS)).orElseThrow()).contains("already");
    }

    private static Bench byTurns() {
        return worked(Access.ADAPTORS, true, false, Memory.NONE).reachedFromOutside();
    }

    private static void turn(Bench bench, String socket, double mains, double milliamperes) {
        if (bench.session.power(bench.now) != Power.OFF) {
            bench.did(new Declared(Power.OFF))
                    .ticks(BeforePower.TUBES_COOL, Drained.STANDBY_PLAY)
                    .minutes(1.1);
        }
        bench.did(new AdaptorMoved(socket));
        if (bench.session.here().equals(Stops.BEFORE_POWER)) {
            bench.enters(Stops.MAINS);
        }
        bench.did(new Declared(Power.ON_TUBES_IN)).minutes(11).reads(Quantity.MAINS, "", mains);
        bench.reads(Quantity.CURRENT, socket, milliamperes * Bench.OHMS / 1000).reads(Quantity.SCREEN, socket, 380);
        bench.reads(Quantity.PLATE, socket, 397 * mains / 230);
    }

    @Test
    void byTurnsItIsSetOnceTheFirstWasReadAgain() {
        Bench bench = byTurns();
        turn(bench, "V1", 230, 31.6);
        assertThat(Turn.next(bench.session)).contains("V2");
        assertThat(bench.judged().present().orElseThrow().unmeasured()).containsExactly("V2");
        turn(bench, "V2", 230, 31.2);
        // Both read, and nobody knows yet how far the first moved.
        assertThat(bench.judged().present().orElseThrow().verdict().allClear()).isFalse();
        assertThat(bench.outcome().proof().state()).isEqualTo(Proof.State.NOT_SET);
        assertThat(Turn.next(bench.session)).contains("V1");
        turn(bench, "V1", 230, 31.8);
        assertThat(Turn.next(bench.session)).isEmpty();
        assertThat(Turn.drift(bench.session).orElseThrow()).isBetween(0.006, 0.007);
        assertThat(bench.judged().present().orElseThrow().verdict().allClear()).isTrue();
        assertThat(bench.outcome().proof().state()).isEqualTo(Proof.State.SET);
        assertThat(bench.replayed()).isEqualTo(bench.session.fingerprint());
    }

    @Test
    void theDriftStandsInEveryBand() {
        Bench still = byTurns();
        turn(still, "V1", 230, 31.6);
        turn(still, "V2", 230, 31.2);
        turn(still, "V1", 230, 31.6);
        Bench moved = byTurns();
        turn(moved, "V1", 230, 31.6);
        turn(moved, "V2", 230, 31.2);
        turn(moved, "V1", 230, 33.2);
        assertThat(band(moved, "V2")).isGreaterThan(1.4 * band(still, "V2"));
        // The mains between is no drift: the current goes with it.
        Bench mains = byTurns();
        turn(mains, "V1", 230, 31.6);
        turn(mains, "V2", 234, 31.6);
        turn(mains, "V1", 238, 31.6 * Math.pow(238.0 / 230, 1.5));
        assertThat(Turn.drift(mains.session).orElseThrow()).isLessThan(0.003);
        assertThat(mains.judged().present().orElseThrow().contradictions()).isEmpty();
    }

    @Test
    void theMainsThatMovesWithinOneTurnIsStillTold() {
        Bench bench = byTurns();
        turn(bench, "V1", 230, 31.6);
        bench.minutes(1).reads(Quantity.MAINS, "", 239).reads(Quantity.CURRENT, "V1", 32.6 * Bench.OHMS / 1000);
        turn(bench, "V2", 230, 31.2);
        turn(bench, "V1", 230, 31.8);
        assertThat(bench.judged().present().orElseThrow().contradictions()).isEmpty();
        bench.minutes(1).reads(Quantity.MAINS, "", 239).reads(Quantity.CURRENT, "V1", 32.6 * Bench.OHMS / 1000);
        assertThat(bench.judged().present().orElseThrow().contradictions())
                .extracting(c -> c.code())
                .contains(Contradiction.Code.MAINS_MOVED);
    }

    @Test
    void aColdReadingAfterTheLastTurnAsksForThatPositionAgain() {
        Bench bench = byTurns();
        turn(bench, "V1", 230, 31.6);
        turn(bench, "V2", 230, 31.2);
        turn(bench, "V1", 230, 31.6);
        assertThat(bench.outcome().proof().state()).isEqualTo(Proof.State.SET);
        bench.did(new Declared(Power.OFF))
                .ticks(BeforePower.TUBES_COOL, Drained.STANDBY_PLAY)
                .minutes(1.1)
                .did(new AdaptorMoved("V2"))
                .did(new Declared(Power.ON_TUBES_IN))
                .minutes(3)
                .reads(Quantity.MAINS, "", 230)
                .reads(Quantity.CURRENT, "V2", 0.29)
                .reads(Quantity.PLATE, "V2", 399);
        assertThat(bench.judged().present().orElseThrow().verdict().allClear()).isFalse();
        assertThat(bench.outcome().proof().state()).isEqualTo(Proof.State.NOT_SET);
        assertThat(Turn.next(bench.session)).contains("V2");
        bench.minutes(9).reads(Quantity.CURRENT, "V2", 0.312).reads(Quantity.PLATE, "V2", 397);
        assertThat(Turn.done(bench.session)).hasSize(2);
    }

    @Test
    void whatIsReadBesideACurrentStaysWithItsTurn() {
        Bench bench = byTurns();
        turn(bench, "V1", 230, 31.6);
        bench.minutes(90);
        turn(bench, "V2", 230, 31.2);
        assertThat(SessionAssessment.socket(bench.judged().present().orElseThrow(), "V1")
                        .orElseThrow()
                        .question()
                        .screenVolts())
                .isPresent();
    }

    private static double band(Bench bench, String socket) {
        return SessionAssessment.socket(bench.judged().present().orElseThrow(), socket)
                .orElseThrow()
                .answer()
                .share()
                .orElseThrow()
                .likely();
    }

    @Test
    void byTurnsNothingSlipsThrough() {
        Bench bench = byTurns();
        turn(bench, "V1", 230, 31.6);
        // Another socket's reading, and a move under power.
        assertThat(bench.tell(Bench.read(Quantity.CURRENT, "V2", 0.31)).orElseThrow())
                .contains("The adaptor is in V1");
        assertThat(bench.tell(Bench.read(Quantity.PLATE, "V2", 397)).orElseThrow())
                .contains("The adaptor is in V1");
        assertThat(bench.tell(new AdaptorMoved("V2")).orElseThrow()).contains("Tubes stay where they are");
        // Hot tubes, straight after off.
        bench.did(new Declared(Power.OFF));
        assertThat(bench.tell(new AdaptorMoved("V2"))).isPresent();
        bench.ticks(BeforePower.TUBES_COOL, Drained.STANDBY_PLAY).minutes(1.1);
        turn(bench, "V2", 230, 31.2);
        turn(bench, "V1", 230, 31.6);
        assertThat(bench.outcome().proof().state()).isEqualTo(Proof.State.SET);
        // A turned control ends what was read by turns.
        bench.did(new Turned("V1 control", Optional.empty(), ""));
        assertThat(bench.judged().present()).isEmpty();
        assertThat(bench.outcome().proof().state()).isEqualTo(Proof.State.NOT_SET);
        // A tube exchanged likewise, and cold readings never count.
        Bench cold = byTurns();
        turn(cold, "V1", 230, 31.6);
        cold.did(new Declared(Power.OFF))
                .ticks(BeforePower.TUBES_COOL, Drained.STANDBY_PLAY)
                .minutes(1.1);
        cold.did(new AdaptorMoved("V2")).did(new Declared(Power.ON_TUBES_IN)).minutes(3);
        cold.reads(Quantity.CURRENT, "V2", 0.31).reads(Quantity.PLATE, "V2", 397);
        assertThat(Turn.done(cold.session)).hasSize(1);
        assertThat(Turn.next(cold.session)).contains("V2");
    }

    @Test
    void namingATubeAsksNothingAgainAndChangingOneDoes() {
        Bench bench = worked(Access.OPEN, false, true, Memory.NONE).poweredUp();
        bench.did(new Named("V1", "T-7"));
        assertThat(bench.session.tube("V1")).isEqualTo("T-7");
        assertThat(bench.session.tubesMoved()).isFalse();
        assertThat(bench.tell(new Named("V2", "T-7")).orElseThrow()).contains("is the tube of V1");
        int setting = bench.session.context().setting();
        bench.did(new Declared(Power.OFF)).drained().ticks(BeforePower.TUBES_COOL);
        bench.did(new Placed("V1", "T-8"));
        assertThat(bench.session.context().setting()).isGreaterThan(setting);
        assertThat(bench.session.missing(Stops.TUBES_IN, bench.now)).anyMatch(m -> m.contains("key and seat"));
    }

    @Test
    void newTubesWithTheChassisClosedStartColdest() {
        Bench bench = new Bench(Plan.usual(PAIR, Purpose.NEW_TUBES, Meter.FINE)
                .worked(new Setup(Access.ADAPTORS, false, true, List.of("V1", "V2"), Memory.NONE)));
        assertThat(bench.session.stops()).contains(Stops.TUBES_IN).doesNotContain(Stops.TUBES_OUT, Stops.DRAINED);
        bench.reachedFromOutside()
                .did(new Placed("V1", "T-1"))
                .ticks(TubesIn.KEYS)
                .enters(Stops.TUBES_IN);
        assertThat(Declared.waits(bench.session, Power.ON_TUBES_IN, bench.now).orElseThrow())
                .contains("coldest end");
        bench.ticks(TubesIn.COLDEST_OUTSIDE).did(new Declared(Power.ON_TUBES_IN));
    }

    @Test
    void aRippleReadWhileOffIsDeclaredClosesEverything() {
        Bench bench = worked(Access.OPEN, false, true, Memory.NONE).preflight().drained();
        assertThat(bench.session.locks(bench.now).hands()).isTrue();
        bench.did(new Ripple(
                "reservoir", new yellowrail.core.reading.Typed("2 V", 2, yellowrail.core.reading.Unit.VOLT, 0.1), 100));
        assertThat(bench.session.locks(bench.now).hands()).isFalse();
        assertThat(bench.session.contradiction()).isPresent();
    }
}
