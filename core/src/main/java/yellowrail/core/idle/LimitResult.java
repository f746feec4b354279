package yellowrail.core.idle;

import yellowrail.core.reading.Estimate;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.Ratings;

/**
 * One limit of one publication, or the builder's ceiling, against the present point at one mains.
 *
 * @param what what is limited
 * @param ceiling whether it is the builder's ceiling instead of the publication's figure
 * @param edition the publication; for the ceiling the one every per cent refers to
 * @param at the mains it is judged at
 * @param mains that mains, V; NaN as read; share of nominal where computed
 * @param value in the limit's unit, at that mains
 * @param exponentLow the value with the low end of how it follows the mains, without the errors of the readings
 * @param exponentHigh the same with the high end
 * @param max what it must not pass there, in the same unit
 * @param standing how they compare
 */
record LimitResult(
        Limit what,
        boolean ceiling,
        Ratings edition,
        At at,
        double mains,
        Estimate value,
        double exponentLow,
        double exponentHigh,
        double max,
        Standing standing) {
    /** The mains a limit is judged at. */
    enum At {
        NOW,
        NOMINAL,
        HIGHEST,
        /** Computed by a model for a mains of its own. */
        COMPUTED
    }

    /** How a value with its band compares with a limit. */
    enum Standing {
        WITHIN,
        /** The limit lies inside the band. */
        TOO_CLOSE,
        OVER;

        /** The figures as they are printed: 0.5499999 is 55 % to a builder. */
        private static final double PRINTED = 1e-9;

        /**
         * As read or computed, the value itself decides what is over; carried to another mains, only a band wholly above is: what may
         * be is not told as what is.
         */
        static Standing of(Estimate value, double max, At at) {
            double edge = max * (1 + PRINTED);
            double likely = value.likely();
            boolean over = (at == At.NOW || at == At.COMPUTED ? value.value() : value.value() - likely) > edge;
            return over ? OVER : value.value() + likely > edge ? TOO_CLOSE : WITHIN;
        }
    }

    /** How far the value lies towards its limit, 1 = at it. */
    double reach() {
        return value.high() / max;
    }
}
