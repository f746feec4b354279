package yellowrail.core.session;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Each “Power off now” of a session and whether the last still stands, and each power-on before its time. */
final class SafetyStops {
    private final List<SafetyStop> stops = new ArrayList<>();
    private final Set<String> takenBack = new HashSet<>();
    private final List<Unready> unready = new ArrayList<>();
    private final List<Long> ready = new ArrayList<>();
    private boolean standing;
    private Optional<Unready> onUnready = Optional.empty();

    void stop(SafetyStop stop) {
        stops.add(stop);
        standing = true;
    }

    void resume() {
        standing = false;
    }

    void takeBack(SafetyStop stop) {
        takenBack.add(stop.entry());
        standing = false;
    }

    boolean standing() {
        return standing;
    }

    /** The stop that declaring this state now takes back as a mistake; empty where it takes none back. */
    Optional<SafetyStop> takenBackBy(Power declared, long at) {
        return last().filter(s -> s.takenBackBy(declared, at));
    }

    /** The one that stands. */
    Optional<SafetyStop> last() {
        return standing ? Optional.of(stops.get(stops.size() - 1)) : Optional.empty();
    }

    List<SafetyStop> all() {
        return List.copyOf(stops);
    }

    boolean takenBack(SafetyStop stop) {
        return takenBack.contains(stop.entry());
    }

    /** Power was declared; what it should have waited for is empty where nothing was. */
    void declared(Power power, long at, Optional<Unready> before) {
        if (!power.on()) {
            return;
        }
        onUnready = before;
        before.ifPresent(unready::add);
        if (before.isEmpty()) {
            ready.add(at);
        }
    }

    /** When power first went on with nothing missing after that; empty while it did not. */
    Optional<Long> onReadySince(long at) {
        return ready.stream().filter(r -> r > at).findFirst();
    }

    /** Whether a power-on was before its time: what was read in it is told, and is no state to judge or to prove by. */
    boolean early(int run) {
        return unready.stream().anyMatch(u -> u.run() == run);
    }

    /** The last power-on, where it was before its time. */
    Optional<Unready> onUnready() {
        return onUnready;
    }

    List<Unready> unready() {
        return List.copyOf(unready);
    }

    Object fingerprint() {
        return List.of(standing, Set.copyOf(takenBack), List.copyOf(unready), onUnready);
    }
}
