package yellowrail.app.amps;

import java.util.UUID;

/** A row of {@code amp_shelf}: an amp was put away, or brought back. */
record ShelfRow(UUID ampId, boolean away) {}
