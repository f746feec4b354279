package yellowrail.core.idle;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Mains;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Judgement;
import yellowrail.core.judging.JudgementWords;
import yellowrail.core.judging.Standing;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.Ratings;

/**
 * Makes the verdict of one point: what is true as read, what holds at nominal and highest mains under everything the bias
 * can turn out to be, and what keeps it from being final.
 */
final class Assessor {
    /**
     * What was judged under one thing the bias can turn out to be.
     *
     * @param results what counts
     * @param unread a screen's heat reckoned with the plate's volts, because its own were not read, that would not hold: a
     *     bound, which condemns nothing and clears nothing
     */
    record Outcome(BiasScheme bias, ReadFigures limits, List<Judgement> results, List<Judgement> unread) {
        static Outcome of(IdleQuestion question, Ratings ratings, BiasScheme bias, Point point) {
            ReadFigures limits = new ReadFigures(question, ratings, bias);
            Map<Boolean, List<Judgement>> byBound = limits.judge(point).stream()
                    .collect(Collectors.partitioningBy(r -> point.screenUnread()
                            && (r.what() == Limit.SCREEN_WATTS || r.what() == Limit.COMBINED_WATTS)
                            && r.standing() != Standing.INSIDE));
            return new Outcome(bias, limits, byBound.get(false), byBound.get(true));
        }

        List<Judgement> raised() {
            return results.stream().filter(r -> r.at() != At.NOW).toList();
        }
    }

    private final IdleQuestion question;
    private final Ratings ratings;
    private final Findings findings;
    private final List<Outcome> outcomes;
    private final List<Supplier<String>> reasons = new ArrayList<>(4);

    Assessor(IdleQuestion question, Ratings ratings, Findings findings, List<Outcome> outcomes) {
        this.question = question;
        this.ratings = ratings;
        this.findings = findings;
        this.outcomes = outcomes;
    }

    /**
     * @param share plate dissipation as read over the rating
     * @param chosen the window chosen; empty while none is
     * @param window the window in force: the chosen one, reaching down to where the limits permit
     * @param mean whether one reading stands for several tubes
     */
    Verdict assess(Estimate share, Optional<Window> chosen, Optional<Window> window, boolean mean) {
        Set<Verdict.Qualifier> qualifiers = qualifiers(mean);
        Statement now = now(share, chosen, window);
        List<Statement> raised = outcomes.stream().map(this::raised).toList();
        Optional<OpenQuestion> open = openQuestion(now, raised);
        Statement second = open.map(o -> new Statement(Verdict.Place.OPEN_QUESTION, o.sentence()))
                .orElseGet(() -> raised.stream()
                        .max(Comparator.comparing(Statement::place))
                        .orElseThrow());
        Verdict.Place place = overall(now.place(), second.place());
        if (place == Verdict.Place.IN_WINDOW && (blocked() || qualifiers.contains(Verdict.Qualifier.STALE))) {
            place = Verdict.Place.UNKNOWN;
        }
        findings.missing.stream().filter(Missing::blocks).forEach(m -> reasons.add(m::sentence));
        return new Verdict(place, now, second, qualifiers, new LazyList<>(reasons), open);
    }

    private boolean blocked() {
        return findings.missing.stream().anyMatch(Missing::blocks);
    }

    /** What is not known at higher mains takes an all-clear away, and nothing else. */
    private static Verdict.Place overall(Verdict.Place now, Verdict.Place raised) {
        if (raised == Verdict.Place.UNKNOWN) {
            return now == Verdict.Place.IN_WINDOW ? Verdict.Place.UNKNOWN : now;
        }
        return raised == Verdict.Place.WITHIN_LIMITS ? now : now.worse(raised);
    }

    private Set<Verdict.Qualifier> qualifiers(boolean mean) {
        Set<Verdict.Qualifier> qualifiers = EnumSet.noneOf(Verdict.Qualifier.class);
        Circumstances state = question.circumstances();
        if (state.limiter()) {
            qualifiers.add(Verdict.Qualifier.PROVISIONAL);
            reasons.add(() -> "A limiter is in series: heaters and B+ are low, so this is provisional.");
        }
        if (state.reducedMains()) {
            qualifiers.add(Verdict.Qualifier.PROVISIONAL);
            reasons.add(() -> "The mains is turned down: this is provisional.");
        }
        state.pairing().stale().ifPresent(why -> {
            qualifiers.add(Verdict.Qualifier.STALE);
            reasons.add(() -> "Stale: " + why + ".");
        });
        if (!findings.contradictions.isEmpty()) {
            qualifiers.add(Verdict.Qualifier.CONTRADICTED);
        }
        if (mean) {
            qualifiers.add(Verdict.Qualifier.MEAN_ONLY);
        }
        if (findings.upperBound) {
            qualifiers.add(Verdict.Qualifier.UPPER_BOUND);
        }
        return qualifiers;
    }

