package yellowrail.app.pictures;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowrail.core.reading.Show;

/** Where points of a curve over a logarithmic axis of hertz or ohms stand in a drawing of 760 by 200. */
public final class LogPlot {
    private static final double LEFT = 52;
    private static final double RIGHT = 740;
    private static final double TOP = 16;
    private static final double BOTTOM = 168;
    private static final double[] LEADS = {1, 2, 5};

    private final double low;
    private final double high;
    private final double most;

    /** @param atLeast what the upright axis reaches whatever the points say */
    public LogPlot(double low, double high, double atLeast, List<double[]> points) {
        this.low = low;
        this.high = high;
        this.most = 1.08
                * Math.max(atLeast, points.stream().mapToDouble(p -> p[1]).max().orElse(0));
    }

    public double x(double place) {
        return LEFT + (RIGHT - LEFT) * Math.log(place / low) / Math.log(high / low);
    }

    public double y(double value) {
        return BOTTOM - (BOTTOM - TOP) * value / most;
    }

    public String path(List<double[]> points) {
        StringBuilder path = new StringBuilder();
        for (double[] p : points) {
            path.append(path.isEmpty() ? 'M' : 'L').append(String.format(Locale.ROOT, "%.1f,%.1f", x(p[0]), y(p[1])));
        }
        return path.toString();
    }

    public FrequencyPlot.Axis axis() {
        List<FrequencyPlot.Tick> across = new ArrayList<>();
        for (double decade = 1; decade <= high; decade *= 10) {
            for (double lead : LEADS) {
                double place = lead * decade;
                if (place >= low && place <= high) {
                    across.add(new FrequencyPlot.Tick(
                            x(place), place >= 1000 ? Show.plain(place / 1000, 2) + "k" : Show.plain(place, 3)));
                }
            }
        }
        double step = step(most / 4);
        List<FrequencyPlot.Tick> up = new ArrayList<>();
        for (double value = 0; value <= most; value += step) {
            up.add(new FrequencyPlot.Tick(y(value), Show.plain(value, 3)));
        }
        return new FrequencyPlot.Axis(across, up, LEFT, RIGHT, TOP, BOTTOM);
    }

    private static double step(double rough) {
        double decade = Math.pow(10, Math.floor(Math.log10(rough)));
        double lead = rough / decade;
        return decade * (lead < 1.5 ? 1 : lead < 3.5 ? 2 : lead < 7.5 ? 5 : 10);
    }
}
