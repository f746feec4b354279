package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Power;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;

/** The session ends without a sheet. */
public record ClosedUnsigned(String reason) implements Event {
    static final Kind<ClosedUnsigned> KIND = new Kind<>(
            "close", ClosedUnsigned.class, List.of(Common.REASON), s -> new ClosedUnsigned(Common.REASON.of(s)));

    @Override
    public Optional<String> refusal(Rules rules) {
        Power power = rules.session().power(rules.now());
        return power.on()
                ? Optional.of("The amp is declared " + power.words()
                        + ": switch off, unplug and declare it before the session is closed.")
                : Rules.blank(reason, "Say why the session is closed without a sheet.");
    }

    @Override
    public void happens(SessionChanges changes) {
        changes.close(this);
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
