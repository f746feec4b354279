package yellowrail.core.amp;

import java.util.Optional;

/**
 * What is known of the transformers; empty is not known.
 *
 * @param plateToPlateOhms reflected load, plate to plate (single-ended: the primary), Ω
 * @param heaterVolts heater winding, V
 * @param heaterAmperes its rating, A
 * @param supplyAmperes DC rating of the high-tension winding, A
 */
public record Transformers(
        Optional<Double> plateToPlateOhms,
        Optional<Double> heaterVolts,
        Optional<Double> heaterAmperes,
        Optional<Double> supplyAmperes) {
    public static Transformers unknown() {
        return new Transformers(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());
    }
}
