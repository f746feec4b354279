package yellowrail.core.session.stops;

import java.util.Map;
import yellowrail.core.session.JudgingBasis;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionAssessment;
import yellowrail.core.tube.TubeType;

/**
 * A session as somebody looks at it.
 *
 * @param types tube types by designation
 * @param now milliseconds since 1970
 */
public record Look(Session session, SessionAssessment judged, Map<String, TubeType> types, long now) {
    public static Look at(Session session, JudgingBasis standards, SessionAssessment judged, long now) {
        return new Look(session, judged, standards.types(), now);
    }
}
