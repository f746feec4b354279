package yellowrail.core.standin;

import java.util.ArrayList;
import java.util.List;
import yellowrail.core.tube.TubeModel;

/**
 * An output stage at idle, computed from the tube model: tubes in parallel on one supply, each with its own strength.
 *
 * @param model the tubes' model
 * @param strengths scale of each tube's currents, 1 for an average one
 * @param unloadedVolts B+ without load at nominal mains, V
 * @param supplyOhms source resistance of the supply, Ω
 * @param screenVolts screen supply at nominal mains, V; NaN when the screens hang on B+
 * @param gridVolts fixed grid bias at nominal mains, V, zero with cathode bias
 * @param cathodeOhms cathode resistor shared by all tubes, Ω; zero with fixed bias
 */
public record SimulatedStage(
        TubeModel model,
        List<Double> strengths,
        double unloadedVolts,
        double supplyOhms,
        double screenVolts,
        double gridVolts,
        double cathodeOhms) {
    private static final int STEPS = 400;

    /** How far each step goes toward the new currents; small enough for every supply and cathode resistor here. */
    private static final double RELAX = 0.15;

    public SimulatedStage {
        strengths = List.copyOf(strengths);
    }

    /** One idle state. Voltages to chassis. */
    public record Idle(
            double plateVolts, double screenVolts, double cathodeVolts, List<Double> plate, List<Double> screen) {
        public double cathodeAmperes(int tube) {
            return plate.get(tube) + screen.get(tube);
        }

        public double totalAmperes() {
            double total = 0;
            for (int i = 0; i < plate.size(); i++) {
                total += cathodeAmperes(i);
            }
            return total;
        }
    }

    /** The idle state at a share of nominal mains; B+, screens and a tracking grid supply scale with it. */
    public Idle idle(double mainsShare) {
        double total = 0.02 * strengths.size();
        for (int step = 0; step < STEPS; step++) {
            total += RELAX * (state(total, mainsShare).totalAmperes() - total);
        }
        return state(total, mainsShare);
    }

    private Idle state(double total, double mainsShare) {
        double plate = unloadedVolts * mainsShare - supplyOhms * total;
        double screen = Double.isNaN(screenVolts) ? plate : screenVolts * mainsShare;
        double cathode = cathodeOhms * total;
        double grid = gridVolts * mainsShare - cathode;
        List<Double> plateCurrents = new ArrayList<>();
        List<Double> screenCurrents = new ArrayList<>();
        for (double strength : strengths) {
            plateCurrents.add(strength * model.plateAmperes(plate - cathode, screen - cathode, grid));
            screenCurrents.add(strength * model.screenAmperes(plate - cathode, screen - cathode, grid));
        }
        return new Idle(plate, screen, cathode, plateCurrents, screenCurrents);
    }
}
