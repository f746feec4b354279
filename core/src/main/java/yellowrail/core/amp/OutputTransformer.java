package yellowrail.core.amp;

import java.util.Optional;

/**
 * The output transformer of each channel; empty is not known.
 *
 * @param plateToPlateOhms reflected load, plate to plate (single-ended: the primary), Ω
 */
public record OutputTransformer(Optional<Double> plateToPlateOhms) {
    public static final OutputTransformer UNKNOWN = new OutputTransformer(Optional.empty());
}
