package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.adjust.Control;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;

/** Which turn is hotter, as found with the tubes out. */
public record DirectionSeen(String control, Control.Direction direction) implements Event {
    private static final EntryField<Control.Direction> DIRECTION =
            EntryField.one("direction", "Which way is hotter", Control.Direction.class);

    static final Kind<DirectionSeen> KIND = new Kind<>(
            "direction",
            DirectionSeen.class,
            List.of(Common.CONTROL, DIRECTION),
            s -> new DirectionSeen(Common.CONTROL.of(s), DIRECTION.of(s)));

    @Override
    public Optional<String> refusal(Rules rules) {
        return rules.control(control);
    }

    @Override
    public void happens(SessionChanges changes) {
        changes.direction(control, direction);
    }

    /** One that was made later holds. */
    @Override
    public boolean countsLate(Session session, long at) {
        return !session.hasLater(getClass(), at);
    }
}
