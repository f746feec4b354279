package yellowrail.core.stage;

import java.util.List;

/**
 * One driven cycle of a stage, or its idle with a drive of zero.
 *
 * @param drive peak grid volts of each side, V
 * @param watts power into the load, all harmonics, W
 * @param fundamentalWatts power of the fundamental, W
 * @param harmonics share of harmonics 2 to 9 in the fundamental
 * @param supplyVolts average B+ under this load, V
 * @param screenVolts average screen node, V (ultralinear, triode: B+)
 * @param cathodeVolts average volts of each cathode group, V; empty with fixed bias
 * @param tubes averages and extremes of each tube
 * @param plateMost highest plate volts to chassis of any side, V
 * @param plateLeast lowest, V
 * @param supplyWatts what the unloaded supply gives, W
 * @param resistorWatts heat in everything that is neither tube nor load: supply, feeds, windings, cathode resistors, W
 * @param standingDifference the difference of the sides' average currents, which magnetises the core, A
 */
public record Cycle(
        double drive,
        double watts,
        double fundamentalWatts,
        List<Double> harmonics,
        double supplyVolts,
        double screenVolts,
        List<Double> cathodeVolts,
        List<TubeCycle> tubes,
        double plateMost,
        double plateLeast,
        double supplyWatts,
        double resistorWatts,
        double standingDifference) {
    /**
     * One tube over the cycle.
     *
     * @param plateAmperes average, A
     * @param screenAmperes average, A
     * @param plateWatts average dissipation, W
     * @param screenWatts average, W
     * @param plateMost largest plate current, A
     * @param plateLeast smallest, A
     * @param screenSquare average of the square of the screen current, A²: what heats the tube's own resistor there
     */
    public record TubeCycle(
            double plateAmperes,
            double screenAmperes,
            double plateWatts,
            double screenWatts,
            double plateMost,
            double plateLeast,
            double screenSquare) {}

    public Cycle {
        harmonics = List.copyOf(harmonics);
        cathodeVolts = List.copyOf(cathodeVolts);
        tubes = List.copyOf(tubes);
    }

    /** Total harmonic distortion from harmonics 2 to 9, as a share of the fundamental. */
    public double distortion() {
        return Math.sqrt(harmonics.stream().mapToDouble(h -> h * h).sum());
    }

    /**
     * Average plate to cathode of the tube that has most, V; with drive the drop over the windings is left out, so that the
     * figure lies above the true one.
     */
    public double plateToCathodeVolts() {
        if (drive == 0) {
            return tubes.stream()
                    .filter(t -> t.plateAmperes() > 0)
                    .mapToDouble(t -> t.plateWatts() / t.plateAmperes())
                    .max()
                    .orElse(supplyVolts);
        }
        return supplyVolts - leastCathodeVolts();
    }

    /** Screen node to cathode of the tube that has most, V; the drop over the tubes' own resistors is left out. */
    public double screenToCathodeVolts() {
        return screenVolts - leastCathodeVolts();
    }

    /** Average of the lowest cathode, V; 0 with fixed bias. */
    public double leastCathodeVolts() {
        return cathodeVolts.stream().mapToDouble(v -> v).min().orElse(0);
    }

    public double hottestPlateWatts() {
        return tubes.stream().mapToDouble(TubeCycle::plateWatts).max().orElse(0);
    }

    public double hottestScreenWatts() {
        return tubes.stream().mapToDouble(TubeCycle::screenWatts).max().orElse(0);
    }

    /** Largest average cathode current of a tube, A. */
    public double cathodeAmperes() {
        return tubes.stream()
                .mapToDouble(t -> t.plateAmperes() + t.screenAmperes())
                .max()
                .orElse(0);
    }
}
