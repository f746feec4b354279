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
}
