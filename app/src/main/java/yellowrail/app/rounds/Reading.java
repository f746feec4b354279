package yellowrail.app.rounds;

import java.time.OffsetDateTime;
import java.util.UUID;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;

/**
 * A stored reading.
 *
 * @param point the socket or sense point; empty for the whole amp
 * @param supersedes the reading this one corrects, or null
 */
public record Reading(
        UUID id,
        UUID roundId,
        int seq,
        Quantity quantity,
        String point,
        String raw,
        double value,
        Unit unit,
        double lastDigit,
        OffsetDateTime takenAt,
        UUID supersedes,
        String reason) {
    public Typed typed() {
        return new Typed(raw, value, unit, lastDigit);
    }

    public String echo() {
        return typed().echo();
    }

    public static Reading of(
            UUID id, UUID roundId, int seq, Quantity quantity, String point, Typed typed, OffsetDateTime takenAt) {
        return new Reading(
                id,
                roundId,
                seq,
                quantity,
                point,
                typed.raw(),
                typed.value(),
                typed.unit(),
                typed.lastDigit(),
                takenAt,
                null,
                "");
    }

    Reading correcting(UUID other, String why) {
        return new Reading(id, roundId, seq, quantity, point, raw, value, unit, lastDigit, takenAt, other, why);
    }
}
