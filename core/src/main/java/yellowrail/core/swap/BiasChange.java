package yellowrail.core.swap;

/** What a swap makes of the bias. */
public enum BiasChange {
    AS_NOW("as now"),
    FIXED("fixed bias"),
    /** One resistor for all cathodes. */
    CATHODE("cathode bias, one resistor"),
    /** A resistor of its own at each cathode, which brings unlike tubes nearer to one another. */
    CATHODE_EACH("cathode bias, a resistor each");

    private final String words;

    BiasChange(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    boolean toCathode() {
        return this == CATHODE || this == CATHODE_EACH;
    }
}
