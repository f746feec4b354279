package yellowrail.core.tube;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The limits of one publication. One without a figure is unknown, never zero and never "no limit", unless the publication is
 * known to give none.
 *
 * @param system how the limits are meant
 * @param edition which publication, in words
 * @param figures each in the base of its limit's unit, in the order of {@link PublishedLimits#ALL}
 * @param nonePublished the limits this publication is known not to give
 */
public record Ratings(
        RatingSystem system, String edition, Map<PublishedLimit, Figure> figures, Set<PublishedLimit> nonePublished) {
    public Ratings {
        Map<PublishedLimit, Figure> ordered = new LinkedHashMap<>();
        Set<PublishedLimit> none = new LinkedHashSet<>();
        for (PublishedLimit limit : PublishedLimits.ALL) {
            if (figures.containsKey(limit)) {
                ordered.put(limit, figures.get(limit));
            }
            if (nonePublished.contains(limit)) {
                none.add(limit);
            }
        }
        figures = Collections.unmodifiableMap(ordered);
        nonePublished = Collections.unmodifiableSet(none);
    }

    /** The figure of a limit, in the base of its unit; empty when it is unknown or none is published. */
    public Optional<Figure> figure(PublishedLimit limit) {
        return Optional.ofNullable(figures.get(limit));
    }

    /** Plate dissipation, W: what per cent are of. */
    public Optional<Figure> plateWatts() {
        return figure(Limit.PLATE_WATTS);
    }

    /** Whether this publication says nothing of a limit that it could give: neither a figure nor that there is none. */
    public boolean unknown(PublishedLimit limit) {
        return figure(limit).isEmpty() && !nonePublished.contains(limit);
    }
}
