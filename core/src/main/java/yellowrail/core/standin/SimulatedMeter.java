package yellowrail.core.standin;

import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;

/**
 * A handheld meter with 6000 counts: shows a value with a gain error, in the range and digits that a display has.
 *
 * @param gainError as a share, for example 0.002
 */
public record SimulatedMeter(double gainError) {
    private static final double COUNTS = 6000;

    /** What the display shows, with its unit, for example {@code 36.42 mV}. */
    public String show(double value, Unit unit) {
        double read = value * (1 + gainError);
        double size = Math.abs(read);
        boolean milli = size < 0.6 && unit != Unit.OHM;
        double shown = milli ? read * 1000 : read;
        int decimals = 3;
        while (decimals > 0 && Math.abs(shown) * Math.pow(10, decimals) >= COUNTS) {
            decimals--;
        }
        return Show.fixed(shown, milli ? Math.min(decimals, 2) : decimals) + " " + (milli ? "m" : "") + unit.symbol();
    }
}
