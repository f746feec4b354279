package yellowrail.app.bench;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import yellowrail.app.json.LastKnown;
import yellowrail.app.web.EachShown;

/** The sessions in progress in a few words, for pages that are asked for often and work without the database. */
@Component
public class OnTheBench {
    private static final int SHOWN = 2;

    /** One session in progress. */
    public record Waiting(UUID id, String words) {}

    private final LastKnown<List<Waiting>> waiting;

    OnTheBench(SessionStore sessions) {
        waiting = new LastKnown<>(List.of(), () -> read(sessions));
    }

    private static List<Waiting> read(SessionStore sessions) {
        List<UUID> newest = sessions.open().stream().limit(SHOWN).toList();
        return EachShown.of(
                        newest,
                        id -> sessions.look(
                                id,
                                s -> new Waiting(
                                        id,
                                        s.state().plan().amp().name() + ", at "
                                                + s.state().here().words())),
                        UUID::toString)
                .shown();
    }

    public List<Waiting> waiting() {
        return waiting.get();
    }
}
