package yellowrail.core.session;

/**
 * What became of a stop.
 *
 * @param done done, else skipped
 * @param reason why it was skipped, or empty
 */
public record Mark(boolean done, String reason) {
    static final Mark DONE = new Mark(true, "");
}
