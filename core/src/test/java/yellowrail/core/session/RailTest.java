package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yellowrail.core.adjust.Advice;
import yellowrail.core.adjust.Control;
import yellowrail.core.adjust.SupplySag;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.reading.Band;
import yellowrail.core.reading.Meter;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.DirectionSeen;
import yellowrail.core.session.events.Entered;
import yellowrail.core.session.events.LimiterSet;
import yellowrail.core.session.events.Placed;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.events.Ticked;
import yellowrail.core.session.events.Turned;
import yellowrail.core.session.stops.BeforePower;
import yellowrail.core.session.stops.DrainAndClose;
import yellowrail.core.session.stops.Look;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.session.stops.TubesIn;
import yellowrail.core.session.stops.TubesOut;

class RailTest extends RailBench {
    @Test
    void drainingTakesTimeAndIsNoProof() {
        assertThat(Drain.hint("reservoir", 433, 10, Optional.of(180e-6), Optional.of(10e3)))
                .contains("6.8 s")
                .contains("19 W")
                .contains("17 J")
                .contains("standby");
    }

    @Test
    void stopsComeInOrderAndGoingBackIsFree() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK);
        assertThat(bench.tell(new Entered(Stops.DRAINED)).orElseThrow()).contains("Before power is not done");
        assertThat(bench.tell(new Entered(Stops.TUBES_OUT)).orElseThrow()).contains("does not belong");
        assertThat(Declared.waits(bench.session, Power.ON_TUBES_IN, bench.now)).isPresent();
        bench.poweredUp();
        assertThat(bench.tell(new Entered(Stops.MEASURE)).orElseThrow()).contains("Warm-up is not done");
        bench.enters(Stops.WARM_UP).enters(Stops.DRAINED).enters(Stops.WARM_UP);
        bench.did(new Skipped(Stops.WARM_UP, "just a look")).enters(Stops.MEASURE);
        assertThat(bench.outcome().skipped()).containsExactly("Warm-up: just a look");
        // Switching off asks for another warm-up, done or skipped.
        bench.did(new Declared(Power.OFF)).minutes(1).did(new Declared(Power.ON_TUBES_IN));
        bench.enters(Stops.WARM_UP);
        assertThat(bench.tell(new Entered(Stops.MEASURE))).isPresent();
        assertThat(bench.replayed()).isEqualTo(bench.session.fingerprint());
    }

    @Test
    void newTubesGoThroughTubesOutAndTubesIn() {
        Bench bench =
                Bench.pair(Purpose.NEW_TUBES).preflight().enters(Stops.DRAINED).drained();
        bench.did(new Placed("V1", "T-014")).did(new Placed("V2", "T-021"));
        bench.enters(Stops.TUBES_OUT);
        assertThat(Declared.waits(bench.session, Power.ON_TUBES_IN, bench.now).orElseThrow())
                .contains("Power with tubes out");
        bench.did(new LimiterSet(true)).did(new Declared(Power.ON_TUBES_OUT)).minutes(1);
        assertThat(bench.tell(Bench.read(Quantity.CURRENT, "V1", 0.3)).orElseThrow())
                .contains("tubes in");
        bench.reads(Quantity.UNLOADED, "reservoir", 466).reads(Quantity.MAINS, "", 230);
        for (String control : List.of("V1 control", "V2 control")) {
            bench.reads(Quantity.GRID_COLDEST, control, -46.2).reads(Quantity.GRID_HOTTEST, control, -31.7);
            bench.did(new DirectionSeen(control, Control.Direction.CW_HOTTER));
        }
        assertThat(bench.tell(new DirectionSeen("treble", Control.Direction.CW_HOTTER))
                        .orElseThrow())
                .contains("This amp has no “treble”");
        bench.ticks(TubesOut.COLDEST, TubesOut.FAIL_COLD).enters(Stops.TUBES_IN);
        assertThat(bench.tell(new Ticked(TubesIn.KEYS, "", true)).orElseThrow()).contains("Tubes stay");
        assertThat(bench.tell(new Declared(Power.ON_TUBES_IN)).orElseThrow()).contains("do not move with power on");
        bench.did(new Declared(Power.OFF)).minutes(2);
        bench.drained();
        assertThat(bench.tell(new Ticked(TubesIn.KEYS, "", true)).orElseThrow()).contains("not confirmed cool");
        bench.ticks(BeforePower.TUBES_COOL, TubesIn.KEYS)
                .did(new Declared(Power.ON_TUBES_IN))
                .minutes(1);
        assertThat(bench.tell(Bench.read(Quantity.GRID_HOTTEST, "V1 control", -31))
                        .orElseThrow())
                .contains("not looked for with tubes conducting");
        bench.did(new Ticked(TubesIn.GLOWS, "V1", true)).did(new Ticked(TubesIn.GLOWS, "V2", true));
        bench.reads(Quantity.CURRENT, "V1", 0.1)
                .reads(Quantity.CURRENT, "V2", 0.1)
                .enters(Stops.MAINS);
        assertThat(bench.outcome().proof().open()).anyMatch(s -> s.contains("limiter"));
        assertThat(bench.tell(new Ticked(DrainAndClose.LIMITER_OUT, "", true)).orElseThrow())
                .contains("confirmed at Drain and close");
        bench.enters(Stops.CLOSE);
        assertThat(bench.tell(new Ticked(DrainAndClose.LIMITER_OUT, "", true)).orElseThrow())
                .contains("still declared");
        assertThat(bench.replayed()).isEqualTo(bench.session.fingerprint());
    }

    @Test
    void headroomAtHighestMainsSharesBetweenASeriesPair() {
        SupplyNode pair = new SupplyNode("reservoir", Optional.empty(), Optional.of(250.0), 2, false);
        Mains mains = new Mains(Optional.of(230.0), 230, 207, 253);
        assertThat(Headroom.of(pair, 440, 1, mains).state()).isEqualTo(Headroom.State.WITHIN);
        assertThat(Headroom.of(pair, 440, 1, mains).sentence())
                .contains("484 V")
                .contains("242 V each");
        assertThat(Headroom.of(pair, 466, 1, mains).state()).isEqualTo(Headroom.State.OVER);
        assertThat(Headroom.of(pair, 440, 1, mains.at(Optional.empty())).state())
                .isEqualTo(Headroom.State.UNKNOWN);
        SupplyNode unknown = SupplyNode.single("screens", Optional.empty(), Optional.empty());
        assertThat(Headroom.of(unknown, 440, 1, mains).state()).isEqualTo(Headroom.State.UNKNOWN);
        // A rating inside the meter's error is not within.
        assertThat(Headroom.of(pair, 453, 3, mains).state()).isEqualTo(Headroom.State.UNKNOWN);
        assertThat(Headroom.of(pair, 453, 1, mains).state()).isEqualTo(Headroom.State.WITHIN);
    }

    @Test
    void heatersOfTheStory() {
        assertThat(heater(6.25).percent()).isCloseTo(-0.8, within(0.05));
        assertThat(heater(6.25).state()).isEqualTo(HeaterCheck.State.WITHIN);
        assertThat(heater(6.47).percent()).isCloseTo(2.7, within(0.05));
        assertThat(heater(6.69).state()).isEqualTo(HeaterCheck.State.AMBER);
        assertThat(heater(7.04).percent()).isCloseTo(11.7, within(0.05));
        assertThat(heater(7.04).state()).isEqualTo(HeaterCheck.State.RED);
        HeaterCheck unloaded = HeaterCheck.of(7.04, false, Optional.of(6.3), 5, 10);
        assertThat(unloaded.state()).isEqualTo(HeaterCheck.State.NOT_JUDGED);
        assertThat(unloaded.sentence()).contains("unloaded");
        assertThat(HeaterCheck.of(6.3, true, Optional.empty(), 5, 10).state()).isEqualTo(HeaterCheck.State.NOT_JUDGED);
        // In proportion at highest mains, an estimate; more than a tenth is a caution, whatever is marked.
        HeaterCheck raised =
                HeaterCheck.raised(6.3, Optional.of(6.3), 253 / 230.0).orElseThrow();
        assertThat(raised.percent()).isCloseTo(10, within(0.01));
        assertThat(raised.state()).isEqualTo(HeaterCheck.State.WITHIN);
        assertThat(HeaterCheck.raised(6.5, Optional.of(6.3), 253 / 230.0)
                        .orElseThrow()
                        .state())
                .isEqualTo(HeaterCheck.State.RED);
        assertThat(HeaterCheck.raised(6.3, Optional.of(6.3), 1)).isEmpty();
        assertThat(HeaterCheck.raised(6.3, Optional.empty(), 1.1)).isEmpty();
    }

    @Test
    void theMainsThatMovesWhileARoundIsReadIsKnownToIt() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp().enters(Stops.WARM_UP);
        bench.minutes(12).reads(Quantity.MAINS, "", 230).round(31.6, 31.3, 398);
        assertThat(last(bench).mainsMoved().orElse(0.0)).isZero();
        bench.minutes(12)
                .reads(Quantity.MAINS, "", 230)
                .reads(Quantity.PLATE, "V1", 398)
                .reads(Quantity.CURRENT, "V1", 31.6 * Bench.OHMS / 1000)
                .minutes(2)
                .reads(Quantity.MAINS, "", 239)
                .reads(Quantity.PLATE, "V2", 398)
                .reads(Quantity.CURRENT, "V2", 31.3 * Bench.OHMS / 1000);
        assertThat(last(bench).mains()).contains(239.0);
        assertThat(last(bench).mainsMoved().orElseThrow()).isCloseTo(9 / 239.0, within(1e-9));
        assertThat(bench.judged().present().orElseThrow().contradictions())
                .anyMatch(w -> w.sentence().contains("The mains moved 3.8 % while this was read"));
        assertThat(bench.judged().present().orElseThrow().verdict().allClear()).isFalse();
    }

    @Test
    void twoRoundsGiveTheNextTurnOfTheStory() {
        Bench bench = new Bench(Plan.usual(
                Bench.amp(BiasScheme.FIXED_TRACKING, ControlLayout.LEVEL, 2, false), Purpose.YEARLY_CHECK, Meter.FINE));
        bench.poweredUp()
                .enters(Stops.WARM_UP)
                .did(new Skipped(Stops.WARM_UP, "test"))
                .enters(Stops.MEASURE);
        // Before the warm-up a round says nothing of the supply.
        bench.minutes(2)
                .reads(Quantity.GRID, "V1", -38)
                .reads(Quantity.GRID, "V2", -38)
                .round(25.8, 25.8, 406.8);
        bench.minutes(1).round(27.0, 27.0, 399.8);
        assertThat(((SupplySag.Refused) bench.judged().sag()).reason()).contains("second one");
        bench.minutes(10)
                .reads(Quantity.GRID, "V1", -38)
                .reads(Quantity.GRID, "V2", -38)
                .round(25.8, 25.8, 406.8);
        // One warm round: where to stop is known between two ends, and why no better.
        Advice.Turn rough = (Advice.Turn) bench.judged().advice();
        assertThat(rough.between().orElseThrow().low()).isLessThan(0.3125);
        assertThat(rough.between().orElseThrow().high()).isGreaterThan(0.3125);
        assertThat(rough.remarks().toString()).contains("second one");
        NextStep ends = NextStep.of(new Look(bench.session, bench.judged(), Map.of(), bench.now));
        assertThat(ends.figure()).contains(" and ");
        assertThat(ends.sentence()).contains("then read every point");
        bench.minutes(1).did(new Turned("level control", Optional.of(Turned.Way.CW), ""));
        bench.reads(Quantity.GRID, "V1", -36).reads(Quantity.GRID, "V2", -36).round(34.5, 34.5, 394.2);
        SessionAssessment judged = bench.judged();
        assertThat(((SupplySag.Known) judged.sag()).ohms()).isCloseTo(729.1, within(1.0));
        Advice.Turn turn = (Advice.Turn) judged.advice();
        assertThat(turn.stopAt().value()).isCloseTo(0.3125, within(0.0006));
        assertThat(turn.plateVolts()).isCloseTo(398.6, within(0.5));
        assertThat(turn.way()).isEqualTo("counter-clockwise");
        assertThat(turn.gridVolts().orElseThrow()).isBetween(-36.9, -36.5);
        NextStep step = NextStep.of(new Look(bench.session, judged, Map.of(), bench.now));
        assertThat(step.sentence()).contains("level control colder (counter-clockwise)");
        assertThat(step.figure()).contains("mV");
        // A round at another mains voltage does not mix in.
        bench.minutes(1).reads(Quantity.MAINS, "", 236).round(36.5, 36.5, 404);
        assertThat(((SupplySag.Refused) bench.judged().sag()).reason()).contains("Mains moved");
        assertThat(bench.judged().mainsExponent()).isEmpty();
        // Too soon after the mains moved, and then long enough.
        bench.minutes(1).reads(Quantity.MAINS, "", 242.5).minutes(3).round(38.0, 38.0, 414.0);
        assertThat(bench.judged().mainsExponent()).isEmpty();
        bench.minutes(8).round(38.0, 38.0, 414.0);
        Band own = bench.judged().mainsExponent().orElseThrow();
        assertThat(own.mid()).isBetween(1.5, 3.5);
        assertThat(own.high() - own.low()).isPositive();
    }

    @Test
    void directionsAreVerifiedByReadingsAndConflictsAreSaid() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp().enters(Stops.WARM_UP);
        bench.did(new DirectionSeen("V1 control", Control.Direction.CCW_HOTTER));
        bench.round(25, 25, 407).minutes(1);
        bench.did(new Turned("V1 control", Optional.of(Turned.Way.CW), ""))
                .minutes(1)
                .round(28, 25, 405);
        Directions directions = Directions.of(bench.session, bench.judged().rounds());
        assertThat(directions.conflicts()).hasSize(1);
        assertThat(directions.known().get("V1 control")).isEqualTo(Control.Direction.UNKNOWN);
        bench.did(new Turned("V2 control", Optional.of(Turned.Way.CCW), ""))
                .minutes(1)
                .round(28, 23, 405);
        assertThat(Directions.of(bench.session, bench.judged().rounds()).verified())
                .containsExactly("V2 control");
    }

    @Test
    void staleVoltsAreMarkedAtOnceWhenTheCurrentHasMoved() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp().enters(Stops.WARM_UP);
        bench.round(31, 31, 397).minutes(2);
        bench.reads(Quantity.CURRENT, "V1", 31.2 * Bench.OHMS / 1000);
        assertThat(bench.judged()
                        .present()
                        .orElseThrow()
                        .sockets()
                        .get(0)
                        .answer()
                        .verdict()
                        .words())
                .doesNotContain("stale");
        bench.minutes(1).reads(Quantity.CURRENT, "V1", 34 * Bench.OHMS / 1000);
        assertThat(bench.judged()
                        .present()
                        .orElseThrow()
                        .sockets()
                        .get(0)
                        .answer()
                        .verdict()
                        .words())
                .contains("stale");
        assertThat(((Advice.Refused) bench.judged().advice()).reason()).contains("take them again");
        bench.reads(Quantity.PLATE, "V1", 394);
        assertThat(bench.judged()
                        .present()
                        .orElseThrow()
                        .sockets()
                        .get(0)
                        .answer()
                        .verdict()
                        .words())
                .doesNotContain("stale");
    }
}
