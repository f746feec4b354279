package yellowrail.core.stage;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.hipparchus.complex.Complex;
import yellowrail.core.reading.Show;

/**
 * Solves a driven stage into a load with memory by harmonic balance: the voltage over the half primary is the inverse
 * transform of Z'(h·f)·D(h), D being the transform of the difference of the sides' currents over one cycle, h = 1 to 32; the
 * transformer passes no DC. The equations of an instant are those of {@link StageSolver}: what they take for the standing
 * difference is an unknown of its own at every instant here, so that the voltage of an instant can be any. One Newton over
 * all instants and averages together; it starts from the resistive solution, or from the frequency solved last.
 *
 * <p>As there: no grid current, no core, no leakage. In heat within 1 % of an independent circuit simulation, in peaks within
 * 3 %, while the load is known, the primary's inductance with it.
 *
 * <p>Not thread-safe.
 */
public final class ReactiveSolver {
    /** Instants of a cycle of what is played: over a resistor its heat is within 1 % of the stage's own averages. */
    private static final int PLAYED = 32;

    private static final int STEPS = 40;
    private static final double VOLTS = 1e-5;
    private static final double PLAYED_VOLTS = 1e-2;
    private static final double LEAST_PART = 1.0 / 64;
    private static final double LEAST_STEP = 1.0 / 512;

    private final Stage stage;
    private final ReflectedLoad load;
    private final Equations equations;
    /** Averages beside the standing difference that are solved with the instants: B+, screen node, cathodes. */
    private final int[] averages;

    /** Where they stand still: what they are. */
    private final Optional<Cycle> standing;

    /** Instants of a cycle. */
    private final int n;

    private final double[] sine;

    private final int size;
    private final Dense newton;
    private final double[][] held;
    private final double[] offset;
    /** What the present residual was computed from: differences and how they move, by instant and average. */
    private final double[] difference;

    private final double[][] moves;
    private final double[] residual;
    private double startedFor = Double.NaN;

    /** Driven by a sine that is held: B+, screens and cathodes go to its averages. */
    public ReactiveSolver(Stage stage, ReflectedLoad load) {
        this(stage, load, Optional.empty(), Instants.ALL);
    }

    /**
     * Driven by what comes and goes within the time of an average: B+, screens and cathodes stand still, and each grid stops
     * at zero volts to its cathode.
     *
     * @param averages of what is played, into a resistor
     */
    public static ReactiveSolver playing(Stage stage, ReflectedLoad load, Cycle averages) {
        return new ReactiveSolver(stage, load, Optional.of(averages), PLAYED);
    }

