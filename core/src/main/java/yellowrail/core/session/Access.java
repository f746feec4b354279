package yellowrail.core.session;

/** What is opened of the amp; it decides which steps a session asks for. */
public enum Access {
    TEST_POINTS("outside test points only"),
    ADAPTORS("adaptors in the sockets, chassis closed"),
    OPEN("the chassis");

    private final String words;

    Access(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** Whether hands and probes go into the chassis. */
    public boolean handsIn() {
        return this == OPEN;
    }

    /** Whether tubes leave their sockets for it. */
    public boolean movesTubes() {
        return this == ADAPTORS;
    }

    public Access orMore(Access other) {
        return other.ordinal() > ordinal() ? other : this;
    }
}
