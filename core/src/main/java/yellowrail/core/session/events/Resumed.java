package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;

/** Going on after an emergency stop, with what was found. */
public record Resumed(String found) implements Event {
    private static final EntryField<String> FOUND = EntryField.note("found", "What was found");

    static final Kind<Resumed> KIND =
            new Kind<>("resume", Resumed.class, List.of(FOUND), s -> new Resumed(FOUND.of(s)));

    @Override
    public Optional<String> refusal(Rules rules) {
        if (!rules.session().stopped()) {
            return Optional.of("The session is not stopped.");
        }
        return Rules.blank(found, "Say what was found before going on.")
                .or(() -> rules.tubesLocked().isEmpty() ? Optional.empty() : rules.handsLocked());
    }

    @Override
    public void happens(SessionChanges changes) {
        changes.resume();
    }

    @Override
    public Optional<String> logged(Session before) {
        return Optional.of("Resumed: " + found + ".");
    }

    @Override
    public Optional<String> lateRefusal(Rules now, Rules then) {
        return Optional.of(Rules.READ_AGAIN);
    }

    /** It stands where it was made and changes nothing. */
    @Override
    public boolean countsLate(Session session, long at) {
        return false;
    }
}
