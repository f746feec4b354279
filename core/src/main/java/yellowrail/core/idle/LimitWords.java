package yellowrail.core.idle;

import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Limit;

/** A limit and how a value compares with it, in words. */
final class LimitWords {
    /** Ends further apart than this, as a share, are told as a range. */
    private static final double ONE_FIGURE = 0.04;

    private LimitWords() {}

    /** For example {@code the 30 W plate rating (design maximum) at 253 V mains}. */
    static String limit(LimitResult r) {
        return name(r) + mains(r);
    }

    private static String name(LimitResult r) {
        if (r.ceiling()) {
            double rated = r.edition().plateWatts().orElseThrow().value();
            return "the ceiling of " + Show.plain(100 * r.max() / rated, 3) + " %";
        }
        Unit unit = r.what().unit();
        double max = r.edition().figure(r.what()).orElseThrow().value();
        // What the publication's system allows at that mains is in the limit already.
        double allowance = r.max() / max;
        boolean allowed = allowance > 1 + 1e-9;
        return (allowed ? Show.plain(allowance, 3) + " times the " : "the ")
                + Show.siPlain(max, unit, 3) + " "
                + (r.what() == Limit.PLATE_WATTS
                        ? "plate rating"
                        : "limit of " + r.what().words())
                + " (" + r.edition().system().words() + (allowed ? ", which allows for that mains" : "") + ")";
    }

    static String mains(LimitResult r) {
        return switch (r.at()) {
            case NOW -> " as read";
            case NOMINAL -> " at nominal mains, " + figure(r.mains(), Unit.VOLT);
            case HIGHEST -> " at " + figure(r.mains(), Unit.VOLT) + " mains";
            case COMPUTED -> " as computed at " + Show.plain(100 * r.mains(), 3) + " % of nominal mains";
        };
    }

    /** The value at its mains: per cent for plate dissipation, else in the limit's unit. */
    static String value(LimitResult r) {
        boolean percent = r.what() == Limit.PLATE_WATTS;
        double per = percent ? r.edition().plateWatts().orElseThrow().value() / 100 : 1;
        Unit unit = r.what().unit();
        if (r.at() == LimitResult.At.NOW) {
            return percent ? Show.plusMinus(r.value().value() / per, r.value().likely() / per) + " %" : withBand(r);
        }
        boolean range = r.exponentHigh() > r.exponentLow() * (1 + ONE_FIGURE);
        if (percent) {
            return range
                    ? Math.round(r.exponentLow() / per) + " to " + Math.round(r.exponentHigh() / per) + " %"
                    : Math.round(r.value().value() / per) + " %";
        }
        return range
                ? figure(r.exponentLow(), unit) + " to " + figure(r.exponentHigh(), unit)
                : figure(r.value().value(), unit);
    }

    private static String withBand(LimitResult r) {
        boolean amperes = r.what().unit() == Unit.AMPERE;
        double scale = amperes ? 1000 : 1;
        return Show.plusMinus(scale * r.value().value(), scale * r.value().likely())
                + (amperes ? " mA" : " " + r.what().unit().symbol());
    }

    /** The value at its mains, as a sentence begins. */
    static String told(LimitResult r) {
        String what = r.what() == Limit.PLATE_WATTS ? "" : r.what().words() + " ";
        String text = what + value(r) + mains(r);
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }

    /** What a result says, as a sentence without its full stop. */
    static String sentence(LimitResult r) {
        String compared = switch (r.standing()) {
            case WITHIN -> "within " + name(r);
            case TOO_CLOSE ->
                r.at() == LimitResult.At.NOW || r.exponentHigh() <= r.max()
                        ? "too close to call, " + name(r) + " lies inside the error band"
                        : "it may pass " + name(r);
            case OVER -> "above " + name(r);
        };
        return told(r) + ": " + compared;
    }

    static String figure(double value, Unit unit) {
        return Show.si(value, unit, 3);
    }
}
