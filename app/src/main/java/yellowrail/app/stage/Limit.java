package yellowrail.app.stage;

import java.util.Locale;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.AgainstRating;

/**
 * A computed figure against its rating.
 *
 * @param rating as published, or why there is none
 * @param tone over, near (the rating lies inside the band), unknown, unpublished or open
 * @param formula how the figure is worked out, with this stage's numbers
 * @param share figure over rating; null when not published
 */
public record Limit(String name, String figure, String rating, String tone, String formula, Double share) {
    /**
     * @param rating NaN when not published
     * @param band of the figure, share to either side
     */
    static Limit of(String name, double value, Unit unit, double rating, double band, String formula) {
        String figure = Show.si(value, unit, 3);
        if (Double.isNaN(rating)) {
            return new Limit(name, figure, "no published limit", "unpublished", formula, null);
        }
        String tone = tone(value, rating, band);
        String percent = Show.fixed(100 * value / rating, 0) + " % of " + Show.siPlain(rating, unit, 3);
        return new Limit(
                name, figure, percent + (tone.equals("near") ? ", " + close(band) : ""), tone, formula, value / rating);
    }

    /** Why a rating is neither kept nor passed. */
    static String close(double band) {
        return Double.isInfinite(band)
                ? "not told: the model is not fitted near these volts"
                : "too close to call: inside the model's ±" + Show.plain(100 * band, 2) + " %";
    }

    static String tone(double value, double rating, double band) {
        return AgainstRating.of(value, rating, band).name().toLowerCase(Locale.ROOT);
    }
}
