package yellowrail.core.swap;

/**
 * The peaks that charge the capacitor behind a full-wave rectifier. While one plate conducts, for {@code θ} on each side of
 * the crest, the volts above the capacitor's stand across winding and tube: {@code i = (V₀ / R) · (cos φ / cos θ − 1)}. Its
 * mean over both plates is the direct current, so that {@code tan θ − θ = π · R · I / (2 · V₀)}, and the crest is
 * {@code (V₀ / R) · (1 / cos θ − 1)}. That is for a capacitor without end and a transformer without leakage; a tenth is
 * taken off, with which the volts, ohms and currents that makers publish side by side for the GZ34 come to its peak rating.
 */
final class RectifierPeak {
    private static final int ROUNDS = 40;
    private static final double OF_A_REAL_ONE = 0.9;

    private RectifierPeak() {}

    /**
     * The crest of one plate's current, A.
     *
     * @param rectifier whose drop is known
     * @param winding half of the winding, from its end to its centre, Ω
     * @param volts at the capacitor, V
     * @param direct current that is drawn, A
     */
    static double amperes(Rectifier rectifier, double winding, double volts, double direct) {
        double ohms = rectifier.ohms().orElseThrow();
        double at = rectifier.dropAmperes().orElseThrow();
        double peak = 2 * direct;
        for (int i = 0; i < ROUNDS; i++) {
            // Space charge: the drop rises with the 2/3 power of the current, its ohms fall with the third root.
            double tube = ohms * Math.cbrt(at / peak);
            peak = crest(winding + tube, volts, direct);
        }
        return OF_A_REAL_ONE * peak;
    }

    private static double crest(double ohms, double volts, double direct) {
        double wanted = Math.PI * ohms * direct / (2 * volts);
        double low = 0;
        double high = Math.PI / 2 - 1e-9;
        for (int i = 0; i < ROUNDS; i++) {
            double middle = (low + high) / 2;
            if (Math.tan(middle) - middle < wanted) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return volts / ohms * (1 / Math.cos(high) - 1);
    }
}
