package yellowrail.core.session;

import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;

/**
 * Heater volts against nominal, {@code (V/Vnom − 1)·100 %}.
 *
 * @param state within, amber, red, or not judged
 * @param percent from nominal; meaningless when not judged
 * @param sentence with its numbers
 */
public record HeaterCheck(State state, double percent, String sentence) {
    /** How far the volts are from nominal; unloaded volts are not judged. */
    public enum State {
        WITHIN("within"),
        AMBER("at the edge"),
        RED("too far"),
        NOT_JUDGED("not judged");

        private final String words;

        State(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** @param nominal V; empty when the winding's volts are not known */
    public static HeaterCheck of(double volts, boolean loaded, Optional<Double> nominal, double amber, double red) {
        String read = Show.si(volts, Unit.VOLT, 3);
        if (!loaded) {
            return new HeaterCheck(State.NOT_JUDGED, 0, read + " unloaded: not judged, the tubes pull it down.");
        }
        if (nominal.isEmpty()) {
            return new HeaterCheck(
                    State.NOT_JUDGED, 0, read + ": not judged, the nominal heater volts of this amp are not given.");
        }
        double percent = 100 * (volts / nominal.get() - 1);
        double size = Math.abs(percent);
        State state = size > red ? State.RED : size > amber ? State.AMBER : State.WITHIN;
        String signed = (percent < 0 ? "−" : "+") + Show.fixed(size, 1) + " %";
        return new HeaterCheck(
                state,
                percent,
                read + ", " + signed + " from " + Show.plain(nominal.get(), 3) + " V: " + state.words() + " (±"
                        + Show.plain(amber, 2) + " and ±" + Show.plain(red, 2) + " %).");
    }

    /** Whether these volts are further from nominal than heaters may be, whatever the builder marks. */
    public boolean outside() {
        return state != State.NOT_JUDGED && Math.abs(percent) > MOST_PERCENT + 1e-6;
    }

    /** Heaters stay within a tenth of their volts, whatever the builder marks. */
    private static final double MOST_PERCENT = 10;

    /**
     * What these volts become at other mains, in proportion; empty while the nominal is not known or nothing rises.
     *
     * @param ratio that mains over the mains they were read at
     */
    public static Optional<HeaterCheck> raised(double volts, Optional<Double> nominal, double ratio) {
        return nominal.filter(n -> ratio > 1).map(n -> {
            double raised = volts * ratio;
            double percent = 100 * (raised / n - 1);
            boolean far = Math.abs(percent) > MOST_PERCENT + 1e-6;
            return new HeaterCheck(
                    far ? State.RED : State.WITHIN,
                    percent,
                    Show.si(raised, Unit.VOLT, 3) + ", " + (percent < 0 ? "−" : "+") + Show.fixed(Math.abs(percent), 1)
                            + " % from " + Show.plain(n, 3) + " V"
                            + (far ? ": more than heaters may have (±10 %)." : "."));
        });
    }
}
