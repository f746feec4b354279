package yellowrail.core.idle;

import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Known;
import yellowrail.core.judging.Value;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.PublishedLimit;

/** The idle of a stage as its tubes were read: of each figure the tube that stands furthest towards its limit. */
public final class ReadIdle {
    private ReadIdle() {}

    /**
     * One for each thing the bias can turn out to be, with a grid supply held before one that follows the mains; none where a
     * tube was not read by itself, or what was read is contradicted, stale or provisional.
     *
     * @param tubes every tube of the stage
     */
    public static List<Known> of(List<IdleAnswer> tubes) {
        boolean stands = !tubes.isEmpty()
                && tubes.stream()
                        .allMatch(t -> t.contradictions().isEmpty()
                                && t.verdict().qualifiers().isEmpty());
        int outcomes = tubes.stream().mapToInt(t -> t.known().size()).min().orElse(0);
        if (!stands || tubes.stream().anyMatch(t -> t.known().size() != outcomes)) {
            return List.of();
        }
        List<Known> all = IntStream.range(0, outcomes)
                .map(i -> outcomes - 1 - i)
                .mapToObj(
                        i -> furthest(tubes.stream().map(t -> t.known().get(i)).toList()))
                .toList();
        return all.stream().anyMatch(k -> k.figures().isEmpty()) ? List.of() : all;
    }

    private static Known furthest(List<Known> tubes) {
        Map<At, Map<PublishedLimit, Value>> all = new EnumMap<>(At.class);
        for (At at : List.of(At.NOW, At.LOWEST, At.HIGHEST)) {
            Map<PublishedLimit, Value> figures = new HashMap<>();
            for (Limit limit : Limit.values()) {
                List<Value> values =
                        tubes.stream().flatMap(t -> t.of(limit, at).stream()).toList();
                Optional<Value> most = values.stream()
                        .max(Comparator.comparingDouble(v -> v.figure().high()));
                most.filter(v -> values.size() == tubes.size()).ifPresent(v -> figures.put(limit, v));
            }
            if (!figures.isEmpty()) {
                all.put(at, Map.copyOf(figures));
            }
        }
        return new Known(Map.copyOf(all));
    }
}
