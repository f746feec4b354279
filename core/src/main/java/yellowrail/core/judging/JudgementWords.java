package yellowrail.core.judging;

import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Limit;

/** A limit and how a value compares with it, in words. */
public final class JudgementWords {
    /** Ends further apart than this, as a share, are told as a range. */
    private static final double ONE_FIGURE = 0.04;

    private JudgementWords() {}

    /** For example {@code the 30 W plate rating (design maximum) at 253 V mains}. */
    public static String limit(Judgement r) {
        return name(r) + mains(r);
    }

    private static String name(Judgement r) {
        if (r.ceiling()) {
            double rated = r.edition().plateWatts().orElseThrow().value();
            return "the ceiling of " + Show.plain(100 * r.allowed() / rated, 3) + " %";
        }
        Unit unit = r.what().unit();
        double max = r.what().in(r.edition()).orElseThrow().value();
        // What the publication's system allows at that mains is in the limit already.
        double allowance = r.allowed() / max;
        boolean allowed = allowance > 1 + 1e-9;
        return (allowed ? Show.plain(allowance, 3) + " times the " : "the ")
                + Show.siPlain(max, unit, 3) + " "
                + (r.what() == Limit.PLATE_WATTS
                        ? "plate rating"
                        : "limit of " + r.what().words())
                + " (" + r.edition().system().words() + (allowed ? ", which allows for that mains" : "") + ")";
    }

    public static String mains(Judgement r) {
        if (r.value().from().ofStage()) {
            return (r.value().from().measured() ? " as read in this amp, at " : " as computed at ")
                    + Show.plain(100 * r.mains(), 3) + " % of nominal mains";
        }
        return switch (r.at()) {
            case NOW -> " as read";
            case NOMINAL -> " at nominal mains, " + figure(r.mains(), Unit.VOLT);
            case LOWEST, HIGHEST -> " at " + figure(r.mains(), Unit.VOLT) + " mains";
        };
    }

    /** Whose band a figure has, and how wide it is: {@code the model's ±12 %}. */
    public static String band(Value value) {
        return (value.from().measured() ? "the readings' ±" : "the model's ±") + Show.plain(100 * value.band(), 2)
                + " %";
    }

    /** The value at its mains: per cent for plate dissipation, else in the limit's unit. */
    public static String value(Judgement r) {
        boolean percent = r.what() == Limit.PLATE_WATTS;
        double per = percent ? r.edition().plateWatts().orElseThrow().value() / 100 : 1;
        Unit unit = r.what().unit();
        if (r.value().from() == Value.From.READ || r.value().from() == Value.From.MEASURED) {
            return percent
                    ? Show.plusMinus(
                                    r.value().figure().value() / per,
                                    r.value().figure().likely() / per) + " %"
                    : withBand(r);
        }
        boolean range = r.value().high() > r.value().low() * (1 + ONE_FIGURE);
        if (percent) {
            return range
                    ? Math.round(r.value().low() / per) + " to "
                            + Math.round(r.value().high() / per) + " %"
                    : Math.round(r.value().figure().value() / per) + " %";
        }
        return range
                ? figure(r.value().low(), unit) + " to " + figure(r.value().high(), unit)
                : figure(r.value().figure().value(), unit);
    }

    private static String withBand(Judgement r) {
        boolean amperes = r.what().unit() == Unit.AMPERE;
        double scale = amperes ? 1000 : 1;
        return Show.plusMinus(
                        scale * r.value().figure().value(),
                        scale * r.value().figure().likely())
                + (amperes ? " mA" : " " + r.what().unit().symbol());
    }

    /** The value at its mains, as a sentence begins. */
    public static String told(Judgement r) {
        String what = r.what() == Limit.PLATE_WATTS ? "" : r.what().words() + " ";
        String text = what + value(r) + mains(r);
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }

    /** What a result says, as a sentence without its full stop. */
    public static String sentence(Judgement r) {
        String compared = switch (r.standing()) {
            case TOO_CLOSE ->
                !r.value().from().carried() || r.value().high() <= r.allowed()
                        ? "too close to call, " + name(r) + " lies inside the error band"
                        : "it may pass " + name(r);
            case OVER -> "above " + name(r);
            case UNKNOWN -> "not told, these volts lie outside what the model was fitted on";
            default -> "within " + name(r);
        };
        return told(r) + ": " + compared;
    }

    public static String figure(double value, Unit unit) {
        return Show.si(value, unit, 3);
    }
}
