package yellowrail.app.rounds;

import java.util.UUID;

/** How a round was read by turns, as stored. */
record TurnsRow(UUID roundId, String body) {}
