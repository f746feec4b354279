package yellowrail.core.adjust;

import java.util.OptionalDouble;

/**
 * Plate-to-cathode volts of one tube while a control moves it: {@code V(i) = V0 − R·i}. With it the current for a wanted
 * dissipation has a closed form, {@code i = 2P / (V0 + √(V0² − 4·R·P))}, which loses no digits and holds for R = 0.
 *
 * @param v0 volts extrapolated to no current along this control's movement, V, above zero
 * @param ohms {@code Rsrc·m·(1 + g) + Rdc·n}: m tubes on the supply moved, n of them on this half primary, g screen
 *     over plate current, Ω, zero or above
 */
public record SagLine(double v0, double ohms) {
    public SagLine {
        if (!(v0 > 0) || !(ohms >= 0) || !Double.isFinite(v0 + ohms)) {
            throw new IllegalArgumentException(
                    "a sag line needs volts above zero and ohms from zero: " + v0 + " V, " + ohms + " Ω");
        }
    }

    /** Through a measured point: plate current A and plate-to-cathode volts V. */
    public static SagLine through(double amperes, double volts, double ohms) {
        return new SagLine(volts + ohms * amperes, ohms);
    }

    /** Plate current for this dissipation, A; empty when this supply cannot give it. */
    public OptionalDouble currentFor(double watts) {
        double root = v0 * v0 - 4 * ohms * watts;
        return root < 0 ? OptionalDouble.empty() : OptionalDouble.of(2 * watts / (v0 + Math.sqrt(root)));
    }

    public double voltsAt(double amperes) {
        return v0 - ohms * amperes;
    }

    /** The most dissipation this line allows at any current, {@code V0²/4R}, W; infinite without sag. */
    public double mostWatts() {
        return ohms == 0 ? Double.POSITIVE_INFINITY : v0 * v0 / (4 * ohms);
    }
}
