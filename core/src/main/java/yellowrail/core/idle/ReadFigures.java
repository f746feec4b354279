package yellowrail.core.idle;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Predicate;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Mains;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Figures;
import yellowrail.core.judging.Judge;
import yellowrail.core.judging.Judgement;
import yellowrail.core.judging.Known;
import yellowrail.core.judging.Value;
import yellowrail.core.reading.Band;
import yellowrail.core.reading.Estimate;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.PublishedLimit;
import yellowrail.core.tube.Ratings;

/**
 * The figures of a reading for the judge: as read, and carried to nominal and highest mains under one thing the bias can turn
 * out to be. Mains read above nominal never makes a figure better.
 */
final class ReadFigures {
    private static final List<Limit> LIMITS = List.of(Limit.values());

    private final IdleQuestion question;
    private final Ratings ratings;
    private final Judge judge;
    private final Set<At> at = EnumSet.noneOf(At.class);
    private final double now;
    private final MainsCarry carry;
    private final double nominal;
    private final double highest;
    private final double lowest;

    /**
     * @param ratings the publication every per cent refers to
     * @param bias what the bias does, told apart
     */
    ReadFigures(IdleQuestion question, Ratings ratings, BiasScheme bias) {
        this.question = question;
        this.ratings = ratings;
        this.judge = Judge.by(question.stage().editions(), question.stage().hasScreen())
                .under(question.ceiling(), ratings);
        this.carry = new MainsCarry(question, bias);
        Optional<Mains> mains = question.circumstances().mains();
        this.now = mains.flatMap(Mains::now).orElse(Double.NaN);
        this.nominal = mains.map(Mains::nominal).orElse(Double.NaN) / now;
        this.highest = mains.map(Mains::highest).orElse(Double.NaN) / now;
        this.lowest = mains.map(Mains::lowest).orElse(Double.NaN) / now;
        if (reachable(nominal) && nominal > 1) {
            at.add(At.NOMINAL);
        }
        if (reachable(highest) && highest > 1) {
            at.add(At.HIGHEST);
        }
    }

    /** Whether an estimate reaches from the mains read to nominal and highest mains. */
    boolean reaches() {
        return reachable(nominal) && reachable(highest);
    }

    private static boolean reachable(double ratio) {
        return ratio >= BiasScheme.LEAST_RATIO && ratio <= BiasScheme.MOST_RATIO;
    }

    /** Every limit at every mains it is judged at. */
    List<Judgement> judge(Point point) {
        return judge.all(LIMITS, new Carried(point));
    }

    /** The point at nominal, lowest and highest mains; nothing where an estimate does not reach nominal or highest. */
    Known known(Point point) {
        boolean reaches = !Double.isNaN(now)
                && (nominal <= 1 || at.contains(At.NOMINAL))
                && (highest <= 1 || at.contains(At.HIGHEST));
        if (!reaches) {
            return new Known(Map.of());
        }
        Carried carried = new Carried(point);
        Map<At, Map<PublishedLimit, Value>> known = new EnumMap<>(At.class);
        known.put(At.NOW, figures(carried, nominal > 1 ? At.NOMINAL : At.NOW));
        known.put(At.HIGHEST, figures(carried, highest > 1 ? At.HIGHEST : At.NOW));
        if (reachable(lowest)) {
            known.put(At.LOWEST, figures(carried, At.LOWEST));
        }
        return new Known(known);
    }

    /** What was read; a bound stands for nothing. */
    private static Map<PublishedLimit, Value> figures(Carried carried, At where) {
        Map<PublishedLimit, Value> figures = new HashMap<>();
        for (Limit limit : LIMITS) {
            boolean bound = carried.point.screenUnread() && (limit.ofScreen() || limit == Limit.COMBINED_WATTS);
            if (!bound) {
                carried.of(limit, where).ifPresent(v -> figures.put(limit, v.inStage()));
            }
        }
        return Map.copyOf(figures);
    }

