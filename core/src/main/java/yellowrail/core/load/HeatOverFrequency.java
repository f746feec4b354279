package yellowrail.core.load;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.ReactiveCycle;
import yellowrail.core.stage.ReactiveSolver;
import yellowrail.core.stage.ReflectedLoad;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageSolver;

/**
 * A stage at one drive over the frequencies of a band, into its speaker.
 *
 * @param drive peak grid volts, V: full drive into the speaker's nominal ohms, as the amp before it would give at any frequency
 * @param points those that could be solved, by rising frequency
 * @param unsolved how many could not be
 */
public record HeatOverFrequency(double drive, List<ReactiveCycle> points, int unsolved) {
    public HeatOverFrequency {
        points = List.copyOf(points);
    }

    /**
     * @param stage with the speaker's nominal load on its primary
     * @param hertz rising
     * @throws NoSolution when the stage cannot be solved into its nominal load
     */
    public static HeatOverFrequency of(Stage stage, ReflectedLoad load, double[] hertz) {
        double drive = new StageSolver(stage).full().drive();
        ReactiveSolver solver = new ReactiveSolver(stage, load);
        List<ReactiveCycle> points = new ArrayList<>();
        int unsolved = 0;
        for (double f : hertz) {
            try {
                points.add(solver.at(f, drive));
            } catch (NoSolution none) {
                unsolved++;
            }
        }
        return new HeatOverFrequency(drive, points, unsolved);
    }

    /** Points of the search for what lies between the frequencies of a plot. */
    private static final int FINE = 2000;

    /**
     * Frequencies evenly spread over a logarithmic axis, and with them every peak and dip of the load: what is narrower than
     * a step is where screens and plates are hottest.
     */
    public static double[] frequencies(ReflectedLoad load, double low, double high, int count) {
        double[] fine = spread(low, high, FINE);
        DoubleStream.Builder turns = DoubleStream.builder();
        for (int i = 1; i < FINE - 1; i++) {
            double here = load.at(fine[i]).norm();
            double rise = here - load.at(fine[i - 1]).norm();
            if (rise * (load.at(fine[i + 1]).norm() - here) < 0) {
                turns.add(fine[i]);
            }
        }
        return DoubleStream.concat(DoubleStream.of(spread(low, high, count)), turns.build())
                .sorted()
                .distinct()
                .toArray();
    }

    /** Frequencies evenly spread over a logarithmic axis, both ends included. */
    public static double[] spread(double low, double high, int count) {
        double[] hertz = new double[count];
        for (int i = 0; i < count; i++) {
            hertz[i] = low * Math.pow(high / low, i / (count - 1.0));
        }
        return hertz;
    }

    /** The point within a band whose plate is hottest; empty when none lies there. */
    public Optional<ReactiveCycle> hottestPlate(double lowHertz, double highHertz) {
        return within(lowHertz, highHertz).stream()
                .reduce((a, b) -> b.hottestPlateWatts() > a.hottestPlateWatts() ? b : a);
    }

    /** The point within a band whose screen is hottest. */
    public Optional<ReactiveCycle> hottestScreen(double lowHertz, double highHertz) {
        return within(lowHertz, highHertz).stream()
                .reduce((a, b) -> b.hottestScreenWatts() > a.hottestScreenWatts() ? b : a);
    }

    private List<ReactiveCycle> within(double lowHertz, double highHertz) {
        return points.stream()
                .filter(p -> p.hertz() >= lowHertz && p.hertz() <= highHertz)
                .toList();
    }
}
