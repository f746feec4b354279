package yellowrail.core.idle;

/**
 * One published limit beside the present value.
 *
 * @param name the limit
 * @param present the present value with its unit, or why it is not known
 * @param limit the limit with its unit, or "not published"
 * @param state how they compare
 */
public record LimitCheck(String name, String present, String limit, State state) {
    /** How a value compares with its limit. */
    public enum State {
        WITHIN("within"),
        AT("at the limit"),
        OVER("over"),
        UNKNOWN("unknown");

        private final String words;

        State(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }
}
