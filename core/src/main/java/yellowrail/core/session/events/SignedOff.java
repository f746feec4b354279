package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Power;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;

/** The sheet was signed. */
public record SignedOff(String by, String remarks) implements Event {
    private static final EntryField<String> BY = EntryField.name("by", "Who signs");
    private static final EntryField<String> REMARKS = EntryField.note("remarks", "Remarks on the sheet");

    static final Kind<SignedOff> KIND =
            new Kind<>("sign", SignedOff.class, List.of(BY, REMARKS), s -> new SignedOff(BY.of(s), REMARKS.of(s)));

    @Override
    public Optional<String> refusal(Rules rules) {
        Session session = rules.session();
        if (!session.here().signs()) {
            return Optional.of("Signing is the last stop: go there first.");
        }
        if (session.stopped()) {
            return Optional.of("The session was stopped for safety and not resumed.");
        }
        Power power = session.power(rules.now());
        if (power != Power.OFF) {
            return Optional.of(power.sentence() + ": signing waits until it is off and unplugged.");
        }
        return Rules.blank(by, "Sign with a name or initials.");
    }

    @Override
    public void happens(SessionChanges changes) {
        changes.sign(this);
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