    private Statement now(Estimate share, Optional<Window> chosen, Optional<Window> window) {
        Optional<Judgement> worst = worst(
                outcomes.get(0).results().stream().filter(r -> r.at() == At.NOW).toList());
        if (worst.isPresent()) {
            return new Statement(place(worst.get()), JudgementWords.sentence(worst.get()) + ".");
        }
        String read = plusMinus(share) + " of " + Show.plain(rated(), 3) + " W as read";
        if (window.isEmpty()) {
            return new Statement(
                    Verdict.Place.NO_TARGET,
                    read + ", under your ceiling of " + percent(question.ceiling())
                            + ". No target is chosen, so there is nothing to be in or out of.");
        }
        Window aim = window.get();
        String where = "your window " + aim.name() + ", " + percent(aim.low()) + " to " + percent(aim.high());
        double width = chosen.map(w -> w.high() - w.low()).orElse(aim.high() - aim.low());
        if (share.likely() > width) {
            return new Statement(
                    Verdict.Place.TOO_WIDE,
                    read + ": the error band is wider than " + where + ", so it cannot be told whether it lies in it.");
        }
        // The edges as they are printed: 0.5499999 is 55 % to a builder.
        double edge = 1e-9;
        if (share.value() < aim.low() - edge) {
            return new Statement(Verdict.Place.BELOW_WINDOW, read + ": below " + where + ".");
        }
        if (share.value() > aim.high() + edge) {
            return new Statement(Verdict.Place.ABOVE_WINDOW, read + ": above " + where + ".");
        }
        boolean permitted = chosen.isPresent() && share.value() < chosen.get().low() - edge;
        return new Statement(
                Verdict.Place.IN_WINDOW,
                read
                        + (permitted
                                ? ": below " + chosen.get().name() + permitted(share.value(), aim)
                                : ": in " + where + "."));
    }

    /** The window in force begins a little below the highest permitted reading, which need not be kept yet. */
    private static String permitted(double share, Window aim) {
        double most = aim.low() + IdleCheck.PERMITTED_WINDOW;
        return share > most + 1e-9
                ? ", and still hotter than your limits permit (" + percent(most) + ")."
                : ", but as hot as your limits permit (" + percent(aim.low()) + " and up).";
    }

    private Statement raised(Outcome outcome) {
        Optional<Mains> mains = question.circumstances().mains();
        Optional<Double> now = mains.flatMap(Mains::now);
        if (now.isEmpty()) {
            return new Statement(
                    Verdict.Place.UNKNOWN, "At highest mains: not known, because the mains voltage is not given.");
        }
        if (now.get() > mains.get().highest() * (1 + 1e-9)) {
            return new Statement(
                    Verdict.Place.UNKNOWN,
                    "At highest mains: not known, because the mains of " + volts(now.get()) + " lies above the "
                            + volts(mains.get().highest()) + " given as the highest.");
        }
        Optional<Judgement> worst = worst(outcome.raised());
        // What is passed at nominal mains is passed, however far the highest lies.
        boolean passed = worst.filter(w -> w.standing() == Standing.OVER).isPresent();
        if (!passed && !outcome.limits().reaches()) {
            return new Statement(
                    Verdict.Place.UNKNOWN,
                    "At highest mains: not known, because the mains of " + volts(now.get())
                            + " lies too far from it for an estimate.");
        }
        if (worst.isPresent()) {
            return new Statement(place(worst.get()), JudgementWords.sentence(worst.get()) + ".");
        }
        return new Statement(Verdict.Place.WITHIN_LIMITS, within(outcome, now.get()));
    }

    /** The plate rating at highest mains is told when nothing is passed: that is what one asks. */
    private String within(Outcome outcome, double now) {
        return outcome.raised().stream()
                .filter(r -> r.at() == At.HIGHEST
                        && r.what() == Limit.PLATE_WATTS
                        && r.edition().equals(ratings))
                .findFirst()
                .map(r -> JudgementWords.sentence(r) + ".")
                .orElse("The mains of " + volts(now) + " is the highest given: nothing is passed as read.");
    }

