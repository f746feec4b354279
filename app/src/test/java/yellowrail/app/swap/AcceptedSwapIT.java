package yellowrail.app.swap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import yellowrail.app.amps.Amp;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Entry;
import yellowrail.core.session.Event;
import yellowrail.core.session.Outcome;
import yellowrail.core.session.Power;
import yellowrail.core.session.events.ClosedUnsigned;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Read;

/** Which tubes are in an amp is told by what was put there: open sessions and an accepted swap's work. */
class AcceptedSwapIT extends AcceptedPage {
    @Test
    void notWhileASessionHasItsPowerOnOrNotDeclared() throws Exception {
        Amp amp = amp();
        UUID open = session(amp, ON);
        UUID version = UUID.randomUUID();
        MockHttpServletResponse on = sent(amp, Map.of(), version);
        assertThat(on.getStatus()).isEqualTo(409);
        assertThat(on.getContentAsString()).contains("the amp is declared on with the tubes in there");
        assertThat(amps.amp(amp.id()).version()).isEqualTo(1);
        sessions.append(open, new Entry(UUID.randomUUID().toString(), clock.millis(), "desk", new Declared(Power.OFF)));
        UUID other = session(amp);
        assertThat(sent(amp, Map.of(), version).getContentAsString()).contains("power is not declared there");
        sessions.append(
                other,
                new Entry(UUID.randomUUID().toString(), clock.millis(), "desk", new ClosedUnsigned("only tried")));
        // Another amp's session stands in nobody's way.
        session(amp(), ON);
        assertThat(sent(amp, Map.of(), version).getStatus()).isEqualTo(302);
        // Off declared hours ago is not known any more.
        Amp late = amp();
        session(late, new Declared(Power.OFF));
        clock.minutes(6.2 * 60);
        assertThat(sent(late, Map.of(), UUID.randomUUID()).getStatus()).isEqualTo(409);
    }

    private static Read read(Quantity quantity, String point, String text, double value, Unit unit) {
        return Read.of(quantity, point, new Typed(text, value, unit, value / 1000));
    }

    private UUID measured(Amp amp) {
        List<Event> events = new ArrayList<>(List.of(ON));
        for (String socket : List.of("V1", "V2")) {
            events.add(read(Quantity.PLATE, socket, "351 V", 351, Unit.VOLT));
            events.add(read(Quantity.CURRENT, socket, "710 mV", 0.71, Unit.VOLT));
        }
        events.add(new Declared(Power.OFF));
        return session(amp, events.toArray(new Event[0]));
    }

    /** What is found of a session: its verdicts, and what keeps it from being proven. */
    private String found(UUID session) {
        return sessions.<Outcome>look(session, issuer::outcome).toString();
    }

    /** Hot EL34s are not judged as 6L6GCs because others are to come, nor when that is taken back. */
    @Test
    void anOpenSessionKeepsTheTubesItHas() throws Exception {
        Amp amp = amp();
        UUID open = measured(amp);
        String before = found(open);
        assertThat(before).contains("as read: above the ceiling of 80 %");
        UUID version = UUID.randomUUID();
        assertThat(sent(amp, Map.of(), version).getStatus()).isEqualTo(302);
        assertThat(found(open)).isEqualTo(before);
        assertThat(mvc.perform(post("/amps/" + amp.id() + "/swap/accepted/" + version + "/back")
                                .with(csrf())
                                .param("versionId", UUID.randomUUID().toString())
                                .param("now", "BEFORE"))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(302);
        assertThat(amps.amp(amp.id()).description().stage().tubeTypes()).containsExactly("EL34");
        assertThat(found(open)).isEqualTo(before);
    }

    /** A description edited to other tubes leaves open which ones are in: nothing is judged by either. */
    @Test
    void anEditedTypeTakesTheJudgementAway() throws Exception {
        Amp amp = amp();
        UUID open = measured(amp);
        String before = found(open);
        AmpDescription other = pair(amp.description().name(), "6L6GC");
        AmpDescription edited = amp.description().seatedAs(other);
        amps.keep(UUID.randomUUID(), amp.id(), 1, edited);
        assertThat(found(open))
                .contains("whether these or those are in the sockets is not known")
                .doesNotContain("allClear=true")
                .doesNotContain("as read:");
        amps.keep(UUID.randomUUID(), amp.id(), 2, amp.description());
        assertThat(found(open)).isEqualTo(before);
    }

    /** Steps say when and where they were done, and can be taken back; nothing else is a step. */
    @Test
    void stepsAreOnlyEverAddedTo() throws Exception {
        Amp amp = amp();
        UUID version = UUID.randomUUID();
        sent(amp, Map.of(), version);
        UUID entry = UUID.randomUUID();
        assertThat(step(amp, version, entry, "2", "true")).isEqualTo(302);
        assertThat(step(amp, version, entry, "2", "true")).as("pressed twice").isEqualTo(302);
        assertThat(step(amp, version, entry, "3", "true"))
                .as("another under its id")
                .isEqualTo(409);
        AcceptedSwap swap = accepted.newestOf(amp.id()).orElseThrow();
        assertThat(swap.stepsDone()).isEqualTo(1);
        assertThat(swap.steps().get(2).done().device()).isEqualTo("desk");
        assertThat(step(amp, version, UUID.randomUUID(), "2", "false")).isEqualTo(302);
        assertThat(accepted.newestOf(amp.id()).orElseThrow().stepsDone()).isZero();
        assertThat(step(amp, version, UUID.randomUUID(), "99", "true")).isEqualTo(404);
        assertThat(step(amp, version, UUID.randomUUID(), "-1", "true")).isEqualTo(404);
        assertThat(step(amp, UUID.randomUUID(), UUID.randomUUID(), "1", "true")).isEqualTo(404);
        assertThat(step(amp(), version, UUID.randomUUID(), "1", "true"))
                .as("of another amp")
                .isEqualTo(404);
    }

    private int step(Amp amp, UUID swap, UUID entry, String step, String done) throws Exception {
        return mvc.perform(post("/amps/" + amp.id() + "/swap/accepted/" + swap + "/steps")
                        .with(csrf())
                        .param("entry", entry.toString())
                        .param("step", step)
                        .param("done", done)
                        .param("device", "desk"))
                .andReturn()
                .getResponse()
                .getStatus();
    }
}
