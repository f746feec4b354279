package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Access;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;

/** More of the amp is opened than was planned: the steps that belong to it are asked for from here on. */
public record Opened(Access access) implements Event {
    private static final EntryField<Access> ACCESS =
            EntryField.one("access", "How far the amp is opened", Access.class);

    static final Kind<Opened> KIND = new Kind<>("open", Opened.class, List.of(ACCESS), s -> new Opened(ACCESS.of(s)));

    @Override
    public Optional<String> refusal(Rules rules) {
        Access before = rules.session().access();
        return before.orMore(access) == before
                ? Optional.of(
                        "This session works with " + before.words() + " already. What was opened stays asked for.")
                : Optional.empty();
    }

    @Override
    public void happens(SessionChanges changes) {
        changes.opened(access);
    }

    @Override
    public Optional<String> logged(Session before) {
        return Optional.of("Opened: " + access.words() + ".");
    }
}
