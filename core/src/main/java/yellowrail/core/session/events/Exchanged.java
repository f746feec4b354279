package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;

/** The tubes of two sockets changed places. */
public record Exchanged(String socketA, String socketB) implements Event {
    private static final EntryField<String> A = EntryField.sentence("a", "One socket");
    private static final EntryField<String> B = EntryField.sentence("b", "The other socket");

    static final Kind<Exchanged> KIND =
            new Kind<>("exchange", Exchanged.class, List.of(A, B), s -> new Exchanged(A.of(s), B.of(s)));

    @Override
    public Optional<String> refusal(Rules rules) {
        return rules.session()
                .noSocket(socketA)
                .or(() -> rules.session().noSocket(socketB))
                .or(() -> socketA.equals(socketB) ? Optional.of("Pick two different sockets.") : Optional.empty())
                .or(rules::tubesLocked);
    }

    @Override
    public void happens(SessionChanges changes) {
        changes.exchanged(socketA, socketB);
    }

    @Override
    public Optional<String> logged(Session before) {
        return Optional.of("Exchanged the tubes of " + socketA + " and " + socketB + ".");
    }
}
