package yellowrail.app.bench;

import java.util.UUID;

/** A row of {@code bench_event}. */
record EventRow(UUID id, UUID sessionId, int seq, String kind, String body, long happenedAt, String device) {}
