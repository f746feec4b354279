package yellowrail.core.session.stops;

/**
 * What readings mean, in one line.
 *
 * @param code what kind of remark it is, for those who want to tell them apart
 * @param about the point it is about, or empty
 */
public record Remark(Severity severity, String code, String about, String sentence) {
    /** How much it matters. */
    public enum Severity {
        GOOD,
        /** Open, or no matter. */
        OPEN,
        /** Compared with last time, no verdict of its own. */
        RECHECK,
        CAUTION,
        /** Something is above a limit, or must not go on. */
        ALARM
    }

    static Remark good(String code, String about, String sentence) {
        return new Remark(Severity.GOOD, code, about, sentence);
    }

    static Remark open(String code, String about, String sentence) {
        return new Remark(Severity.OPEN, code, about, sentence);
    }

    static Remark recheck(String about, String sentence) {
        return new Remark(Severity.RECHECK, "recheck", about, sentence);
    }

    static Remark caution(String code, String about, String sentence) {
        return new Remark(Severity.CAUTION, code, about, sentence);
    }

    static Remark alarm(String code, String about, String sentence) {
        return new Remark(Severity.ALARM, code, about, sentence);
    }

    /** Whether it must not be overlooked. */
    public boolean alarming() {
        return severity == Severity.ALARM || severity == Severity.CAUTION;
    }
}
