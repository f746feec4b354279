package yellowrail.core.session;

/** The declared state of the amp. Undeclared is treated as live: nothing opens. */
public enum Power {
    UNDECLARED("not declared"),
    OFF("off and unplugged"),
    ON_TUBES_OUT("on with the output tubes out"),
    ON_TUBES_IN("on with the tubes in");

    private final String words;

    Power(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** "The amp is declared off and unplugged", or that its power is not declared. */
    public String sentence() {
        return this == UNDECLARED ? "The amp's power is not declared" : "The amp is declared " + words;
    }

    public boolean on() {
        return this == ON_TUBES_OUT || this == ON_TUBES_IN;
    }
}
