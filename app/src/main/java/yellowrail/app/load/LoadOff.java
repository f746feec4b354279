package yellowrail.app.load;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import yellowrail.app.bench.SessionStore;
import yellowrail.core.session.Entry;
import yellowrail.core.session.events.Noted;
import yellowrail.core.session.events.Ticked;
import yellowrail.core.session.stops.BeforePower;

/**
 * Measuring an output transformer takes the speaker off: an amp whose session is under way has to have its load confirmed
 * again before power.
 */
@Component
class LoadOff {
    private static final String DEVICE = "load page";

    private final SessionStore sessions;
    private final Clock clock;

    LoadOff(SessionStore sessions, Clock clock) {
        this.sessions = sessions;
        this.clock = clock;
    }

    /** Why this amp's transformer cannot have been measured now; empty when nothing speaks against it. */
    Optional<String> refusal(UUID ampId) {
        long now = clock.millis();
        boolean on = open(ampId).stream()
                .anyMatch(id -> sessions.look(id, s -> s.state().powerFor(now)).on());
        return on
                ? Optional.of(
                        "A session of this amp says that it is on. AC volts are put on its transformer with the amp off,"
                                + " unplugged and drained: declare it off there first, or the readings are of another time.")
                : Optional.empty();
    }

    /** Takes back that a load is connected, in every open session of this amp; the same readings do it once. */
    void takenOff(UUID ampId, UUID because) {
        for (UUID session : open(ampId)) {
            UUID tick = UUID.nameUUIDFromBytes((because + "/load off/" + session).getBytes());
            UUID note = UUID.nameUUIDFromBytes((because + "/load off, noted/" + session).getBytes());
            sessions.append(
                    session,
                    new Entry(tick.toString(), clock.millis(), DEVICE, new Ticked(BeforePower.LOAD, "", false)));
            sessions.append(
                    session,
                    new Entry(
                            note.toString(),
                            clock.millis(),
                            DEVICE,
                            new Noted(
                                    Noted.Topic.OTHER,
                                    "Output transformer measured, speaker off: confirm the load again before power.")));
        }
    }

    private List<UUID> open(UUID ampId) {
        List<UUID> open = new ArrayList<>(sessions.open());
        open.retainAll(sessions.ofAmp(ampId));
        return open;
    }
}
