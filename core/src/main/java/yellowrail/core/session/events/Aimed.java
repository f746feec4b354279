package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;

/** A target window was chosen for this session; a reason is needed above the ceiling. */
public record Aimed(String target, String reason) implements Event {
    private static final EntryField<String> TARGET = EntryField.sentence("target", "Name of the target window");

    static final Kind<Aimed> KIND = new Kind<>(
            "aim", Aimed.class, List.of(TARGET, Common.REASON), s -> new Aimed(TARGET.of(s), Common.REASON.of(s)));

    @Override
    public void happens(SessionChanges changes) {
        changes.aim(this);
    }

    @Override
    public Optional<String> logged(Session before) {
        return Optional.of("Target “" + target + "”" + Rules.because(reason) + ".");
    }

    /** One that was made later holds. */
    @Override
    public boolean countsLate(Session session, long at) {
        return !session.hasLater(getClass(), at);
    }
}
