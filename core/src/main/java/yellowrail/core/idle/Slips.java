package yellowrail.core.idle;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.sensing.SensedCurrent;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeType;

/**
 * Looks for the slip behind a reading that is far from what the type, the mains, its neighbours or its own history would
 * have it. A reading that is asked about is no entry yet.
 */
public final class Slips {
    /** Usual idle, as a share of the rating, used only to find what is far from it. */
    private static final double USUAL_SHARE = 0.65;
    /** Plate volts assumed for "usual" when none are given, as a share of the plate-volt rating. */
    private static final double USUAL_VOLTS = 0.75;

    /** Where neither plate volts nor their rating are known: a stage on lower ones is rare, V. */
    private static final double LOW_VOLTS = 100;

    private static final double FAR_ABOVE = 2.2;
    private static final double FAR_BELOW = 0.1;
    /** A corrected current lies within these shares of the usual one. */
    private static final double LEAST_USUAL = 0.25;

    private static final double MOST_USUAL = 1.7;
    /** Plate volts of working stages, as shares of the largest plate-volt rating. */
    private static final double LEAST_PLATE = 0.15;

    private static final double MOST_PLATE = 1.6;
    /** Plate volts below this belong to no output stage under full mains, V. */
    private static final double NO_STAGE = 80;
    /** Mains now over nominal, beyond which one of the two is wrong. */
    private static final double LEAST_MAINS = 0.6;

    private static final double MOST_MAINS = 1.2;
    /** Screen over plate volts, below which a digit is missing. */
    private static final double LEAST_SCREEN = 0.2;

    private static final double MOST_SCREEN = 1.5;
    /** Heater volts over nominal, beyond which the reading is another one. */
    private static final double LEAST_HEATER = 0.6;

    private static final double MOST_HEATER = 1.4;
    /** How near a quotient of two readings is to a power of ten to be one. */
    private static final double POWER_OF_TEN = 0.12;

    private Slips() {}

    /** Everything about one check. */
    static List<Slip> find(
            IdleQuestion question,
            Ratings ratings,
            SensedCurrent.Current seen,
            Optional<Estimate> vpk,
            Optional<Estimate> share) {
        List<Slip> slips = new ArrayList<>();
        Optional<TubeType> type = question.stage().type();
        question.reading()
                .flatMap(r -> current(r, seen, type, Optional.of(ratings), vpk.map(Estimate::value), true))
                .ifPresent(slips::add);
        boolean full =
                !question.circumstances().limiter() && !question.circumstances().reducedMains();
        voltages(question, type, vpk, full).forEach(slips::add);
        if (slips.isEmpty() && share.isPresent() && share.get().value() > 1) {
            slips.add(Slip.remark(
                    Slip.About.READING,
                    "This would be " + Math.round(100 * share.get().value()) + " % on that tube: is it the reading,"
                            + " the unit, the number of tubes behind it, or real?"));
        }
        return slips;
    }

    /** What can be asked before there is a current, or without one. */
    static List<Slip> find(IdleQuestion question) {
        boolean full =
                !question.circumstances().limiter() && !question.circumstances().reducedMains();
        return voltages(question, question.stage().type(), Optional.empty(), full)
                .toList();
    }

    private static Stream<Slip> voltages(
            IdleQuestion question, Optional<TubeType> type, Optional<Estimate> vpk, boolean full) {
        Optional<Double> plate =
                vpk.map(Estimate::value).or(() -> question.plate().volts().map(Typed::value));
        return Stream.of(
                        question.plate().volts().flatMap(v -> plateVolts(v, type, full)),
                        question.screenVolts().flatMap(v -> screenVolts(v, plate)),
                        question.circumstances().mains().flatMap(m -> mains(m, full)))
                .flatMap(Optional::stream);
    }

