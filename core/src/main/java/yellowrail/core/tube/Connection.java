package yellowrail.core.tube;

/** Where the screens are fed from. */
public enum Connection {
    PENTODE("pentode"),
    ULTRALINEAR("ultralinear"),
    TRIODE("triode");

    private final String words;

    Connection(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
