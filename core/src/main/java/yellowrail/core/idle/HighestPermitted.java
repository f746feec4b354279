package yellowrail.core.idle;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import yellowrail.core.judging.Judgement;
import yellowrail.core.judging.JudgementWords;
import yellowrail.core.judging.Standing;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/**
 * Solves for the {@link Permitted} idle with the same limits that judge a reading, along the supply's sag line. The sag of a
 * check is not known: turned hotter, B+ is taken to stay; turned colder, to rise as with the softest supply.
 */
final class HighestPermitted {
    /** What is left below the edge beside one count, so that reading it again does not fall over it. */
    private static final double MARGIN = 0.01;
    /** The search reaches from this share of the present current to so many times it. */
    private static final double LEAST = 1e-3;

    private static final double MOST = 50;
    private static final int STEPS = 18;
    /** A little further than the edge was searched for: a step of the search is 4e-5 of it. */
    private static final double BEYOND = 1 + 1e-4;
    /** Turned further, plate volts of an unknown supply move too much to tell where it ends. */
    private static final double FAR = 0.25;
    /** A supply that falls further is no longer one that is turned along. */
    private static final double LEAST_VOLTS = 0.5;

    private final IdleQuestion question;
    private final List<ReadFigures> outcomes;
    private final Point point;
    private final CurrentSplit split;
    private final double rated;

    /** @param outcomes the limits under everything the bias can turn out to be: all have to hold */
    HighestPermitted(
            IdleQuestion question, List<ReadFigures> outcomes, Point point, CurrentSplit split, double ratedWatts) {
        this.question = question;
        this.outcomes = outcomes;
        this.point = point;
        this.split = split;
        this.rated = ratedWatts;
    }

    /** Empty without a current to start from. */
    Optional<Permitted> find() {
        if (!(point.plate().value() > 0)) {
            return Optional.empty();
        }
        double edge = edge();
        if (edge <= 0) {
            return Optional.of(none(LEAST));
        }
        double factor = edge * (1 - MARGIN - count(edge));
        if (factor <= 0 || !holds(factor)) {
            return Optional.of(none(Math.max(LEAST, factor)));
        }
        Point there = at(factor);
        // The reading is the mean's where one stands for several tubes; the limits are those of the hottest.
        double amperes = split.plate().value() * factor;
        double mean = split.plate().value() / point.plate().value();
        double watts = there.plateWatts().value() * mean;
        double most = at(edge).plateWatts().value() * mean;
        return Optional.of(new Permitted(
                watts / rated,
                watts,
                amperes,
                reading(amperes),
                most / rated,
                passed(edge * BEYOND),
                Math.abs(factor - 1) > FAR,
                false));
    }

    /** Why there is none: what is passed, or what has to be read first. */
    private Permitted none(double factor) {
        Point there = at(factor);
        boolean unread = outcomes.stream().anyMatch(o -> o.screenVoltsNeeded(there))
                && Stream.of(there, other(factor))
                        .flatMap(p -> outcomes.stream().flatMap(o -> o.judge(p).stream()))
                        .allMatch(r -> r.standing() == Standing.INSIDE);
        return unread ? Permitted.before("screen volts") : Permitted.none(passed(factor));
    }

    /** Whether every limit holds with the present plate current times this, plate volts risen as far as they can. */
    boolean holds(double factor) {
        return holds(at(factor)) && holdsCurrents(other(factor));
    }

    /** The largest factor on the current that keeps every limit which falls with the current. */
    private double edge() {
        if (holdsCurrents(MOST)) {
            return MOST;
        }
        if (!holdsCurrents(LEAST)) {
            return 0;
        }
        double low = Math.log(LEAST);
        double high = Math.log(MOST);
        for (int i = 0; i < STEPS; i++) {
            double middle = (low + high) / 2;
            if (holdsCurrents(Math.exp(middle))) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return Math.exp(low);
    }

    /** With the volts that are the stricter: as they are when turned hotter, risen as far as they can when turned colder. */
    private Point at(double factor) {
        return point.moved(factor, Math.max(1, sagged(factor)), readingError(factor));
    }

    /** With the volts at the other end: held bias follows the mains more steeply at lower ones. */
    private Point other(double factor) {
        return point.moved(factor, Math.min(1, sagged(factor)), readingError(factor));
    }

    /** Plate volts over the present ones behind the softest supply. */
    private static double sagged(double factor) {
        return Math.max(LEAST_VOLTS, 1 + SupplySoftness.MOST_SAG * (1 - factor));
    }

    /** A smaller reading has the same counts, so that their share grows. */
    private double readingError(double factor) {
        Optional<Typed> reading = question.reading().filter(r -> r.value() > 0);
        double now = reading.map(r -> question.meter().limit(r) / r.value()).orElse(0.0);
        return now == 0
                ? 1
                : reading.map(r -> new Typed("", r.value() * factor, r.unit(), r.lastDigit()))
                                .map(r -> question.meter().limit(r) / r.value())
                                .orElseThrow()
                        / now;
    }

    private boolean holds(Point there) {
        return outcomes.stream().allMatch(o -> o.hold(there, limit -> true) && !o.screenVoltsNeeded(there));
    }

    /** Volts do not fall when the tube is turned colder, so they say nothing of how far to turn. */
    private boolean holdsCurrents(double factor) {
        return holdsCurrents(at(factor)) && holdsCurrents(other(factor));
    }

    private boolean holdsCurrents(Point there) {
        return outcomes.stream().allMatch(o -> o.hold(there, limit -> limit.unit() != Unit.VOLT));
    }

    /** One count of the meter there, as a share of its reading. */
    private double count(double factor) {
        return question.reading()
                .filter(r -> r.value() > 0)
                .map(r -> r.lastDigit() / (r.value() * factor))
                .orElse(0.0);
    }

    /** What is passed first there, in words: at the volts as they are, or at the other end of how far they can move. */
    private String passed(double factor) {
        Point there = at(factor);
        return Stream.of(there, other(factor))
                .flatMap(p -> outcomes.stream().flatMap(o -> o.judge(p).stream()))
                .filter(r -> r.standing() != Standing.INSIDE)
                .max(Comparator.comparingDouble(Judgement::reach))
                .map(JudgementWords::limit)
                .orElse(
                        outcomes.stream().anyMatch(o -> o.screenVoltsNeeded(there))
                                ? "screen volts, which are not read"
                                : "what is told so far from here");
    }

    private Optional<Typed> reading(double plateAmperes) {
        OptionalDouble reading = question.method().readingAt(split.at(plateAmperes));
        return reading.isEmpty()
                ? Optional.empty()
                : Optional.of(Typed.of(
                        reading.getAsDouble(), question.method().field().unit()));
    }
}
