package yellowrail.core.session;

import java.util.ArrayList;
import java.util.List;

/** Every change made in a session, in order, as sentences: what, from, to. */
public final class ChangeLog {
    private ChangeLog() {}

    public static List<String> of(Session session) {
        List<String> log = new ArrayList<>();
        Session soFar = new Session(session.plan());
        for (Entry entry : session.entries()) {
            entry.event().logged(soFar).ifPresent(log::add);
            soFar.apply(entry);
        }
        return log;
    }
}