    /**
     * A current far from what the type usually draws.
     *
     * @param plateVolts to cathode, V; empty when not read
     * @param belowToo whether too little is asked about as well: it is while the idle is set, not while it is coldest
     */
    public static Optional<Slip> current(
            Typed reading,
            SensedCurrent.Current seen,
            Optional<TubeType> type,
            Optional<Ratings> ratings,
            Optional<Double> plateVolts,
            boolean belowToo) {
        Optional<Double> rated = ratings.flatMap(Ratings::plateWatts).map(Figure::value);
        Optional<Double> volts = plateVolts
                .filter(v -> v > 0)
                .or(() -> ratings.flatMap(r -> r.figure(Limit.PLATE_VOLTS)).map(f -> USUAL_VOLTS * f.value()));
        double each = seen.perTube().value();
        if (rated.isEmpty() || !(each > 0)) {
            return Optional.empty();
        }
        double ratio = each / (USUAL_SHARE * rated.get() / volts.orElse(LOW_VOLTS));
        boolean above = ratio > FAR_ABOVE;
        boolean below = belowToo && volts.isPresent() && ratio < FAR_BELOW;
        if (!above && !below) {
            return Optional.empty();
        }
        List<Typed> choices = Stream.of(1, 2, 3)
                .map(p -> above ? Math.pow(10, -p) : Math.pow(10, p))
                .filter(f -> ratio * f > LEAST_USUAL && ratio * f < MOST_USUAL)
                .sorted(Comparator.comparingDouble(f -> Math.abs(Math.log(ratio * f))))
                .map(f -> scaled(reading, f))
                .toList();
        String amperes = Show.si(each, Unit.AMPERE, 3);
        String meaning = reading.unit() == Unit.AMPERE && seen.tubes() == 1
                ? reading.echo() + " is "
                : reading.echo() + " means " + amperes
                        + (seen.tubes() > 1 ? " in each of " + seen.tubes() + " tubes, " : ", ");
        String size = above ? (ratio > 6 ? power(ratio) : "more than twice") + " the usual" : "far below the usual";
        String ofType = type.map(t -> " for " + t.designation()).orElse("");
        String instead =
                choices.isEmpty() ? "" : ": did you mean " + wouldBe(choices.get(0), reading, each, seen) + "?";
        String shared = above && seen.tubes() == 1 ? sharedBy(seen, ratio).orElse("") : "";
        String whole = meaning + size + ofType + (instead.isEmpty() ? "." : instead) + shared;
        if (above) {
            return Optional.of(Slip.dangerous(Slip.About.READING, whole, choices));
        }
        return choices.isEmpty() ? Optional.empty() : Optional.of(Slip.asking(Slip.About.READING, whole, choices));
    }

    private static String power(double ratio) {
        return ratio < 32 ? "ten times" : ratio < 320 ? "a hundred times" : "a thousand times";
    }

    private static String wouldBe(Typed choice, Typed reading, double each, SensedCurrent.Current seen) {
        double amperes = each * choice.value() / reading.value();
        return reading.unit() == Unit.AMPERE && seen.tubes() == 1
                ? choice.echo()
                : choice.echo() + ", which is " + Show.si(amperes, Unit.AMPERE, 3);
    }

    private static Optional<String> sharedBy(SensedCurrent.Current seen, double ratio) {
        for (int tubes : List.of(2, 4)) {
            double each = ratio / tubes;
            if (each > 0.5 && each < 1.5) {
                return Optional.of(" Does this point carry the current of " + tubes + " tubes? Then it is "
                        + Show.si(seen.perTube().value() / tubes, Unit.AMPERE, 3) + " each.");
            }
        }
        return Optional.empty();
    }

    /** @param full whether the mains is neither limited nor turned down */
    public static Optional<Slip> plateVolts(Typed volts, Optional<TubeType> type, boolean full) {
        Optional<Double> rated = type.stream()
                .flatMap(t -> t.ratings().stream())
                .flatMap(r -> r.figure(Limit.PLATE_VOLTS).stream())
                .map(Figure::value)
                .max(Double::compare);
        double least = Math.max(NO_STAGE, rated.map(r -> LEAST_PLATE * r).orElse(0.0));
        double most = rated.map(r -> MOST_PLATE * r).orElse(Double.POSITIVE_INFINITY);
        boolean low = full && volts.value() < least;
        boolean high = volts.value() > most;
        if (!low && !high) {
            return Optional.empty();
        }
        List<Typed> choices = Stream.of(high ? 0.1 : 10)
                .filter(f -> volts.value() * f >= least && volts.value() * f <= most)
                .map(f -> scaled(volts, f))
                .toList();
        String question = "Volts of " + volts.echo() + " are far from "
                + type.map(t -> "what the " + t.designation() + " works at").orElse("those of an output stage");
        return Optional.of(Slip.asking(Slip.About.PLATE_VOLTS, orMean(question, choices), choices));
    }

    public static Optional<Slip> screenVolts(Typed volts, Optional<Double> plateVolts) {
        if (plateVolts.isEmpty() || !(plateVolts.get() > 0)) {
            return Optional.empty();
        }
        double share = volts.value() / plateVolts.get();
        if (share >= LEAST_SCREEN && share <= MOST_SCREEN) {
            return Optional.empty();
        }
        List<Typed> choices = Stream.of(share < 1 ? 10 : 0.1)
                .filter(f -> share * f >= LEAST_SCREEN && share * f <= MOST_SCREEN)
                .map(f -> scaled(volts, f))
                .toList();
        String question = "Screen volts of " + volts.echo() + " beside " + Show.si(plateVolts.get(), Unit.VOLT, 3)
                + " on the plate are no output stage's";
        return Optional.of(Slip.asking(Slip.About.SCREEN_VOLTS, orMean(question, choices), choices));
    }

    /** Mains now against nominal. */
    static Optional<Slip> mains(Mains mains, boolean full) {
        return mains.now().flatMap(now -> mains(Typed.of(now, Unit.VOLT), mains.nominal(), full));
    }

