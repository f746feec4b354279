package yellowrail.core.session;

import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.round.SocketAnswer;

/**
 * What the first current of a tube means, before anything was set.
 *
 * @param over whether the amp is to be switched off: some part of the band lies above the ceiling
 */
public record FirstCurrent(boolean over, String sentence) {
    /** Below this a tube counts as not drawing, A: less than any output tube's idle, more than a meter's last digit. */
    private static final double DRAWS_AMPERES = 0.001;

    /**
     * @param answer of a measured socket
     * @param ceiling share of the plate rating
     */
    public static FirstCurrent of(SocketAnswer answer, double ceiling) {
        String socket = answer.socket().name();
        if (answer.answer().cathodeAmperes().isEmpty()) {
            return new FirstCurrent(false, socket + ": this reading gives no current.");
        }
        double amperes = answer.answer().cathodeAmperes().get().value();
        if (amperes < DRAWS_AMPERES) {
            return new FirstCurrent(false, socket + " draws nothing yet: heater, seat, mute, or bias at its coldest.");
        }
        var share = answer.answer().share();
        boolean over = share.map(Estimate::high).filter(high -> high > ceiling).isPresent();
        boolean above = share.filter(v -> v.value() > ceiling).isPresent();
        return new FirstCurrent(
                over,
                socket + ": " + Show.fixed(1000 * amperes, 1) + " mA"
                        + share.map(v -> ", " + Show.fixed(100 * v.value(), 0) + " % of the rating.")
                                .orElse("; read plate volts to see its watts.")
                        + (above
                                ? " Above the ceiling: power off."
                                : over ? " The ceiling lies inside the error band: power off, then find out." : ""));
    }
}
