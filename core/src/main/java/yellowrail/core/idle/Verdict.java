package yellowrail.core.idle;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/**
 * Where the idle point stands, with what qualifies it and why.
 *
 * @param place where it stands
 * @param possibly whether it is the error band, not the value, that reaches the ceiling or the rating
 * @param qualifiers what keeps the verdict from being final
 * @param reasons sentences with the numbers behind it, weightiest first; not to be changed
 */
public record Verdict(Place place, boolean possibly, Set<Qualifier> qualifiers, List<String> reasons) {
    /** Where an idle point stands. */
    public enum Place {
        UNKNOWN("unknown"),
        NO_TARGET("no target chosen"),
        BELOW_WINDOW("below the window"),
        IN_WINDOW("in the window"),
        ABOVE_WINDOW("above the window"),
        ABOVE_CEILING("above the ceiling"),
        ABOVE_RATING("above the rating");

        private final String words;

        Place(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What keeps a verdict from being final. */
    public enum Qualifier {
        PROVISIONAL("provisional"),
        STALE("stale"),
        MEAN_ONLY("mean only"),
        SAMPLED("sampled"),
        UPPER_BOUND("upper bound"),
        OTHER_LIMIT("another limit passed");

        private final String words;

        Qualifier(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public Verdict {
        qualifiers = qualifiers.isEmpty() ? Set.of() : EnumSet.copyOf(qualifiers);
    }

    /** The only state that may be shown as an all-clear: in the window with nothing to qualify it. */
    public boolean allClear() {
        return place == Place.IN_WINDOW && qualifiers.isEmpty();
    }

    /** The verdict in words, for example {@code in the window · mean only}. */
    public String words() {
        StringBuilder text = new StringBuilder(possibly ? "may be " + place.words() : place.words());
        for (Qualifier qualifier : Qualifier.values()) {
            if (qualifiers.contains(qualifier)) {
                text.append(" · ").append(qualifier.words());
            }
        }
        return text.toString();
    }
}