    /** @param full whether the mains is neither limited nor turned down on purpose */
    public static Optional<Slip> mains(Typed now, double nominal, boolean full) {
        double ratio = now.value() / nominal;
        boolean low = full && ratio < LEAST_MAINS;
        if (!low && ratio <= MOST_MAINS) {
            return Optional.empty();
        }
        List<Typed> choices = Stream.of(low ? 10.0 : 0.1)
                .filter(f -> ratio * f >= LEAST_MAINS && ratio * f <= MOST_MAINS)
                .map(f -> scaled(now, f))
                .toList();
        String question = "Mains of " + Show.siPlain(now.value(), Unit.VOLT, 4) + " beside a nominal "
                + Show.siPlain(nominal, Unit.VOLT, 4)
                + (choices.isEmpty() ? ": is it the reading, or the nominal voltage" : "");
        return Optional.of(
                ratio > MOST_MAINS
                        ? Slip.dangerous(Slip.About.MAINS, orMean(question, choices), choices)
                        : Slip.asking(Slip.About.MAINS, orMean(question, choices), choices));
    }

    /** Grid and bias-supply volts stand below the cathode. */
    public static Optional<Slip> gridVolts(Typed volts, Slip.About about) {
        if (volts.value() < 0) {
            return Optional.empty();
        }
        if (volts.value() == 0) {
            return Optional.of(Slip.dangerous(
                    about,
                    "0 V is no bias: the tube would draw all it can. Is the meter on DC and the right point?",
                    List.of()));
        }
        Typed negative = scaled(volts, -1);
        return Optional.of(Slip.dangerous(
                about,
                "Grid and bias-supply volts are negative; " + volts.echo()
                        + " above zero would be no bias at all: did you mean " + negative.echo() + "?",
                List.of(negative)));
    }

    public static Optional<Slip> heaterVolts(Typed volts, Optional<Double> nominal) {
        if (nominal.isEmpty()) {
            return Optional.empty();
        }
        double ratio = volts.value() / nominal.get();
        if (ratio >= LEAST_HEATER && ratio <= MOST_HEATER) {
            return Optional.empty();
        }
        List<Typed> choices = Stream.of(ratio < 1 ? 10 : 0.1)
                .filter(f -> ratio * f >= LEAST_HEATER && ratio * f <= MOST_HEATER)
                .map(f -> scaled(volts, f))
                .toList();
        String question =
                "Heater volts of " + volts.echo() + " beside a nominal " + Show.siPlain(nominal.get(), Unit.VOLT, 3);
        return Optional.of(Slip.asking(Slip.About.HEATER_VOLTS, orMean(question, choices), choices));
    }

    /** Ten, a hundred or a thousand times what the same point, or its neighbour, showed. */
    public static Optional<Slip> besides(Slip.About about, Typed typed, Typed other, String where) {
        if (typed.unit() != other.unit() || typed.value() == 0 || other.value() == 0) {
            return Optional.empty();
        }
        double ratio = typed.value() / other.value();
        double power = Math.log10(Math.abs(ratio));
        long whole = Math.round(power);
        if (ratio < 0
                || whole == 0
                || Math.abs(whole) > 3
                || Math.abs(Math.pow(10, power - whole) - 1) > POWER_OF_TEN) {
            return Optional.empty();
        }
        Typed meant = scaled(typed, Math.pow(10, -whole));
        String question =
                typed.echo() + " beside " + other.echo() + " " + where + ": did you mean " + meant.echo() + "?";
        boolean dangerous = whole > 0 && about == Slip.About.READING;
        return Optional.of(
                dangerous
                        ? Slip.dangerous(about, question, List.of(meant))
                        : Slip.asking(about, question, List.of(meant)));
    }

    /** Outside what is read at such a point. */
    public static Optional<Slip> range(Slip.About about, Typed typed, Field field) {
        if (typed.unit() != field.unit() || field.plausible(typed.value())) {
            return Optional.empty();
        }
        return Optional.of(Slip.asking(
                about,
                typed.echo() + " for " + field.name() + ": what is read there lies between "
                        + Show.siPlain(field.low(), field.unit(), 2) + " and "
                        + Show.siPlain(field.high(), field.unit(), 2) + ". Is it right?",
                List.of()));
    }

    /** A B+ node read below the chassis: the probes are crossed, or it is a bias supply's. */
    public static Slip belowChassis(Typed volts) {
        Typed positive = scaled(volts, -1);
        return Slip.asking(
                Slip.About.NODE_VOLTS,
                "A B+ node stands above the chassis, a bias supply below it; this is " + volts.echo()
                        + ". Are the probes crossed: did you mean " + positive.echo() + "?",
                List.of(positive));
    }

    private static String orMean(String question, List<Typed> choices) {
        return question
                + (choices.isEmpty()
                        ? ". Is it right?"
                        : ": did you mean " + choices.get(0).echo() + "?");
    }

    private static Typed scaled(Typed typed, double factor) {
        return new Typed("", typed.value() * factor, typed.unit(), Math.abs(typed.lastDigit() * factor));
    }
}
