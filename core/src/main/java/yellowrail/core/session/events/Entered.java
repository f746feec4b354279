package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;
import yellowrail.core.session.Stop;

/** Went to a stop. */
public record Entered(Stop stop) implements Event {
    static final Kind<Entered> KIND =
            new Kind<>("enter", Entered.class, List.of(Common.STOP), s -> new Entered(Common.STOP.of(s)));

    @Override
    public Optional<String> refusal(Rules rules) {
        return rules.enter(stop);
    }

    @Override
    public void happens(SessionChanges changes) {
        changes.enter(stop);
    }

    /** It is kept in the history whatever it says. */
    @Override
    public Optional<String> lateRefusal(Rules now, Rules then) {
        return now.over();
    }

    /** It stands where it was made and changes nothing. */
    @Override
    public boolean countsLate(Session session, long at) {
        return false;
    }
}
