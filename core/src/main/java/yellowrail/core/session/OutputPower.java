package yellowrail.core.session;

import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.round.Quantity;

/**
 * Power of a sine into the load, {@code V²/R} with the volts as a meter shows them (rms).
 *
 * @param watts W
 */
public record OutputPower(double watts, String sentence) {
    /** Empty until volts and the load's ohms were read. */
    public static Optional<OutputPower> of(Session session) {
        Optional<RecordedReading> volts = session.last(Quantity.OUTPUT_VOLTS, "");
        Optional<RecordedReading> load = session.last(Quantity.LOAD_OHMS, "");
        if (volts.isEmpty() || load.isEmpty()) {
            return Optional.empty();
        }
        double rms = volts.get().typed().value();
        double watts = rms * rms / load.get().typed().value();
        return Optional.of(new OutputPower(
                watts,
                "Output: " + volts.get().typed().echo() + " across "
                        + load.get().typed().echo() + " is " + Show.significant(watts, 3)
                        + " W (V²/R; of a sine, with the load's nominal ohms)."));
    }
}
