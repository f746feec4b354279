package yellowrail.core.stage;

/** Where a computed figure stands against a published rating. None of these is an all-clear: a model gives none. */
public enum AgainstRating {
    /** Above it. */
    OVER,
    /** Below it, with the rating inside the figure's band: not told apart. */
    NEAR,
    /** Below it with the whole band. */
    OPEN,
    /** No rating is published. */
    UNKNOWN;

    /**
     * @param rating in the unit of the value; NaN when not published
     * @param band of the value, share to either side; infinite when nothing tells it
     */
    public static AgainstRating of(double value, double rating, double band) {
        if (Double.isNaN(value) || Double.isNaN(rating)) {
            return UNKNOWN;
        }
        return value > rating ? OVER : value * (1 + band) > rating ? NEAR : OPEN;
    }
}
