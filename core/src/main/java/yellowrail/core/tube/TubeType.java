package yellowrail.core.tube;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A catalogue entry.
 *
 * @param designation the exact type, for example {@code 6L6GC}
 * @param aliases exact equivalents only
 * @param construction pentode or beam tetrode, in words
 * @param pinout base and pins, if known
 * @param heaterVolts V
 * @param heaterAmperes A; where a range is published, its largest value, since a winding is checked against that
 * @param ratings one entry for each publication
 * @param screenShare usual screen share at idle; empty is unknown
 * @param envelope size of the bulb
 * @param related close relatives that are not equivalents, with the difference
 * @param origin where the figures come from, in words
 * @param own whether a builder entered or corrected it
 * @param kind as far as the screen depends on it
 * @param transconductance A/V at a usual idle, for a type without curves; empty where it is not known
 */
public record TubeType(
        String designation,
        List<String> aliases,
        String construction,
        Optional<Pinout> pinout,
        Optional<Figure> heaterVolts,
        Optional<Figure> heaterAmperes,
        List<Ratings> ratings,
        Optional<ScreenShare> screenShare,
        Envelope envelope,
        Map<String, String> related,
        String origin,
        boolean own,
        TubeKind kind,
        Optional<Figure> transconductance) {
    public TubeType {
        if (designation.isBlank() || designation.length() > 40) {
            throw new IllegalArgumentException("a designation has 1 to 40 characters");
        }
        aliases = List.copyOf(aliases);
        ratings = List.copyOf(ratings);
        related = Map.copyOf(related);
    }

    /** An entry whose words tell its kind. */
    public TubeType(
            String designation,
            List<String> aliases,
            String construction,
            Optional<Pinout> pinout,
            Optional<Figure> heaterVolts,
            Optional<Figure> heaterAmperes,
            List<Ratings> ratings,
            Optional<ScreenShare> screenShare,
            Envelope envelope,
            Map<String, String> related,
            String origin,
            boolean own) {
        this(
                designation,
                aliases,
                construction,
                pinout,
                heaterVolts,
                heaterAmperes,
                ratings,
                screenShare,
                envelope,
                related,
                origin,
                own,
                TubeKind.of(construction),
                Optional.empty());
    }

    /** Whether a reading is judged alike by both: names, pins and sizes aside. */
    public boolean judgesAs(TubeType other) {
        return kind == other.kind
                && ratings.equals(other.ratings)
                && screenShare.equals(other.screenShare)
                && heaterVolts.equals(other.heaterVolts)
                && transconductance.equals(other.transconductance);
    }

    /** A triode has none: whatever is said of screens does not apply to it. */
    public boolean hasScreen() {
        return kind != TubeKind.TRIODE;
    }

    /** The publications that have to hold: the one picked, or every one that gives a plate rating. */
    public List<Ratings> editions(Optional<Ratings> picked) {
        return picked.map(List::of)
                .orElseGet(() ->
                        ratings.stream().filter(r -> r.plateWatts().isPresent()).toList());
    }

    /** The publication with the lowest plate rating, which every per cent refers to unless the builder picks another. */
    public Optional<Ratings> strictest() {
        return ratings.stream()
                .filter(r -> r.plateWatts().isPresent())
                .min(Comparator.comparingDouble(r -> r.plateWatts().get().value()));
    }

    /**
     * The publication of a rating system with a plate rating; empty where there is none of that system.
     *
     * @param system name of a {@link RatingSystem}, or empty
     */
    public Optional<Ratings> of(String system) {
        return ratings.stream()
                .filter(r -> r.system().name().equals(system) && r.plateWatts().isPresent())
                .findFirst();
    }

    /** The publication whose edition has this name. */
    public Optional<Ratings> edition(String name) {
        return ratings.stream().filter(r -> r.edition().equals(name)).findFirst();
    }
}