    /** The gravest of those that do not hold; empty when all hold. */
    private static Optional<Judgement> worst(List<Judgement> results) {
        return results.stream()
                .filter(r -> r.standing() != Standing.INSIDE)
                .max(Comparator.comparing(Assessor::place).thenComparingDouble(Judgement::reach));
    }

    private static Verdict.Place place(Judgement r) {
        if (r.standing() == Standing.TOO_CLOSE) {
            return Verdict.Place.TOO_CLOSE;
        }
        if (r.ceiling()) {
            return Verdict.Place.ABOVE_CEILING;
        }
        return r.what() == Limit.PLATE_WATTS ? Verdict.Place.ABOVE_RATING : Verdict.Place.LIMIT_PASSED;
    }

    /** Open while the outcomes differ in colour; with one colour for all of them nothing hangs on the answer. */
    private Optional<OpenQuestion> openQuestion(Statement now, List<Statement> raised) {
        List<Verdict.Place> places =
                raised.stream().map(s -> overall(now.place(), s.place())).toList();
        if (places.stream().map(Assessor::colour).distinct().count() == 1) {
            return Optional.empty();
        }
        List<OpenQuestion.Outcome> told = new ArrayList<>();
        List<String> words = new ArrayList<>();
        for (int i = 0; i < outcomes.size(); i++) {
            Outcome outcome = outcomes.get(i);
            Judgement figure = figure(outcome);
            double rated = figure.edition().plateWatts().orElseThrow().value();
            told.add(new OpenQuestion.Outcome(
                    outcome.bias(),
                    places.get(i),
                    answer(outcome.bias()),
                    figure.value().low() / rated,
                    figure.value().high() / rated));
            words.add(JudgementWords.value(figure) + (i == 0 ? JudgementWords.mains(figure) : "") + " "
                    + condition(outcome.bias()));
        }
        String what = figure(outcomes.get(0)).what() == Limit.PLATE_WATTS
                ? "Plate dissipation would be "
                : figure(outcomes.get(0)).what().words() + " would be ";
        boolean mixed = question.stage().bias() == BiasScheme.MIXED;
        return Optional.of(new OpenQuestion(
                what.substring(0, 1).toUpperCase(Locale.ROOT)
                        + what.substring(1)
                        + String.join(", ", words)
                        + (mixed
                                ? ". Mixed bias lies between the two: read at two mains voltages 5 % or more apart, warm, to"
                                        + " tell where."
                                : ": which is it?"),
                told));
    }

    /** The figure the outcomes differ by: plate dissipation at highest mains, or what is passed if that is another one. */
    private Judgement figure(Outcome outcome) {
        return outcome.raised().stream()
                .filter(r -> r.what() == Limit.PLATE_WATTS
                        && !r.ceiling()
                        && r.edition().equals(ratings))
                .max(Comparator.comparing(Judgement::at))
                .or(() -> outcome.raised().stream().max(Comparator.comparingDouble(Judgement::reach)))
                .orElseThrow();
    }

    private static String condition(BiasScheme bias) {
        return switch (bias) {
            case FIXED_TRACKING -> "if the bias follows the mains";
            case FIXED_CONSTANT -> "if it is held constant";
            default -> "if the cathode resistor sets it";
        };
    }

    private static String answer(BiasScheme bias) {
        return switch (bias) {
            case FIXED_TRACKING -> "It follows the mains";
            case FIXED_CONSTANT -> "It is held constant (regulated)";
            default -> "Cathode bias alone";
        };
    }

    private static int colour(Verdict.Place place) {
        return place.over()
                ? 3
                : place == Verdict.Place.TOO_CLOSE ? 2 : place.compareTo(Verdict.Place.UNKNOWN) >= 0 ? 1 : 0;
    }

    private double rated() {
        return ratings.plateWatts().orElseThrow().value();
    }

    private static String volts(double volts) {
        return JudgementWords.figure(volts, yellowrail.core.reading.Unit.VOLT);
    }

    private static String plusMinus(Estimate share) {
        return Show.plusMinus(100 * share.value(), 100 * share.likely()) + " %";
    }

    private static String percent(double share) {
        return Show.plain(100 * share, 3) + " %";
    }
}
