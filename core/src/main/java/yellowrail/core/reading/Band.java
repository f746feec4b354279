package yellowrail.core.reading;

/**
 * A figure that is known within bounds.
 *
 * @param low lower bound
 * @param mid the likeliest value, within the bounds
 * @param high upper bound
 */
public record Band(double low, double mid, double high) {
    public Band {
        if (!(low <= mid && mid <= high) || !Double.isFinite(low) || !Double.isFinite(high)) {
            throw new IllegalArgumentException("a band rises: " + low + ", " + mid + ", " + high);
        }
    }

    public static Band exactly(double value) {
        return new Band(value, value, value);
    }

    /** What {@code base} becomes when raised to a power within this band; base above zero. */
    public Band powerOf(double base) {
        double a = Math.pow(base, low);
        double b = Math.pow(base, high);
        double middle = Math.pow(base, mid);
        return new Band(Math.min(a, b), middle, Math.max(a, b));
    }

    /** The part both bands share, or this one where they do not meet. */
    public Band within(Band other) {
        double from = Math.max(low, other.low);
        double to = Math.min(high, other.high);
        return from > to ? this : new Band(from, Math.max(from, Math.min(to, mid)), to);
    }

    /** An estimate times this factor: the middle of the bounds, with half their distance as a limit of error. */
    public Estimate times(Estimate estimate, String source) {
        double middle = (low + high) / 2;
        return estimate.times(middle).and(source, middle == 0 ? 0 : (high - low) / 2 / middle);
    }
}
