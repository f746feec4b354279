package yellowrail.core.tube;

import java.util.Optional;

/**
 * How far a fitted model can be trusted: where its published operations lie, and the rms of its relative differences from
 * them as shares; NaN where none is published.
 *
 * @param operations how many published operations stand behind it
 * @param plateFrom lowest plate volts among them, V
 * @param plateTo highest, V
 * @param screenFrom lowest screen volts, V
 * @param screenTo highest, V
 * @param idlePlate rms of idle plate current
 * @param idleScreen of idle screen current
 * @param watts of power at full signal
 * @param fullPlate of plate current at full signal
 * @param fullScreen of screen current at full signal
 * @param distortion of THD at full signal
 */
public record ModelTrust(
        int operations,
        double plateFrom,
        double plateTo,
        double screenFrom,
        double screenTo,
        double idlePlate,
        double idleScreen,
        double watts,
        double fullPlate,
        double fullScreen,
        double distortion) {
    /** Band of DC volts, share: they follow from the supply, which is typed, and little from the model; a round figure of ours. */
    public static final double VOLTS_BAND = 0.02;

    /**
     * Band of a plate's peak, share: inductance of speaker and transformer raises it above what a resistor gives, by 16 % in
     * the stages computed (6.4 Ω + 0.6 mH ‖ 30 Ω with a resonance at 80 Hz).
     */
    public static final double PEAK_BAND = 0.20;

    /** A band covers about 95 % when it is twice the rms. */
    private static final double COVER = 2;

    /**
     * Fewer operations than this are too few for an rms of their own, and none at full signal says nothing of the drive: the
     * mean of all types stands in as the least.
     */
    private static final int FEW = 4;

    private static final double USUAL_PLATE = 0.044;
    private static final double USUAL_SCREEN = 0.12;

    public static Optional<ModelTrust> of(String designation) {
        return Optional.ofNullable(PublishedModels.ALL.get(designation)).map(TypeCurves::trust);
    }

    /** Band of plate currents and of the heat they make, share to either side. */
    public double plateBand() {
        double worst = Math.max(known(idlePlate), known(fullPlate));
        return COVER * (operations < FEW || Double.isNaN(fullPlate) ? Math.max(worst, USUAL_PLATE) : worst);
    }

    /** Band of screen currents and of their heat, share to either side. */
    public double screenBand() {
        double worst = Math.max(known(idleScreen), known(fullScreen));
        return COVER * (operations < FEW || Double.isNaN(fullScreen) ? Math.max(worst, USUAL_SCREEN) : worst);
    }

    /** Band of power at full signal, share to either side. */
    public double wattsBand() {
        return COVER * Math.max(known(watts), USUAL_PLATE);
    }

    /** Whether these volts lie among the published operations. */
    public boolean covers(double plateVolts, double screenVolts) {
        return plateVolts >= plateFrom && plateVolts <= plateTo && screenVolts >= screenFrom && screenVolts <= screenTo;
    }

    /** Currents of new tubes of one type at one bias differ from the type's by this, share; a round figure of ours. */
    public static final double SPREAD = 0.15;

    /** Screens behind a dropping resistor or on a supply of their own stand here at least, share of the plate's volts. */
    public static final double LEAST_SCREEN = 0.7;

    /** How far beyond the published operations the bands are still taken to hold, as a share: curves are smooth. */
    private static final double BEYOND = 0.1;

    /**
     * Bands at these volts, share to either side: infinite where nothing published is near, because nothing tells there how
     * far the model is off.
     */
    public Bands bands(double plateVolts, double screenVolts) {
        boolean holds = plateVolts >= plateFrom * (1 - BEYOND)
                && plateVolts <= plateTo * (1 + BEYOND)
                && screenVolts >= screenFrom * (1 - BEYOND)
                && screenVolts <= screenTo * (1 + BEYOND);
        return holds
                ? bandsAnywhere()
                : new Bands(Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY);
    }

    /** The bands where something published is near. */
    public Bands bandsAnywhere() {
        return new Bands(plateBand(), screenBand(), wattsBand());
    }

    /**
     * How far computed figures may be off at given volts, share to either side; infinite when nothing tells.
     *
     * @param plate of plate current and heat
     * @param screen of screen current and heat
     * @param watts of power at full drive
     */
    public record Bands(double plate, double screen, double watts) {
        public boolean hold() {
            return Double.isFinite(plate);
        }
    }

    private static double known(double share) {
        return Double.isNaN(share) ? 0 : share;
    }
}
