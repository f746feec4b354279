package yellowrail.app.results;

import java.time.OffsetDateTime;
import java.util.UUID;

/** A row of {@code bench_result}. */
record ResultRow(UUID id, UUID ampId, OffsetDateTime takenAt, String body, UUID supersedes) {}
