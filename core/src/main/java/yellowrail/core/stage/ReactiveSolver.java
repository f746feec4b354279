package yellowrail.core.stage;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.hipparchus.complex.Complex;
import yellowrail.core.reading.Show;

/**
 * Solves a driven stage into a load with memory by harmonic balance: the voltage over the half primary is the inverse
 * transform of Z'(h·f)·D(h), D being the transform of the difference of the sides' currents over one cycle, h = 1 to 32; the
 * transformer passes no DC. The equations of an instant are those of {@link StageSolver}: what they take for the standing
 * difference is an unknown of its own at every instant here, so that the voltage of an instant can be any. One Newton over
 * all instants and averages together; it starts from the resistive solution, or from the frequency solved last.
 *
 * <p>As there: no grid current, no core, no leakage. Within 3 % of an independent circuit simulation in heat and peaks.
 *
 * <p>Not thread-safe.
 */
public final class ReactiveSolver {
    private static final int N = Instants.ALL;
    private static final int STEPS = 40;
    private static final double VOLTS = 1e-5;
    private static final double LEAST_PART = 1.0 / 64;
    private static final double LEAST_STEP = 1.0 / 512;

    private final Stage stage;
    private final ReflectedLoad load;
    private final Equations equations;
    /** Averages beside the standing difference: B+, screen node, cathodes. */
    private final int[] averages;

    private final int size;
    private final Dense newton;
    private final double[][] held = new double[N][];
    private final double[] offset = new double[N];
    /** What the present residual was computed from: differences and how they move, by instant and average. */
    private final double[] difference = new double[N];

    private final double[][] moves;
    private final double[] residual;
    private double startedFor = Double.NaN;

    public ReactiveSolver(Stage stage, ReflectedLoad load) {
        this.stage = stage;
        this.load = load;
        this.equations = new Equations(stage);
        this.averages = new int[equations.mean.length - 1];
        for (int i = 0, a = 0; a < equations.mean.length; a++) {
            if (a != 2) {
                averages[i++] = a;
            }
        }
        this.size = N + averages.length;
        this.newton = new Dense(size);
        this.moves = new double[N][equations.mean.length];
        this.residual = new double[size];
    }

    /**
     * One frequency at one level of drive.
     *
     * @param hertz above 0
     * @param peak grid volts, above zero
     * @throws NoSolution when it does not converge, saying at which frequency
     */
    public ReactiveCycle at(double hertz, double peak) {
        if (startedFor != peak) {
            begin(peak);
        }
        double[] kernel = kernel(hertz);
        double[] before = state();
        try {
            settle(kernel, peak, hertz);
        } catch (NoSolution direct) {
            restore(before);
            begin(peak);
            walk(hertz, peak);
        }
        return totals(hertz, peak);
    }

    private void begin(double peak) {
        Cycle cycle = new StageSolver(stage).driven(peak);
        equations.mean[0] = cycle.supplyVolts();
        equations.mean[1] = cycle.screenVolts();
        for (int c = 0; c < equations.cathodes; c++) {
            equations.mean[3 + c] = cycle.cathodeVolts().get(c);
        }
        Arrays.fill(offset, cycle.standingDifference());
        Arrays.fill(held, null);
        startedFor = peak;
    }

    /** From the resistive load to the speaker in parts of the way. */
    private void walk(double hertz, double peak) {
        double[] resistive = resistive();
        double[] wanted = kernel(hertz);
        double done = 0;
        double part = 0.25;
        while (done < 1) {
            double next = Math.min(1, done + part);
            double[] between = new double[N];
            for (int n = 0; n < N; n++) {
                between[n] = resistive[n] + next * (wanted[n] - resistive[n]);
            }
            double[] before = state();
            try {
                settle(between, peak, hertz);
                done = next;
                part = Math.min(0.5, part * 2);
            } catch (NoSolution far) {
                restore(before);
                part /= 2;
                if (part < LEAST_PART) {
                    startedFor = Double.NaN;
                    throw far;
                }
            }
        }
    }

