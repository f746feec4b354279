package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;

/** The tube that stands in a socket was given its label: nothing was moved, so nothing is asked again. */
public record Named(String socket, String tube) implements Event {
    static final Kind<Named> KIND = new Kind<>(
            "name",
            Named.class,
            List.of(Common.SOCKET, Common.TUBE),
            s -> new Named(Common.SOCKET.of(s), Common.TUBE.of(s)));

    @Override
    public Optional<String> refusal(Rules rules) {
        Session session = rules.session();
        return session.noSocket(socket)
                .or(() -> Rules.blank(tube, "Name the tube: what stands on its label."))
                .or(() -> another(session));
    }

    @Override
    public void happens(SessionChanges changes) {
        changes.named(socket, tube);
    }

    /** A label that another socket's tube bears would make two tubes one. */
    private Optional<String> another(Session session) {
        return session.seating().labels().entrySet().stream()
                .filter(e -> e.getValue().equals(tube) && !e.getKey().equals(socket))
                .map(e -> "“" + tube + "” is the tube of " + e.getKey()
                        + ". If it was moved, exchange the tubes; else give this one a label of its own.")
                .findFirst();
    }

    @Override
    public Optional<String> logged(Session before) {
        return Optional.of("The tube of " + socket + " is " + tube + ".");
    }
}
