package yellowrail.core.adjust;

import yellowrail.core.reading.Band;
import yellowrail.core.target.Target.Window;

/**
 * Where the middle of a window lies while the mains is off nominal: what would be the middle at nominal mains, as far as that
 * lies inside the window as read too; at low mains never hotter than the window allows at nominal, whichever way the amp
 * follows its mains. It moves with the mains without a jump, so that no tube is sent to and fro.
 */
public final class MiddleAt {
    /** Kept from an edge of the window, share of it: what a meter wanders. */
    private static final double FROM_EDGE = 0.01;

    private MiddleAt() {}

    /**
     * How much larger a tube's figures are where it is set, so that the middle is met.
     *
     * @param mains now, over nominal, above 0
     * @param amperes how currents follow the mains, exponents
     */
    public static AtMains of(Window window, double mains, Band amperes) {
        double exponent = amperes.mid() + 1;
        double low = Math.min(window.aim(), window.low() * (1 + FROM_EDGE));
        double high = Math.max(window.aim(), window.high() * (1 - FROM_EDGE));
        double share = Math.max(low, Math.min(high, window.aim() * Math.pow(mains, exponent)));
        if (mains < 1) {
            share = Math.min(share, high * Math.pow(mains, amperes.high() + 1));
        }
        double carried = Math.pow(share / window.aim(), 1 / exponent);
        return new AtMains(Math.pow(carried, amperes.mid()), carried);
    }
}
