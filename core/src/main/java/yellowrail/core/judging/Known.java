package yellowrail.core.judging;

import java.util.Map;
import java.util.Optional;
import yellowrail.core.tube.PublishedLimit;

/** Figures of an idle as it was read, which stand in for what a model would compute of the same stage. */
public record Known(Map<At, Map<PublishedLimit, Value>> figures) {
    public Optional<Value> of(PublishedLimit limit, At at) {
        return Optional.ofNullable(figures.getOrDefault(at, Map.of()).get(limit));
    }
}
