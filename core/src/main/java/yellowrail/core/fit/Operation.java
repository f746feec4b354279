package yellowrail.core.fit;

import yellowrail.core.amp.Topology;
import yellowrail.core.tube.Connection;

/**
 * A published operation or characteristic point. Volts from the cathode; NaN is not published. Currents, gm and rp are of
 * one tube, watts of the stage.
 *
 * @param plateVolts plate to cathode, V
 * @param screenVolts screen to cathode, V; NaN in triode and ultralinear, where it follows from the plate
 * @param gridVolts grid, V, zero or below; NaN when only a cathode resistor is given
 * @param cathodeOhms cathode resistor, Ω; NaN for none
 * @param shared whether the tubes share that resistor
 * @param screenFeedOhms screen feed resistor common to the tubes, Ω; NaN for none
 * @param drivePeak peak grid volts at full power, V; NaN for drive until the grid reaches 0 V
 * @param idle currents without signal
 * @param milliSiemens gm, mA/V
 * @param plateOhms rp, Ω
 * @param loadOhms plate to plate or primary, Ω; NaN for a characteristic point
 * @param watts power at full signal, W
 * @param distortion THD at full signal, as a share
 * @param full average currents at full signal
 * @param verify whether the figures are still to be checked against the maker's sheet
 */
public record Operation(
        String type,
        Topology topology,
        Connection connection,
        double tap,
        double plateVolts,
        double screenVolts,
        double gridVolts,
        double cathodeOhms,
        boolean shared,
        double screenFeedOhms,
        double drivePeak,
        Currents idle,
        double milliSiemens,
        double plateOhms,
        double loadOhms,
        double watts,
        double distortion,
        Currents full,
        boolean verify) {
    /** Currents of one tube, A; NaN is not published. */
    public record Currents(double plate, double screen, double cathode) {}

    public Operation {
        if (!(plateVolts > 0 && plateVolts <= 1500)) {
            throw new IllegalArgumentException("plate volts of " + plateVolts + " V; above 0, at most 1500 V");
        }
        if (gridVolts > 0 || gridVolts < -300) {
            throw new IllegalArgumentException("grid volts of " + gridVolts + " V; −300 to 0 V");
        }
        if (Double.isNaN(gridVolts) && Double.isNaN(cathodeOhms)) {
            throw new IllegalArgumentException("a point needs grid volts or a cathode resistor");
        }
        if (connection == Connection.PENTODE && !(screenVolts > 0 && screenVolts <= 1000)) {
            throw new IllegalArgumentException("screen volts of " + screenVolts + " V; above 0, at most 1000 V");
        }
    }

    /** A point of a tube's characteristics: no load, no signal. */
    public static Operation point(
            String type,
            double plateVolts,
            double screenVolts,
            double gridVolts,
            Currents idle,
            double milliSiemens,
            double plateOhms) {
        return new Operation(
                type,
                Topology.SINGLE_ENDED,
                Connection.PENTODE,
                0,
                plateVolts,
                screenVolts,
                gridVolts,
                Double.NaN,
                false,
                Double.NaN,
                Double.NaN,
                idle,
                milliSiemens,
                plateOhms,
                Double.NaN,
                Double.NaN,
                Double.NaN,
                new Currents(Double.NaN, Double.NaN, Double.NaN),
                false);
    }

    public int tubes() {
        return topology == Topology.PUSH_PULL ? 2 : 1;
    }

    /**
     * Whether the drive of its full signal is known: as published, or to 0 V from fixed grid volts. Cathode-bias lines
     * without it are driven now to the idle bias, now to the driven one, which makes up to 45 % in power.
     */
    public boolean driveKnown() {
        return !Double.isNaN(drivePeak) || Double.isNaN(cathodeOhms);
    }

    /** Whether its full signal can be computed: a load and a power are given. */
    public boolean hasFullSignal() {
        return loadOhms > 0 && watts > 0;
    }
}
