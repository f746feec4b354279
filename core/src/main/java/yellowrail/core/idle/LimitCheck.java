package yellowrail.core.idle;

/**
 * One published limit beside the present value.
 *
 * @param name the limit
 * @param present the present value with its unit, or why it is not known
 * @param limit the limit with its unit, or that there is none
 * @param state how they compare
 */
public record LimitCheck(String name, String present, String limit, State state) {
    /** How a value compares with its limit. */
    public enum State {
        WITHIN("within"),
        AT("too close to call"),
        OVER("over"),
        NONE_PUBLISHED("no published limit"),
        NOT_APPLICABLE("does not apply"),
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
