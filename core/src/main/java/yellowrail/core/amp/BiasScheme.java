package yellowrail.core.amp;

import java.util.List;
import yellowrail.core.reading.Band;

/**
 * How the tubes get their grid bias, and how dissipation and current follow the mains with it: {@code P ∝ M^x},
 * {@code I ∝ M^y}.
 *
 * <p>The bands are the 5 to 95 % ranges over 1500 solved stages of this kind (nine types; pentode, ultralinear, triode).
 * With bias held constant x depends on the idle: the colder, the steeper. The amp's own readings at two mains voltages,
 * or the type's curves at this point, are better.
 */
public enum BiasScheme {
    FIXED_TRACKING("fixed bias that follows the mains", new Band(2.3, 2.5, 2.6), new Band(1.4, 1.55, 1.6)),
    FIXED_CONSTANT("fixed bias from a regulated supply", new Band(4.6, 5.8, 7.0), new Band(3, 4.5, 7)),
    /** Either of the two above: an open question. */
    FIXED_UNKNOWN("fixed bias", new Band(2.3, 5.8, 7.0), new Band(1.4, 4.5, 7)),
    CATHODE("cathode bias", new Band(2.1, 2.1, 2.2), new Band(1.1, 1.15, 1.2)),
    /** Part grid supply, part cathode resistor: anything between cathode bias and a grid supply held constant. */
    MIXED("mixed bias", new Band(2.1, 5.8, 7.0), new Band(1.1, 4.5, 7));

    /** A rating lies this far above nominal mains at most, a reading this far off: beyond it, read nearer. */
    public static final double LEAST_RATIO = 0.88;

    public static final double MOST_RATIO = 1.15;

    /** Idle, share of the rating, and the 5 and 95 % points of x there with bias held constant. */
    private static final double[][] HELD = {
        {0.3, 6.0, 8.9}, {0.4, 5.4, 8.1}, {0.5, 5.0, 7.5}, {0.6, 4.6, 7.0}, {0.8, 4.1, 6.4}
    };

    /** The median, over that range, lies here between its ends. */
    private static final double MIDDLE = 0.5;

    private final String words;
    private final Band watts;
    private final Band amperes;

    BiasScheme(String words, Band watts, Band amperes) {
        this.words = words;
        this.watts = watts;
        this.amperes = amperes;
    }

    public String words() {
        return words;
    }

    public boolean fixed() {
        return this == FIXED_TRACKING || this == FIXED_CONSTANT || this == FIXED_UNKNOWN;
    }

    /** What this can turn out to be: itself, or the two ends of what is not known. */
    public List<BiasScheme> outcomes() {
        return switch (this) {
            case FIXED_UNKNOWN -> List.of(FIXED_TRACKING, FIXED_CONSTANT);
            case MIXED -> List.of(CATHODE, FIXED_CONSTANT);
            default -> List.of(this);
        };
    }

    /**
     * The exponent of dissipation at this idle, share of the plate rating, zero or above. Between the rows it is
     * interpolated, below the first extrapolated, above the last held.
     */
    public Band wattsExponent(double idle) {
        if (this != FIXED_CONSTANT) {
            return watts;
        }
        double low = held(idle, 1);
        double high = held(idle, 2);
        return new Band(low, low + MIDDLE * (high - low), high);
    }

    /** The exponent of cathode current; with bias held constant that of dissipation less that of the volts. */
    public Band amperesExponent(double idle) {
        if (this != FIXED_CONSTANT) {
            return amperes;
        }
        Band x = wattsExponent(idle);
        return new Band(x.low() - 1, x.mid() - 1, x.high() - VOLTS_AT_LEAST);
    }

    /** B+ follows the mains less the sag of the current that rises with it: its exponent is this or more. */
    private static final double VOLTS_AT_LEAST = 0.8;

    private static double held(double idle, int column) {
        int row = 1;
        while (row < HELD.length - 1 && idle > HELD[row][0]) {
            row++;
        }
        double[] a = HELD[row - 1];
        double[] b = HELD[row];
        double along = (Math.min(idle, HELD[HELD.length - 1][0]) - a[0]) / (b[0] - a[0]);
        return a[column] + along * (b[column] - a[column]);
    }

    /**
     * How dissipation scales when mains changes by this ratio, the likeliest value; where the scheme is not known, the
     * stricter of its outcomes each way. NaN when that is further than an estimate reaches.
     */
    public double dissipationFactor(double ratio) {
        if (ratio < LEAST_RATIO || ratio > MOST_RATIO) {
            return Double.NaN;
        }
        return outcomes().stream()
                .mapToDouble(o -> Math.pow(ratio, o.watts.mid()))
                .max()
                .orElseThrow();
    }

    /** The usual ceiling, as a share of the plate rating: 80 % with fixed bias, 100 % with cathode bias and class A. */
    public double usualCeiling(Topology topology) {
        return this == CATHODE || topology == Topology.SINGLE_ENDED ? 1.0 : 0.8;
    }
}
