package yellowrail.core.session;

import java.util.List;
import java.util.Optional;

/** Something to be confirmed by the builder's own eyes and hands; it stands with the stop it belongs to. */
public final class Check {
    /** How long a confirmation holds. */
    public enum Holds {
        /** For the whole session, until it is taken back. */
        THROUGHOUT,
        /** While the amp stays off. */
        WHILE_OFF,
        /** Until a tube is moved. */
        UNTIL_TUBES_MOVE,
        /** Until the amp is changed, a tube moved, or the session stopped. */
        UNTIL_CHANGED,
        /** Until then or the next power-on. */
        OF_SETTING
    }

    /** Whether it may be confirmed. */
    @FunctionalInterface
    public interface Rule {
        /** Why not, in a sentence; empty where it may. */
        Optional<String> refusal(Session session, String point, long now);
    }

    /** Whether it is asked for. */
    @FunctionalInterface
    public interface Asked {
        boolean in(Session session);
    }

    private final String id;
    private final String words;
    private final Holds holds;
    private final boolean ofSocket;
    private final Rule rule;
    private final Asked asked;

    private Check(String id, String words, Holds holds, boolean ofSocket, Rule rule, Asked asked) {
        this.id = id;
        this.words = words;
        this.holds = holds;
        this.ofSocket = ofSocket;
        this.rule = rule;
        this.asked = asked;
    }

    /**
     * @param id its word in JSON and what is stored
     * @param words what is confirmed
     */
    public static Check of(String id, String words) {
        return new Check(id, words, Holds.THROUGHOUT, false, (s, p, n) -> Optional.empty(), s -> true);
    }

    public Check holding(Holds how) {
        return new Check(id, words, how, ofSocket, rule, asked);
    }

    public Check ofEachSocket() {
        return new Check(id, words, holds, true, rule, asked);
    }

    public Check onlyIf(Rule condition) {
        return new Check(id, words, holds, ofSocket, condition, asked);
    }

    public Check askedIf(Asked condition) {
        return new Check(id, words, holds, ofSocket, rule, condition);
    }

    public String id() {
        return id;
    }

    public String words() {
        return words;
    }

    public Holds holds() {
        return holds;
    }

    public boolean ofSocket() {
        return ofSocket;
    }

    /** Whether this session asks for it. */
    public boolean askedIn(Session session) {
        return asked.in(session);
    }

    /** Why it may not be confirmed now; empty where it may. */
    public Optional<String> refusal(Session session, String point, long now) {
        return rule.refusal(session, point, now);
    }

    /** Adds that it is missing, where it is asked for and not confirmed. */
    public void require(Session session, List<String> missing) {
        if (askedIn(session) && !session.ticked(this, "")) {
            missing.add("Not confirmed yet: " + words);
        }
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Check check && check.id.equals(id);
    }

    @Override
    public int hashCode() {
        return id.hashCode();
    }

    @Override
    public String toString() {
        return id;
    }
}
