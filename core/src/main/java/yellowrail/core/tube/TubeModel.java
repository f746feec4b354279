package yellowrail.core.tube;

/**
 * Plate and screen current of a pentode or beam tetrode: the space-charge form published by N. Koren (1996), with a
 * finite plate slope and a screen current that rises at low plate voltage added. Voltages from the cathode, V; currents
 * in A. Fitted for 250 to 775 V on the plate and 200 to 440 V on the screen, grid at 0 V or below: no grid current.
 *
 * @param mu amplification factor of grid against screen
 * @param ex exponent of the space-charge law, about 1.2 to 1.5
 * @param kg1 scale of the plate current
 * @param kg2 scale of the screen current
 * @param kp sharpness of cut-off: the soft tail is screen volts / kp wide
 * @param kvb knee voltage, V
 * @param va plate slope voltage, V
 * @param ks rise of the screen current at zero plate volts
 * @param vs plate voltage at which half of that rise is left, V
 */
public record TubeModel(
        double mu, double ex, double kg1, double kg2, double kp, double kvb, double va, double ks, double vs) {

    /** Plate current, A. */
    public double plateAmperes(double plate, double screen, double grid) {
        double vp = Math.max(plate, 0);
        return 2 * drive(screen, grid) / kg1 * Math.atan(vp / kvb) * (1 + vp / va);
    }

    /** Screen current, A. */
    public double screenAmperes(double plate, double screen, double grid) {
        double vp = Math.max(plate, 0);
        return drive(screen, grid) / kg2 * (1 + ks / (1 + vp / vs));
    }

    /** The grid volts at which this plate current flows, V; plate and screen volts and the current, A, above zero. */
    public double gridVolts(double plate, double screen, double plateAmperes) {
        double term = plateAmperes * kg1 / (2 * Math.atan(plate / kvb) * (1 + plate / va));
        double soft = Math.pow(term, 1 / ex) * kp / screen;
        // The inverse of ln(1 + e^x): for a large argument both are the same number.
        double x = soft > 30 ? soft : Math.log(Math.expm1(soft));
        return screen * (x / kp - 1 / mu);
    }

    /** The space-charge term both currents share. */
    private double drive(double screen, double grid) {
        double vg2 = Math.max(screen, 0.1);
        return Math.pow(vg2 / kp * softplus(kp * (1 / mu + grid / vg2)), ex);
    }

    /** ln(1 + e^x) without overflow. */
    private static double softplus(double x) {
        return x > 0 ? x + Math.log1p(Math.exp(-x)) : Math.log1p(Math.exp(x));
    }
}
