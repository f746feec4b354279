package yellowrail.core.tube;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Publications of our own for tests. */
public final class Publications {
    private Publications() {}

    /** One that gives a plate rating alone, W. */
    public static Ratings of(RatingSystem system, String edition, double plateWatts) {
        return with(new Ratings(system, edition, Map.of(), Set.of()), Limit.PLATE_WATTS, plateWatts);
    }

    /** The same with a figure in the base of its unit; the same for none. */
    public static Ratings with(Ratings r, PublishedLimit limit, Double value) {
        Map<PublishedLimit, Figure> figures = new HashMap<>(r.figures());
        if (value != null) {
            figures.put(limit, new Figure(value, false));
        }
        return new Ratings(r.system(), r.edition(), figures, r.nonePublished());
    }

    /** The same, known not to give these. */
    public static Ratings without(Ratings r, PublishedLimit... limits) {
        Set<PublishedLimit> none = new HashSet<>(r.nonePublished());
        none.addAll(List.of(limits));
        return new Ratings(r.system(), r.edition(), r.figures(), none);
    }
}
