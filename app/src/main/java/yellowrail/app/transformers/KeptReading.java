package yellowrail.app.transformers;

import java.time.OffsetDateTime;
import java.util.Optional;
import java.util.UUID;
import yellowrail.core.load.AcReading;

/**
 * A reading of a transformer as it was taken.
 *
 * @param voided why it does not count; empty when it does
 */
public record KeptReading(UUID id, AcReading reading, OffsetDateTime takenAt, Optional<String> voided) {}
