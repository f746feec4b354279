package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yellowrail.core.adjust.Control;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Turned;
import yellowrail.core.session.stops.Look;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.tube.TubeType;

/** What is learned of an amp, and what a session that opens little says. */
class LearnedTest {
    @Test
    void theTimeToDrainIsOfOneOffTime() {
        Bench bench = WorkedOtherwiseTest.worked(Access.OPEN, false, false, Memory.NONE)
                .poweredUp();
        // Off once with one node read, then off again with both: 7 min, not what lies between the two.
        bench.did(new Declared(Power.OFF)).minutes(3).reads(Quantity.RESIDUAL, "reservoir", 0.6);
        assertThat(Learned.of(bench.session, bench.judged()).drainMinutes()).isEmpty();
        bench.minutes(1).did(new Declared(Power.ON_TUBES_IN)).minutes(20).did(new Declared(Power.OFF));
        bench.minutes(2).reads(Quantity.RESIDUAL, "reservoir", 60).reads(Quantity.RESIDUAL, "bias", 0.3);
        bench.minutes(5).reads(Quantity.RESIDUAL, "reservoir", 0.6);
        assertThat(Learned.of(bench.session, bench.judged()).drainMinutes().orElseThrow())
                .isBetween(7.0, 7.3);
    }

    @Test
    void tubesAreReachedFromOutsideOrThroughTheChassisAndTheLockSaysSo() {
        Bench bench = WorkedOtherwiseTest.worked(Access.TEST_POINTS, false, true, Memory.NONE)
                .did(new Declared(Power.OFF));
        assertThat(bench.session.locks(bench.now).tubesNext()).contains("adaptors in the sockets", "the chassis");
        assertThat(bench.session.locks(bench.now).ohmsNext()).doesNotContain("adaptors");
    }

    @Test
    void whatWasLearnedIsRemembered() {
        Bench bench = WorkedOtherwiseTest.worked(Access.OPEN, false, false, Memory.NONE)
                .poweredUp();
        bench.enters(Stops.WARM_UP).minutes(10).round(31.6, 31.4, 397);
        bench.minutes(6)
                .reads(Quantity.SCREEN, "V1", 380)
                .reads(Quantity.GRID, "V1", -38)
                .round(31.6, 31.4, 397);
        bench.enters(Stops.MEASURE)
                .did(new yellowrail.core.session.events.DirectionSeen("V1 control", Control.Direction.CW_HOTTER));
        Memory learned = Learned.of(bench.session, bench.judged());
        assertThat(learned.turns().get("V1 control").direction()).isEqualTo(Control.Direction.CW_HOTTER);
        assertThat(learned.used()).containsExactlyInAnyOrder(Quantity.SCREEN, Quantity.GRID);
        assertThat(learned.currents().get("V1").amperes())
                .isCloseTo(0.0316, org.assertj.core.api.Assertions.within(1e-5));
        // Next time the turn is known without being asked; a turned control leaves no currents to compare with.
        Bench next = WorkedOtherwiseTest.worked(Access.OPEN, false, false, learned);
        assertThat(next.session.directions()).containsEntry("V1 control", Control.Direction.CW_HOTTER);
        next.poweredUp().did(new Turned("V1 control", Optional.empty(), ""));
        assertThat(Learned.of(next.session, next.judged()).currents()).isEmpty();
        assertThat(Learned.of(next.session, next.judged()).turns()).containsKey("V1 control");
        Bench untouched =
                WorkedOtherwiseTest.worked(Access.OPEN, false, false, learned).poweredUp();
        assertThat(Learned.of(untouched.session, untouched.judged()).currents()).isEqualTo(learned.currents());
    }

    /** Whole rounds ask for screens where there are some, folded or not; of triodes for none. */
    @Test
    void ofTriodesNoScreenIsAskedFor() {
        for (String kind : List.of("pentode", "triode")) {
            Bench bench = WorkedOtherwiseTest.worked(Access.OPEN, false, true, Memory.NONE)
                    .poweredUp();
            TubeType x19 = Bench.x19(Optional.of(4.0));
            bench.standards = new JudgingBasis(
                    Map.of(
                            "X19",
                            new TubeType(
                                    "X19",
                                    List.of(),
                                    kind,
                                    Optional.empty(),
                                    Optional.empty(),
                                    Optional.empty(),
                                    x19.ratings(),
                                    Optional.empty(),
                                    x19.envelope(),
                                    Map.of(),
                                    "typed in",
                                    true)),
                    List.of(Bench.STORY),
                    Optional.empty());
            Look look = Look.at(bench.session, bench.standards, bench.judged(), bench.now);
            assertThat(Stops.MEASURE.readings(look).toString().contains("Screen V1"))
                    .as(kind)
                    .isEqualTo(kind.equals("pentode"));
        }
    }
}
