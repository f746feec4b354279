package yellowrail.core.tube;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.Show;

/** How a builder's own entry differs from the shipped type whose designation it bears. */
public final class Correction {
    private Correction() {}

    /** One phrase for each limit that differs; empty for a type of one's own. */
    public static List<String> differences(TubeType own) {
        Optional<Ratings> shipped =
                own.own() ? Catalogue.shippedType(own.designation()).flatMap(TubeType::strictest) : Optional.empty();
        Optional<Ratings> mine = own.ratings().stream().findFirst();
        if (shipped.isEmpty() || mine.isEmpty()) {
            return List.of();
        }
        List<String> differences = new ArrayList<>();
        for (PublishedLimit limit : PublishedLimits.ALL) {
            String now = words(mine.get(), limit);
            String then = words(shipped.get(), limit);
            if (!now.equals(then)) {
                differences.add(limit.words() + " " + now + " instead of " + then);
            }
        }
        RatingSystem system = mine.get().system();
        if (system != shipped.get().system()) {
            differences.add(
                    system.words() + " instead of " + shipped.get().system().words());
        }
        return differences;
    }

    /** A limit in words: its figure, that none is published, or that it is not known. */
    public static String words(Ratings ratings, PublishedLimit limit) {
        return limit.in(ratings)
                .map(f -> Show.siPlain(f.value(), limit.unit(), 3))
                .orElse(limit.unknownIn(ratings) ? "not known" : "none published");
    }
}
