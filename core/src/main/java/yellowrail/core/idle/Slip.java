package yellowrail.core.idle;

import java.util.List;
import yellowrail.core.reading.Typed;

/**
 * A likely slip behind a reading.
 *
 * @param about which of the readings it is about
 * @param question the question to the builder, with what was understood in it
 * @param choices what could have been meant, likeliest first; empty when it is not the typed number that would change
 * @param asks whether the reading is no entry before the question is answered; else it is only worth a word
 * @param dangerous whether the reading, if it is real, asks for power off
 */
public record Slip(About about, String question, List<Typed> choices, boolean asks, boolean dangerous) {
    /** What a slip is about. */
    public enum About {
        READING,
        PLATE_VOLTS,
        SCREEN_VOLTS,
        CATHODE_VOLTS,
        GRID_VOLTS,
        MAINS,
        HEATER_VOLTS,
        NODE_VOLTS,
        OTHER
    }

    /** What stands before a dangerous question. */
    public static final String IF_REAL = "If it is real, or a plate glows: power off now. ";

    public Slip {
        choices = List.copyOf(choices);
    }

    static Slip asking(About about, String question, List<Typed> choices) {
        return new Slip(about, question, choices, true, false);
    }

    static Slip dangerous(About about, String question, List<Typed> choices) {
        return new Slip(about, IF_REAL + question, choices, true, true);
    }

    static Slip remark(About about, String question) {
        return new Slip(about, question, List.of(), false, false);
    }

    /** The likeliest text to type instead, or empty. */
    public String instead() {
        return choices.isEmpty() ? "" : choices.get(0).echo();
    }
}
