package yellowrail.core.swap;

import yellowrail.core.judging.Standing;

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

    /**
     * What a standing is on a sheet.
     *
     * @param verify whether the limit is to be verified with the maker's sheet
     */
    static SwapVerdict of(Standing standing, boolean verify) {
        return switch (standing) {
            case OVER -> FAIL;
            case UNKNOWN, OPEN_QUESTION, TOO_CLOSE -> UNKNOWN;
            case NONE_PUBLISHED -> NOTE;
            case INSIDE, NOT_APPLICABLE -> verify ? NOTE : PASS;
        };
    }

    public SwapVerdict worse(SwapVerdict other) {
        return compareTo(other) >= 0 ? this : other;
    }
}
