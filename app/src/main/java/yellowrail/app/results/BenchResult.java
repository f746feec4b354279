package yellowrail.app.results;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import yellowrail.core.experiment.MeasuredPoint;

/**
 * A measured table of one setting, written once.
 *
 * @param factors what the amp was like, each factor in the builder's words
 * @param points the cells, in the order they were typed
 * @param note or empty
 * @param supersedes the result this one corrects, or null
 */
public record BenchResult(
        UUID id,
        UUID ampId,
        OffsetDateTime takenAt,
        Map<String, String> factors,
        List<MeasuredPoint> points,
        String note,
        UUID supersedes) {
    /** What may differ between two results, in the order they are asked. */
    public static final List<String> FACTORS =
            List.of("idle", "tubes", "load and tap", "mains", "feedback", "rectifier", "other parts", "measured with");

    /** What was measured, apart from when it was sent. */
    List<Object> content() {
        return List.of(ampId, factors, points, note, Optional.ofNullable(supersedes));
    }
}
