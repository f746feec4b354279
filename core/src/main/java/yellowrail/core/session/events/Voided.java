package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;

/** A reading was taken back: it stays on record, struck through, and counts in no figure. */
public record Voided(String reading, String reason) implements Event {
    static final Kind<Voided> KIND = new Kind<>(
            "void",
            Voided.class,
            List.of(Common.READING, Common.REASON),
            s -> new Voided(Common.READING.of(s), Common.REASON.of(s)));

    @Override
    public Optional<String> refusal(Rules rules) {
        return rules.amend(reading).or(() -> Rules.blank(reason, "Say why it is taken back; it stays on record."));
    }

    @Override
    public void happens(SessionChanges changes) {
        changes.takeBack(reading, reason);
    }

    @Override
    public Optional<String> logged(Session before) {
        return Amended.line(before, reading, "taken back", reason);
    }
}
