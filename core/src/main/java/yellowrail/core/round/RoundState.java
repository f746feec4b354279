package yellowrail.core.round;

import java.util.Optional;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.reading.Meter;

/**
 * The state a round was taken in.
 *
 * @param meter the meter used, with its accuracy as it was then
 * @param reference where plate volts were read
 * @param limiter whether a limiter stood in series
 * @param reduced whether the mains was turned down
 * @param apart whether volts and currents were not taken together
 * @param spread stated spread behind shared points, share of the mean
 */
public record RoundState(
        Meter meter,
        PlateVolts.Reference reference,
        Answered limiter,
        Answered reduced,
        Answered apart,
        Optional<Double> spread) {}