    private ReactiveSolver(Stage stage, ReflectedLoad load, Optional<Cycle> standing, int n) {
        this.stage = stage;
        this.load = load;
        this.n = n;
        this.standing = standing;
        this.equations = new Equations(stage);
        equations.limited = standing.isPresent();
        this.averages = IntStream.range(0, equations.mean.length)
                .filter(a -> a != 2 && standing.isEmpty())
                .toArray();
        this.sine = IntStream.range(0, n).mapToDouble(j -> Instants.sine(j, n)).toArray();
        this.size = n + averages.length;
        this.newton = new Dense(size);
        this.held = new double[n][];
        this.offset = new double[n];
        this.difference = new double[n];
        this.moves = new double[n][equations.mean.length];
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
        Cycle cycle = standing.orElseGet(() -> new StageSolver(stage).driven(peak));
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
            double[] between = new double[n];
            for (int j = 0; j < n; j++) {
                between[j] = resistive[j] + next * (wanted[j] - resistive[j]);
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
        System.arraycopy(offset, 0, state, 0, n);
        for (int i = 0; i < averages.length; i++) {
            state[n + i] = equations.mean[averages[i]];
        }
        return state;
    }

    private void restore(double[] state) {
        System.arraycopy(state, 0, offset, 0, n);
        for (int i = 0; i < averages.length; i++) {
            equations.mean[averages[i]] = state[n + i];
        }
        Arrays.fill(held, null);
    }

    /** Response of the half-primary volts to a difference current at one instant, Ω, by instants later. */
    private double[] kernel(double hertz) {
        Complex[] z = new Complex[n / 2 + 1];
        for (int h = 1; h <= n / 2; h++) {
            z[h] = load.at(h * hertz).add(stage.secondaryOhms()).divide(stage.pushPull() ? 4 : 1);
        }
        return kernel(z);
    }

    private double[] resistive() {
        Complex[] z = new Complex[n / 2 + 1];
        Arrays.fill(z, new Complex(equations.load));
        return kernel(z);
    }

    private double[] kernel(Complex[] z) {
        double[] kernel = new double[n];
        for (int j = 0; j < n; j++) {
            double sum = z[n / 2].getRealPart() * (j % 2 == 0 ? 1 : -1);
            for (int h = 1; h < n / 2; h++) {
                double angle = 2 * Math.PI * (h * j % n) / n;
                sum += 2 * (z[h].getRealPart() * Math.cos(angle) - z[h].getImaginaryPart() * Math.sin(angle));
            }
            kernel[j] = sum / n;
        }
        return kernel;
    }

    private void settle(double[] kernel, double peak, double hertz) {
        double now = evaluate(kernel, peak);
        for (int step = 0; step < STEPS; step++) {
            if (now < (standing.isPresent() ? PLAYED_VOLTS : VOLTS)) {
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
        for (int j = 0; j < n; j++) {
            offset[j] = from[j] - factor * move[j];
        }
        for (int i = 0; i < averages.length; i++) {
            double value = from[n + i] - factor * move[n + i];
            equations.mean[averages[i]] = averages[i] >= 3 ? Math.max(0, value) : value;
        }
    }

    /** Solves every instant, and leaves the residual and its matrix behind; the largest residual, V. */
    private double evaluate(double[] kernel, double peak) {
        double[][] m = newton.matrix();
        Sums sums = new Sums(equations.tubeCount, equations.mean.length);
        double[][] one = new double[equations.mean.length][equations.mean.length];
        try {
            for (int j = 0; j < n; j++) {
                equations.mean[2] = offset[j];
                if (held[j] == null) {
                    held[j] = j > 0 ? held[j - 1].clone() : equations.unsolved();
                }
                equations.solve(held[j], peak * sine[j]);
                difference[j] = 0;
                for (int t = 0; t < equations.tubeCount; t++) {
                    TubePoint p = equations.point(t);
                    difference[j] += equations.sign(t) * (p.plate + equations.tap * p.screen);
                }
                move(j);
                if (averages.length > 0) {
                    sums.add(equations, 1.0 / n);
                    Sums alone = new Sums(equations.tubeCount, equations.mean.length);
                    alone.add(equations, 1.0 / n);
                    alone.jacobian(equations, one);
                    for (int i = 0; i < averages.length; i++) {
                        m[n + i][j] = one[averages[i]][2];
                    }
                }
            }
        } catch (NoSolution instant) {
            Arrays.fill(held, null);
            return Double.POSITIVE_INFINITY;
        }
        double most = 0;
        double[] miss = averages.length > 0 ? sums.miss(equations) : new double[0];
        if (averages.length > 0) {
            sums.jacobian(equations, one);
        }
        for (int i = 0; i < averages.length; i++) {
            residual[n + i] = miss[averages[i]];
            most = Math.max(most, Math.abs(residual[n + i]));
            for (int k = 0; k < averages.length; k++) {
                m[n + i][n + k] = one[averages[i]][averages[k]];
            }
        }
        for (int j = 0; j < n; j++) {
            residual[j] = equations.load * (difference[j] - offset[j]);
            for (int i = 0; i < averages.length; i++) {
                m[j][n + i] = equations.load * moves[j][averages[i]];
            }
            for (int k = 0; k < n; k++) {
                double h = kernel[(j - k + n) % n];
                residual[j] -= h * difference[k];
                m[j][k] = -h * moves[k][2];
                for (int i = 0; i < averages.length; i++) {
                    m[j][n + i] -= h * moves[k][averages[i]];
                }
            }
            m[j][j] += equations.load * (moves[j][2] - 1);
            most = Math.max(most, Math.abs(residual[j]));
        }
        return Double.isNaN(most) ? Double.POSITIVE_INFINITY : most;
    }

    /** How the difference of an instant moves with its own offset and with the averages. */
    private void move(int j) {
        Arrays.fill(moves[j], 0);
        for (int a = 0; a < moves[j].length; a++) {
            if (a != 2 && averages.length == 0) {
                continue;
            }
            equations.follow(a);
            for (int t = 0; t < equations.tubeCount; t++) {
                moves[j][a] += equations.sign(t) * (equations.plateBy(t, a) + equations.tap * equations.screenBy(t, a));
            }
        }
    }

    private ReactiveCycle totals(double hertz, double peak) {
        double[][] perTube = new double[equations.tubeCount][7];
        for (double[] t : perTube) {
            t[5] = Double.POSITIVE_INFINITY;
        }
        double most = Double.NEGATIVE_INFINITY;
        double least = Double.POSITIVE_INFINITY;
        for (int j = 0; j < n; j++) {
            equations.mean[2] = offset[j];
            equations.evaluate(held[j], peak * sine[j]);
            for (int t = 0; t < equations.tubeCount; t++) {
                TubePoint p = equations.point(t);
                double cathode = equations.cathodeVolts(t);
                double[] sum = perTube[t];
                sum[0] += p.plate / n;
                sum[1] += p.screen / n;
                sum[2] += p.plate * (held[j][equations.tube(t).side()] - cathode) / n;
                sum[3] += p.screen * (held[j][equations.sides + t] - cathode) / n;
                sum[4] = Math.max(sum[4], p.plate);
                sum[5] = Math.min(sum[5], p.plate);
                sum[6] += p.screen * p.screen / n;
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
        for (int h = 1; h < n / 2; h++) {
            double amperes = Harmonics.amplitude(difference, h);
            sum += amperes * amperes / 2 * load.at(h * hertz).getRealPart() / (stage.pushPull() ? 4 : 1);
        }
        return sum;
    }
}
