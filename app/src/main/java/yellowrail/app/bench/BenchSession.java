package yellowrail.app.bench;

import java.time.OffsetDateTime;
import java.util.Map;
import java.util.UUID;
import yellowrail.core.session.Session;
import yellowrail.core.tube.TubeType;

/**
 * A session with what belongs to it. Its state is only looked at within {@link SessionStore#look}.
 *
 * @param types the tube types as they were when it began
 * @param seq number of the newest event
 */
public record BenchSession(
        UUID id,
        UUID ampId,
        int ampVersion,
        OffsetDateTime startedAt,
        Map<String, TubeType> types,
        Session state,
        int seq) {
    /** The same by another version of the description. */
    BenchSession by(int version, Session other) {
        return new BenchSession(id, ampId, version, startedAt, types, other, seq);
    }
}
