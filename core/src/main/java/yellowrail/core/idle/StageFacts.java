package yellowrail.core.idle;

import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Topology;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeType;

/**
 * The tube and the stage it works in.
 *
 * @param type the exact type; empty when not known
 * @param edition the publication picked to judge by; empty for the lowest plate rating, all publications holding
 */
public record StageFacts(
        Optional<TubeType> type, Optional<Ratings> edition, Topology topology, Connection connection, BiasScheme bias) {
    public static StageFacts of(TubeType type, Topology topology, Connection connection, BiasScheme bias) {
        return new StageFacts(Optional.of(type), Optional.empty(), topology, connection, bias);
    }

    /** Whether the tube has a screen; one that is not known is taken to have one. */
    boolean hasScreen() {
        return type.map(TubeType::hasScreen).orElse(true);
    }

    /** The publications that have to hold: the one picked, or every one that gives a plate rating. */
    public List<Ratings> editions() {
        return type.map(t -> t.editions(edition))
                .orElseGet(() -> edition.map(List::of).orElse(List.of()));
    }

    /** The publication every per cent refers to. */
    public Optional<Ratings> ratings() {
        return edition.or(() -> type.flatMap(TubeType::strictest));
    }
}
