package yellowrail.core.session;

import java.util.ArrayList;
import java.util.List;

/** The states of the amp, one after the other. */
final class Timeline {
    private final List<Context> contexts = new ArrayList<>(List.of(Context.BEGIN));

    Context now() {
        return contexts.get(contexts.size() - 1);
    }

    void add(Context next) {
        contexts.add(next);
    }

    /** The state in which something with this time happened: a reading that was queued belongs to its own time. */
    Context at(long at) {
        if (at >= now().from()) {
            return now();
        }
        for (int i = contexts.size() - 1; i > 0; i--) {
            if (contexts.get(i).from() <= at) {
                return contexts.get(i);
            }
        }
        return contexts.get(Math.min(1, contexts.size() - 1));
    }

    /** When the present stretch began, milliseconds since 1970. */
    long stretchFrom() {
        int stretch = now().stretch();
        return contexts.stream()
                .filter(c -> c.stretch() == stretch)
                .mapToLong(Context::from)
                .min()
                .orElse(Long.MIN_VALUE);
    }

    /** Whether a limiter stood in series at any time. */
    boolean limited() {
        return contexts.stream().anyMatch(Context::limiter);
    }

    Object fingerprint() {
        return List.copyOf(contexts);
    }
}
