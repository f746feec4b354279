package yellowrail.core.adjust;

import java.util.Optional;
import yellowrail.core.reading.Band;

/**
 * This amp's own exponent x in {@code P ∝ M^x}, from the same setting read at two mains voltages:
 * {@code x = ln(P2/P1) / ln(M2/M1)}, with the errors of all four readings.
 */
public final class MainsExponent {
    /** Nearer mains say little: half a volt in 230 V would move x by 0.1 at this distance. */
    private static final double APART = 0.05;

    private static final double LEAST = 0.5;
    private static final double MOST = 9;

    /**
     * One setting at one mains.
     *
     * @param watts dissipation of all tubes read at both mains, W
     * @param wattsLimit limit of error of it beside the meter's gain, which both share: counts and digits, as a share
     * @param mains V
     * @param mainsLimit limit of error of the mains reading, as a share
     */
    public record Reading(double watts, double wattsLimit, double mains, double mainsLimit) {}

    private MainsExponent() {}

    /** Whether two mains voltages, V, above zero, are far enough from each other to tell. */
    public static boolean apart(double first, double second) {
        return Math.abs(second / first - 1) >= APART;
    }

    /** Empty when the mains are too near each other or the result is not one a stage can have. */
    public static Optional<Band> of(Reading a, Reading b) {
        boolean usable =
                a.watts() > 0 && b.watts() > 0 && a.mains() > 0 && b.mains() > 0 && apart(a.mains(), b.mains());
        if (!usable) {
            return Optional.empty();
        }
        double apart = Math.log(b.mains() / a.mains());
        double x = Math.log(b.watts() / a.watts()) / apart;
        double error =
                (a.wattsLimit() + b.wattsLimit() + Math.abs(x) * (a.mainsLimit() + b.mainsLimit())) / Math.abs(apart);
        return x >= LEAST && x <= MOST ? Optional.of(new Band(x - error, x, x + error)) : Optional.empty();
    }
}
