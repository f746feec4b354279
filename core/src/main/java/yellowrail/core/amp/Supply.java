package yellowrail.core.amp;

import java.util.List;
import java.util.Optional;

/**
 * What feeds the stage.
 *
 * @param mains nominal, lowest and highest mains
 * @param nodes B+ and bias nodes
 * @param chokeOhms choke or B+ resistor for the cross-check of the total, Ω; empty when not used
 * @param windings of the mains transformer
 */
public record Supply(Mains mains, List<SupplyNode> nodes, Optional<Double> chokeOhms, Windings windings) {
    public Supply {
        nodes = List.copyOf(nodes);
    }

    /** The same supply at another place or another mains. */
    public Supply at(Mains other) {
        return new Supply(other, nodes, chokeOhms, windings);
    }

    /** Whether the node of this name stands below the chassis. */
    public boolean below(String node) {
        return nodes.stream().anyMatch(n -> n.below() && n.name().equals(node));
    }
}
