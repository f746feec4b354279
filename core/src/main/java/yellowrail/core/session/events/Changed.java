package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;

/** A part was changed, or another fact about the amp. */
public record Changed(String what, String from, String to, String reason) implements Event {
    private static final EntryField<String> WHAT = EntryField.sentence("what", "The part or fact");
    private static final EntryField<String> FROM = EntryField.sentence("from", "What it was");
    private static final EntryField<String> TO = EntryField.sentence("to", "What it is now");

    static final Kind<Changed> KIND = new Kind<>(
            "change",
            Changed.class,
            List.of(WHAT, FROM, TO, Common.REASON),
            s -> new Changed(WHAT.of(s), FROM.of(s), TO.of(s), Common.REASON.of(s)));

    @Override
    public Optional<String> refusal(Rules rules) {
        return Rules.blank(what, "Say what was changed.").or(rules::handsLocked);
    }

    @Override
    public void happens(SessionChanges changes) {
        changes.changed();
    }

    @Override
    public Optional<String> logged(Session before) {
        return Optional.of(what
                + (from.isBlank() ? "" : ", from " + from)
                + (to.isBlank() ? "" : " to " + to)
                + Rules.because(reason) + ".");
    }
}
