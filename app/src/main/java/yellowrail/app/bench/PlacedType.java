package yellowrail.app.bench;

import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.forms.TubeName;
import yellowrail.app.tubes.TubeStore;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Socket;
import yellowrail.core.session.Entry;
import yellowrail.core.session.Seating;
import yellowrail.core.session.events.Placed;
import yellowrail.core.tube.Lookup;

/** The type that is said of a tube which is put into a socket: it is what the session judges there from then on. */
@Component
class PlacedType {
    private final AmpStore amps;
    private final TubeStore tubes;

    PlacedType(AmpStore amps, TubeStore tubes) {
        this.amps = amps;
        this.tubes = tubes;
    }

    /**
     * An entry with the type by its designation in the catalogue.
     *
     * @throws SessionStore.Refused where it is no type that is known
     */
    Entry designated(Entry entry) {
        if (!(entry.event() instanceof Placed placed) || placed.type().isEmpty()) {
            return entry;
        }
        Lookup lookup = tubes.catalogueOrLastKnown().find(placed.type());
        if (!(lookup instanceof Lookup.Found found)) {
            TubeName name = TubeName.notOne(lookup).orElseThrow();
            throw new SessionStore.Refused(name.sentence()
                    + (name.near().isEmpty() ? "" : " " + String.join(", ", name.designations()) + "?"));
        }
        return new Entry(
                entry.id(),
                entry.at(),
                entry.device(),
                new Placed(placed.socket(), placed.tube(), found.type().designation()));
    }

    /** The amp as it was described when a session of it began. */
    AmpDescription described(BenchSession session) {
        return amps.amp(session.ampId(), session.ampVersion()).description();
    }

    /** Why a tube without a type is not taken: the amp was described with others since. Empty for anything else. */
    Optional<String> unsaid(UUID ampId, Seating seating, Entry entry) {
        if (!(entry.event() instanceof Placed placed) || !placed.type().isEmpty()) {
            return Optional.empty();
        }
        AmpDescription newest = amps.amp(ampId).description();
        return newest.sockets().stream()
                .filter(s -> s.name().equals(placed.socket()))
                .map(Socket::tubeType)
                .filter(described -> !described.equals(seating.type(placed.socket())))
                .findFirst()
                .map(described -> "Say which type is put into " + placed.socket() + ": this session knows "
                        + seating.type(placed.socket()) + " there, the amp is described with " + described + " since.");
    }
}
