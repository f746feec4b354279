package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;
import yellowrail.core.session.Stop;

/** A stop was left out; the reason is printed. */
public record Skipped(Stop stop, String reason) implements Event {
    static final Kind<Skipped> KIND = new Kind<>(
            "skip",
            Skipped.class,
            List.of(Common.STOP, Common.REASON),
            s -> new Skipped(Common.STOP.of(s), Common.REASON.of(s)));

    @Override
    public Optional<String> refusal(Rules rules) {
        if (!rules.session().stops().contains(stop)) {
            return Rules.notOfSession(stop);
        }
        return stop.skipRefusal()
                .or(() -> Rules.blank(reason, "A skipped stop needs a reason; it is printed on the sheet."));
    }

    @Override
    public void happens(SessionChanges changes) {
        changes.skip(stop, reason);
    }

    /** It stands where it was made and changes nothing. */
    @Override
    public boolean countsLate(Session session, long at) {
        return false;
    }
}
