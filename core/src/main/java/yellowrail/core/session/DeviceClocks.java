package yellowrail.core.session;

import java.util.HashMap;
import java.util.Map;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Read;

/** When each device last entered something: tells what arrives late, and a clock that was set back. */
final class DeviceClocks {
    /** Clocks of one device may step back by this much without meaning. */
    private static final long SLACK_MILLIS = 2000;

    /** Between two devices moments are known no better than this. */
    static final long OFFSET_MILLIS = 120_000;

    private final Map<String, Long> newest = new HashMap<>();
    private final Map<String, Long> last = new HashMap<>();

    /**
     * Whether another device entered something that was made after this. What says nothing of power and dead readings may
     * cross another entry on its way.
     */
    boolean late(Entry entry) {
        boolean exact = entry.event() instanceof Declared || entry.event() instanceof Read;
        long allowed = exact ? 0 : SLACK_MILLIS;
        return newest.entrySet().stream()
                .anyMatch(e -> !e.getKey().equals(entry.device()) && e.getValue() > entry.at() + allowed);
    }

    /**
     * The same entry no earlier than its device's last: how long each took on its way differs by fractions of a second, and
     * what was read after a turn does not belong before it.
     */
    Entry inOrder(Entry entry) {
        Long before = last.get(entry.device());
        boolean crossed = before != null && entry.at() < before && entry.at() >= before - SLACK_MILLIS;
        return crossed ? new Entry(entry.id(), before, entry.device(), entry.event()) : entry;
    }

    /** Notes an entry; true when its device's clock went back. */
    boolean wentBack(Entry entry) {
        newest.merge(entry.device(), entry.at(), Math::max);
        Long before = last.put(entry.device(), entry.at());
        return before != null && entry.at() < before - SLACK_MILLIS;
    }
}
