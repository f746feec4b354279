package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;

/** "Power off now". */
public record EmergencyStop(String what) implements Event {
    private static final EntryField<String> WHAT = EntryField.note("what", "What was seen");

    static final Kind<EmergencyStop> KIND =
            new Kind<>("stop", EmergencyStop.class, List.of(WHAT), s -> new EmergencyStop(WHAT.of(s)));

    @Override
    public void happens(SessionChanges changes) {
        changes.stop(what);
    }

    @Override
    public Optional<String> logged(Session before) {
        return Optional.of("Power off for safety" + Rules.because(what) + ".");
    }

    /** It counts unless the state was declared, or the session resumed, after it was made. */
    @Override
    public boolean countsLate(Session session, long at) {
        return !session.hasLater(Declared.class, at) && !session.hasLater(Resumed.class, at);
    }
}
