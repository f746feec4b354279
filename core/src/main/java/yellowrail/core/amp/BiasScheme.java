package yellowrail.core.amp;

/**
 * How the tubes get their grid bias, and how dissipation follows the mains with it.
 *
 * <p>Dissipation P ∝ M^x for a mains change within ±10 %. The exponents come from solved stages of this kind; the
 * amp's own readings at two mains voltages are better.
 */
public enum BiasScheme {
    FIXED_TRACKING("fixed bias that follows the mains", 2.5, 2.5),
    FIXED_CONSTANT("fixed bias held constant", 5.4, 6.1),
    /** Taken as held constant on the way up and as tracking on the way down: the stricter of the two each way. */
    FIXED_UNKNOWN("fixed bias", 5.4, 2.5),
    CATHODE("cathode bias", 2.1, 2.1),
    /** Part grid supply, part cathode resistor: taken like fixed bias whose supply is not known. */
    MIXED("mixed bias", 5.4, 2.1);

    /** How far from the present mains an estimate reaches: the exponents hold within ±10 %, a little slack for rounding. */
    private static final double REACH = 0.12;

    private final String words;
    private final double exponentUp;
    private final double exponentDown;

    BiasScheme(String words, double exponentUp, double exponentDown) {
        this.words = words;
        this.exponentUp = exponentUp;
        this.exponentDown = exponentDown;
    }

    public String words() {
        return words;
    }

    public boolean fixed() {
        return this == FIXED_TRACKING || this == FIXED_CONSTANT || this == FIXED_UNKNOWN;
    }

    /** The exponent of dissipation for a change of mains by this ratio. */
    public double exponent(double ratio) {
        return ratio >= 1 ? exponentUp : exponentDown;
    }

    /** How dissipation scales when mains changes by this ratio, or NaN when that is further than the estimate reaches. */
    public double dissipationFactor(double ratio) {
        return Math.abs(ratio - 1) <= REACH ? Math.pow(ratio, exponent(ratio)) : Double.NaN;
    }

    /** The usual ceiling, as a share of the plate rating: 80 % with fixed bias, 100 % with cathode bias and class A. */
    public double usualCeiling(Topology topology) {
        return this == CATHODE || topology == Topology.SINGLE_ENDED ? 1.0 : 0.8;
    }
}
