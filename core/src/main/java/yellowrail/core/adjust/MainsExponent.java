package yellowrail.core.adjust;

import java.util.Optional;

/**
 * This amp's own exponent x in {@code P ∝ M^x}, from the same setting read at two mains voltages:
 * {@code x = ln(P2/P1) / ln(M2/M1)}.
 */
public final class MainsExponent {
    /** The two mains voltages must differ by this share for the quotient to mean something. */
    private static final double APART = 0.03;

    private static final double LEAST = 0.5;
    private static final double MOST = 9;

    private MainsExponent() {}

    /** Empty when the mains are too near each other or the result is not one a stage can have. */
    public static Optional<Double> of(double watts1, double mains1, double watts2, double mains2) {
        boolean usable = watts1 > 0 && watts2 > 0 && mains1 > 0 && mains2 > 0 && Math.abs(mains2 / mains1 - 1) >= APART;
        if (!usable) {
            return Optional.empty();
        }
        double x = Math.log(watts2 / watts1) / Math.log(mains2 / mains1);
        return x >= LEAST && x <= MOST ? Optional.of(x) : Optional.empty();
    }
}
