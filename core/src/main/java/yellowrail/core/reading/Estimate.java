package yellowrail.core.reading;

/** A computed value in SI base units with the errors it carries. */
public record Estimate(double value, ErrorBudget errors) {
    public Estimate {
        if (!Double.isFinite(value)) {
            throw new IllegalArgumentException("an estimate must be finite, not " + value);
        }
    }

    /** Half width of the 95 % band, in the value's unit. */
    public double likely() {
        return Math.abs(value) * errors.likely();
    }

    /** Half width of the worst case, in the value's unit. */
    public double worst() {
        return Math.abs(value) * errors.worst();
    }

    public double low() {
        return value - likely();
    }

    public double high() {
        return value + likely();
    }

    public Estimate times(double exactFactor) {
        return new Estimate(value * exactFactor, errors);
    }

    public Estimate times(Estimate other) {
        return new Estimate(value * other.value, errors.and(other.errors));
    }

    /** The sum; errors of one cause add with their signs, weighted by what each part contributes. */
    public Estimate plus(Estimate other) {
        double sum = value + other.value;
        return sum == 0
                ? new Estimate(0, errors.and(other.errors))
                : new Estimate(sum, errors.times(value / sum).and(other.errors.times(other.value / sum)));
    }

    /** The same value with another error beside those it carries. */
    public Estimate and(String source, double relative) {
        return new Estimate(value, errors.and(source, relative));
    }
}
