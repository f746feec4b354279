package yellowrail.core.tube;

import java.util.Optional;

/**
 * What a publication permits with signal, besides its limits for DC operation. Both are empty for most types.
 *
 * @param peakPlateVolts highest plate voltage at any moment of a cycle, V
 * @param screenWatts screen dissipation averaged over a cycle at full signal, W
 */
public record WithSignal(Optional<Figure> peakPlateVolts, Optional<Figure> screenWatts) {
    public static WithSignal unknown() {
        return new WithSignal(Optional.empty(), Optional.empty());
    }
}
