package yellowrail.core.idle;

/**
 * Two things said or read that cannot both be so; no all-clear until one is read again.
 *
 * @param about the socket or sense point; empty for the whole check or amp
 * @param sentence what does not go together, with its numbers, and what to do
 */
public record Contradiction(Code code, String about, String sentence) {
    /** What does not go together. */
    public enum Code {
        SENSE_RESISTOR("sense resistor"),
        /** A figure of the way the current is taken, beside the reading. */
        METHOD_FIGURE("way of taking current"),
        BIAS_SCHEME("bias scheme"),
        CATHODE_VOLTS("cathode volts"),
        /** Grid volts beside the current, and the bias node. */
        GRID_VOLTS("grid volts"),
        SCREEN_CURRENT("screen current"),
        SCREEN_VOLTS("screen volts"),
        /** Single readings beside the reading of the point they share. */
        COMBINED_CURRENT("combined current"),
        /** The tubes' sum beside what the choke carries. */
        SUPPLY_CURRENT("supply current"),
        /** Plate volts of one supply. */
        PLATE_VOLTS("plate volts"),
        MAINS_IMPOSSIBLE("mains"),
        MAINS_MOVED("mains moved"),
        UNLIKE_TYPES("unlike types");

        private final String words;

        Code(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }
}
