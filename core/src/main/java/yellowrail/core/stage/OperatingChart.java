package yellowrail.core.stage;

import java.util.ArrayList;
import java.util.List;
import yellowrail.core.tube.TubeModel;

/**
 * One tube's plate curves and what it goes through at full drive. Volts from the cathode, amperes.
 *
 * @param screenVolts screen to cathode with the plate at rest, V
 * @param follows which share of the plate's swing the screens follow: 0 pentode, the tap, 1 triode; so do the curves
 * @param idleCathodeVolts cathode to chassis at idle, V; zero with fixed bias
 * @param drivenCathodeVolts the same at full drive, V
 * @param curves plate curves of this connection from zero grid volts down
 * @param idle the idle point
 * @param path one cycle at full drive
 * @param mirrored the other tube's cycle, its volts counted down from twice the idle volts and its current downward;
 *     empty single-ended
 * @param composite the difference of both currents over this tube's volts; empty single-ended
 */
public record OperatingChart(
        double screenVolts,
        double follows,
        double idleCathodeVolts,
        double drivenCathodeVolts,
        List<Curve> curves,
        Point idle,
        List<Point> path,
        List<Point> mirrored,
        List<Point> composite) {
    private static final int CURVES = 8;
    private static final int POINTS = 60;

    /** A point: V, A and their W. */
    public record Point(double volts, double amperes, double watts) {
        Point(double volts, double amperes) {
            this(volts, amperes, volts * amperes);
        }
    }

    /** A plate curve at one grid voltage, V. */
    public record Curve(double grid, List<Point> points) {}

    public static OperatingChart of(Stage stage, DriveSweep sweep) {
        StageSolver solver = new StageSolver(stage);
        Cycle idle = solver.idle();
        double peak = sweep.full().drive();
        Cycle full = solver.driven(peak);
        StageTube tube = stage.tubes().get(0);
        double cathode = full.cathodeVolts().isEmpty() ? 0 : full.cathodeVolts().get(0);
        double idleCathode =
                idle.cathodeVolts().isEmpty() ? 0 : idle.cathodeVolts().get(0);
        double screen = sweep.full().screenVolts() - cathode;
        double idleVolts =
                idle.tubes().get(0).plateWatts() / idle.tubes().get(0).plateAmperes();
        List<Point> path = points(solver.path(0, peak));
        List<Point> mirrored = new ArrayList<>();
        List<Point> composite = new ArrayList<>();
        int other = stage.pushPull() ? firstOf(stage, 1) : -1;
        if (other >= 0) {
            List<Point> far = points(solver.path(other, peak));
            double middle = full.supplyVolts() - cathode;
            for (int j = 0; j < path.size(); j++) {
                mirrored.add(
                        new Point(2 * middle - far.get(j).volts(), -far.get(j).amperes()));
                composite.add(new Point(
                        path.get(j).volts(), path.get(j).amperes() - far.get(j).amperes()));
            }
        }
        double bias = (stage.biasing().gridA() + tube.gridOffset()) - idleCathode;
        Screen follows = new Screen(screen, full.supplyVolts() - cathode, stage.screenTap());
        return new OperatingChart(
                screen,
                stage.screenTap(),
                idleCathode,
                cathode,
                curves(tube, follows, bias, 1.15 * sweep.plateMost()),
                new Point(idleVolts, idle.tubes().get(0).plateAmperes()),
                path,
                mirrored,
                composite);
    }

    /** Screen volts over plate volts: those at rest, and the tap's share of what the plate is away from rest. */
    private record Screen(double atRest, double plateAtRest, double follows) {
        double volts(double plate) {
            return Math.max(0, atRest + follows * (plate - plateAtRest));
        }
    }

    private static int firstOf(Stage stage, int side) {
        for (int t = 0; t < stage.tubes().size(); t++) {
            if (stage.tubes().get(t).side() == side) {
                return t;
            }
        }
        return -1;
    }

    private static List<Point> points(List<double[]> path) {
        return path.stream().map(p -> new Point(p[0], p[1])).toList();
    }

    private static List<Curve> curves(StageTube tube, Screen screen, double bias, double most) {
        TubeModel model = tube.model();
        double lowest = Math.min(-1, 1.2 * bias);
        double step = nice(-lowest / (CURVES - 1));
        List<Curve> curves = new ArrayList<>();
        for (int c = 0; c < CURVES; c++) {
            double grid = -c * step;
            List<Point> points = new ArrayList<>();
            for (int i = 0; i <= POINTS; i++) {
                // Closer together at the knee.
                double volts = most * Math.pow(i / (double) POINTS, 1.8);
                points.add(new Point(volts, tube.scale() * model.plateAmperes(volts, screen.volts(volts), grid)));
            }
            curves.add(new Curve(grid, points));
        }
        return curves;
    }

    private static double nice(double step) {
        double decade = Math.pow(10, Math.floor(Math.log10(step)));
        for (double n : new double[] {1, 2, 2.5, 5, 10}) {
            if (step <= n * decade) {
                return n * decade;
            }
        }
        return step;
    }
}
