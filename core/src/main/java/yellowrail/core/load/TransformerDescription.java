package yellowrail.core.load;

import java.util.List;
import java.util.Optional;

/**
 * What is known of an output transformer beside its AC readings: one version of its description.
 *
 * @param name what its owner calls it, 1 to 80 characters
 * @param markedOhms what the primary is marked for, Ω; empty when it is not marked
 * @param taps nominal loads of its secondary taps, Ω, rising
 * @param windings copper, read with an ohmmeter
 * @param henries inductance of the whole primary, H
 * @param coreAmperes direct current its core is rated for, A; push-pull: the difference of the sides
 * @param ratedWatts power it is rated for, W
 * @param ratedHertz down to this frequency, Hz
 */
public record TransformerDescription(
        String name,
        Optional<Double> markedOhms,
        List<Double> taps,
        Windings windings,
        Optional<Double> henries,
        Optional<Double> coreAmperes,
        Optional<Double> ratedWatts,
        Optional<Double> ratedHertz) {
    /** Longest name. */
    public static final int LONGEST_NAME = 80;

    public TransformerDescription {
        taps = List.copyOf(taps);
        if (name.isBlank() || name.length() > LONGEST_NAME) {
            throw new IllegalArgumentException("a transformer's name has 1 to " + LONGEST_NAME + " characters");
        }
        if (taps.isEmpty()) {
            throw new IllegalArgumentException("a transformer has at least one secondary tap");
        }
        // Refuses taps and ohms that are none.
        new Transformer(markedOhms, taps, MeasuredTransformer.of(List.of()));
    }

    /** With what was measured of it. */
    public Transformer measured(List<AcReading> readings) {
        return new Transformer(markedOhms, taps, MeasuredTransformer.of(readings));
    }
}
