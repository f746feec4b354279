package yellowrail.app.swap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import yellowrail.app.amps.Amp;
import yellowrail.app.bench.SessionStore;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Entry;
import yellowrail.core.session.Event;
import yellowrail.core.session.Outcome;
import yellowrail.core.session.Power;
import yellowrail.core.session.events.ClosedUnsigned;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Placed;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.events.Ticked;
import yellowrail.core.session.stops.Drained;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.session.stops.TubesIn;

/** Tubes that are put into a socket during a session are judged by their own type, in it and in the history. */
class PlacedTypeIT extends AcceptedPage {
    private void tell(UUID session, Event event) {
        sessions.append(session, new Entry(UUID.randomUUID().toString(), clock.millis(), "desk", event));
    }

    private static Read read(Quantity quantity, String point, String text, double value, Unit unit) {
        return Read.of(quantity, point, new Typed(text, value, unit, value / 1000));
    }

    /** Off, drained and cool, so that tubes may move. */
    private UUID open(Amp amp) {
        UUID id = session(amp, new Declared(Power.OFF));
        Stops.BEFORE_POWER.checks().forEach(c -> tell(id, new Ticked(c, "", true)));
        tell(id, read(Quantity.LOAD_OHMS, "", "8 Ω", 8, Unit.OHM));
        tell(id, new Ticked(Drained.STANDBY_PLAY, "", true));
        tell(id, new Ticked(Drained.CHASSIS_CLOSED, "", true));
        clock.minutes(1.1);
        return id;
    }

    private void measured(UUID id, String milli) {
        tell(id, new Ticked(TubesIn.KEYS, "", true));
        tell(id, new Skipped(Stops.DRAINED, "from outside"));
        tell(id, new Declared(Power.ON_TUBES_IN));
        clock.minutes(12);
        for (String socket : List.of("V1", "V2")) {
            tell(id, read(Quantity.PLATE, socket, "351 V", 351, Unit.VOLT));
            tell(id, read(Quantity.SCREEN, socket, "349 V", 349, Unit.VOLT));
            tell(id, read(Quantity.CURRENT, socket, milli + " mV", Double.parseDouble(milli) / 1000, Unit.VOLT));
        }
        tell(id, read(Quantity.MAINS, "", "230 V", 230, Unit.VOLT));
    }

    private Outcome outcome(UUID id) {
        return sessions.look(id, issuer::outcome);
    }

    @Test
    void aTypeIsSaidWhereTheAmpWasDescribedAnew() throws Exception {
        Amp amp = amp();
        UUID id = open(amp);
        assertThat(sent(amp, Map.of(), UUID.randomUUID()).getStatus()).isEqualTo(302);
        assertThatThrownBy(() -> tell(id, new Placed("V1", "T-1")))
                .isInstanceOf(SessionStore.Refused.class)
                .hasMessageContaining("this session knows EL34 there, the amp is described with 6L6GC since");
        assertThatThrownBy(() -> tell(id, new Placed("V1", "T-1", "6L6")))
                .isInstanceOf(SessionStore.Refused.class)
                .hasMessageContaining("6L6GC");
        assertThatThrownBy(() -> tell(id, new Placed("V1", "T-1", "nothing"))).isInstanceOf(SessionStore.Refused.class);
        tell(id, new Placed("V1", "T-1", "6l6gc"));
        tell(id, new Placed("V2", "T-2", "6L6GC"));
        assertThat(sessions.<List<String>>look(id, s -> s.state().amp().stage().tubeTypes()))
                .containsExactly("6L6GC");
        measured(id, "500");
        assertThat(outcome(id).tubes())
                .allSatisfy(t -> assertThat(t.afterShare().orElseThrow().value())
                        .as("of 30 W")
                        .isBetween(0.5, 0.62));
    }

    /** Put in without a look at the swap: judged by what was put in, and not proven by it. */
    @Test
    void anotherTypeThanDescribedIsJudgedAsWhatItIs() {
        Amp amp = amp();
        UUID id = open(amp);
        tell(id, new Placed("V1", "T-1", "6V6GT"));
        tell(id, new Placed("V2", "T-2", "6V6GT"));
        measured(id, "380");
        Outcome outcome = outcome(id);
        assertThat(outcome.tubes()).allSatisfy(t -> assertThat(t.allClear()).isFalse());
        assertThat(outcome.proof().wants().toString())
                .contains("V1 holds 6V6GT")
                .contains("described with EL34");
        // They are in there the next time too, whatever the description says.
        tell(id, new Declared(Power.OFF));
        tell(id, new ClosedUnsigned("for today"));
        UUID next = open(amp);
        assertThat(types(next)).containsExactly("6V6GT");
        assertThat(outcome(next).proof().wants().toString()).contains("V1 holds 6V6GT");
        assertThatThrownBy(() -> tell(next, new Placed("V1", "T-3"))).hasMessageContaining("Say which type");
        tell(next, new Placed("V1", "T-3", "EL34"));
        tell(next, new Placed("V2", "T-4", "EL34"));
        assertThat(outcome(next).proof().wants().toString()).doesNotContain("holds");
    }

    /** A description made since is the newer statement of what is in. */
    @Test
    void describedSinceTheyAreWhatIsDescribed() {
        Amp amp = amp();
        UUID id = open(amp);
        tell(id, new Placed("V1", "T-1", "6V6GT"));
        tell(id, new Placed("V2", "T-2", "6V6GT"));
        tell(id, new ClosedUnsigned("for today"));
        Amp described = amps.keep(
                UUID.randomUUID(), amp.id(), 1, amp.description().seated(Map.of("V1", "6L6GC", "V2", "6L6GC")));
        assertThat(types(open(described))).containsExactly("6L6GC");
    }

    private List<String> types(UUID session) {
        return sessions.look(session, s -> s.state().amp().stage().tubeTypes());
    }
}
