package yellowrail.core.swap;

/** What a swap makes of the bias. */
public enum BiasChange {
    AS_NOW,
    /** From a grid supply of which it is not said whether it follows the mains. */
    FIXED,
    FIXED_TRACKING,
    FIXED_CONSTANT,
    /** One resistor for all cathodes. */
    CATHODE,
    /** A resistor of its own at each cathode, which brings unlike tubes nearer to one another. */
    CATHODE_EACH;

    /** Whether it makes the bias fixed. */
    public boolean fixed() {
        return this == FIXED || this == FIXED_TRACKING || this == FIXED_CONSTANT;
    }
}
