package yellowrail.core.tube;

/** Where the screens are fed from. */
public enum Connection {
    PENTODE("pentode"),
    ULTRALINEAR("ultralinear"),
    TRIODE("triode");

    /** Taps for screens lie between these shares of the half primary's turns; a round figure of ours about what is wound. */
    public static final double LEAST_TAP = 0.1;

    public static final double MOST_TAP = 0.6;

    private final String words;

    Connection(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
