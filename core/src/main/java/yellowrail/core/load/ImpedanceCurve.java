package yellowrail.core.load;

import java.util.Arrays;
import java.util.List;
import org.hipparchus.complex.Complex;

/**
 * A measured impedance over frequency. Between its points magnitude and phase go straight over the logarithm of the
 * frequency; below the first and above the last the end's figures stand.
 *
 * <p>Where no phase was measured it follows from the magnitudes as that of a minimum-phase network, which a loudspeaker is
 * (H. W. Bode, 1945): the slope of the magnitude, weighted about each frequency. Within 2° of a modelled speaker measured from
 * 10 Hz to 20 kHz; near the ends of a shorter curve it is worse.
 */
public final class ImpedanceCurve {
    /** Fewest and most points. */
    public static final int LEAST = 5;

    public static final int MOST = 100_000;

    private static final double LEAST_OHMS = 0.1;
    private static final double MOST_OHMS = 1e5;
    /** A passive load's phase, degrees; nearer to 90 its power would be none. */
    private static final double STEEPEST = 89;

    /** Places of the even grid that the phase is computed on. */
    private static final int GRID = 1200;

    /**
     * One point.
     *
     * @param hertz 0.1 Hz to 1 MHz
     * @param ohms magnitude, 0.1 Ω to 100 kΩ
     * @param degrees phase; NaN when not measured
     */
    public record Point(double hertz, double ohms, double degrees) {}

    private final double[] logHertz;
    private final double[] logOhms;
    private final double[] radians;
    private final boolean phaseMeasured;

    private ImpedanceCurve(double[] logHertz, double[] logOhms, double[] radians, boolean phaseMeasured) {
        this.logHertz = logHertz;
        this.logOhms = logOhms;
        this.radians = radians;
        this.phaseMeasured = phaseMeasured;
    }

    /**
     * @param points rising, each frequency once; all with a phase or none
     * @throws IllegalArgumentException with the value and its limit
     */
    public static ImpedanceCurve of(List<Point> points) {
        if (points.size() < LEAST || points.size() > MOST) {
            throw new IllegalArgumentException(
                    "a curve has " + LEAST + " to " + MOST + " points, not " + points.size());
        }
        boolean phase = !Double.isNaN(points.get(0).degrees());
        double[] f = new double[points.size()];
        double[] z = new double[points.size()];
        double[] angle = new double[points.size()];
        for (int i = 0; i < points.size(); i++) {
            Point p = points.get(i);
            within("a frequency of " + p.hertz() + " Hz; 0.1 Hz to 1 MHz", p.hertz(), 0.1, 1e6);
            within("an impedance of " + p.ohms() + " Ω; 0.1 Ω to 100 kΩ", p.ohms(), LEAST_OHMS, MOST_OHMS);
            if (Double.isNaN(p.degrees()) == phase) {
                throw new IllegalArgumentException("every point has a phase, or none has");
            }
            if (phase) {
                within("a phase of " + p.degrees() + "°; −89 to 89°", p.degrees(), -STEEPEST, STEEPEST);
            }
            f[i] = Math.log(p.hertz());
            z[i] = Math.log(p.ohms());
            angle[i] = Math.toRadians(p.degrees());
            if (i > 0 && !(f[i] > f[i - 1])) {
                throw new IllegalArgumentException("frequencies rise, each once: " + p.hertz() + " Hz");
            }
        }
        return phase ? new ImpedanceCurve(f, z, angle, true) : withPhase(f, z);
    }

    private static void within(String what, double value, double low, double high) {
        if (!(value >= low && value <= high)) {
            throw new IllegalArgumentException(what);
        }
    }

