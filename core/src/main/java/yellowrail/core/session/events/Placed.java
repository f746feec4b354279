package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;

/**
 * A tube was put into a socket.
 *
 * @param tube its label, which names the individual tube
 * @param type its designation; empty for one of the type that was there
 */
public record Placed(String socket, String tube, String type) implements Event {
    private static final EntryField<String> TYPE =
            EntryField.name("type", "Its designation; empty for one of the type that was there");

    static final Kind<Placed> KIND = new Kind<>(
            "place",
            Placed.class,
            List.of(Common.SOCKET, Common.TUBE, TYPE),
            s -> new Placed(Common.SOCKET.of(s), Common.TUBE.of(s), TYPE.of(s)));

    /** One of the type that was there. */
    public Placed(String socket, String tube) {
        this(socket, tube, "");
    }

    @Override
    public Optional<String> refusal(Rules rules) {
        return rules.session()
                .noSocket(socket)
                .or(() -> Rules.blank(tube, "Name the tube: what stands on its label."))
                .or(rules::tubesLocked);
    }

    @Override
    public void happens(SessionChanges changes) {
        changes.placed(socket, tube, type);
    }

    @Override
    public Optional<String> logged(Session before) {
        String old = before.tube(socket);
        return Optional.of(socket + ": " + (old.isEmpty() ? "" : "from " + old + " ") + "to " + tube
                + (type.isEmpty() || type.equals(before.seating().type(socket)) ? "" : ", a " + type) + ".");
    }
}
