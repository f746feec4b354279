package yellowrail.core.session;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What was confirmed, check by check, for the points it was confirmed of. */
final class Confirmations {
    private final Map<Check, Set<String>> points = new LinkedHashMap<>();

    boolean of(Check check, String point) {
        return points.getOrDefault(check, Set.of()).contains(point);
    }

    void confirm(Check check, String point) {
        points.computeIfAbsent(check, c -> new HashSet<>()).add(point);
    }

    void takeBack(Check check, String point) {
        points.getOrDefault(check, new HashSet<>()).remove(point);
    }

    /** It no longer holds for any point. */
    void end(Check check) {
        points.remove(check);
    }

    /** Everything that holds no longer than this. */
    void end(Check.Holds... ended) {
        points.keySet().removeIf(c -> List.of(ended).contains(c.holds()));
    }

    Map<Check, Set<String>> now() {
        Map<Check, Set<String>> confirmed = new LinkedHashMap<>();
        points.forEach((check, of) -> {
            if (!of.isEmpty()) {
                confirmed.put(check, Set.copyOf(of));
            }
        });
        return confirmed;
    }

    /** As it was. */
    void again(Map<Check, Set<String>> before) {
        points.clear();
        before.forEach((check, of) -> points.put(check, new HashSet<>(of)));
    }
}
