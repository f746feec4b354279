package yellowrail.core.stage;

import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.BiasScheme;

/**
 * A round of readings as a stage is estimated from it.
 *
 * @param mains share of nominal; empty when not read
 * @param nodeAmperes current of all output tubes on the supply, both channels, A; empty when a tube was not read
 * @param tubes the tubes of the stage in the order of its sockets
 * @param voltsLimit how far B+ at nominal mains may be off by the digits of mains and volts and by the mains' movement, share
 */
public record ReadRound(Optional<Double> mains, Optional<Double> nodeAmperes, List<ReadTube> tubes, double voltsLimit) {
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

    /** Plates to chassis, mean of the tubes, V: B+ less the drop over the windings. */
    public double nodeVolts() {
        return tubes.stream()
                .mapToDouble(t -> t.plateVolts() + t.cathodeVolts())
                .average()
                .orElseThrow();
    }

    /** How far each grid stands from the mean of all, V; empty unless every grid was read. */
    public List<Double> gridsApart() {
        if (tubes.stream().anyMatch(t -> t.gridVolts().isEmpty())) {
            return List.of();
        }
        double mean = tubes.stream()
                .mapToDouble(t -> t.gridVolts().orElseThrow())
                .average()
                .orElseThrow();
        return tubes.stream().map(t -> t.gridVolts().orElseThrow() - mean).toList();
    }

    /**
     * Idle dissipation of the hottest tube, W; carried to nominal mains where mains were read.
     *
     * @param bias how its grids are biased, which tells how dissipation goes with mains
     */
    public double idleWatts(BiasScheme bias) {
        double watts = tubes.stream()
                .mapToDouble(t -> t.plateVolts() * t.plateAmperes())
                .max()
                .orElseThrow();
        return watts * mains.map(m -> bias.dissipationFactor(1 / m)).orElse(1.0);
    }
}
