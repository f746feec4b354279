package yellowrail.core.stage;

import java.util.List;

/**
 * One driven cycle of a stage into a load with memory.
 *
 * @param hertz frequency of the drive, Hz
 * @param drive peak grid volts of each side, V
 * @param watts into the speaker, all harmonics, W
 * @param tubes averages and extremes of each tube
 * @param plateMost highest plate volts to chassis of any side, V
 * @param plateLeast lowest, V
 * @param supplyVolts average B+, V
 * @param screenVolts average screen node, V
 * @param cathodeVolts average volts of each cathode group, V; empty with fixed bias
 */
public record ReactiveCycle(
        double hertz,
        double drive,
        double watts,
        List<Cycle.TubeCycle> tubes,
        double plateMost,
        double plateLeast,
        double supplyVolts,
        double screenVolts,
        List<Double> cathodeVolts) {
    public ReactiveCycle {
        tubes = List.copyOf(tubes);
        cathodeVolts = List.copyOf(cathodeVolts);
    }

    public double hottestPlateWatts() {
        return tubes.stream().mapToDouble(Cycle.TubeCycle::plateWatts).max().orElse(0);
    }

    public double hottestScreenWatts() {
        return tubes.stream().mapToDouble(Cycle.TubeCycle::screenWatts).max().orElse(0);
    }

    /** Largest instantaneous plate current of a tube, A. */
    public double plateAmperes() {
        return tubes.stream().mapToDouble(Cycle.TubeCycle::plateMost).max().orElse(0);
    }
}
