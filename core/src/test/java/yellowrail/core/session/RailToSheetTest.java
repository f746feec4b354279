package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import yellowrail.core.adjust.Advice;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.reading.Meter;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.EmergencyStop;
import yellowrail.core.session.events.Exchanged;
import yellowrail.core.session.events.Noted;
import yellowrail.core.session.events.Placed;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.Resumed;
import yellowrail.core.session.events.SignedOff;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.events.Tiered;
import yellowrail.core.session.events.Turned;
import yellowrail.core.session.stops.BeforePower;
import yellowrail.core.session.stops.Play;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.session.stops.TubesIn;
import yellowrail.core.soak.Drift;

/** From a soaked pair to the sheet, and what stands in the way. */
class RailToSheetTest extends RailBench {
    @Test
    void aSoakedPairIsProvenAndItsFiguresAreRecomputed() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp().soaked(31.6, 31.3, 398);
        bench.enters(Stops.PLAY).ticks(Play.GLOW_IDLE, Play.GLOW_LOUD).closed().enters(Stops.SIGN_OFF);
        Outcome outcome = bench.outcome();
        assertThat(outcome.proof().open()).isEmpty();
        assertThat(outcome.proof().state()).isEqualTo(Proof.State.PROVEN);
        double watts = 0.0316 * 0.94 * (398 - 0.0316 * Bench.OHMS);
        assertThat(outcome.tubes().get(0).afterWatts().orElseThrow().value()).isCloseTo(watts, within(0.001));
        assertThat(outcome.fans().get(0).highest().orElseThrow().mid())
                .isCloseTo(watts * Math.pow(240 / 230.0, 2.5), within(0.001));
        bench.did(new SignedOff("E.", ""));
        assertThat(bench.tell(new Noted(Noted.Topic.HUM, "none")).orElseThrow()).contains("signed");
        assertThat(bench.replayed()).isEqualTo(bench.session.fingerprint());
    }

    @Test
    void signingTheNextMorningIsFineButAnAlarmTakesTheProofAway() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp().soaked(31.6, 31.3, 398);
        bench.enters(Stops.PLAY).ticks(Play.GLOW_IDLE, Play.GLOW_LOUD).closed().enters(Stops.SIGN_OFF);
        bench.minutes(60 * 11).did(new Tiered("Minimal", "idle checked", true));
        assertThat(bench.outcome().proof().state()).isEqualTo(Proof.State.PROVEN);
        assertThat(bench.session.locks(bench.now).hands()).isFalse();
        Bench alarm = Bench.pair(Purpose.YEARLY_CHECK).poweredUp().soaked(31.6, 31.3, 398);
        alarm.did(new EmergencyStop("smell"))
                .minutes(5)
                .did(new Declared(Power.OFF))
                .drained();
        alarm.did(new Resumed("a warm transformer, nothing else"));
        assertThat(alarm.outcome().proof().state()).isEqualTo(Proof.State.NOT_SET);
        assertThat(alarm.outcome().proof().open()).anyMatch(s -> s.contains("V1 was not read in this setting"));
    }

    @Test
    void beforeAndAfterOfTheStory() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp().enters(Stops.WARM_UP);
        // Watts without a screen share, as in the story: the share is set to zero here.
        bench.round(27.4, 21.8, 433.27).minutes(1);
        bench.did(new Turned("V1 control", Optional.empty(), "")).minutes(1).round(30.9, 30.1, 421.31);
        Outcome outcome = bench.outcome();
        double before = outcome.tubes().get(1).beforeWatts().orElseThrow() / 0.94;
        double after = outcome.tubes().get(1).afterWatts().orElseThrow().value() / 0.94;
        assertThat(before).isCloseTo(9.44, within(0.02));
        assertThat(after).isCloseTo(12.67, within(0.02));
        assertThat(outcome.tubes().get(0).ratio().orElseThrow()).isCloseTo(1.10, within(0.005));
        assertThat(outcome.tubes().get(1).ratio().orElseThrow()).isCloseTo(1.34, within(0.005));
        var rounds = bench.judged().rounds();
        assertThat(100 * rounds.get(0).answer().balances().get(0).imbalance()).isCloseTo(22.8, within(0.1));
        assertThat(100 * rounds.get(1).answer().balances().get(0).imbalance()).isCloseTo(2.6, within(0.1));
        assertThat(outcome.proof().state()).isNotEqualTo(Proof.State.PROVEN);
        assertThat(outcome.changes()).contains("Turned the V1 control.");
    }

    @Test
    void aTrimOfACreepingTubeIsRecordedAsSuchAndTheSwapConcludes() {
        Bench bench =
                Bench.pair(Purpose.FAULT).preflight().enters(Stops.DRAINED).drained();
        bench.did(new Placed("V1", "T3")).did(new Placed("V2", "T7"));
        bench.did(new Skipped(Stops.TUBES_OUT, "known")).ticks(TubesIn.KEYS);
        bench.did(new Declared(Power.ON_TUBES_IN)).minutes(10);
        bench.reads(Quantity.MAINS, "", 230);
        double[] creep = {31.2, 31.9, 32.8, 33.9, 35.2, 36.9};
        for (double milli : creep) {
            bench.round(31.0, milli, 398).minutes(5);
        }
        List<SoakWatch> watches = SoakWatch.of(bench.session, bench.judged());
        SoakWatch v2 = watches.stream()
                .filter(w -> w.curve().point().equals("V2"))
                .findFirst()
                .orElseThrow();
        assertThat(v2.drift().kind()).isEqualTo(Drift.Kind.ACCELERATING);
        assertThat(v2.stop()).isTrue();
        assertThat(v2.caution().orElseThrow()).contains("power off now");
        bench.did(new Turned("V2 control", Optional.empty(), "back to 31 mA"));
        assertThat(bench.outcome().changes()).anyMatch(s -> s.contains("while V2 crept"));
        bench.did(new Declared(Power.OFF)).minutes(5).drained().ticks(BeforePower.TUBES_COOL);
        bench.did(new Exchanged("V1", "V2"));
        assertThat(SwapResult.all(bench.session)).isEmpty();
        bench.ticks(TubesIn.KEYS).did(new Declared(Power.ON_TUBES_IN)).minutes(10);
        for (double milli : creep) {
            bench.round(milli, 31.0, 398).minutes(5);
        }
        assertThat(SwapResult.all(bench.session).get(0).sentence())
                .contains("T7 was moved from V2 to V1")
                .contains("follows the tube");
    }

    @Test
    void aGridReadWithItsTubeOutTellsALeakFromTheMetersLoad() {
        Bench bench = Bench.pair(Purpose.FAULT)
                .preflight()
                .enters(Stops.DRAINED)
                .drained()
                .enters(Stops.TUBES_OUT);
        bench.did(new Declared(Power.ON_TUBES_OUT)).reads(Quantity.GRID_TUBE_OUT, "V2", -41.8);
        assertThat(LeakTest.of(bench.session)).isEmpty();
        bench.reads(Quantity.BIAS_NODE, "", -44.1).reads(Quantity.GRID_LEAK_OHMS, "V2", 180e3);
        assertThat(LeakTest.of(bench.session).get("V2").remaining()).isCloseTo(1.5, within(0.05));
        bench.reads(Quantity.METER_OHMS, "", 2e6);
        assertThat(LeakTest.of(bench.session).get("V2").finding()).isFalse();
    }

    @Test
    void theBalanceControlIsSwungBothWaysAndJudged() {
        Bench bench = new Bench(Plan.usual(
                Bench.amp(BiasScheme.FIXED_TRACKING, ControlLayout.LEVEL_AND_BALANCE, 2, false),
                Purpose.YEARLY_CHECK,
                Meter.FINE));
        bench.poweredUp().enters(Stops.WARM_UP).round(31, 31, 398).minutes(1);
        bench.did(new Turned("balance control", Optional.of(Turned.Way.CW), "")).round(36, 28, 398);
        assertThat(BalanceMirrorTest.of(bench.session, bench.judged())).isEmpty();
        bench.minutes(1).did(new Turned("balance control", Optional.of(Turned.Way.CCW), ""));
        bench.round(28.1, 35.8, 398);
        assertThat(BalanceMirrorTest.of(bench.session, bench.judged())
                        .orElseThrow()
                        .symmetric())
                .isTrue();
        bench.minutes(1).did(new Turned("balance control", Optional.of(Turned.Way.CCW), ""));
        bench.round(31, 33, 398);
        assertThat(BalanceMirrorTest.of(bench.session, bench.judged())
                        .orElseThrow()
                        .symmetric())
                .isFalse();
        assertThat(BalanceMirrorTest.of(Bench.pair(Purpose.FAULT).session, bench.judged()))
                .isEmpty();
    }

    @Test
    void cathodeBiasGetsTheResistorInsteadOfATurn() {
        Bench bench = new Bench(Plan.usual(
                Bench.amp(BiasScheme.CATHODE, ControlLayout.CATHODE_SHARED, 2, true), Purpose.NEW_TUBES, Meter.FINE));
        assertThat(bench.session.stops()).doesNotContain(Stops.TUBES_OUT);
        bench.preflight().enters(Stops.DRAINED).drained().ticks(TubesIn.KEYS).enters(Stops.TUBES_IN);
        bench.did(new Declared(Power.ON_TUBES_IN)).minutes(11).reads(Quantity.MAINS, "", 230);
        bench.reads(Quantity.PLATE, "V1", 400).reads(Quantity.CURRENT, "all", 18.0);
        Advice.Fit fit = (Advice.Fit) bench.judged().advice();
        double each = 18.0 / 226 / 2;
        double share = each * 0.94 * 382 / 19;
        double wanted = each * 0.62 / share;
        assertThat(fit.fit().constantVolts()).isCloseTo(18.0 / (2 * wanted), within(0.01));
        // No curves tell how its current follows its cathode volts: no value is proposed.
        assertThat(fit.fit().ohms()).isEmpty();
        assertThat(fit.fit().chosen()).isEmpty();
        assertThat(bench.tell(new Turned("level control", Optional.empty(), "")).orElseThrow())
                .contains("has no");
    }

    @Test
    void clocksThatGoBackAreNoticedAndLateReadingsKeepTheirPlace() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp().enters(Stops.WARM_UP);
        bench.minutes(10).round(31, 31, 398);
        long made = bench.now;
        bench.minutes(3).did(new Turned("V1 control", Optional.empty(), ""));
        // Another device's reading, queued since before the turn, belongs before it.
        long later = bench.now;
        bench.now = made + 60_000;
        assertThat(bench.tell(Bench.read(Quantity.CURRENT, "V1", 0.3), "phone")).isEmpty();
        RecordedReading late =
                bench.session.readings().get(bench.session.readings().size() - 1);
        assertThat(late.context().stretch()).isEqualTo(bench.session.context().stretch() - 1);
        assertThat(bench.session.clockWentBack()).isFalse();
        // The same device going back is a clock that was set.
        bench.now = later - 8 * 60_000;
        assertThat(bench.tell(Bench.read(Quantity.CURRENT, "V1", 0.3))).isEmpty();
        assertThat(bench.session.clockWentBack()).isTrue();
        assertThat(bench.outcome().proof().open()).anyMatch(s -> s.contains("clock went back"));
        assertThat(bench.replayed()).isEqualTo(bench.session.fingerprint());
    }

    @Test
    void aSessionReopenedAfterAYearKnowsNothingOfThePower() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp().enters(Stops.WARM_UP);
        bench.minutes(60 * 24 * 365);
        assertThat(bench.session.power(bench.now)).isEqualTo(Power.UNDECLARED);
        assertThat(bench.tell(Bench.read(Quantity.CURRENT, "V1", 0.3)).orElseThrow())
                .contains("not declared");
        assertThat(bench.session.locks(bench.now).hands()).isFalse();
        bench.did(new Declared(Power.OFF));
        assertThat(bench.session.locks(bench.now).why()).anyMatch(s -> s.contains("not read yet"));
        assertThat(bench.replayed()).isEqualTo(bench.session.fingerprint());
    }

    @Test
    void aCorrectionSupersedesAndBothStay() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp().enters(Stops.WARM_UP);
        bench.round(31, 31, 398);
        RecordedReading wrong = bench.session.last(Quantity.PLATE, "V1").orElseThrow();
        Read silent = new Read(Quantity.PLATE, "V1", wrong.typed(), wrong.id(), " ");
        assertThat(bench.tell(silent)).isPresent();
        Read other = new Read(Quantity.PLATE, "V2", wrong.typed(), wrong.id(), "slip");
        assertThat(bench.tell(other).orElseThrow()).contains("same quantity");
        Read right = new Read(
                Quantity.PLATE, "V1", Bench.read(Quantity.PLATE, "V1", 389).typed(), wrong.id(), "read upside down");
        bench.did(right);
        assertThat(bench.tell(right).orElseThrow()).contains("corrected or taken back already");
        assertThat(bench.session.readings()).contains(wrong);
        assertThat(bench.session
                        .last(Quantity.PLATE, "V1")
                        .orElseThrow()
                        .typed()
                        .value())
                .isEqualTo(389);
    }

    @ParameterizedTest
    @EnumSource(Purpose.class)
    void everyPurposeBeginsBeforePowerAndEndsWithSigning(Purpose purpose) {
        List<Stop> stops = Bench.pair(purpose).session.stops();
        assertThat(stops.get(0)).isEqualTo(Stops.BEFORE_POWER);
        assertThat(stops).contains(Stops.DRAINED, Stops.WARM_UP, Stops.MEASURE, Stops.SOAK, Stops.CLOSE);
        assertThat(stops.get(stops.size() - 1)).isEqualTo(Stops.SIGN_OFF);
    }

    @Test
    void theScheduleGrowsOnlyWhileProven() {
        assertThat(Recheck.after(0, false, false)).isEqualTo(Recheck.DAY);
        assertThat(Recheck.after(1, true, true)).isEqualTo(Recheck.DAY);
        assertThat(Recheck.after(2, false, true)).isEqualTo(Recheck.WEEK);
        assertThat(Recheck.after(3, false, true)).isEqualTo(Recheck.MONTH);
        assertThat(Recheck.after(9, false, true)).isEqualTo(Recheck.HALF_YEAR);
        assertThat(Recheck.after(9, false, false)).isEqualTo(Recheck.DAY);
        assertThat(Recheck.why(0, false, false)).contains("not proven");
        assertThat(Recheck.why(3, true, true)).contains("placed or moved");
        assertThat(Recheck.why(1, false, true)).contains("first proven session");
        assertThat(Recheck.why(3, false, true)).contains("3 proven sessions in a row");
    }
}
