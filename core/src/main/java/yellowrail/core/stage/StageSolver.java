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
    /** 32 instants are within 0.07 % in power and heat; twice that leaves harmonics up to the ninth clean. */
    private static final int SAMPLES = 64;

    private static final int INNER_STEPS = 60;
    private static final int OUTER_STEPS = 60;
    private static final int FULL_DRIVE_STEPS = 40;
    private static final int POWER_STEPS = 8;
    private static final int RAMP = 12;
    private static final double LEAST_STEP = 1.0 / 256;
    private static final double INNER_VOLTS = 1e-8;
    private static final double OUTER_VOLTS = 1e-6;
    private static final double[] SINE = new double[SAMPLES];

    /** The stage has no memory: the way up from trough to crest repeats the way down, so that half the instants do. */
    private static final int[] FALLING = new int[SAMPLES / 2 + 1];

    private static final int[] STILL = {0};

    static {
        for (int j = 0; j < SAMPLES; j++) {
            SINE[j] = Math.sin(2 * Math.PI * j / SAMPLES);
        }
        for (int i = 0; i < FALLING.length; i++) {
            FALLING[i] = (SAMPLES / 4 + i) % SAMPLES;
        }
    }

    private final Stage stage;
    private final int sides;
    private final int tubeCount;
    private final int unknowns;
    private final int cathodes;
    private final int averages;
    private final boolean pentode;
    private final double tap;
    private final double load;
    private final StageTube[] tubes;
    private final TubePoint[] points;
    private final Dense inner;
    private final Dense outer;
    private final double[] residual;
    private final double[] trial;
    private final double[][] held;
    private final double[][] sensitivity;
    private double[] mean;

    public StageSolver(Stage stage) {
        this.stage = stage;
        this.tubes = stage.tubes().toArray(new StageTube[0]);
        this.sides = stage.pushPull() ? 2 : 1;
        this.tubeCount = tubes.length;
        this.unknowns = sides + tubeCount;
        boolean resistor = stage.biasing().cathodeOhms() > 0;
        this.cathodes = !resistor ? 0 : stage.biasing().shared() ? 1 : tubeCount;
        this.pentode = stage.screenTap() == 0;
        this.averages = 3 + cathodes;
        this.tap = stage.screenTap();
        this.load = stage.halfLoad();
        this.points = new TubePoint[tubeCount];
        for (int t = 0; t < tubeCount; t++) {
            points[t] = new TubePoint();
        }
        this.inner = new Dense(unknowns);
        this.outer = new Dense(averages);
        this.residual = new double[unknowns];
        this.trial = new double[unknowns];
        this.held = new double[SAMPLES][];
        this.sensitivity = new double[averages][unknowns];
    }

    /** The idle state. */
    public Cycle idle() {
        if (mean == null) {
            mean = start();
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
        if (mean == null) {
            idle();
        }
        return solve(peak, SAMPLES);
    }

    /** What one tube went through in the cycle solved last: plate-to-cathode volts and plate amperes at each instant. */
    public List<double[]> path(int tube, double peak) {
        List<double[]> path = new ArrayList<>();
        for (int j = 0; j < SAMPLES; j++) {
            double[] u = held[solvedFor(j)];
            evaluate(u, peak * SINE[j]);
            path.add(new double[] {u[tubes[tube].side()] - cathodeVolts(tube), points[tube].plate});
        }
        return path;
    }

    /** The instant with the same drive that is solved. */
    private static int solvedFor(int j) {
        return j < SAMPLES / 4 || j > 3 * SAMPLES / 4 ? (SAMPLES / 2 - j + SAMPLES) % SAMPLES : j;
    }

    /** How many instants of the cycle this one stands for: crest and trough come once, all else twice. */
    private static int weight(int j, int samples) {
        return samples == 1 || j == SAMPLES / 4 || j == 3 * SAMPLES / 4 ? 1 : 2;
    }

    /** The drive at which the first grid reaches zero volts; with cathode bias the driven cathode volts count. */
    public double fullDrive() {
        double volts = room(idle());
        if (cathodes == 0) {
            return volts;
        }
        double before = volts;
        double missBefore = room(driven(volts)) - volts;
        volts += missBefore;
        for (int i = 0; i < FULL_DRIVE_STEPS; i++) {
            double miss = room(driven(volts)) - volts;
            if (Math.abs(miss) < 1e-6 * Math.max(1, volts)) {
                break;
            }
            double slope = (miss - missBefore) / (volts - before);
            before = volts;
            missBefore = miss;
            // The cathode rises by less than the drive: anything else is rounding near the answer.
            volts = Math.max(0, slope < 0 ? volts - miss / slope : volts + miss);
        }
        return volts;
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
        for (int t = 0; t < tubeCount; t++) {
            double cathode = cathodes == 0 ? 0 : cycle.cathodeVolts().get(cathodes == 1 ? 0 : t);
            least = Math.min(least, cathode - bias(t));
        }
        return Math.max(0, least);
    }

    private double bias(int t) {
        return (tubes[t].side() == 0 ? stage.biasing().gridA() : stage.biasing().gridB()) + tubes[t].gridOffset();
    }

    // Averages: B+, screen node, standing difference, then the cathode groups.

    private double[] start() {
        double[] first = new double[averages];
        first[0] = 0.95 * stage.supplyVolts();
        first[1] = Double.isNaN(stage.screenSupplyVolts()) ? first[0] : stage.screenSupplyVolts();
        for (int c = 0; c < cathodes; c++) {
            first[3 + c] = 0.05 * stage.supplyVolts();
        }
        return first;
    }

    private double cathodeVolts(int t) {
        return cathodes == 0 ? 0 : mean[3 + (cathodes == 1 ? 0 : t)];
    }

    private int cathodeColumn(int t) {
        return cathodes == 0 ? -1 : 3 + (cathodes == 1 ? 0 : t);
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
                mean = before;
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
            Sums sums = new Sums(tubeCount, averages);
            int before = -1;
            for (int j : samples == 1 ? STILL : FALLING) {
                instant(peak * SINE[j], j, before, step == 0 && samples == 1);
                sums.add(this, weight(j, samples));
                before = j;
            }
            double[] miss = sums.miss(this, samples);
            double now = largest(miss);
            if (now < OUTER_VOLTS) {
                return cycle(peak, samples);
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
            sums.jacobian(this, samples, outer.matrix());
            if (!Double.isFinite(now) || !outer.factor(averages)) {
                break;
            }
            outer.solve(averages, miss);
            System.arraycopy(miss, 0, move, 0, averages);
            factor = Math.min(1, 0.3 * stage.supplyVolts() / largest(move));
            advance(from, move, factor);
        }
        throw new NoSolution("The stage could not be solved at a drive of " + Show.significant(peak, 3)
                + " V peak: its averages did not settle (nearest " + Show.significant(nearest, 2) + " V).");
    }

    private void advance(double[] from, double[] move, double factor) {
        for (int i = 0; i < averages; i++) {
            mean[i] = from[i] - factor * move[i];
        }
        for (int c = 0; c < cathodes; c++) {
            mean[3 + c] = Math.max(0, mean[3 + c]);
        }
    }

    private double largest(double[] miss) {
        double most = 0;
        for (int i = 0; i < averages; i++) {
            most = Math.max(most, i == 2 ? Math.abs(miss[i]) * load : Math.abs(miss[i]));
        }
        return most;
    }

    /** Solves one instant and leaves its currents, its factored system and its unknowns behind. */
    private void instant(double drive, int j, int before, boolean afresh) {
        double[] u = held[j];
        if (u == null || afresh) {
            u = new double[unknowns];
            double[] neighbour = before >= 0 ? held[before] : null;
            if (neighbour != null) {
                System.arraycopy(neighbour, 0, u, 0, unknowns);
            } else {
                Arrays.fill(u, 0, sides, mean[0]);
                Arrays.fill(u, sides, unknowns, pentode ? mean[1] : mean[0]);
            }
            held[j] = u;
        }
        double miss = evaluate(u, drive);
        for (int step = 0; step < INNER_STEPS && miss > INNER_VOLTS; step++) {
            fill();
            if (!inner.factor(unknowns)) {
                throw new NoSolution("The stage could not be solved: its equations are singular at one instant.");
            }
            inner.solve(unknowns, residual);
            double[] move = residual.clone();
            double factor = 1;
            double next = Double.POSITIVE_INFINITY;
            for (int halving = 0; halving < 30; halving++) {
                for (int i = 0; i < unknowns; i++) {
                    trial[i] = u[i] - factor * move[i];
                }
                next = evaluate(trial, drive);
                if (next < miss || next < INNER_VOLTS) {
                    break;
                }
                factor /= 2;
            }
            if (!(next < miss) && next > 1e-5) {
                throw new NoSolution("The stage could not be solved: one instant does not converge (nearest "
                        + Show.significant(miss, 2) + " V).");
            }
            System.arraycopy(trial, 0, u, 0, unknowns);
            if (next >= miss) {
                break;
            }
            miss = next;
        }
        fill();
        inner.factor(unknowns);
    }

    /** Residuals of the equations at these unknowns; the largest, V. */
    private double evaluate(double[] u, double drive) {
        double plateA = 0;
        double plateB = 0;
        double screenA = 0;
        double screenB = 0;
        for (int t = 0; t < tubeCount; t++) {
            StageTube tube = tubes[t];
            double cathode = cathodeVolts(t);
            double grid = bias(t) + (tube.side() == 0 ? drive : -drive) - cathode;
            TubePoint p = points[t];
            p.at(tube.model(), tube.scale(), u[tube.side()] - cathode, u[sides + t] - cathode, grid);
            if (tube.side() == 0) {
                plateA += p.plate;
                screenA += p.screen;
            } else {
                plateB += p.plate;
                screenB += p.screen;
            }
        }
        double rdc = stage.halfPrimaryOhms();
        double difference = plateA + tap * screenA - (plateB + tap * screenB);
        double v = load * (difference - mean[2]);
        residual[0] = u[0] - (mean[0] - rdc * (plateA + tap * screenA) - v);
        if (sides == 2) {
            residual[1] = u[1] - (mean[0] - rdc * (plateB + tap * screenB) + v);
        }
        double most = Math.max(Math.abs(residual[0]), sides == 2 ? Math.abs(residual[1]) : 0);
        for (int t = 0; t < tubeCount; t++) {
            boolean a = tubes[t].side() == 0;
            double node = pentode
                    ? mean[1]
                    : mean[0] - rdc * tap * (a ? plateA + screenA : plateB + screenB) - (a ? tap : -tap) * v;
            residual[sides + t] = u[sides + t] - (node - tubes[t].screenOhms() * points[t].screen);
            most = Math.max(most, Math.abs(residual[sides + t]));
        }
        return Double.isNaN(most) ? Double.POSITIVE_INFINITY : most;
    }

    /** The matrix of the equations' slopes at the currents last evaluated. */
    private void fill() {
        double[][] m = inner.matrix();
        double rdc = stage.halfPrimaryOhms();
        for (int i = 0; i < unknowns; i++) {
            Arrays.fill(m[i], 0, unknowns, 0);
            m[i][i] = 1;
        }
        for (int t = 0; t < tubeCount; t++) {
            TubePoint p = points[t];
            int side = tubes[t].side();
            double sign = side == 0 ? 1 : -1;
            int column = sides + t;
            double byPlate = p.plateByPlate + tap * p.screenByPlate;
            double byScreen = p.plateByScreen + tap * p.screenByScreen;
            for (int s = 0; s < sides; s++) {
                double own = s == side ? rdc : 0;
                double swing = (s == 0 ? load : -load) * sign;
                m[s][side] += (own + swing) * byPlate;
                m[s][column] += (own + swing) * byScreen;
            }
            m[column][side] += tubes[t].screenOhms() * p.screenByPlate;
            m[column][column] += tubes[t].screenOhms() * p.screenByScreen;
            if (!pentode) {
                for (int other = 0; other < tubeCount; other++) {
                    int row = sides + other;
                    boolean same = tubes[other].side() == side;
                    double swing = (tubes[other].side() == 0 ? tap : -tap) * load * sign;
                    double drop = same ? rdc * tap : 0;
                    m[row][side] += drop * (p.plateByPlate + p.screenByPlate) + swing * byPlate;
                    m[row][column] += drop * (p.plateByScreen + p.screenByScreen) + swing * byScreen;
                }
            }
        }
    }

    /** How the unknowns of this instant move with one average: −J⁻¹ ∂F/∂average, left in {@link #sensitivity}. */
    void follow(int average) {
        double[] right = sensitivity[average];
        Arrays.fill(right, 0);
        double rdc = stage.halfPrimaryOhms();
        if (average == 0) {
            Arrays.fill(right, 0, sides, 1);
            if (!pentode) {
                Arrays.fill(right, sides, unknowns, 1);
            }
        } else if (average == 1) {
            if (pentode) {
                Arrays.fill(right, sides, unknowns, 1);
            }
        } else if (average == 2) {
            for (int s = 0; s < sides; s++) {
                right[s] = s == 0 ? load : -load;
            }
            for (int t = 0; t < tubeCount && !pentode; t++) {
                right[sides + t] = (tubes[t].side() == 0 ? tap : -tap) * load;
            }
        } else {
            for (int t = 0; t < tubeCount; t++) {
                if (cathodeColumn(t) != average) {
                    continue;
                }
                // All three voltages of the tube fall together when its cathode rises.
                TubePoint p = points[t];
                double plate = -(p.plateByPlate + p.plateByScreen + p.plateByGrid);
                double screen = -(p.screenByPlate + p.screenByScreen + p.screenByGrid);
                int side = tubes[t].side();
                double sign = side == 0 ? 1 : -1;
                double moved = plate + tap * screen;
                for (int s = 0; s < sides; s++) {
                    right[s] -= ((s == side ? rdc : 0) + (s == 0 ? load : -load) * sign) * moved;
                }
                right[sides + t] -= tubes[t].screenOhms() * screen;
                for (int other = 0; other < tubeCount && !pentode; other++) {
                    boolean same = tubes[other].side() == side;
                    double swing = (tubes[other].side() == 0 ? tap : -tap) * load * sign;
                    right[sides + other] -= (same ? rdc * tap : 0) * (plate + screen) + swing * moved;
                }
            }
        }
        inner.solve(unknowns, right);
    }

    /** Change of a tube's plate current with one average, after {@link #follow}. */
    double plateBy(int t, int average) {
        TubePoint p = points[t];
        double[] u = sensitivity[average];
        double change = p.plateByPlate * u[tubes[t].side()] + p.plateByScreen * u[sides + t];
        return cathodeColumn(t) == average ? change - (p.plateByPlate + p.plateByScreen + p.plateByGrid) : change;
    }

    double screenBy(int t, int average) {
        TubePoint p = points[t];
        double[] u = sensitivity[average];
        double change = p.screenByPlate * u[tubes[t].side()] + p.screenByScreen * u[sides + t];
        return cathodeColumn(t) == average ? change - (p.screenByPlate + p.screenByScreen + p.screenByGrid) : change;
    }

    // What the sums need to see.

    TubePoint point(int t) {
        return points[t];
    }

    double[] mean() {
        return mean;
    }

    Stage stage() {
        return stage;
    }

    double tap() {
        return tap;
    }

    boolean pentode() {
        return pentode;
    }

    int cathodes() {
        return cathodes;
    }

    int columnOf(int t) {
        return cathodeColumn(t);
    }

    private Cycle cycle(double peak, int samples) {
        double[] v = new double[samples];
        double[][] perTube = new double[tubeCount][6];
        for (double[] t : perTube) {
            t[5] = Double.POSITIVE_INFINITY;
        }
        double most = Double.NEGATIVE_INFINITY;
        double least = Double.POSITIVE_INFINITY;
        double square = 0;
        double winding = 0;
        double screenResistors = 0;
        for (int j : samples == 1 ? STILL : FALLING) {
            double[] u = held[j];
            double share = (double) weight(j, samples) / samples;
            evaluate(u, peak * SINE[j]);
            double difference = 0;
            for (int t = 0; t < tubeCount; t++) {
                TubePoint p = points[t];
                double sign = tubes[t].side() == 0 ? 1 : -1;
                difference += sign * (p.plate + tap * p.screen);
                double cathode = cathodeVolts(t);
                double[] sum = perTube[t];
                sum[0] += p.plate * share;
                sum[1] += p.screen * share;
                sum[2] += p.plate * (u[tubes[t].side()] - cathode) * share;
                sum[3] += p.screen * (u[sides + t] - cathode) * share;
                sum[4] = Math.max(sum[4], p.plate);
                sum[5] = Math.min(sum[5], p.plate);
            }
            winding += windingWatts() * share;
            screenResistors += screenResistorWatts() * share;
            v[j] = load * (difference - mean[2]);
            v[samples == 1 ? 0 : (SAMPLES / 2 - j + SAMPLES) % SAMPLES] = v[j];
            square += v[j] * v[j] * share;
            for (int s = 0; s < sides; s++) {
                most = Math.max(most, u[s]);
                least = Math.min(least, u[s]);
            }
        }
        List<Double> harmonics = new ArrayList<>();
        double fundamental = samples == 1 ? 0 : Harmonics.amplitude(v, 1);
        for (int h = 2; h <= 9; h++) {
            harmonics.add(fundamental > 1e-9 ? Harmonics.amplitude(v, h) / fundamental : 0);
        }
        List<Double> cathodeVolts = new ArrayList<>();
        for (int c = 0; c < cathodes; c++) {
            cathodeVolts.add(mean[3 + c]);
        }
        List<Cycle.TubeCycle> tubeCycles = new ArrayList<>();
        for (double[] t : perTube) {
            tubeCycles.add(new Cycle.TubeCycle(t[0], t[1], t[2], t[3], t[4], t[5]));
        }
        return new Cycle(
                peak,
                square / load * stage.loadShare(),
                fundamental * fundamental / 2 / load * stage.loadShare(),
                harmonics,
                mean[0],
                pentode ? mean[1] : mean[0],
                cathodeVolts,
                tubeCycles,
                most,
                least,
                supplyWatts(perTube),
                winding + screenResistors + steadyWatts(perTube) + square / load * (1 - stage.loadShare()),
                mean[2]);
    }

    /** Heat in the windings at this instant: both currents flow in the tapped part. */
    private double windingWatts() {
        double heat = 0;
        for (int s = 0; s < sides; s++) {
            double plate = 0;
            double screen = 0;
            for (int t = 0; t < tubeCount; t++) {
                if (tubes[t].side() == s) {
                    plate += points[t].plate;
                    screen += points[t].screen;
                }
            }
            heat += stage.halfPrimaryOhms() * (plate * plate + tap * (2 * plate * screen + screen * screen));
        }
        return heat;
    }

    private double screenResistorWatts() {
        double heat = 0;
        for (int t = 0; t < tubeCount; t++) {
            heat += tubes[t].screenOhms() * points[t].screen * points[t].screen;
        }
        return heat;
    }

    private double supplyWatts(double[][] perTube) {
        double plates = 0;
        double screens = 0;
        for (double[] t : perTube) {
            plates += t[0];
            screens += t[1];
        }
        boolean own = pentode && !Double.isNaN(stage.screenSupplyVolts());
        return own
                ? stage.supplyVolts() * plates + stage.screenSupplyVolts() * screens
                : stage.supplyVolts() * (plates + screens);
    }

    /** Heat where the average current flows: supply, screen feed, cathode resistors. */
    private double steadyWatts(double[][] perTube) {
        double plates = 0;
        double screens = 0;
        double cathodeHeat = 0;
        for (int c = 0; c < cathodes; c++) {
            cathodeHeat += mean[3 + c] * mean[3 + c] / stage.biasing().cathodeOhms();
        }
        for (double[] t : perTube) {
            plates += t[0];
            screens += t[1];
        }
        boolean own = pentode && !Double.isNaN(stage.screenSupplyVolts());
        double fromSupply = own ? plates : plates + screens;
        double feed = pentode ? stage.screenFeedOhms() * screens * screens : 0;
        return stage.supplyOhms() * fromSupply * fromSupply + feed + cathodeHeat;
    }
}
