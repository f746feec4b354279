package yellowrail.app.rounds;

import java.time.OffsetDateTime;
import java.util.UUID;

/** A round as stored. */
record RoundRow(UUID id, UUID ampId, int ampVersion, OffsetDateTime takenAt, String state, String types, String note) {}
