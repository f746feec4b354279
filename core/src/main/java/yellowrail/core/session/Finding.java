package yellowrail.core.session;

import java.util.Optional;

/**
 * Something found that has to be cleared up: it stays open until a fact closes it, keeps the session from being proven, and
 * goes on into the next session of the amp.
 *
 * @param code what kind it is
 * @param about a socket, a sense point, or {@link #AMP}
 * @param tube label of the tube it points to; empty when it points to a position
 * @param since when it was found, milliseconds since 1970
 * @param sentence what was found, with its numbers
 * @param closedBy the fact that closed it; empty while it is open
 * @param wants what would close it
 */
public record Finding(
        Code code, String about, String tube, long since, String sentence, Optional<String> closedBy, String wants) {
    /** What a finding is about when it is no single position. */
    public static final String AMP = "amp";

    /** Kinds of findings. */
    public enum Code {
        LEAK("grid shift"),
        CREEP("creeping current"),
        STOPPED("stop for safety"),
        SWAP("exchange of tubes"),
        CONTRADICTION("contradiction"),
        EXCURSION("above a limit"),
        PLATE_MOVED("plate volts moved"),
        WEAK_TUBE("weak tube"),
        POWERED_EARLY("power on before its time");

        private final String words;

        Code(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public boolean open() {
        return closedBy.isEmpty();
    }

    /** What kind it is and what it is about, in words. */
    public String title() {
        return code.words() + (about.equals(AMP) ? "" : ", " + about) + (tube.isEmpty() ? "" : " (" + tube + ")");
    }

    /** What closed it, or what would. */
    public String standing() {
        return closedBy.map(fact -> "Closed: " + fact + ".").orElse("Open. " + wants);
    }

    /** Whether saying what was behind it can close it; the others are closed by readings alone. */
    public boolean sayable() {
        return code != Code.LEAK && code != Code.CREEP;
    }

    /** How an entry that closes it names it. */
    public String key() {
        return code + "/" + about;
    }

    /** What a key is about. */
    static String aboutOf(String key) {
        return key.substring(key.indexOf('/') + 1);
    }

    Finding closed(String fact) {
        return new Finding(code, about, tube, since, sentence, Optional.of(fact), wants);
    }

    CarriedFinding carried() {
        return new CarriedFinding(code, about, tube, since, sentence);
    }

    /** Whether a key names a kind of finding and something this amp has. */
    public static boolean known(Session session, String key) {
        int slash = key.indexOf('/');
        if (slash < 0) {
            return false;
        }
        String about = aboutOf(key);
        boolean code = false;
        for (Code c : Code.values()) {
            code |= c.name().equals(key.substring(0, slash));
        }
        return code
                && (about.equals(AMP)
                        || session.sockets().contains(about)
                        || session.plan().amp().groups().stream()
                                .anyMatch(g -> g.name().equals(about)));
    }
}