    /** Bode's integral on an even grid over the logarithm of the frequency, three decades beyond either end held flat. */
    private static ImpedanceCurve withPhase(double[] f, double[] z) {
        double low = f[0];
        double step = (f[f.length - 1] - low) / (GRID - 1);
        double[] slope = new double[GRID - 1];
        for (int i = 0; i < GRID - 1; i++) {
            slope[i] = (at(f, z, low + (i + 1) * step) - at(f, z, low + i * step)) / step;
        }
        // The weight of a cell: the integral of ln coth(|u|/2) over it.
        double[] weight = new double[2 * GRID];
        for (int i = 0; i < weight.length; i++) {
            weight[i] = cell((i - GRID) * step, (i - GRID + 1) * step);
        }
        double[] grid = new double[GRID];
        double[] angle = new double[GRID];
        for (int i = 0; i < GRID; i++) {
            grid[i] = low + i * step;
            double sum = 0;
            for (int j = 0; j < GRID - 1; j++) {
                sum += slope[j] * weight[GRID + j - i];
            }
            angle[i] = Math.max(-Math.toRadians(STEEPEST), Math.min(Math.toRadians(STEEPEST), sum / Math.PI));
        }
        double[] radians = new double[f.length];
        for (int i = 0; i < f.length; i++) {
            radians[i] = at(grid, angle, f[i]);
        }
        return new ImpedanceCurve(f, z, radians, false);
    }

    /** Integral of ln coth(|u|/2) from a to b, by its series: it has a logarithmic pole at zero. */
    private static double cell(double a, double b) {
        return primitive(b) - primitive(a);
    }

    /** ∫₀ˣ ln coth(|u|/2) du = sign(x) · (π²/4 − 2 Σ e^(−(2k+1)|x|)/(2k+1)²). */
    private static double primitive(double x) {
        double sum = 0;
        double u = Math.abs(x);
        for (int k = 0; k < 4000; k++) {
            double n = 2.0 * k + 1;
            double term = Math.exp(-n * u) / (n * n);
            sum += term;
            if (term < 1e-12) {
                break;
            }
        }
        return Math.signum(x) * (Math.PI * Math.PI / 4 - 2 * sum);
    }

    private static double at(double[] x, double[] y, double place) {
        if (place <= x[0]) {
            return y[0];
        }
        if (place >= x[x.length - 1]) {
            return y[y.length - 1];
        }
        int found = Arrays.binarySearch(x, place);
        int i = found >= 0 ? found : -found - 2;
        if (found >= 0) {
            return y[i];
        }
        double part = (place - x[i]) / (x[i + 1] - x[i]);
        return y[i] + part * (y[i + 1] - y[i]);
    }

    /** Impedance at a frequency, Hz above 0. */
    public Complex at(double hertz) {
        double place = Math.log(hertz);
        double ohms = Math.exp(at(logHertz, logOhms, place));
        double angle = at(logHertz, radians, place);
        return new Complex(ohms * Math.cos(angle), ohms * Math.sin(angle));
    }

    public double leastHertz() {
        return Math.exp(logHertz[0]);
    }

    public double mostHertz() {
        return Math.exp(logHertz[logHertz.length - 1]);
    }

    public int size() {
        return logHertz.length;
    }

    /** Whether the phase was measured; otherwise it follows from the magnitudes. */
    public boolean phaseMeasured() {
        return phaseMeasured;
    }

    /** Its points with their phase, measured or computed. */
    public List<Point> points() {
        List<Point> points = new java.util.ArrayList<>(size());
        for (int i = 0; i < size(); i++) {
            points.add(new Point(Math.exp(logHertz[i]), Math.exp(logOhms[i]), Math.toDegrees(radians[i])));
        }
        return points;
    }

    /** The lowest magnitude from a frequency on, Ω. */
    public double leastOhms(double fromHertz) {
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < size(); i++) {
            if (logHertz[i] >= Math.log(fromHertz) || i == size() - 1) {
                least = Math.min(least, logOhms[i]);
            }
        }
        return Math.exp(least);
    }

    /** Where the highest magnitude below a frequency lies, Hz: the resonance of a speaker. */
    public double peakHertz(double belowHertz) {
        int most = 0;
        for (int i = 1; i < size() && logHertz[i] <= Math.log(belowHertz); i++) {
            most = logOhms[i] > logOhms[most] ? i : most;
        }
        return Math.exp(logHertz[most]);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof ImpedanceCurve curve
                && Arrays.equals(logHertz, curve.logHertz)
                && Arrays.equals(logOhms, curve.logOhms)
                && Arrays.equals(radians, curve.radians);
    }

    @Override
    public int hashCode() {
        return 31 * Arrays.hashCode(logHertz) + Arrays.hashCode(logOhms);
    }
}
