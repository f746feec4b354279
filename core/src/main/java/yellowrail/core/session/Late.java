package yellowrail.core.session;

/**
 * An entry that arrived after something that was made after it on another device.
 *
 * @param entry as sent
 * @param effect what it did
 */
public record Late(Entry entry, Effect effect) {
    /** What a late entry did. */
    public enum Effect {
        /** It stands where it was made and changed nothing that holds now. */
        FILED,
        /** It counts as if it had come now. */
        APPLIED,
        /** It contradicts that the amp is off: everything is locked until that is declared again. */
        CLOSED
    }
}
