package yellowrail.core.tube;

import java.util.Optional;

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

    /** A figure taken as fact. */
    static Optional<Figure> fact(double value) {
        return Optional.of(new Figure(value, false));
    }

    /** A figure to be verified with the maker's sheet. */
    static Optional<Figure> verify(double value) {
        return Optional.of(new Figure(value, true));
    }

    /** Not known, which is neither zero nor "no limit". */
    static Optional<Figure> unknown() {
        return Optional.empty();
    }
}
