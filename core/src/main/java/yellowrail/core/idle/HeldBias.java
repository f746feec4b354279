package yellowrail.core.idle;

import java.util.Optional;
import yellowrail.core.reading.Band;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.TubeModel;
import yellowrail.core.tube.TubeModels;
import yellowrail.core.tube.TubeType;

/**
 * How this tube's dissipation follows the mains with its bias held constant, by its type's curves: the model is laid
 * through the measured point, plate and screen volts are raised, the grid stays. The band holds the model's error on
 * currents, screens anywhere between 70 % of the plate's volts and the plate's volts when they were not read, and a supply
 * from stiff to as soft as is met with.
 */
final class HeldBias {
    /** Screens behind a dropping resistor or on a supply of their own, as a share of the plate's volts. */
    private static final double LEAST_SCREEN = 0.7;

    private static final int STEPS = 22;

    private final TubeModel model;
    private final double band;

    private HeldBias(TubeModel model, double band) {
        this.model = model;
        this.band = band;
    }

    /** Empty for a type without curves. */
    static Optional<HeldBias> of(TubeType type) {
        Optional<ModelTrust> trust = ModelTrust.of(type.designation());
        return TubeModels.of(type.designation())
                .filter(m -> trust.isPresent())
                .map(m -> new HeldBias(m, trust.get().plateBand()));
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
        double low = screen.orElse(LEAST_SCREEN * volts);
        double least = solve(volts, low, amperes, ratio, 1 / (1 + band), SupplySoftness.MOST_SAG);
        double most = solve(volts, high, amperes, ratio, 1 + band, 0);
        double usual = solve(volts, high, amperes, ratio, 1, SupplySoftness.SILICON_SAG);
        return new Band(Math.min(least, usual), usual, Math.max(most, usual));
    }

    private double solve(double volts, double screen, double amperes, double ratio, double strength, double sag) {
        double grid = model.gridVolts(volts, screen, amperes / strength);
        double ohms = sag * volts / amperes;
        double low = amperes;
        double high = 20 * amperes;
        for (int i = 0; i < STEPS; i++) {
            double middle = (low + high) / 2;
            double there = ratio * (volts + ohms * amperes) - ohms * middle;
            double drawn = there <= 0 ? 0 : strength * model.plateAmperes(there, screen * there / volts, grid);
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
