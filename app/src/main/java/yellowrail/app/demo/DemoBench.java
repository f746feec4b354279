package yellowrail.app.demo;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.UUID;
import yellowrail.app.amps.Amp;
import yellowrail.app.bench.EventForm;
import yellowrail.app.bench.EventReader;
import yellowrail.app.bench.SessionStore;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Check;
import yellowrail.core.session.Entry;
import yellowrail.core.session.Event;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Stop;
import yellowrail.core.session.events.Entered;
import yellowrail.core.session.events.Ticked;
import yellowrail.core.standin.SimulatedMeter;

/** A session driven event by event, with a clock of its own and a simulated meter. */
abstract class DemoBench {
    private static final SimulatedMeter METER = new SimulatedMeter(0.0018);

    private final SessionStore sessions;
    private final Amp amp;
    private UUID session;
    private Instant clock;
    private int count;

    DemoBench(SessionStore sessions, Amp amp) {
        this.sessions = sessions;
        this.amp = amp;
    }

    final Amp amp() {
        return amp;
    }

    final void begin(UUID id, Plan plan, Instant at) {
        session = id;
        clock = at;
        count = 0;
        sessions.begin(id, amp, plan, at.atOffset(ZoneOffset.UTC));
    }

    final void tell(Event event) {
        UUID id = UUID.nameUUIDFromBytes((session + "/" + count++).getBytes(StandardCharsets.UTF_8));
        sessions.append(session, new Entry(id.toString(), clock.toEpochMilli(), "demo", event));
        clock = clock.plusSeconds(4);
    }

    final void minutes(double minutes) {
        clock = clock.plusMillis(Math.round(minutes * 60_000));
    }

    final void enter(Stop stop) {
        tell(new Entered(stop));
    }

    final void tick(Check... checks) {
        for (Check check : checks) {
            tell(new Ticked(check, "", true));
        }
    }

    /** What the simulated meter shows goes through the same reader as what a builder types. */
    final void read(Quantity quantity, String point, double value, Unit unit) {
        EventForm form = new EventForm(
                UUID.randomUUID().toString(),
                "read",
                null,
                null,
                "demo",
                java.util.Map.of("quantity", quantity.name(), "point", point, "text", METER.show(value, unit)));
        tell(EventReader.read(form, amp.description(), clock.toEpochMilli()).event());
    }
}
