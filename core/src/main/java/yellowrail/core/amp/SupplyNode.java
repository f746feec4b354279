package yellowrail.core.amp;

import java.util.Optional;

/**
 * A node of the supply that has to be drained and is worth a reading.
 *
 * @param name what the builder calls it
 * @param farads capacitance of one capacitor, F; empty when not known
 * @param ratedVolts rated voltage of one capacitor, V; empty when not known
 * @param series how many such capacitors stand in series, 1 to 4; they share the voltage
 * @param below whether it stands below the chassis, as a bias supply does
 */
public record SupplyNode(String name, Optional<Double> farads, Optional<Double> ratedVolts, int series, boolean below) {
    public SupplyNode {
        if (name.isBlank() || name.length() > 40) {
            throw new IllegalArgumentException("a node's name has 1 to 40 characters");
        }
        if (series < 1 || series > 4) {
            throw new IllegalArgumentException(series + " capacitors in series; 1 to 4");
        }
    }

    public static SupplyNode single(String name, Optional<Double> farads, Optional<Double> ratedVolts) {
        return new SupplyNode(name, farads, ratedVolts, 1, false);
    }

    /** The same below the chassis. */
    public SupplyNode belowChassis() {
        return new SupplyNode(name, farads, ratedVolts, series, true);
    }

    /** Capacitance of the whole node, F. */
    public Optional<Double> nodeFarads() {
        return farads.map(f -> f / series);
    }

    /** What the capacitors stand together, V, if they share evenly. */
    public Optional<Double> nodeRatedVolts() {
        return ratedVolts.map(v -> v * series);
    }
}
