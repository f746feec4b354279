package yellowrail.core.stage;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import yellowrail.core.amp.Duty;
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
    private static final int POWER_STEPS = 8;
    private static final int RAMP = 12;
    private static final double LEAST_STEP = 1.0 / 256;
    private static final double OUTER_VOLTS = 1e-6;
    private final Equations equations;
    private final int averages;
    private final double[] mean;
    private final Dense outer;
    private final Map<Waveform, double[][]> held = new IdentityHashMap<>();
    private boolean started;

    /**
     * How far the grids are driven.
     *
     * @param volts peak, V
     * @param ofFull beside them, a share of the drive that brings the first grid to zero volts at these very averages
     */
    private record Level(double volts, double ofFull) {
        Level times(double part) {
            return new Level(part * volts, part * ofFull);
        }
    }

    private static final Level FULL = new Level(0, 1);
    private static final Level NONE = new Level(0, 0);

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
        return solve(Waveform.STILL, NONE);
    }

    /**
     * One level of drive.
     *
     * @param peak grid volts, zero or above
     * @throws NoSolution when the equations do not converge, saying at which drive
     */
    public Cycle driven(double peak) {
        return from(Waveform.SINE, new Level(peak, 0));
    }

    /**
     * Driven by a sine until the first grid reaches zero volts; with cathode bias the driven cathode volts count.
     *
     * @throws NoSolution when it does not settle
     */
    public Cycle full() {
        return from(Waveform.SINE, FULL);
    }

    /**
     * Driven by what is played. Its averages are those of all the time; its drive is the full one at these averages.
     *
     * @param duty one of {@link Duty#PLAYED}
     */
    public Cycle played(Duty duty) {
        return from(Waveform.of(duty), FULL);
    }

    private Cycle from(Waveform wave, Level level) {
        if (!started) {
            idle();
        }
        return solve(wave, level);
    }

    /** What one tube went through in the cycle solved last: plate-to-cathode volts and plate amperes at each instant. */
    public List<double[]> path(int tube, double peak) {
        List<double[]> path = new ArrayList<>();
        for (int j = 0; j < Instants.ALL; j++) {
            double[] u = held.get(Waveform.SINE)[Instants.solvedFor(j)];
            equations.evaluate(u, peak * Instants.sine(j));
            path.add(new double[] {
                u[equations.tube(tube).side()] - equations.cathodeVolts(tube), equations.point(tube).plate
            });
        }
        return path;
    }

    /** The drive that gives this power, W above zero; power goes nearly with the square of the drive. */
    public Cycle giving(double watts, Cycle near) {
        Cycle cycle = near;
        for (int i = 0; i < POWER_STEPS && Math.abs(cycle.watts() / watts - 1) > 1e-3; i++) {
            cycle = driven(cycle.drive() * Math.sqrt(watts / cycle.watts()));
        }
        return cycle;
    }

    /** Straight at the wanted drive; where that fails, in steps from a smaller one. */
    private Cycle solve(Waveform wave, Level level) {
        double[] before = mean.clone();
        try {
            return settle(wave, level);
        } catch (NoSolution direct) {
            if (wave == Waveform.STILL) {
                throw direct;
            }
            System.arraycopy(before, 0, mean, 0, averages);
            held.clear();
            try {
                settle(Waveform.STILL, NONE);
                for (int step = 1; step < RAMP; step++) {
                    settle(wave, level.times((double) step / RAMP));
                }
                return settle(wave, level);
            } catch (NoSolution ramped) {
                System.arraycopy(before, 0, mean, 0, averages);
                held.clear();
                throw direct;
            }
        }
    }

    private Cycle settle(Waveform wave, Level level) {
        double nearest = Double.POSITIVE_INFINITY;
        double last = Double.POSITIVE_INFINITY;
        double[] from = mean.clone();
        double[] move = new double[averages];
        double factor = 1;
        double peak = 0;
        equations.limited = wave.limited();
        for (int step = 0; step < OUTER_STEPS; step++) {
            peak = level.volts() + level.ofFull() * equations.room();
            Sums sums = sums(wave, peak, level.ofFull(), step == 0 && wave == Waveform.STILL);
            double[] miss = sums.miss(equations);
            double now = largest(miss);
            if (now < OUTER_VOLTS) {
                return CycleTotals.of(equations, held.get(wave), peak, wave);
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
            sums.jacobian(equations, outer.matrix());
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

    /** Solves every instant, each from what it was before or from the one beside it, and adds them up. */
    private Sums sums(Waveform wave, double peak, double ofFull, boolean afresh) {
        Sums sums = new Sums(equations.tubeCount, averages);
        double[] shares = wave.shares();
        double[][] unknowns = held.computeIfAbsent(wave, w -> new double[shares.length][]);
        int moves = equations.roomColumn();
        Arrays.fill(equations.driveBy, 0);
        for (int i = 0; i < shares.length; i++) {
            if (unknowns[i] == null || afresh) {
                unknowns[i] = i > 0 ? unknowns[i - 1].clone() : equations.unsolved();
            }
            if (moves >= 0) {
                equations.driveBy[moves] = shares[i] * ofFull;
            }
            equations.solve(unknowns[i], peak * shares[i]);
            sums.add(equations, wave.parts()[i]);
        }
        return sums;
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
}
