package yellowrail.core.idle;

import java.util.Optional;
import yellowrail.core.reading.Band;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.TubeModel;
import yellowrail.core.tube.TubeModels;
import yellowrail.core.tube.TubeType;

/**
 * How this tube's dissipation follows the mains with its bias held constant, by its type's curves: the model is laid
 * through the measured point, plate and screen volts are raised, the grid stays. The band holds how far a tube's slope differs
 * from its model's, screens anywhere between 70 % of the plate's volts and the plate's volts when they were not read, and a
 * supply from stiff to soft.
 */
final class HeldBias {
    private static final int STEPS = 22;

    /** Supplies are seldom softer, share of B+ lost at idle; behind the softest the rise is overestimated. */
    private static final double SOFT_SAG = 0.04;

    /**
     * How far the slope of a tube lies from its model's, share: of simulated stages whose tubes differ from their type's model
     * in amplification factor, exponent, knee and strength as models differ from published operations, 0.6 % lie above the
     * band. Its half width is 7.9 % at the median.
     */
    private static final double STEEPER = 0.1;

    private static final double FLATTER = 0.025;

    private final TubeModel model;

    private HeldBias(TubeModel model) {
        this.model = model;
    }

    /** Empty for a type without curves. */
    static Optional<HeldBias> of(TubeType type) {
        return TubeModels.of(type.designation()).map(HeldBias::new);
    }

    /**
     * The exponent of dissipation.
     *
     * @param volts plate to cathode, V
     * @param screen screen to cathode, V; empty when not read
     * @param amperes plate current, A, above zero
     * @param ratio mains there over mains now, above 1
     */
    Band exponent(double volts, Optional<Double> screen, double amperes, double ratio) {
        double high = screen.orElse(volts);
        double low = screen.orElse(ModelTrust.LEAST_SCREEN * volts);
        double stiff = solve(volts, high, amperes, ratio, 0);
        double least = solve(volts, low, amperes, ratio, SOFT_SAG) * (1 - FLATTER);
        double usual = solve(volts, high, amperes, ratio, SupplySoftness.SILICON_SAG);
        return new Band(Math.min(least, usual), usual, Math.max(stiff * (1 + STEEPER), usual));
    }

    private double solve(double volts, double screen, double amperes, double ratio, double sag) {
        double grid = model.gridVolts(volts, screen, amperes);
        double ohms = sag * volts / amperes;
        double low = amperes;
        double high = 20 * amperes;
        for (int i = 0; i < STEPS; i++) {
            double middle = (low + high) / 2;
            double there = ratio * (volts + ohms * amperes) - ohms * middle;
            double drawn = there <= 0 ? 0 : model.plateAmperes(there, screen * there / volts, grid);
            if (drawn > middle) {
                low = middle;
            } else {
                high = middle;
            }
        }
        double there = ratio * (volts + ohms * amperes) - ohms * low;
        return Math.log(low * there / (amperes * volts)) / Math.log(ratio);
    }
}
