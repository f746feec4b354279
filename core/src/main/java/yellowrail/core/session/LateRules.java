package yellowrail.core.session;

import java.util.Optional;

/** What an entry may do that was made before something already taken from another device. */
final class LateRules {
    private final Session session;
    private final Entry entry;
    private final long now;

    LateRules(Session session, Entry entry, long now) {
        this.session = session;
        this.entry = entry;
        this.now = now;
    }

    Optional<String> refusal() {
        Event event = entry.event();
        if (event instanceof Event.Resumed
                || event instanceof Event.SignedOff
                || event instanceof Event.ClosedUnsigned) {
            return Optional.of(
                    "This was made before something that was entered on another device since. Read the page as"
                            + " it is now, and enter it again if it still holds.");
        }
        Rules rules = new Rules(session, now);
        if (event instanceof Event.Read read && read.supersedes().isEmpty()) {
            return rules.over().or(() -> new Rules(session, entry.at()).lateReading(read));
        }
        if (event instanceof Event.Entered || event instanceof Event.Ticked || event instanceof Event.Declared) {
            return rules.over();
        }
        return rules.refusal(event);
    }

    /** Whether a late entry that is no reading counts as if it came now; else it only stands in the history. */
    static boolean appliesNow(Session session, Entry entry) {
        Event event = entry.event();
        if (event instanceof Event.Entered
                || event instanceof Event.Skipped
                || event instanceof Event.Ticked
                || event instanceof Event.Declared
                || event instanceof Event.Resumed
                || event instanceof Event.SignedOff
                || event instanceof Event.ClosedUnsigned) {
            return false;
        }
        if (event instanceof Event.LimiterSet limiter) {
            return limiter.inSeries() && !newer(session, entry);
        }
        if (event instanceof Event.Aimed || event instanceof Event.BiasTold || event instanceof Event.DirectionSeen) {
            return !newer(session, entry);
        }
        if (event instanceof Event.EmergencyStop) {
            return session.entries().stream()
                    .noneMatch(e -> e.at() > entry.at()
                            && (e.event() instanceof Event.Declared || e.event() instanceof Event.Resumed));
        }
        return true;
    }

    private static boolean newer(Session session, Entry entry) {
        return session.entries().stream()
                .anyMatch(e -> e.at() > entry.at()
                        && e.event().getClass() == entry.event().getClass());
    }
}
