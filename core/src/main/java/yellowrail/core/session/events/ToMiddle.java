package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;

/** Whether every tube is turned to the middle of its window although it is inside already. */
public record ToMiddle(boolean wanted) implements Event {
    private static final EntryField<Boolean> WANTED =
            EntryField.yesOrNo("wanted", "Whether to aim at the middle of the window");

    static final Kind<ToMiddle> KIND =
            new Kind<>("middle", ToMiddle.class, List.of(WANTED), s -> new ToMiddle(WANTED.of(s)));

    @Override
    public void happens(SessionChanges changes) {
        changes.toMiddle(wanted);
    }

    /** One that was made later holds. */
    @Override
    public boolean countsLate(Session session, long at) {
        return !session.hasLater(getClass(), at);
    }

    @Override
    public Optional<String> logged(Session before) {
        return Optional.of(wanted ? "To the middle of the window." : "Anywhere in the window.");
    }
}
