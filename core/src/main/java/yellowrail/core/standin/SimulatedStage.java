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
 * @param trims grid volts added at each tube by its own control, V at nominal mains; empty for none
 */
public record SimulatedStage(
        TubeModel model,
        List<Double> strengths,
        double unloadedVolts,
        double supplyOhms,
        double screenVolts,
        double gridVolts,
        double cathodeOhms,
        List<Double> trims) {
    /** Halvings of the total current, which bring it to a millionth of a milliampere. */
    private static final int STEPS = 36;

    /** More than any stage here draws, A for each tube. */
    private static final double MOST = 2;

    public SimulatedStage {
        strengths = List.copyOf(strengths);
        trims = List.copyOf(trims);
        if (!trims.isEmpty() && trims.size() != strengths.size()) {
            throw new IllegalArgumentException(trims.size() + " trims for " + strengths.size() + " tubes");
        }
    }

    public SimulatedStage(
            TubeModel model,
            List<Double> strengths,
            double unloadedVolts,
            double supplyOhms,
            double screenVolts,
            double gridVolts,
            double cathodeOhms) {
        this(model, strengths, unloadedVolts, supplyOhms, screenVolts, gridVolts, cathodeOhms, List.of());
    }

    /** The same stage with its controls turned. */
    public SimulatedStage trimmed(List<Double> volts) {
        return new SimulatedStage(
                model, strengths, unloadedVolts, supplyOhms, screenVolts, gridVolts, cathodeOhms, volts);
    }

    /** Grid to chassis of one tube at a share of nominal mains, V. */
    public double gridAt(int tube, double mainsShare) {
        return (gridVolts + (trims.isEmpty() ? 0 : trims.get(tube))) * mainsShare;
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
        // The more is drawn, the lower the volts and the higher the cathodes: what the tubes would draw then falls.
        double low = 0;
        double high = MOST * strengths.size();
        for (int step = 0; step < STEPS; step++) {
            double total = (low + high) / 2;
            if (state(total, mainsShare).totalAmperes() > total) {
                low = total;
            } else {
                high = total;
            }
        }
        double total = (low + high) / 2;
        return state(total, mainsShare);
    }

    private Idle state(double total, double mainsShare) {
        double plate = unloadedVolts * mainsShare - supplyOhms * total;
        double screen = Double.isNaN(screenVolts) ? plate : screenVolts * mainsShare;
        double cathode = cathodeOhms * total;
        List<Double> plateCurrents = new ArrayList<>();
        List<Double> screenCurrents = new ArrayList<>();
        for (int tube = 0; tube < strengths.size(); tube++) {
            double strength = strengths.get(tube);
            double grid = gridAt(tube, mainsShare) - cathode;
            plateCurrents.add(strength * model.plateAmperes(plate - cathode, screen - cathode, grid));
            screenCurrents.add(strength * model.screenAmperes(plate - cathode, screen - cathode, grid));
        }
        return new Idle(plate, screen, cathode, plateCurrents, screenCurrents);
    }
}
