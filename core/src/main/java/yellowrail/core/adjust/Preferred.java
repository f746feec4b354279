package yellowrail.core.adjust;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Preferred resistor values (IEC 60063) and what can be made from a drawer. */
public final class Preferred {
    private static final double[] E12 = {1.0, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2};
    private static final double[] E24 = {
        1.0, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2.0, 2.2, 2.4, 2.7, 3.0, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5,
        8.2, 9.1
    };

    private Preferred() {}

    /** A resistor or two that make up a value. */
    public record Made(String words, double ohms) {}

    public static double nearestE12(double ohms) {
        return nearest(ohms, E12);
    }

    /** E12 values from one to another, Ω, rising. */
    public static List<Double> e12(double least, double most) {
        List<Double> values = new ArrayList<>();
        for (double decade = Math.pow(10, Math.floor(Math.log10(least))); decade <= most; decade *= 10) {
            for (double value : E12) {
                double ohms = Double.parseDouble(String.format(java.util.Locale.ROOT, "%.6g", value * decade));
                if (ohms >= least && ohms <= most) {
                    values.add(ohms);
                }
            }
        }
        return values;
    }

    public static double nearestE24(double ohms) {
        return nearest(ohms, E24);
    }

    /** The fine series follows 10^(i/96) rounded to three digits. */
    public static double nearestE96(double ohms) {
        double[] series = new double[96];
        for (int i = 0; i < 96; i++) {
            series[i] = Math.round(100 * Math.pow(10, i / 96.0)) / 100.0;
        }
        return nearest(ohms, series);
    }

    private static double nearest(double ohms, double[] series) {
        double decade = Math.pow(10, Math.floor(Math.log10(ohms)));
        double best = series[0] * decade;
        for (double scale : new double[] {decade, 10 * decade}) {
            for (double value : series) {
                if (Math.abs(Math.log(value * scale / ohms)) < Math.abs(Math.log(best / ohms))) {
                    best = value * scale;
                }
            }
        }
        return Double.parseDouble(String.format(java.util.Locale.ROOT, "%.6g", best));
    }

    /** The closest single values, series pairs and parallel pairs from a drawer, nearest first, at most three. */
    public static List<Made> fromDrawer(double ohms, List<Double> drawer) {
        List<Made> made = new ArrayList<>();
        for (int i = 0; i < drawer.size(); i++) {
            double a = drawer.get(i);
            made.add(new Made(text(a), a));
            for (int j = i; j < drawer.size(); j++) {
                double b = drawer.get(j);
                made.add(new Made(text(a) + " + " + text(b) + " in series", a + b));
                made.add(new Made(text(a) + " ∥ " + text(b), a * b / (a + b)));
            }
        }
        return made.stream()
                .sorted(Comparator.comparingDouble((Made m) -> Math.abs(Math.log(m.ohms() / ohms)))
                        .thenComparingInt(m -> m.words().length()))
                .limit(3)
                .toList();
    }

    private static String text(double ohms) {
        return yellowrail.core.reading.Show.siPlain(ohms, yellowrail.core.reading.Unit.OHM, 4);
    }
}
