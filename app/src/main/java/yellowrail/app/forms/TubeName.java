package yellowrail.app.forms;

import java.util.List;
import java.util.Optional;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.TubeType;

/**
 * Why a typed tube name is not one type of the catalogue.
 *
 * @param near types that may be meant
 */
public record TubeName(String sentence, List<TubeType> near) {
    /** Empty when the name is one type. */
    public static Optional<TubeName> notOne(Lookup lookup) {
        if (lookup instanceof Lookup.WhichVariant which) {
            return Optional.of(new TubeName(
                    "“" + FieldErrors.shorten(which.family())
                            + "” is a family whose ratings differ. Which one is fitted?",
                    which.variants()));
        }
        if (lookup instanceof Lookup.Relative relative) {
            return Optional.of(new TubeName(
                    relative.name() + " is not the same as " + relative.of().designation() + ": "
                            + relative.difference() + ". Pick a type, or enter it as your own under Tubes.",
                    List.of(relative.of())));
        }
        if (lookup instanceof Lookup.Unknown unknown) {
            return Optional.of(new TubeName(
                    "“" + FieldErrors.shorten(unknown.name()) + "” is not in the catalogue"
                            + (unknown.near().isEmpty() ? "; enter it as your own under Tubes." : ". Did you mean:"),
                    unknown.near()));
        }
        return Optional.empty();
    }

    public List<String> designations() {
        return near.stream().map(TubeType::designation).toList();
    }
}
