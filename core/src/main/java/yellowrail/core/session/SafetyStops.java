package yellowrail.core.session;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Each “Power off now” of a session, and whether the last still stands. */
final class SafetyStops {
    private final List<SafetyStop> stops = new ArrayList<>();
    private final Set<String> takenBack = new HashSet<>();
    private boolean standing;

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

    Object fingerprint() {
        return List.of(standing, Set.copyOf(takenBack));
    }
}
