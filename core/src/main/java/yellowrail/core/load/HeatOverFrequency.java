package yellowrail.core.load;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.DoubleStream;
import org.hipparchus.complex.Complex;
import yellowrail.core.amp.Duty;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.Heat;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.PlayedHeat;
import yellowrail.core.stage.ReactiveCycle;
import yellowrail.core.stage.ReactiveSolver;
import yellowrail.core.stage.ReflectedLoad;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageSolver;

/**
 * Heat of a stage over the frequencies of a band, into its speaker.
 *
 * @param drive peak grid volts of full drive, V: into the speaker's nominal ohms, as the amp before it gives it at any
 *     frequency
 * @param idle what it never falls below
 * @param points those that could be solved, by rising frequency
 * @param unsolved how many could not be
 */
public record HeatOverFrequency(double drive, Heat idle, List<Point> points, int unsolved) {
    /**
     * Levels of a tone at which it is looked for the hottest, shares of full drive: plates of class AB peak between 35 and
     * 85 %.
     */
    private static final double[] LEVELS = {0.45, 0.65, 0.85, 1};

    /** Loads that differ by less heat alike, share. */
    private static final double ALIKE = 0.005;

    /**
     * One frequency.
     *
     * @param hertz Hz
     * @param seen what the primary shows there, Ω
     * @param heat without idle: of a tone at its worst level, or of each that is played
     * @param full the full sine
     */
    public record Point(double hertz, Complex seen, Map<Duty, Heat> heat, ReactiveCycle full) {}

    public HeatOverFrequency {
        points = List.copyOf(points);
    }

    /**
     * @param stage with the speaker's nominal load on its primary
     * @param duty what is played: of a tone its levels are solved, else each of {@link Duty#PLAYED}
     * @param hertz rising
     * @throws NoSolution when the stage cannot be solved into its nominal load
     */
    public static HeatOverFrequency of(Stage stage, Duty duty, ReflectedLoad load, double[] hertz) {
        StageSolver solver = new StageSolver(stage);
        Heat idle = Heat.of(solver.idle());
        Cycle full = solver.full();
        At at = new At(stage, duty, load, full.drive());
        List<Point> points = new ArrayList<>();
        for (double f : hertz) {
            at.point(f).ifPresent(points::add);
        }
        return new HeatOverFrequency(full.drive(), idle, points, hertz.length - points.size());
    }

    /**
     * The same stage into a load that differs from the one before at some frequencies: only these are solved again.
     *
     * @param other what it is driven into instead
     */
    public HeatOverFrequency into(Stage stage, Duty duty, ReflectedLoad other) {
        At at = new At(stage, duty, other, drive);
        List<Point> changed = new ArrayList<>();
        int failed = 0;
        for (Point point : points) {
            Complex seen = other.at(point.hertz());
            if (seen.subtract(point.seen()).norm() <= ALIKE * point.seen().norm()) {
                changed.add(point);
                continue;
            }
            Optional<Point> solved = at.point(point.hertz());
            solved.ifPresent(changed::add);
            failed += solved.isEmpty() ? 1 : 0;
        }
        return new HeatOverFrequency(drive, idle, changed, unsolved + failed);
    }

    /** The solvers of one load: each keeps a level, and goes from one frequency to the next. */
    private static final class At {
        private final ReflectedLoad load;
        private final double drive;
        private final List<ReactiveSolver> levels = new ArrayList<>();
        private final Optional<PlayedHeat> played;

        At(Stage stage, Duty duty, ReflectedLoad load, double drive) {
            this.load = load;
            this.drive = drive;
            for (int i = duty == Duty.TONE ? 0 : LEVELS.length - 1; i < LEVELS.length; i++) {
                levels.add(new ReactiveSolver(stage, load));
            }
            this.played = duty == Duty.TONE ? Optional.empty() : Optional.of(new PlayedHeat(stage, load));
        }

        Optional<Point> point(double hertz) {
            try {
                List<ReactiveCycle> cycles = new ArrayList<>();
                for (int i = 0; i < levels.size(); i++) {
                    cycles.add(levels.get(i).at(hertz, drive * LEVELS[LEVELS.length - levels.size() + i]));
                }
                Map<Duty, Heat> heat = played.isPresent()
                        ? played.get().at(hertz)
                        : Map.of(
                                Duty.TONE,
                                cycles.stream().map(Heat::of).reduce(Heat::most).orElseThrow());
                return Optional.of(new Point(hertz, load.at(hertz), heat, cycles.get(cycles.size() - 1)));
            } catch (NoSolution none) {
                return Optional.empty();
            }
        }
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

    /** Of a narrow band around this frequency while this is played: idle and what is quieter are in it. */
    public Heat hottest(Point point, Duty duty) {
        return (duty == Duty.TONE ? List.of(Duty.TONE) : duty.included())
                .stream().map(point.heat()::get).reduce(idle, Heat::most);
    }

    /**
     * Average over a band whose octaves have equal power; empty where fewer than two points lie in it or beside it.
     *
     * @param duty one of {@link Duty#PLAYED}
     */
    public Optional<Heat> mean(Duty duty, double lowHertz, double highHertz) {
        Heat sum = new Heat(0, 0);
        double octaves = 0;
        for (int i = 0; i + 1 < points.size(); i++) {
            Point a = points.get(i);
            Point b = points.get(i + 1);
            double from = Math.max(a.hertz(), lowHertz);
            double to = Math.min(b.hertz(), highHertz);
            if (to > from) {
                double width = Math.log(to / from);
                Heat start = between(a, b, duty, from);
                Heat end = between(a, b, duty, to);
                sum = sum.plus(start, width / 2).plus(end, width / 2);
                octaves += width;
            }
        }
        return octaves > 0 ? Optional.of(new Heat(0, 0).plus(sum, 1 / octaves)) : Optional.empty();
    }

    private static Heat between(Point a, Point b, Duty duty, double hertz) {
        double part = Math.log(hertz / a.hertz()) / Math.log(b.hertz() / a.hertz());
        return a.heat().get(duty).towards(b.heat().get(duty), part);
    }
}
