package yellowrail.app.transformers;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import yellowrail.core.load.AcReading;
import yellowrail.core.load.Transformer;
import yellowrail.core.load.TransformerDescription;

/**
 * A transformer as it is kept now.
 *
 * @param version of the description, from 1
 * @param readings oldest first, those that do not count included
 * @param fitted where it is; empty: on the shelf
 */
public record KeptTransformer(
        UUID id, int version, TransformerDescription description, List<KeptReading> readings, Optional<Fitted> fitted) {
    public KeptTransformer {
        readings = List.copyOf(readings);
    }

    /** A channel of an amp. */
    public record Fitted(UUID ampId, int channel) {}

    /** The readings that count. */
    public List<AcReading> counting() {
        return readings.stream()
                .filter(r -> r.voided().isEmpty())
                .map(KeptReading::reading)
                .toList();
    }

    /** With what was measured of it. */
    public Transformer measured() {
        return description.measured(counting());
    }
}
