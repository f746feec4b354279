package yellowrail.core.soak;

import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;

/** What exchanging two tubes tells about a creeping current. */
public enum SwapTest {
    FOLLOWS_TUBE(
            "follows the tube: likely the tube (gas, grid emission). Replace it; a pass on a tester does not acquit it."),
    STAYS("stays with the position: check the grid's DC volts with the tube out, against the bias node."),
    BOTH(
            "shows in both positions: inconclusive. Next, log the bias node's volts over time: a falling bias supply moves both sides."),
    GONE("is gone from both positions: a contact may have been cleaned by the move. Watch a full soak again.");

    private final String words;

    SwapTest(String words) {
        this.words = words;
    }

    /**
     * @param creepsWhereItWent whether the position the suspect tube went to creeps now
     * @param creepsWhereItWas whether the position it came from creeps now
     */
    public static SwapTest of(boolean creepsWhereItWent, boolean creepsWhereItWas) {
        if (creepsWhereItWent) {
            return creepsWhereItWas ? BOTH : FOLLOWS_TUBE;
        }
        return creepsWhereItWas ? STAYS : GONE;
    }

    public String sentence(String tube, String from, String to) {
        return tube + " was moved from " + from + " to " + to + ": the creep " + words;
    }

    /**
     * A grid measured with its tube out against the bias node: how much of the shift the meter itself explains.
     *
     * @param explained V, by the meter loading the grid leak
     * @param remaining V
     * @param finding whether more than the meter explains remains
     */
    public record GridShift(double shift, double explained, double remaining, boolean finding, String sentence) {
        /** A remainder below this is within what two readings of this size repeat, V. */
        private static final double LEAST = 0.3;

        /**
         * @param gridVolts at the grid, tube out, V, negative
         * @param nodeVolts at the bias node, V, negative
         * @param gridLeakOhms empty when not known
         * @param meterOhms input resistance of the meter
         */
        public static GridShift of(
                double gridVolts, double nodeVolts, Optional<Double> gridLeakOhms, double meterOhms) {
            double shift = gridVolts - nodeVolts;
            double explained =
                    gridLeakOhms.map(r -> -nodeVolts * r / (r + meterOhms)).orElse(0.0);
            double remaining = shift - explained;
            boolean finding = remaining > LEAST;
            String because = gridLeakOhms
                    .map(r -> "about " + Show.fixed(explained, 1) + " V of it is explained by your "
                            + Show.siPlain(meterOhms, Unit.OHM, 3) + " meter loading a " + Show.siPlain(r, Unit.OHM, 3)
                            + " grid leak")
                    .orElse("how much of it is the meter's load is not known without the grid leak's ohms");
            return new GridShift(
                    shift,
                    explained,
                    remaining,
                    finding,
                    (shift >= 0 ? "Positive shift " : "Negative shift ") + Show.fixed(Math.abs(shift), 1) + " V; "
                            + because
                            + (finding
                                    ? "; the remaining " + Show.fixed(remaining, 1)
                                            + " V points to a leaky coupling capacitor: lift one end to confirm."
                                    : "; no finding."));
        }
    }
}
