package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Check;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;
import yellowrail.core.session.stops.Stops;

/** Something was confirmed, or the confirmation taken back; {@code point} is a socket where one is meant. */
public record Ticked(Check check, String point, boolean done) implements Event {
    private static final EntryField<Check> CHECK =
            EntryField.one("check", "The line that is ticked", Stops.RAIL::checks, Check::id);
    private static final EntryField<String> POINT =
            EntryField.sentence("point", "The socket or node it is ticked for; empty for the whole amp");
    private static final EntryField<Boolean> DONE = EntryField.yesOrNo("done", "Whether it is so");

    static final Kind<Ticked> KIND = new Kind<>(
            "tick", Ticked.class, List.of(CHECK, POINT, DONE), s -> new Ticked(CHECK.of(s), POINT.of(s), DONE.of(s)));

    @Override
    public Optional<String> refusal(Rules rules) {
        return done ? check.refusal(rules.session(), point, rules.now()) : Optional.empty();
    }

    @Override
    public void happens(SessionChanges changes) {
        changes.confirm(check, point, done);
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