    private double[] state() {
        double[] state = new double[size];
        System.arraycopy(offset, 0, state, 0, N);
        for (int i = 0; i < averages.length; i++) {
            state[N + i] = equations.mean[averages[i]];
        }
        return state;
    }

    private void restore(double[] state) {
        System.arraycopy(state, 0, offset, 0, N);
        for (int i = 0; i < averages.length; i++) {
            equations.mean[averages[i]] = state[N + i];
        }
        Arrays.fill(held, null);
    }

    /** Response of the half-primary volts to a difference current at one instant, Ω, by instants later. */
    private double[] kernel(double hertz) {
        Complex[] z = new Complex[N / 2 + 1];
        for (int h = 1; h <= N / 2; h++) {
            z[h] = load.at(h * hertz).add(stage.secondaryOhms()).divide(stage.pushPull() ? 4 : 1);
        }
        return kernel(z);
    }

    private double[] resistive() {
        Complex[] z = new Complex[N / 2 + 1];
        Arrays.fill(z, new Complex(equations.load));
        return kernel(z);
    }

    private static double[] kernel(Complex[] z) {
        double[] kernel = new double[N];
        for (int n = 0; n < N; n++) {
            double sum = z[N / 2].getRealPart() * (n % 2 == 0 ? 1 : -1);
            for (int h = 1; h < N / 2; h++) {
                double angle = 2 * Math.PI * (h * n % N) / N;
                sum += 2 * (z[h].getRealPart() * Math.cos(angle) - z[h].getImaginaryPart() * Math.sin(angle));
            }
            kernel[n] = sum / N;
        }
        return kernel;
    }

    private void settle(double[] kernel, double peak, double hertz) {
        double now = evaluate(kernel, peak);
        for (int step = 0; step < STEPS; step++) {
            if (now < VOLTS) {
                return;
            }
            double[] from = state();
            double[] move = residual.clone();
            if (!newton.factor(size)) {
                break;
            }
            newton.solve(size, move);
            double factor = 1;
            double next = Double.POSITIVE_INFINITY;
            while (factor > LEAST_STEP) {
                advance(from, move, factor);
                next = evaluate(kernel, peak);
                if (next < now) {
                    break;
                }
                factor /= 2;
            }
            if (!(next < now)) {
                break;
            }
            now = next;
        }
        throw new NoSolution("The stage could not be solved into this speaker at " + Show.significant(hertz, 3)
                + " Hz: nearest " + Show.significant(now, 2) + " V.");
    }

    private void advance(double[] from, double[] move, double factor) {
        for (int j = 0; j < N; j++) {
            offset[j] = from[j] - factor * move[j];
        }
        for (int i = 0; i < averages.length; i++) {
            double value = from[N + i] - factor * move[N + i];
            equations.mean[averages[i]] = averages[i] >= 3 ? Math.max(0, value) : value;
        }
    }

