package yellowrail.core.adjust;

/**
 * How much larger a tube's figures are at the mains as it is now than at the mains it is set for.
 *
 * @param amperes factor of its current, above zero
 * @param volts factor of its plate volts, above zero
 */
public record AtMains(double amperes, double volts) {
    /** It is set for the mains as it is. */
    public static final AtMains SAME = new AtMains(1, 1);

    /** Factor of its dissipation. */
    double watts() {
        return amperes * volts;
    }
}
