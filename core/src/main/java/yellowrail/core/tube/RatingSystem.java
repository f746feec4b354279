package yellowrail.core.tube;

import yellowrail.core.reading.Unit;

/** How a published rating is meant (IEC 60134): who allows for mains, parts and tube spread. */
public enum RatingSystem {
    /** The maker allowed for normal mains variation: judged at nominal mains. */
    DESIGN_CENTRE("design centre"),
    /** The designer allows for mains and part spread: judged at the highest mains. */
    DESIGN_MAXIMUM("design maximum"),
    /** Never to be exceeded in any condition: judged at the highest mains. */
    ABSOLUTE("absolute"),
    /** Published without naming a system: judged like a design-maximum rating, the stricter reading. */
    UNSTATED("system not stated");

    private static final double ALLOWED_VOLTS = 1.10;
    private static final double ALLOWED_AMPERES = Math.pow(1.1, 1.15);
    private static final double ALLOWED_WATTS = 1.22;

    private final String words;

    RatingSystem(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** Whether the maker allowed for line variation, so that its limits hold at nominal mains. */
    public boolean allowsForMains() {
        return this == DESIGN_CENTRE;
    }

    /**
     * How far above a limit a value may lie at highest mains, as a factor. The makers of design-centre ratings allowed for
     * line variation of about ten per cent in the cathode-biased stages of their time: volts rise by 1.1, currents by
     * 1.1^1.15 and watts by 1.1^2.1 there. A supply that makes more of it is not covered. The other systems allow for
     * nothing.
     */
    public double allowanceAtHighestMains(Unit unit) {
        if (!allowsForMains()) {
            return 1;
        }
        return switch (unit) {
            case WATT -> ALLOWED_WATTS;
            case AMPERE -> ALLOWED_AMPERES;
            default -> ALLOWED_VOLTS;
        };
    }
}
