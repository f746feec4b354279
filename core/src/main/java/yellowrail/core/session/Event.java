package yellowrail.core.session;

import java.util.Optional;

/** Something that happened in a session. Events are only ever added; undoing is a further event. */
public interface Event {
    /** Why it may not happen now, in a sentence; empty where it may. */
    default Optional<String> refusal(Rules rules) {
        return Optional.empty();
    }

    /** What it changes of the session; nothing for one that only stands in its record. */
    default void happens(SessionChanges changes) {}

    /** Whether it says that the amp has power. */
    default boolean signOfPower() {
        return false;
    }

    /**
     * Why it is not even kept in the history when it was made before something already taken from another device.
     *
     * @param now the rules as things stand
     * @param then the rules at the time it was made
     */
    default Optional<String> lateRefusal(Rules now, Rules then) {
        return now.refusal(this);
    }

    /** Whether it then counts as if it came now; else it only stands in the history. */
    default boolean countsLate(Session session, long at) {
        return true;
    }

    /** How it stands among the notes of the sheet; empty where it is no note. */
    default Optional<String> noted() {
        return Optional.empty();
    }

    /** How it reads in the log of changes; empty where it is no change. */
    default Optional<String> logged(Session before) {
        return Optional.empty();
    }
}
