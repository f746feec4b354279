package yellowrail.core.session;

import java.util.List;
import java.util.Optional;

/** The stops in bench order. */
public final class Rail {
    private final List<Stop> stops;

    public Rail(List<Stop> stops) {
        this.stops = List.copyOf(stops);
    }

    public List<Stop> stops() {
        return stops;
    }

    public Stop first() {
        return stops.get(0);
    }

    public Optional<Stop> stop(String id) {
        return stops.stream().filter(s -> s.id().equals(id)).findFirst();
    }

    public List<Check> checks() {
        return stops.stream().flatMap(s -> s.checks().stream()).toList();
    }

    public Optional<Check> check(String id) {
        return checks().stream().filter(c -> c.id().equals(id)).findFirst();
    }

    /** The stop a confirmation belongs to. */
    public Optional<Stop> stopOf(Check check) {
        return stops.stream().filter(s -> s.checks().contains(check)).findFirst();
    }

    /** The stops that apply to a session. */
    List<Stop> of(Session session) {
        return stops.stream().filter(s -> s.belongs(session)).toList();
    }

    boolean isBefore(Stop one, Stop other) {
        return stops.indexOf(one) < stops.indexOf(other);
    }
}
