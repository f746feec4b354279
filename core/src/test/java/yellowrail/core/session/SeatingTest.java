package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Exchanged;
import yellowrail.core.session.events.Placed;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.session.stops.TubesIn;

/** The type in a socket is what was placed there: descriptions, labels and exchanges go by it. */
class SeatingTest {
    private static Bench open() {
        return Bench.pair(Purpose.NEW_TUBES).preflight().enters(Stops.DRAINED).drained();
    }

    private static List<String> types(AmpDescription amp) {
        return amp.sockets().stream().map(s -> s.tubeType()).toList();
    }

    @Test
    void aSessionJudgesTheTubesItBeganWith() {
        Bench bench = open();
        assertThat(bench.session.amp()).isEqualTo(bench.session.plan().amp());
        bench.did(new Placed("V1", "T-1")).did(new Placed("V2", "T-2"));
        assertThat(bench.session.amp()).isEqualTo(bench.session.plan().amp());
        assertThat(bench.session.seating().labels()).isEqualTo(Map.of("V1", "T-1", "V2", "T-2"));
    }

    @Test
    void andThoseItSawPlaced() {
        Bench bench = open();
        String before = bench.session.seating().type("V2");
        bench.did(new Placed("V1", "T-1", "6L6GC"));
        assertThat(types(bench.session.amp())).containsExactly("6L6GC", before);
        assertThat(types(bench.judged().amp())).containsExactly("6L6GC", before);
        bench.did(new Exchanged("V1", "V2"));
        assertThat(types(bench.session.amp())).containsExactly(before, "6L6GC");
        assertThat(bench.session.seating().label("V2")).isEqualTo("T-1");
        // Another one of the type that is there now.
        bench.did(new Placed("V2", "T-7"));
        assertThat(bench.session.seating().type("V2")).isEqualTo("6L6GC");
        assertThat(bench.session.seating().lastMoved()).contains("The tube of V2 was changed.");
        assertThat(bench.replayed()).isEqualTo(bench.session.fingerprint());
    }

    /** A type that nobody knows is judged by nothing. */
    @Test
    void anUnknownTypeIsNeverGreen() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK)
                .preflight()
                .enters(Stops.DRAINED)
                .drained();
        bench.did(new Placed("V1", "T-1", "XX99")).did(new Placed("V2", "T-2", "XX99"));
        bench.ticks(TubesIn.KEYS);
        bench.did(new Declared(Power.ON_TUBES_IN)).minutes(12);
        bench.round(31.6, 31.3, 398);
        assertThat(bench.judged().present().orElseThrow().verdict().allClear()).isFalse();
    }

    /** The next session of an amp that is described with others since has their labels no more. */
    @Test
    void labelsGoWithTheirTubes() {
        Bench bench = open().did(new Placed("V1", "T-1")).did(new Placed("V2", "T-2"));
        AmpDescription amp = bench.session.plan().amp();
        Plan same = bench.session.plan().after(bench.session.seating(), List.of());
        assertThat(same.tubes()).isEqualTo(Map.of("V1", "T-1", "V2", "T-2"));
        Plan other =
                bench.session.plan().of(amp.seated(Map.of("V1", "6L6GC"))).after(bench.session.seating(), List.of());
        assertThat(other.tubes()).isEqualTo(Map.of("V2", "T-2"));
    }

    /** What was put in stays in; a description with other tubes since is the newer word on it. */
    @Test
    void whatTheNextSessionFinds() {
        Bench bench = open().did(new Placed("V1", "T-1", "6L6GC"));
        AmpDescription amp = bench.session.plan().amp();
        String own = amp.sockets().get(1).tubeType();
        assertThat(types(bench.session.seating().left(amp, amp))).containsExactly("6L6GC", own);
        AmpDescription since = amp.seated(Map.of("V1", "KT88"));
        assertThat(types(bench.session.seating().left(amp, since))).containsExactly("KT88", own);
    }
}
