package yellowrail.core.stage;

import java.util.Arrays;
import yellowrail.core.reading.Show;

/**
 * The equations of a stage at one instant: plate volts of each side and screen volts of each tube, with the averages of the
 * cycle given; and how they move with those averages. Reused, so that a cycle allocates little.
 */
final class Equations {
    private static final int STEPS = 60;
    private static final double VOLTS = 1e-8;

    final Stage stage;
    final int sides;
    final int tubeCount;
    final int unknowns;
    final int cathodes;
    final boolean pentode;
    final double tap;
    final double load;

    /** Averages: B+, screen node, standing difference of the sides in A, then the cathode groups. */
    final double[] mean;

    /** Whether each grid stops at zero volts to its cathode. */
    boolean limited;

    /** How the drive of side 0 at this instant moves with each average, V by the average's unit. */
    final double[] driveBy;

    private final StageTube[] tubes;
    private final TubePoint[] points;
    private final Dense inner;
    private final double[] residual;
    private final double[] trial;
    private final double[][] sensitivity;

    Equations(Stage stage) {
        this.stage = stage;
        this.tubes = stage.tubes().toArray(new StageTube[0]);
        this.sides = stage.pushPull() ? 2 : 1;
        this.tubeCount = tubes.length;
        this.unknowns = sides + tubeCount;
        boolean resistor = stage.biasing().cathodeOhms() > 0;
        this.cathodes = !resistor ? 0 : stage.biasing().shared() ? 1 : tubeCount;
        this.pentode = stage.screenTap() == 0;
        this.tap = stage.screenTap();
        this.load = stage.halfLoad();
        this.mean = new double[3 + cathodes];
        this.driveBy = new double[mean.length];
        this.points = new TubePoint[tubeCount];
        for (int t = 0; t < tubeCount; t++) {
            points[t] = new TubePoint();
        }
        this.inner = new Dense(unknowns);
        this.residual = new double[unknowns];
        this.trial = new double[unknowns];
        this.sensitivity = new double[mean.length][unknowns];
    }

    /** What the averages are taken to be before anything is solved. */
    void start() {
        Arrays.fill(mean, 0);
        mean[0] = 0.95 * stage.supplyVolts();
        mean[1] = Double.isNaN(stage.screenSupplyVolts()) ? mean[0] : stage.screenSupplyVolts();
        for (int c = 0; c < cathodes; c++) {
            mean[3 + c] = 0.05 * stage.supplyVolts();
        }
    }

    /** A start for an instant of which nothing is known. */
    double[] unsolved() {
        double[] u = new double[unknowns];
        Arrays.fill(u, 0, sides, mean[0]);
        Arrays.fill(u, sides, unknowns, pentode ? mean[1] : mean[0]);
        return u;
    }

    TubePoint point(int t) {
        return points[t];
    }

    StageTube tube(int t) {
        return tubes[t];
    }

    double sign(int t) {
        return tubes[t].side() == 0 ? 1 : -1;
    }

    double cathodeVolts(int t) {
        return cathodes == 0 ? 0 : mean[cathodeColumn(t)];
    }

    /** Which average is this tube's cathode; −1 for none. */
    int cathodeColumn(int t) {
        return cathodes == 0 ? -1 : 3 + (cathodes == 1 ? 0 : t);
    }

    double bias(int t) {
        return (tubes[t].side() == 0 ? stage.biasing().gridA() : stage.biasing().gridB()) + tubes[t].gridOffset();
    }

    /** The drive that just brings the first grid to zero volts, V; 0 where one stands there. */
    double room() {
        return Math.max(0, roomOf(first()));
    }

    /** The average that {@link #room} moves with; −1 for none. */
    int roomColumn() {
        return room() > 0 ? cathodeColumn(first()) : -1;
    }

    private int first() {
        int first = 0;
        for (int t = 1; t < tubeCount; t++) {
            first = roomOf(t) < roomOf(first) ? t : first;
        }
        return first;
    }

    private double roomOf(int t) {
        return cathodeVolts(t) - bias(t);
    }

    /**
     * Solves one instant by a damped Newton and leaves its currents, its factored system and its unknowns behind.
     *
     * @param u plate volts of each side, then screen volts of each tube, to chassis, V: a start, and then the answer
     * @param drive of side 0, V
     */
    void solve(double[] u, double drive) {
        double miss = evaluate(u, drive);
        for (int step = 0; step < STEPS && miss > VOLTS; step++) {
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
                if (next < miss || next < VOLTS) {
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
    double evaluate(double[] u, double drive) {
        double plateA = 0;
        double plateB = 0;
        double screenA = 0;
        double screenB = 0;
        for (int t = 0; t < tubeCount; t++) {
            StageTube tube = tubes[t];
            double cathode = cathodeVolts(t);
            double grid = bias(t) + (tube.side() == 0 ? drive : -drive) - cathode;
            TubePoint p = points[t];
            boolean stopped = limited && grid > 0;
            p.at(tube.model(), tube.scale(), u[tube.side()] - cathode, u[sides + t] - cathode, stopped ? 0 : grid);
            if (stopped) {
                p.plateByGrid = 0;
                p.screenByGrid = 0;
            }
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
        }
        for (int t = 0; t < tubeCount; t++) {
            double plate = plateDirectly(t, average);
            double screen = screenDirectly(t, average);
            if (plate != 0 || screen != 0) {
                push(right, t, plate, screen);
            }
        }
        inner.solve(unknowns, right);
    }

    /** What the unknowns are pushed by when the currents of a tube change by so much. */
    private void push(double[] right, int t, double plate, double screen) {
        double rdc = stage.halfPrimaryOhms();
        int side = tubes[t].side();
        double moved = plate + tap * screen;
        for (int s = 0; s < sides; s++) {
            right[s] -= ((s == side ? rdc : 0) + (s == 0 ? load : -load) * sign(t)) * moved;
        }
        right[sides + t] -= tubes[t].screenOhms() * screen;
        for (int other = 0; other < tubeCount && !pentode; other++) {
            boolean same = tubes[other].side() == side;
            double swing = (tubes[other].side() == 0 ? tap : -tap) * load * sign(t);
            right[sides + other] -= (same ? rdc * tap : 0) * (plate + screen) + swing * moved;
        }
    }

    /** Change of a tube's plate current with one average while its plate and screen stand still. */
    private double plateDirectly(int t, int average) {
        TubePoint p = points[t];
        // All three voltages of the tube fall together when its cathode rises.
        double risen = cathodeColumn(t) == average ? -(p.plateByPlate + p.plateByScreen + p.plateByGrid) : 0;
        return risen + sign(t) * driveBy[average] * p.plateByGrid;
    }

    private double screenDirectly(int t, int average) {
        TubePoint p = points[t];
        double risen = cathodeColumn(t) == average ? -(p.screenByPlate + p.screenByScreen + p.screenByGrid) : 0;
        return risen + sign(t) * driveBy[average] * p.screenByGrid;
    }

    /** Change of a tube's plate current with one average, after {@link #follow}. */
    double plateBy(int t, int average) {
        TubePoint p = points[t];
        double[] u = sensitivity[average];
        return p.plateByPlate * u[tubes[t].side()] + p.plateByScreen * u[sides + t] + plateDirectly(t, average);
    }

    double screenBy(int t, int average) {
        TubePoint p = points[t];
        double[] u = sensitivity[average];
        return p.screenByPlate * u[tubes[t].side()] + p.screenByScreen * u[sides + t] + screenDirectly(t, average);
    }
}
