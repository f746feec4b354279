package yellowrail.core.stage;

import java.util.List;
import java.util.Optional;

/**
 * A round of readings as a stage is estimated from it.
 *
 * @param mains share of nominal; empty when not read
 * @param nodeAmperes current of all output tubes on the supply, both channels, A; empty when a tube was not read
 * @param tubes the tubes of the stage in the order of its sockets
 */
public record ReadRound(Optional<Double> mains, Optional<Double> nodeAmperes, List<ReadTube> tubes) {
    /**
     * One tube, volts from its cathode.
     *
     * @param name its socket
     * @param plateVolts V
     * @param plateAmperes A
     * @param screenVolts V; empty when not read
     * @param gridVolts below zero, V; empty when not read
     * @param cathodeVolts to chassis, V; zero with fixed bias
     * @param alone whether its current is its own and no mean
     */
    public record ReadTube(
            String name,
            double plateVolts,
            double plateAmperes,
            Optional<Double> screenVolts,
            Optional<Double> gridVolts,
            double cathodeVolts,
            boolean alone) {}

    public ReadRound {
        tubes = List.copyOf(tubes);
    }
}
