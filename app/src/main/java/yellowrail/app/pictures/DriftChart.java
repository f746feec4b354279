package yellowrail.app.pictures;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowrail.core.reading.Show;
import yellowrail.core.soak.Sample;

/**
 * Currents over time, one line for each point and unbroken stretch, with the mains above them. Coordinates are those of
 * a 640 × 260 picture.
 *
 * @param lines the curves
 * @param breaks where power was cycled or a control turned
 * @param label what the chart says, in words
 */
public record DriftChart(
        List<Line> lines, List<Mark> times, List<Mark> levels, List<Double> breaks, Line mains, String label) {
    public static final int WIDTH = 640;
    public static final int HEIGHT = 260;
    private static final double LEFT = 56;
    private static final double RIGHT = 84;
    private static final double TOP = 34;
    private static final double BOTTOM = 34;

    /** A curve with its dots, and its name at its end; {@code dash} tells curves apart without colour. */
    public record Line(String name, int dash, String path, List<Dot> dots, double endX, double endY) {}

    /** A reading, with what it says when looked at. */
    public record Dot(double x, double y, String title) {}

    /** A mark on an axis. */
    public record Mark(double at, String text) {}

    /** A curve to draw: minutes since the session began, amperes. */
    public record Curve(String name, int stretch, List<Sample> samples) {}

    /** Mains readings: minutes since the session began, volts. */
    public record MainsPoint(double minutes, double volts) {}

    public static DriftChart of(List<Curve> curves, List<MainsPoint> mains) {
        double from = curves.stream()
                .flatMap(c -> c.samples().stream())
                .mapToDouble(Sample::minutes)
                .min()
                .orElse(0);
        double to = Math.max(
                from + 10,
                curves.stream()
                        .flatMap(c -> c.samples().stream())
                        .mapToDouble(Sample::minutes)
                        .max()
                        .orElse(10));
        double low = curves.stream()
                .flatMap(c -> c.samples().stream())
                .mapToDouble(Sample::amperes)
                .min()
                .orElse(0);
        double high = curves.stream()
                .flatMap(c -> c.samples().stream())
                .mapToDouble(Sample::amperes)
                .max()
                .orElse(0.1);
        double pad = Math.max(0.05 * high, (high - low) * 0.15);
        Scale x = new Scale(from, to, LEFT, WIDTH - RIGHT);
        Scale y = new Scale(Math.max(0, low - pad), high + pad, HEIGHT - BOTTOM, TOP);
        List<Line> lines = new ArrayList<>();
        List<String> names = curves.stream().map(Curve::name).distinct().toList();
        List<Double> breaks = new ArrayList<>();
        for (Curve curve : curves) {
            boolean last =
                    curves.stream().noneMatch(c -> c.name().equals(curve.name()) && c.stretch() > curve.stretch());
            lines.add(line(curve, names.indexOf(curve.name()), last, x, y));
            if (names.indexOf(curve.name()) == 0 && curve.samples().get(0).minutes() > from) {
                breaks.add(x.at(curve.samples().get(0).minutes()));
            }
        }
        spread(lines);
        return new DriftChart(
                lines,
                marks(x, " min", 1, 6),
                marks(y, " mA", 1000, 5),
                breaks,
                mains(mains, x),
                "Currents over time: "
                        + String.join(
                                "; ",
                                curves.stream()
                                        .map(c -> c.name() + " from "
                                                + milli(c.samples().get(0)) + " to "
                                                + milli(c.samples()
                                                        .get(c.samples().size() - 1)))
                                        .toList()));
    }

    private static String milli(Sample sample) {
        return Show.fixed(1000 * sample.amperes(), 1) + " mA";
    }

    private static Line line(Curve curve, int dash, boolean named, Scale x, Scale y) {
        StringBuilder path = new StringBuilder();
        List<Dot> dots = new ArrayList<>();
        for (Sample sample : curve.samples()) {
            double px = x.at(sample.minutes());
            double py = y.at(sample.amperes());
            path.append(path.isEmpty() ? "M" : " L")
                    .append(number(px))
                    .append(' ')
                    .append(number(py));
            dots.add(new Dot(
                    px, py, curve.name() + " " + milli(sample) + " at " + Math.round(sample.minutes()) + " min"));
        }
        Dot end = dots.get(dots.size() - 1);
        return new Line(named ? curve.name() : "", dash % 4, path.toString(), dots, end.x() + 8, end.y() + 4);
    }

    /** Names at the right edge must not lie on each other. */
    private static void spread(List<Line> lines) {
        List<Integer> named = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            if (!lines.get(i).name().isEmpty()) {
                named.add(i);
            }
        }
        named.sort((a, b) -> Double.compare(lines.get(a).endY(), lines.get(b).endY()));
        double last = Double.NEGATIVE_INFINITY;
        for (int i : named) {
            Line line = lines.get(i);
            double at = Math.max(line.endY(), last + 15);
            lines.set(i, new Line(line.name(), line.dash(), line.path(), line.dots(), line.endX(), at));
            last = at;
        }
    }

    private static Line mains(List<MainsPoint> points, Scale x) {
        double low = points.stream().mapToDouble(MainsPoint::volts).min().orElse(0);
        double high = points.stream().mapToDouble(MainsPoint::volts).max().orElse(1);
        Scale y = new Scale(low - 1, Math.max(high + 1, low + 6), 24, 6);
        StringBuilder path = new StringBuilder();
        List<Dot> dots = new ArrayList<>();
        for (MainsPoint point : points) {
            if (point.minutes() < x.from || point.minutes() > x.to) {
                continue;
            }
            double px = x.at(point.minutes());
            double py = y.at(point.volts());
            path.append(path.isEmpty() ? "M" : " L")
                    .append(number(px))
                    .append(' ')
                    .append(number(py));
            dots.add(new Dot(px, py, "mains " + Show.fixed(point.volts(), 1) + " V"));
        }
        Dot end = dots.isEmpty() ? new Dot(0, 0, "") : dots.get(dots.size() - 1);
        return new Line("mains", 0, path.toString(), dots, end.x() + 8, end.y() + 4);
    }

    private static List<Mark> marks(Scale scale, String unit, double factor, int about) {
        double span = (scale.to - scale.from) * factor;
        double step = Math.pow(10, Math.floor(Math.log10(span / about)));
        for (double nice : new double[] {1, 2, 5, 10}) {
            if (span / (step * nice) <= about) {
                step *= nice;
                break;
            }
        }
        List<Mark> marks = new ArrayList<>();
        for (double v = Math.ceil(scale.from * factor / step) * step; v <= scale.to * factor + 1e-9; v += step) {
            marks.add(new Mark(scale.at(v / factor), Show.plain(v, 4) + unit));
        }
        return marks;
    }

    private static String number(double value) {
        return String.format(Locale.ROOT, "%.1f", value);
    }

    private record Scale(double from, double to, double first, double last) {
        double at(double value) {
            return Math.round(10 * (first + (value - from) / (to - from) * (last - first))) / 10.0;
        }
    }
}
