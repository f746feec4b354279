package yellowrail.core.idle;

import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Connection;
import yellowrail.core.amp.Topology;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeType;

/**
 * The tube and the stage it works in.
 *
 * @param type the exact type; empty when not known
 * @param edition the publication to judge by; empty for the one with the lowest plate rating
 */
public record StageFacts(
        Optional<TubeType> type, Optional<Ratings> edition, Topology topology, Connection connection, BiasScheme bias) {
    public static StageFacts of(TubeType type, Topology topology, Connection connection, BiasScheme bias) {
        return new StageFacts(Optional.of(type), Optional.empty(), topology, connection, bias);
    }

    /** The publication every per cent refers to. */
    public Optional<Ratings> ratings() {
        return edition.or(() -> type.flatMap(TubeType::strictest));
    }
}
