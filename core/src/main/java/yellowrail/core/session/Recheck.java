package yellowrail.core.session;

/**
 * When to look again: one day, one week, one month, six months. The interval grows only when the check before it was
 * proven and steady.
 */
public enum Recheck {
    DAY(1, "in one day"),
    WEEK(7, "in one week"),
    MONTH(30, "in one month"),
    HALF_YEAR(182, "in six months");

    private final int days;
    private final String words;

    Recheck(int days, String words) {
        this.days = days;
        this.words = words;
    }

    public int days() {
        return days;
    }

    public String words() {
        return words;
    }

    /**
     * @param provenInARow sessions of these tubes that ended proven one after the other, this one included
     * @param newTubes whether tubes were placed or moved in this session
     * @param proven whether this session is proven
     */
    public static Recheck after(int provenInARow, boolean newTubes, boolean proven) {
        if (!proven || newTubes || provenInARow <= 1) {
            return DAY;
        }
        return values()[Math.min(provenInARow - 1, values().length - 1)];
    }

    /** Which rule asks for that, as a sentence goes on. */
    public static String why(int provenInARow, boolean newTubes, boolean proven) {
        if (!proven) {
            return "since this is not proven";
        }
        if (newTubes) {
            return "since tubes were placed or moved";
        }
        return provenInARow <= 1
                ? "since this is the first proven session of these tubes: each further one in a row asks later"
                : "after " + provenInARow + " proven sessions in a row";
    }
}