    /** Whether every one of these limits holds, with its band, at every mains it is judged at. */
    boolean hold(Point point, Predicate<PublishedLimit> judged) {
        return judge.holds(LIMITS, judged, new Carried(point));
    }

    /** The figures of a point, carried to the mains they are judged at. */
    private final class Carried implements Figures {
        private final Point point;
        private final double idle;
        private final Map<PublishedLimit, Optional<Estimate>> read = new HashMap<>();

        Carried(Point point) {
            this.point = point;
            this.idle = point.plateWatts().value()
                    / ratings.plateWatts().orElseThrow().value();
        }

        @Override
        public Set<At> at() {
            return at;
        }

        @Override
        public double mains(At where) {
            return where == At.NOW ? Double.NaN : ratio(where) * now;
        }

        @Override
        public Optional<Value> of(PublishedLimit limit, At where) {
            return standsIn(point, limit)
                    ? Optional.empty()
                    : read.computeIfAbsent(limit, l -> point.value((Limit) l)).map(v -> value(v, limit, where));
        }

        private Value value(Estimate read, PublishedLimit limit, At where) {
            if (where == At.NOW) {
                return Value.read(read);
            }
            Band factor = carry.factor(limit.unit(), point, idle, ratio(where));
            return new Value(
                    MainsCarry.carried(read, factor),
                    read.value() * factor.low(),
                    read.value() * factor.high(),
                    Value.From.CARRIED);
        }
    }

    private double ratio(At where) {
        return where == At.NOMINAL ? nominal : where == At.LOWEST ? lowest : highest;
    }

    /** Screen volts that were not read are the plate's as a bound: no figure to be judged as a reading. */
    private static boolean standsIn(Point point, PublishedLimit limit) {
        return point.screenUnread() && limit == Limit.SCREEN_VOLTS;
    }

    /** How dissipation follows the mains at this point. */
    Band exponent(Point point, double idle, double ratio) {
        return carry.exponent(point, idle, ratio);
    }

    /** Whether that comes from the type's curves. */
    boolean solved() {
        return carry.solves();
    }

    /** Plate dissipation at highest mains, W; as read where no mains is known or it lies out of reach. */
    Estimate atHighest(Point point) {
        return reachable(highest) && highest > 1
                ? MainsCarry.carried(point.plateWatts(), factor(point))
                : point.plateWatts();
    }

    /** The same between the ends of how it follows the mains, without the errors of the readings; empty out of reach. */
    Optional<Band> highestBand(Point point) {
        double watts = point.plateWatts().value();
        if (!reachable(highest)) {
            return Optional.empty();
        }
        Band factor = highest > 1 ? factor(point) : Band.exactly(1);
        return Optional.of(new Band(watts * factor.low(), watts * factor.mid(), watts * factor.high()));
    }

    /** Plate dissipation at another mains, W, between the ends of how it follows; the ratio is that mains over the one read. */
    Band at(Point point, double ratio) {
        double watts = Math.max(0, point.plateWatts().value());
        double idle = watts / ratings.plateWatts().orElseThrow().value();
        Band factor = carry.factor(Limit.PLATE_WATTS.unit(), point, idle, ratio);
        return new Band(watts * factor.low(), watts * factor.mid(), watts * factor.high());
    }

    private Band factor(Point point) {
        double idle =
                point.plateWatts().value() / ratings.plateWatts().orElseThrow().value();
        return carry.factor(Limit.PLATE_WATTS.unit(), point, idle, highest);
    }

    /** Whether the plate's volts, standing in for screen volts that were not read, pass the screen limit now or at nominal. */
    boolean screenVoltsNeeded(Point point) {
        if (!point.screenUnread() || point.screenVolts().isEmpty()) {
            return false;
        }
        double volts = point.screenVolts().get().value() * (reachable(nominal) ? Math.max(1, nominal) : 1);
        OptionalDouble least = judge.allowed(Limit.SCREEN_VOLTS, At.NOW);
        return least.isPresent() && volts > least.getAsDouble() * (1 + 1e-9);
    }
}
