package yellowrail.core.tube;

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

    private final String words;

    RatingSystem(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    public boolean judgedAtHighestMains() {
        return this != DESIGN_CENTRE;
    }
}
