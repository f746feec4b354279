package yellowrail.core.swap;

/** How one criterion of a swap, or the whole of it, comes out; worst last. */
public enum SwapVerdict {
    PASS("pass", "Pass"),
    /** Nothing speaks against it, but there is something to know or to do. */
    NOTE("note", "Pass with notes"),
    /** Something that decides it is not known, or too close to call: never an all-clear. */
    UNKNOWN("unknown", "Unknown"),
    FAIL("fail", "Fail");

    private final String words;
    private final String overall;

    SwapVerdict(String words, String overall) {
        this.words = words;
        this.overall = overall;
    }

    /** Of one criterion. */
    public String words() {
        return words;
    }

    /** Of the whole. */
    public String overall() {
        return overall;
    }

    public SwapVerdict worse(SwapVerdict other) {
        return compareTo(other) >= 0 ? this : other;
    }
}
