package yellowrail.core.session;

/**
 * A reading that was corrected, taken back or moved to another point. The reading itself stays.
 *
 * @param reading as it was
 * @param kind what became of it
 * @param at when, milliseconds since 1970
 * @param atOnce whether it was done before the next reading at that position
 * @param reason as typed
 */
public record Amendment(RecordedReading reading, Kind kind, long at, boolean atOnce, String reason) {
    /** What became of it. */
    public enum Kind {
        CORRECTED("corrected"),
        VOIDED("taken back"),
        MOVED("moved to another point");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }
}
