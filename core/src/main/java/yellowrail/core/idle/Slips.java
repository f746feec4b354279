package yellowrail.core.idle;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.amp.Seen;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Ratings;

/** Looks for the slip behind a result that is far from what the type usually does. */
final class Slips {
    /** Usual idle, as a share of the rating, used only to find what is far from it. */
    private static final double USUAL_SHARE = 0.65;

    /** Plate volts assumed for "usual" when none are given, as a share of the plate-volt rating. */
    private static final double USUAL_VOLTS = 0.75;

    private static final double FAR_ABOVE = 2.2;
    private static final double FAR_BELOW = 0.1;
    private static final Map<Integer, String> POWERS =
            Map.of(1, "ten times", 2, "a hundred times", 3, "a thousand times");

    private Slips() {}

    static List<Slip> find(
            IdleQuestion question,
            Ratings ratings,
            Seen.Current seen,
            Optional<Estimate> vpk,
            Optional<Estimate> share) {
        Optional<Double> volts = vpk.map(Estimate::value)
                .or(() -> ratings.plateVolts().map(Figure::value).map(v -> USUAL_VOLTS * v));
        List<Slip> slips = new ArrayList<>();
        if (volts.isEmpty() || question.reading().isEmpty() || seen.perTube().value() <= 0) {
            return slips;
        }
        double usual = USUAL_SHARE * ratings.plateWatts().orElseThrow().value() / volts.get();
        double ratio = seen.perTube().value() / usual;
        if (ratio > FAR_ABOVE || ratio < FAR_BELOW) {
            Typed reading = question.reading().get();
            List<Integer> powers = new ArrayList<>(List.of(1, 2, 3));
            powers.sort(
                    Comparator.comparingDouble(p -> Math.abs(Math.log(ratio > 1 ? ratio / ten(p) : ratio * ten(p)))));
            for (int power : powers) {
                double corrected = ratio > 1 ? ratio / ten(power) : ratio * ten(power);
                if (corrected > 0.25 && corrected < 1.7) {
                    slips.add(decimal(question, reading, seen, power, ratio > 1));
                }
            }
            if (ratio > FAR_ABOVE && seen.tubes() == 1) {
                sharedBy(seen, ratio).ifPresent(slips::add);
            }
        }
        implausibleVolts(question, ratings).ifPresent(slips::add);
        if (slips.isEmpty() && share.isPresent() && share.get().value() > 1) {
            slips.add(new Slip(
                    "This would be " + Math.round(100 * share.get().value()) + " % on that tube: is it the reading,"
                            + " the unit, the number of tubes behind it, or real?",
                    ""));
        }
        return slips;
    }

    private static double ten(int power) {
        return Math.pow(10, power);
    }

    private static Slip decimal(IdleQuestion question, Typed reading, Seen.Current seen, int power, boolean tooMuch) {
        double factor = tooMuch ? 1 / ten(power) : ten(power);
        Typed instead = new Typed("", reading.value() * factor, reading.unit(), reading.lastDigit() * factor);
        String times = (tooMuch ? POWERS.get(power) + " the usual" : "far below the usual");
        String type =
                question.stage().type().map(t -> " for " + t.designation()).orElse("");
        return new Slip(
                reading.echo() + " means " + Show.si(seen.perTube().value(), Unit.AMPERE, 3) + ", " + times + type
                        + ": did you mean " + instead.echo() + ", which is "
                        + Show.si(seen.perTube().value() * factor, Unit.AMPERE, 3) + "?",
                instead.echo());
    }

    private static Optional<Slip> sharedBy(Seen.Current seen, double ratio) {
        for (int tubes : List.of(2, 4)) {
            double each = ratio / tubes;
            if (each > 0.5 && each < 1.5) {
                return Optional.of(new Slip(
                        "Does this point carry the current of " + tubes + " tubes? Then it is "
                                + Show.si(seen.perTube().value() / tubes, Unit.AMPERE, 3) + " each.",
                        ""));
            }
        }
        return Optional.empty();
    }

    private static Optional<Slip> implausibleVolts(IdleQuestion question, Ratings ratings) {
        Optional<Typed> volts = question.plate().volts();
        Optional<Double> rated = ratings.plateVolts().map(Figure::value);
        if (volts.isEmpty() || rated.isEmpty() || volts.get().value() <= 0) {
            return Optional.empty();
        }
        double ratio = volts.get().value() / rated.get();
        double factor = ratio > 2.5 ? 0.1 : ratio < 0.12 ? 10 : 1;
        double corrected = ratio * factor;
        if (factor == 1 || corrected < 0.25 || corrected > 1.3) {
            return Optional.empty();
        }
        Typed instead = new Typed(
                "", volts.get().value() * factor, Unit.VOLT, volts.get().lastDigit() * factor);
        return Optional.of(new Slip(
                "Plate volts of " + volts.get().echo() + " are far from the type's usual: did you mean "
                        + instead.echo() + "?",
                instead.echo()));
    }
}
