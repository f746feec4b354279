package yellowrail.core.amp;

import java.util.Optional;

/**
 * A node of the supply that has to be drained and is worth a reading.
 *
 * @param name what the builder calls it
 * @param farads capacitance, F; empty when not known
 * @param ratedVolts the capacitor's rated voltage, V; empty when not known
 */
public record SupplyNode(String name, Optional<Double> farads, Optional<Double> ratedVolts) {
    public SupplyNode {
        if (name.isBlank() || name.length() > 40) {
            throw new IllegalArgumentException("a node's name has 1 to 40 characters");
        }
    }
}
