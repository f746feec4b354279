package yellowrail.app.amps;

import java.time.OffsetDateTime;
import java.util.UUID;

/** A version of an amp's description as stored. */
record AmpRow(UUID ampId, int version, String description, OffsetDateTime createdAt) {}
