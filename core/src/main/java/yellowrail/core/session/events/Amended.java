package yellowrail.core.session.events;

import java.util.Optional;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;

/** How a changed reading reads in the log: it stays on record, and that it was changed is printed. */
final class Amended {
    private Amended() {}

    static Optional<String> line(Session before, String id, String what, String reason) {
        return before.reading(id)
                .map(r -> r.words() + " of " + r.typed().echo() + " " + what + Rules.because(reason) + ".");
    }
}
