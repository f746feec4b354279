package yellowrail.app.bench;

import java.time.OffsetDateTime;
import java.util.UUID;

/** A row of {@code bench_session}. */
record SessionRow(
        UUID id, UUID ampId, int ampVersion, String purpose, String plan, String types, OffsetDateTime startedAt) {}
