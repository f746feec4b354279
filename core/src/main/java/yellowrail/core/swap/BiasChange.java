package yellowrail.core.swap;

/** What a swap makes of the bias. */
public enum BiasChange {
    AS_NOW,
    FIXED,
    /** One resistor for all cathodes. */
    CATHODE,
    /** A resistor of its own at each cathode, which brings unlike tubes nearer to one another. */
    CATHODE_EACH
}
