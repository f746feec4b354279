package yellowrail.core.stage;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import yellowrail.core.reading.Show;

/**
 * Solves a stage over one cycle of a sine. Per instant a damped Newton on the plate volts of each side and the screen
 * volts of each tube; around it a Newton on the averages (B+, screen node, standing difference, cathode volts), whose
 * slopes come from the same factored systems. No grid current: the drive ends where a grid reaches zero volts.
 *
 * <p>Not thread-safe: each solver keeps its arrays and warm starts from what it solved last.
 */
public final class StageSolver {
    private static final int OUTER_STEPS = 60;
    private static final int FULL_DRIVE_STEPS = 40;
    private static final int POWER_STEPS = 8;
    private static final int RAMP = 12;
    private static final double LEAST_STEP = 1.0 / 256;
    private static final double OUTER_VOLTS = 1e-6;
    private final Equations equations;
    private final int averages;
    private final double[] mean;
    private final Dense outer;
    private final double[][] held = new double[Instants.ALL][];
    private boolean started;

    public StageSolver(Stage stage) {
        this.equations = new Equations(stage);
        this.mean = equations.mean;
        this.averages = mean.length;
        this.outer = new Dense(averages);
    }

    /** The idle state. */
    public Cycle idle() {
        if (!started) {
            equations.start();
            started = true;
        }
        return solve(0, 1);
    }

    /**
     * One level of drive.
     *
     * @param peak grid volts, zero or above
     * @throws NoSolution when the equations do not converge, saying at which drive
     */
    public Cycle driven(double peak) {
        if (!started) {
            idle();
        }
        return solve(peak, Instants.ALL);
    }

    /** What one tube went through in the cycle solved last: plate-to-cathode volts and plate amperes at each instant. */
    public List<double[]> path(int tube, double peak) {
        List<double[]> path = new ArrayList<>();
        for (int j = 0; j < Instants.ALL; j++) {
            double[] u = held[Instants.solvedFor(j)];
            equations.evaluate(u, peak * Instants.sine(j));
            path.add(new double[] {
                u[equations.tube(tube).side()] - equations.cathodeVolts(tube), equations.point(tube).plate
            });
        }
        return path;
    }

    /**
     * The drive at which the first grid reaches zero volts; with cathode bias the driven cathode volts count.
     *
     * @throws NoSolution when it does not settle
     */
    public double fullDrive() {
        double volts = room(idle());
        if (equations.cathodes == 0) {
            return volts;
        }
        double before = volts;
        double missBefore = room(driven(volts)) - volts;
        volts += missBefore;
        for (int i = 0; i < FULL_DRIVE_STEPS; i++) {
            double miss = room(driven(volts)) - volts;
            if (Math.abs(miss) < 1e-6 * Math.max(1, volts)) {
                return volts;
            }
            double slope = (miss - missBefore) / (volts - before);
            before = volts;
            missBefore = miss;
            // The cathode rises by less than the drive: anything else is rounding near the answer.
            volts = Math.max(0, slope < 0 ? volts - miss / slope : volts + miss);
        }
        throw new NoSolution(
                "The stage could not be solved: the drive at which its first grid reaches 0 V did not settle"
                        + " (near " + Show.significant(volts, 3) + " V peak).");
    }

    /** The drive that gives this power, W above zero; power goes nearly with the square of the drive. */
    public Cycle giving(double watts, Cycle near) {
        Cycle cycle = near;
        for (int i = 0; i < POWER_STEPS && Math.abs(cycle.watts() / watts - 1) > 1e-3; i++) {
            cycle = driven(cycle.drive() * Math.sqrt(watts / cycle.watts()));
        }
        return cycle;
    }

    private double room(Cycle cycle) {
        double least = Double.POSITIVE_INFINITY;
        for (int t = 0; t < equations.tubeCount; t++) {
            double cathode = equations.cathodes == 0 ? 0 : cycle.cathodeVolts().get(equations.cathodes == 1 ? 0 : t);
            least = Math.min(least, cathode - equations.bias(t));
        }
        return Math.max(0, least);
    }

    /** Straight at the wanted drive; where that fails, in steps from a smaller one. */
    private Cycle solve(double peak, int samples) {
        double[] before = mean.clone();
        try {
            return settle(peak, samples);
        } catch (NoSolution direct) {
            if (samples == 1) {
                throw direct;
            }
            System.arraycopy(before, 0, mean, 0, averages);
            Arrays.fill(held, null);
            try {
                settle(0, 1);
                for (int step = 1; step < RAMP; step++) {
                    settle(peak * step / RAMP, samples);
                }
                return settle(peak, samples);
            } catch (NoSolution ramped) {
                System.arraycopy(before, 0, mean, 0, averages);
                Arrays.fill(held, null);
                throw direct;
            }
        }
    }

    private Cycle settle(double peak, int samples) {
        double nearest = Double.POSITIVE_INFINITY;
        double last = Double.POSITIVE_INFINITY;
        double[] from = mean.clone();
        double[] move = new double[averages];
        double factor = 1;
        for (int step = 0; step < OUTER_STEPS; step++) {
            Sums sums = new Sums(equations.tubeCount, averages);
            int before = -1;
            for (int j : Instants.solved(samples)) {
                instant(peak * Instants.sine(j), j, before, step == 0 && samples == 1);
                sums.add(equations, Instants.weight(j, samples));
                before = j;
            }
            double[] miss = sums.miss(equations, samples);
            double now = largest(miss);
            if (now < OUTER_VOLTS) {
                return CycleTotals.of(equations, held, peak, samples);
            }
            if (now > last && factor > LEAST_STEP) {
                // Too far: half the way from where the step began.
                factor /= 2;
                advance(from, move, factor);
                continue;
            }
            nearest = Math.min(nearest, now);
            last = now;
            factor = 1;
            System.arraycopy(mean, 0, from, 0, averages);
            sums.jacobian(equations, samples, outer.matrix());
            if (!Double.isFinite(now) || !outer.factor(averages)) {
                break;
            }
            outer.solve(averages, miss);
            System.arraycopy(miss, 0, move, 0, averages);
            factor = Math.min(1, 0.3 * equations.stage.supplyVolts() / largest(move));
            advance(from, move, factor);
        }
        throw new NoSolution("The stage could not be solved at a drive of " + Show.significant(peak, 3)
                + " V peak: its averages did not settle (nearest " + Show.significant(nearest, 2) + " V).");
    }

    private void advance(double[] from, double[] move, double factor) {
        for (int i = 0; i < averages; i++) {
            mean[i] = from[i] - factor * move[i];
        }
        for (int c = 0; c < equations.cathodes; c++) {
            mean[3 + c] = Math.max(0, mean[3 + c]);
        }
    }

    private double largest(double[] miss) {
        double most = 0;
        for (int i = 0; i < averages; i++) {
            most = Math.max(most, i == 2 ? Math.abs(miss[i]) * equations.load : Math.abs(miss[i]));
        }
        return most;
    }

    /** Solves one instant from what it was before, or from its neighbour in the cycle. */
    private void instant(double drive, int j, int before, boolean afresh) {
        if (held[j] == null || afresh) {
            held[j] = before >= 0 ? held[before].clone() : equations.unsolved();
        }
        equations.solve(held[j], drive);
    }
}
