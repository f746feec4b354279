package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.CauseFound;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Placed;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.stops.BeforePower;
import yellowrail.core.session.stops.Look;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.session.stops.TubesIn;
import yellowrail.core.session.stops.TubesOut;

/** An amp that is on is stored as on, whatever should have come before: it closes the locks, and nothing of it is green. */
class PoweredEarlyTest {
    private static Bench newTubes() {
        return Bench.pair(Purpose.NEW_TUBES).preflight().enters(Stops.DRAINED).drained();
    }

    private static String next(Bench bench) {
        return NextStep.of(new Look(bench.session, bench.judged(), Map.of(), bench.now))
                .sentence();
    }

    private static List<Finding> early(Bench bench) {
        return bench.outcome().findings().stream()
                .filter(f -> f.code() == Finding.Code.POWERED_EARLY)
                .toList();
    }

    /** New tubes with both stops skipped: neither the coldest end nor a key was looked at. */
    @Test
    void newTubesWithBothStopsSkipped() {
        Bench bench =
                newTubes().did(new Skipped(Stops.TUBES_OUT, "in a hurry")).did(new Skipped(Stops.TUBES_IN, "same"));
        assertThat(Declared.waits(bench.session, Power.ON_TUBES_IN, bench.now).orElseThrow())
                .contains("key and seat");
        bench.did(new Declared(Power.ON_TUBES_IN));
        assertThat(next(bench)).startsWith("Power off now");
        bench.minutes(1).round(38, 38.4, 398);
        assertThat(bench.judged().present()).as("nothing of it is judged").isEmpty();
        assertThat(early(bench)).singleElement().satisfies(f -> {
            assertThat(f.open()).isTrue();
            assertThat(f.sentence()).contains("key and seat");
        });
        bench.did(new Declared(Power.OFF));
        assertThat(bench.judged().present())
                .as("off, it is no state to judge either")
                .isEmpty();
        assertThat(early(bench).get(0).open()).isTrue();
        bench.minutes(2).drained().ticks(BeforePower.TUBES_COOL, TubesIn.KEYS).did(new Declared(Power.ON_TUBES_IN));
        assertThat(early(bench).get(0).closedBy().orElseThrow()).contains("nothing missing");
        assertThat(next(bench)).doesNotContain("Power off now");
        bench.minutes(1).round(38, 38.4, 398);
        assertThat(bench.judged().present()).isPresent();
        assertThat(bench.replayed()).isEqualTo(bench.session.fingerprint());
    }

    /** One of the two is enough to go on by. */
    @Test
    void theColdestEndSeenLetsASkippedSeatPass() {
        Bench read = newTubes();
        read.did(new Skipped(Stops.TUBES_IN, "seated at noon"));
        read.did(new Declared(Power.ON_TUBES_OUT)).minutes(1).reads(Quantity.GRID_COLDEST, "V1 control", -46.2);
        read.did(new Skipped(Stops.TUBES_OUT, "known amp"));
        read.did(new Declared(Power.OFF)).minutes(2).drained();
        assertThat(Declared.waits(read.session, Power.ON_TUBES_IN, read.now)).isEmpty();
        Bench ticked = newTubes();
        ticked.did(new Declared(Power.ON_TUBES_OUT)).minutes(1).ticks(TubesOut.COLDEST);
        ticked.did(new Skipped(Stops.TUBES_OUT, "known amp")).did(new Skipped(Stops.TUBES_IN, "seated at noon"));
        ticked.did(new Declared(Power.OFF)).minutes(2).drained();
        assertThat(Declared.waits(ticked.session, Power.ON_TUBES_IN, ticked.now))
                .isEmpty();
    }

    /** Where hands were let in, an on that nobody expected closes them out. */
    @Test
    void itClosesTheLocks() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).preflight().drained();
        assertThat(bench.session.locks(bench.now).hands()).isTrue();
        Bench early = newTubes();
        assertThat(early.session.locks(early.now).hands()).isTrue();
        early.did(new Declared(Power.ON_TUBES_IN));
        assertThat(early.session.locks(early.now).hands()).isFalse();
        assertThat(early.session.power(early.now)).isEqualTo(Power.ON_TUBES_IN);
        early.did(new Declared(Power.OFF));
        assertThat(early.session.locks(early.now).hands())
                .as("until it is drained again")
                .isFalse();
    }

    /** Said what was behind it, and who stopped for safety goes on by that: the finding goes with a cause. */
    @Test
    void aCauseClosesItToo() {
        Bench bench = newTubes().did(new Declared(Power.ON_TUBES_IN)).minutes(0.2);
        bench.did(new Declared(Power.OFF));
        Finding open = early(bench).get(0);
        assertThat(open.sayable()).isTrue();
        bench.did(new CauseFound(open.key(), "pressed before its time, the switch was off"));
        assertThat(early(bench).get(0).closedBy().orElseThrow()).contains("pressed before its time");
    }

    /** The seat seen is enough where the stop with the tubes out was skipped. */
    @Test
    void theSeatSeenIsEnough() {
        Bench bench = newTubes().did(new Skipped(Stops.TUBES_OUT, "known amp")).ticks(TubesIn.KEYS);
        assertThat(Declared.waits(bench.session, Power.ON_TUBES_IN, bench.now)).isEmpty();
    }

    /** A whole soak in a power-on before its time proves nothing, also once power went on as it should. */
    @Test
    void aSoakInItProvesNothing() {
        Bench bench =
                newTubes().did(new Skipped(Stops.TUBES_OUT, "in a hurry")).did(new Skipped(Stops.TUBES_IN, "same"));
        bench.did(new Declared(Power.ON_TUBES_IN)).minutes(11);
        for (int i = 0; i < 6; i++) {
            bench.reads(Quantity.MAINS, "", 230).round(38, 38.4, 398).minutes(8);
        }
        bench.did(new Declared(Power.OFF)).minutes(2).drained().ticks(BeforePower.TUBES_COOL, TubesIn.KEYS);
        assertThat(bench.outcome().proof().state()).isNotEqualTo(Proof.State.PROVEN);
        bench.did(new Declared(Power.ON_TUBES_IN)).minutes(11);
        bench.reads(Quantity.MAINS, "", 230).round(38, 38.4, 398);
        assertThat(bench.outcome().proof().wants().toString()).contains("watched for 0 of 30 min");
        bench.minutes(1).did(new Declared(Power.OFF));
        assertThat(bench.outcome().proof().wants().toString()).contains("not watched over a whole soak");
        assertThat(bench.outcome().proof().state()).isNotEqualTo(Proof.State.PROVEN);
    }

    /** A tube put in during a yearly check is a new one too. */
    @Test
    void aTubePutInIsANewOne() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK)
                .preflight()
                .enters(Stops.DRAINED)
                .drained();
        bench.did(new Placed("V1", "T-9")).did(new Skipped(Stops.TUBES_IN, "seated"));
        assertThat(Declared.waits(bench.session, Power.ON_TUBES_IN, bench.now).orElseThrow())
                .contains("key and seat");
    }
}