    /** Solves every instant, and leaves the residual and its matrix behind; the largest residual, V. */
    private double evaluate(double[] kernel, double peak) {
        double[][] m = newton.matrix();
        Sums sums = new Sums(equations.tubeCount, equations.mean.length);
        double[][] one = new double[equations.mean.length][equations.mean.length];
        try {
            for (int j = 0; j < N; j++) {
                equations.mean[2] = offset[j];
                if (held[j] == null) {
                    held[j] = j > 0 ? held[j - 1].clone() : equations.unsolved();
                }
                equations.solve(held[j], peak * Instants.sine(j));
                sums.add(equations, 1.0 / N);
                difference[j] = 0;
                Arrays.fill(moves[j], 0);
                for (int t = 0; t < equations.tubeCount; t++) {
                    TubePoint p = equations.point(t);
                    difference[j] += equations.sign(t) * (p.plate + equations.tap * p.screen);
                    for (int a = 0; a < moves[j].length; a++) {
                        moves[j][a] += equations.sign(t)
                                * (equations.plateBy(t, a) + equations.tap * equations.screenBy(t, a));
                    }
                }
                Sums alone = new Sums(equations.tubeCount, equations.mean.length);
                alone.add(equations, 1.0 / N);
                alone.jacobian(equations, one);
                for (int i = 0; i < averages.length; i++) {
                    m[N + i][j] = one[averages[i]][2];
                }
            }
        } catch (NoSolution instant) {
            Arrays.fill(held, null);
            return Double.POSITIVE_INFINITY;
        }
        double most = 0;
        double[] miss = sums.miss(equations);
        sums.jacobian(equations, one);
        for (int i = 0; i < averages.length; i++) {
            residual[N + i] = miss[averages[i]];
            most = Math.max(most, Math.abs(residual[N + i]));
            for (int k = 0; k < averages.length; k++) {
                m[N + i][N + k] = one[averages[i]][averages[k]];
            }
        }
        for (int j = 0; j < N; j++) {
            residual[j] = equations.load * (difference[j] - offset[j]);
            for (int i = 0; i < averages.length; i++) {
                m[j][N + i] = equations.load * moves[j][averages[i]];
            }
            for (int k = 0; k < N; k++) {
                double h = kernel[(j - k + N) % N];
                residual[j] -= h * difference[k];
                m[j][k] = -h * moves[k][2];
                for (int i = 0; i < averages.length; i++) {
                    m[j][N + i] -= h * moves[k][averages[i]];
                }
            }
            m[j][j] += equations.load * (moves[j][2] - 1);
            most = Math.max(most, Math.abs(residual[j]));
        }
        return Double.isNaN(most) ? Double.POSITIVE_INFINITY : most;
    }

    private ReactiveCycle totals(double hertz, double peak) {
        double[][] perTube = new double[equations.tubeCount][7];
        for (double[] t : perTube) {
            t[5] = Double.POSITIVE_INFINITY;
        }
        double most = Double.NEGATIVE_INFINITY;
        double least = Double.POSITIVE_INFINITY;
        for (int j = 0; j < N; j++) {
            equations.mean[2] = offset[j];
            equations.evaluate(held[j], peak * Instants.sine(j));
            for (int t = 0; t < equations.tubeCount; t++) {
                TubePoint p = equations.point(t);
                double cathode = equations.cathodeVolts(t);
                double[] sum = perTube[t];
                sum[0] += p.plate / N;
                sum[1] += p.screen / N;
                sum[2] += p.plate * (held[j][equations.tube(t).side()] - cathode) / N;
                sum[3] += p.screen * (held[j][equations.sides + t] - cathode) / N;
                sum[4] = Math.max(sum[4], p.plate);
                sum[5] = Math.min(sum[5], p.plate);
                sum[6] += p.screen * p.screen / N;
            }
            for (int s = 0; s < equations.sides; s++) {
                most = Math.max(most, held[j][s]);
                least = Math.min(least, held[j][s]);
            }
        }
        List<Cycle.TubeCycle> tubes = new ArrayList<>();
        for (double[] t : perTube) {
            tubes.add(new Cycle.TubeCycle(t[0], t[1], t[2], t[3], t[4], t[5], t[6]));
        }
        List<Double> cathodes = new ArrayList<>();
        for (int group = 0; group < equations.cathodes; group++) {
            cathodes.add(equations.mean[3 + group]);
        }
        return new ReactiveCycle(
                hertz, peak, watts(hertz), tubes, most, least, equations.mean[0], equations.mean[1], cathodes);
    }

    /** What the speaker takes of the difference current's harmonics. */
    private double watts(double hertz) {
        double sum = 0;
        for (int h = 1; h < N / 2; h++) {
            double amperes = Harmonics.amplitude(difference, h);
            sum += amperes * amperes / 2 * load.at(h * hertz).getRealPart() / (stage.pushPull() ? 4 : 1);
        }
        return sum;
    }
}
