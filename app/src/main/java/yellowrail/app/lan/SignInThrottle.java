package yellowrail.app.lan;

import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * Slows wrong passphrases down: after each, the address waits twice as long, up to a minute; many wrong ones from
 * anywhere make everybody wait.
 */
final class SignInThrottle {
    private static final int REMEMBERED = 1000;
    private static final Duration MOST = Duration.ofMinutes(1);
    private static final int ANYWHERE = 20;

    private record Wrong(int count, Instant until) {}

    private final Map<String, Wrong> wrong = new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Wrong> eldest) {
            return size() > REMEMBERED;
        }
    };
    private Wrong anywhere = new Wrong(0, Instant.EPOCH);

    /** How long an address still has to wait. */
    synchronized Duration left(String address, Instant now) {
        Instant until = wrong.getOrDefault(address, new Wrong(0, Instant.EPOCH)).until();
        Instant last = anywhere.count() > ANYWHERE && anywhere.until().isAfter(until) ? anywhere.until() : until;
        return last.isAfter(now) ? Duration.between(now, last) : Duration.ZERO;
    }

    synchronized void wrong(String address, Instant now) {
        wrong.merge(address, next(null, now), (a, b) -> next(a, now));
        boolean calm = anywhere.until().plus(Duration.ofMinutes(10)).isBefore(now);
        int count = calm ? 1 : anywhere.count() + 1;
        anywhere = new Wrong(count, now.plusSeconds(5));
    }

    private static Wrong next(Wrong before, Instant now) {
        int count = before == null ? 1 : before.count() + 1;
        long seconds = Math.min(MOST.toSeconds(), 1L << Math.min(count - 1, 6));
        return new Wrong(count, now.plusSeconds(seconds));
    }

    synchronized void right(String address) {
        wrong.remove(address);
    }
}
