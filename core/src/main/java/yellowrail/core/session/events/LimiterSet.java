package yellowrail.core.session.events;

import java.util.List;
import yellowrail.core.session.Event;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;

/** A lamp or other limiter was put in series, or taken out. */
public record LimiterSet(boolean inSeries) implements Event {
    private static final EntryField<Boolean> ON = EntryField.yesOrNo("on", "Whether a limiter stands in series");

    static final Kind<LimiterSet> KIND =
            new Kind<>("limiter", LimiterSet.class, List.of(ON), s -> new LimiterSet(ON.of(s)));

    @Override
    public void happens(SessionChanges changes) {
        changes.limiter(inSeries);
    }

    /** One put in series counts unless something later was said; taken out late it is filed. */
    @Override
    public boolean countsLate(Session session, long at) {
        return inSeries && !session.hasLater(getClass(), at);
    }
}
