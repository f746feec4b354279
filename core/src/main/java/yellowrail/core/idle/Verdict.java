package yellowrail.core.idle;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Where the idle point stands, with what qualifies it and why. It is two statements, never mixed: what the control is
 * turned by, and whether the setting may stay at the highest mains of this amp. The place is the worse of the two.
 *
 * @param place where it stands
 * @param now the statement as read
 * @param raised the statement at nominal and highest mains
 * @param qualifiers what keeps the verdict from being final
 * @param reasons sentences with the numbers behind it, weightiest first, beyond the statements; not to be changed
 * @param question what the builder has to answer before there is a verdict; empty when nothing hangs on an answer
 */
public record Verdict(
        Place place,
        Statement now,
        Statement raised,
        Set<Qualifier> qualifiers,
        List<String> reasons,
        Optional<OpenQuestion> question) {
    /** Where an idle point stands, from harmless to grave; what is not known is graver than what is merely off target. */
    public enum Place {
        IN_WINDOW("in the window"),
        /** The second statement's: nothing is passed there. */
        WITHIN_LIMITS("within the limits"),
        NO_TARGET("no target chosen"),
        BELOW_WINDOW("below the window"),
        ABOVE_WINDOW("above the window"),
        UNKNOWN("unknown"),
        TOO_WIDE("too wide to tell"),
        OPEN_QUESTION("open question"),
        TOO_CLOSE("too close to call"),
        ABOVE_CEILING("above the ceiling"),
        LIMIT_PASSED("another limit passed"),
        ABOVE_RATING("above the rating");

        private final String words;

        Place(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** Whether a limit is passed there. */
        public boolean over() {
            return this == ABOVE_CEILING || this == LIMIT_PASSED || this == ABOVE_RATING;
        }

        Place worse(Place other) {
            return compareTo(other) >= 0 ? this : other;
        }
    }

    /** What keeps a verdict from being final. */
    public enum Qualifier {
        PROVISIONAL("provisional"),
        STALE("stale"),
        CONTRADICTED("contradicted"),
        MEAN_ONLY("mean only"),
        SAMPLED("sampled"),
        UPPER_BOUND("upper bound");

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

    /** Nothing can be told, and why. */
    public static Verdict unknown(List<String> reasons) {
        Statement nothing = new Statement(Place.UNKNOWN, "");
        return new Verdict(Place.UNKNOWN, nothing, nothing, Set.of(), reasons, Optional.empty());
    }

    /** The only state that may be shown as an all-clear: in the window, within every limit, with nothing to qualify it. */
    public boolean allClear() {
        return place == Place.IN_WINDOW && qualifiers.isEmpty() && question.isEmpty();
    }

    /** Whether it is the second statement that decides. */
    public boolean decidedByMains() {
        return place != now.place() && place == raised.place();
    }

    /** The verdict in words, for example {@code in the window · mean only} or {@code above the rating at highest mains}. */
    public String words() {
        StringBuilder text = new StringBuilder(place.words());
        if (decidedByMains()) {
            text.append(now.place() == Place.UNKNOWN ? "" : " at higher mains");
        } else if (place.over() || place == Place.TOO_CLOSE) {
            text.append(" now");
        }
        for (Qualifier qualifier : Qualifier.values()) {
            if (qualifiers.contains(qualifier)) {
                text.append(" · ").append(qualifier.words());
            }
        }
        return text.toString();
    }

    /** Everything there is to say: both statements, then the reasons beyond them. */
    public List<String> sentences() {
        List<String> all = new ArrayList<>(reasons.size() + 2);
        all.add(now.sentence());
        all.add(raised.sentence());
        all.addAll(reasons);
        all.removeIf(String::isEmpty);
        return all;
    }
}
