package yellowrail.core.session;

import java.util.Optional;
import yellowrail.core.round.Quantity;

/**
 * Both ends of a bias control, read at the grid with the tubes out.
 *
 * @param sensible whether the coldest end is the more negative one
 */
public record ControlRange(boolean sensible, String sentence) {
    /** Empty until both ends were read. */
    public static Optional<ControlRange> of(Session session, String control) {
        Optional<RecordedReading> cold = session.last(Quantity.GRID_COLDEST, control);
        Optional<RecordedReading> hot = session.last(Quantity.GRID_HOTTEST, control);
        if (cold.isEmpty() || hot.isEmpty()) {
            return Optional.empty();
        }
        boolean sensible = cold.get().typed().value() < hot.get().typed().value();
        return Optional.of(new ControlRange(
                sensible,
                control + ": " + cold.get().typed().echo() + " at its coldest to "
                        + hot.get().typed().echo() + " at its hottest."
                        + (sensible ? "" : " The coldest end must be the more negative one: read both again.")));
    }
}
