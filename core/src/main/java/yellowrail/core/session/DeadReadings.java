package yellowrail.core.session;

import java.util.List;
import java.util.Optional;

/**
 * What a node was read at since off was declared. Only readings as they were first entered, in their time, can open
 * something; one above the limit begins anew, also when it was corrected or taken back afterwards.
 *
 * @param last the newest; empty when there is none
 * @param twice whether it was read at or below the limit and again a minute or more later, with none above it since
 */
record DeadReadings(Optional<RecordedReading> last, boolean twice) {
    static DeadReadings of(Session session, String node, double limit) {
        List<RecordedReading> all = session.everyResidual(node);
        Optional<RecordedReading> first = Optional.empty();
        boolean twice = false;
        for (RecordedReading reading : all) {
            if (Math.abs(reading.typed().value()) > limit) {
                first = Optional.empty();
                twice = false;
            } else if (reading.supersedes().isEmpty() && !reading.late() && !session.superseded(reading.id())) {
                twice |= first.filter(f -> reading.at() - f.at() >= LockRules.SECOND_READING_MILLIS)
                        .isPresent();
                first = first.or(() -> Optional.of(reading));
            }
        }
        return new DeadReadings(all.isEmpty() ? Optional.empty() : Optional.of(all.get(all.size() - 1)), twice);
    }
}
