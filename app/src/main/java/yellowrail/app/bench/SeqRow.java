package yellowrail.app.bench;

import java.util.UUID;

/** The newest event number of a session. */
record SeqRow(UUID sessionId, int seq) {}
