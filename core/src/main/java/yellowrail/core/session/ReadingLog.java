package yellowrail.core.session;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yellowrail.core.reading.Typed;
import yellowrail.core.round.Point;
import yellowrail.core.round.Quantity;

/** Readings in the order they were made, none ever removed: what was corrected, taken back or moved no longer holds. */
final class ReadingLog {
    private final List<RecordedReading> readings = new ArrayList<>();
    private final List<Amendment> amendments = new ArrayList<>();
    private final Set<String> superseded = new HashSet<>();

    /** A late one is filed where it was made. */
    void add(RecordedReading taken) {
        int place = readings.size();
        while (taken.late() && place > 0 && readings.get(place - 1).at() > taken.at()) {
            place--;
        }
        readings.add(place, taken);
    }

    RecordedReading amend(String id, Amendment.Kind kind, long at, String reason) {
        RecordedReading old = reading(id).orElseThrow();
        int place = readings.indexOf(old);
        boolean atOnce = readings.subList(place + 1, readings.size()).stream().noneMatch(r -> r.sameAs(old));
        superseded.add(id);
        amendments.add(new Amendment(old, kind, at, atOnce, reason));
        return old;
    }

    /** A correction stands where the reading stood that it corrects: it is no newer than that. */
    void replace(RecordedReading old, String id, Point point, Typed typed, String reason) {
        readings.add(
                readings.indexOf(old) + 1,
                new RecordedReading(
                        id,
                        old.at(),
                        old.quantity(),
                        point,
                        typed,
                        old.id(),
                        reason,
                        old.stop(),
                        old.late(),
                        old.context()));
    }

    List<RecordedReading> all() {
        return Collections.unmodifiableList(readings);
    }

    List<RecordedReading> holding() {
        return readings.stream().filter(r -> !superseded.contains(r.id())).toList();
    }

    List<Amendment> amendments() {
        return Collections.unmodifiableList(amendments);
    }

    boolean superseded(String id) {
        return superseded.contains(id);
    }

    Optional<RecordedReading> reading(String id) {
        return readings.stream().filter(r -> r.id().equals(id)).findFirst();
    }

    /** The last that holds of a quantity at a point. */
    Optional<RecordedReading> last(Quantity quantity, String point) {
        for (int i = readings.size() - 1; i >= 0; i--) {
            RecordedReading reading = readings.get(i);
            if (reading.isOf(quantity, point) && !superseded.contains(reading.id())) {
                return Optional.of(reading);
            }
        }
        return Optional.empty();
    }

    Object fingerprint() {
        return List.of(List.copyOf(readings), Set.copyOf(superseded), List.copyOf(amendments));
    }
}
