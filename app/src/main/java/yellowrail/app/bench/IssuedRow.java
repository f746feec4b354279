package yellowrail.app.bench;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.UUID;

/**
 * A sheet as issued.
 *
 * @param state how far the session got: NOT_SET, SET or PROVEN
 * @param data the sheet's figures as JSON
 */
public record IssuedRow(
        UUID sessionId, UUID ampId, String state, LocalDate recheckOn, String data, OffsetDateTime issuedAt) {}
