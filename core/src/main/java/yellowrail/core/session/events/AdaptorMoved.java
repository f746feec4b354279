package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;

/**
 * The one adaptor went to another socket, each tube back in its own: the setting stays, and what was read of the other
 * positions is of this setting, before the move.
 */
public record AdaptorMoved(String socket) implements Event {
    static final Kind<AdaptorMoved> KIND = new Kind<>(
            "adaptor", AdaptorMoved.class, List.of(Common.SOCKET), s -> new AdaptorMoved(Common.SOCKET.of(s)));

    @Override
    public Optional<String> refusal(Rules rules) {
        Session session = rules.session();
        if (!session.plan().setup().byTurns()) {
            return Optional.of("This session reads every point in one power-on; no adaptor is moved in it.");
        }
        return session.noSocket(socket)
                .or(() -> session.adaptor().filter(socket::equals).map(s -> "The adaptor is in " + s + " already."))
                .or(rules::tubesLocked);
    }

    /** It stands where it was made and changes nothing: where the adaptor is now was entered since. */
    @Override
    public boolean countsLate(Session session, long at) {
        return !session.hasLater(getClass(), at);
    }

    @Override
    public Optional<String> logged(Session before) {
        return Optional.of("Adaptor moved to " + socket + ".");
    }
}
