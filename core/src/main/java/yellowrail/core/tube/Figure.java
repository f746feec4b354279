package yellowrail.core.tube;

/**
 * One published figure in SI base units.
 *
 * @param value finite and above zero
 * @param toBeVerified whether the builder is told to verify it with the maker's sheet
 */
public record Figure(double value, boolean toBeVerified) {
    public Figure {
        if (!(value > 0) || !Double.isFinite(value)) {
            throw new IllegalArgumentException(
                    "a published figure is above zero, not " + value + "; unknown is left out");
        }
    }
}
