package yellowrail.core.idle;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Mains;
import yellowrail.core.reading.Band;
import yellowrail.core.reading.Estimate;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.Ratings;

/**
 * Which limit is judged at which mains. As read: the ceiling and every limit of every publication that has to hold. At
 * nominal mains, where that is higher: the ceiling, and the limits of design-centre publications, whose makers allowed for
 * line variation. At highest mains: all limits, design-centre ones with the maker's allowance. Mains read above nominal
 * never makes a figure better.
 */
final class Limits {
    private static final List<Limit> LIMITS = List.of(Limit.values());

    private final IdleQuestion question;
    private final Ratings ratings;
    private final List<Ratings> editions;
    private final MainsCarry carry;
    private final double nominal;
    private final double highest;

    /**
     * @param ratings the publication every per cent refers to
     * @param bias what the bias does, told apart
     */
    Limits(IdleQuestion question, Ratings ratings, BiasScheme bias) {
        this.question = question;
        this.ratings = ratings;
        this.editions = question.stage().editions();
        this.carry = new MainsCarry(question, bias);
        Optional<Mains> mains = question.circumstances().mains();
        double now = mains.flatMap(Mains::now).orElse(Double.NaN);
        this.nominal = mains.map(Mains::nominal).orElse(Double.NaN) / now;
        this.highest = mains.map(Mains::highest).orElse(Double.NaN) / now;
    }

    /** Whether an estimate reaches from the mains read to nominal and highest mains. */
    boolean reaches() {
        return reachable(nominal) && reachable(highest);
    }

    private static boolean reachable(double ratio) {
        return ratio >= BiasScheme.LEAST_RATIO && ratio <= BiasScheme.MOST_RATIO;
    }

    /** Every limit at every mains it is judged at. */
    List<LimitResult> judge(Point point) {
        List<LimitResult> results = new ArrayList<>();
        every(point, limit -> true, results::add);
        return results;
    }

    /** Whether every one of these limits holds, with its band, at every mains it is judged at. */
    boolean hold(Point point, Predicate<Limit> judged) {
        return every(point, judged, r -> r.standing() == LimitResult.Standing.WITHIN);
    }

    /** Judges limit by limit until one of them does not please. */
    private boolean every(Point point, Predicate<Limit> judged, Predicate<LimitResult> pleases) {
        double rated = ratings.plateWatts().orElseThrow().value();
        Estimate watts = point.plateWatts();
        double idle = watts.value() / rated;
        if (judged.test(Limit.PLATE_WATTS)) {
            double ceiling = question.ceiling() * rated;
            if (!pleases.test(ceiling(point, watts, idle, ceiling, LimitResult.At.NOW, 1))
                    || reachable(nominal)
                            && nominal > 1
                            && !pleases.test(ceiling(point, watts, idle, ceiling, LimitResult.At.NOMINAL, nominal))) {
                return false;
            }
        }
        Map<Limit, Optional<Estimate>> values = new EnumMap<>(Limit.class);
        for (Ratings edition : editions) {
            for (Limit limit : LIMITS) {
                if (judged.test(limit)
                        && edition.figure(limit).isPresent()
                        && !standsIn(point, limit)
                        && !judge(point, idle, edition, limit, values.computeIfAbsent(limit, point::value), pleases)) {
                    return false;
                }
            }
        }
        return true;
    }

    private LimitResult ceiling(Point point, Estimate watts, double idle, double max, LimitResult.At at, double ratio) {
        return result(Limit.PLATE_WATTS, true, ratings, at, watts, max, point, idle, ratio);
    }

    private boolean judge(
            Point point,
            double idle,
            Ratings edition,
            Limit limit,
            Optional<Estimate> known,
            Predicate<LimitResult> pleases) {
        if (known.isEmpty()) {
            return true;
        }
        Estimate value = known.get();
        double max = edition.figure(limit).orElseThrow().value();
        if (!pleases.test(result(limit, false, edition, LimitResult.At.NOW, value, max, point, idle, 1))) {
            return false;
        }
        if (reachable(nominal)
                && nominal > 1
                && edition.system().allowsForMains()
                && !pleases.test(
                        result(limit, false, edition, LimitResult.At.NOMINAL, value, max, point, idle, nominal))) {
            return false;
        }
        double allowed = max * edition.system().allowanceAtHighestMains(limit.unit());
        return !(reachable(highest) && highest > 1)
                || pleases.test(
                        result(limit, false, edition, LimitResult.At.HIGHEST, value, allowed, point, idle, highest));
    }

    /** Screen volts that were not read are the plate's as a bound: no figure to be judged as a reading. */
    private static boolean standsIn(Point point, Limit limit) {
        return point.screenUnread() && limit == Limit.SCREEN_VOLTS;
    }

    private LimitResult result(
            Limit limit,
            boolean ceiling,
            Ratings edition,
            LimitResult.At at,
            Estimate now,
            double max,
            Point point,
            double idle,
            double ratio) {
        Band factor = ratio == 1 ? Band.exactly(1) : carry.factor(limit.unit(), point, idle, ratio);
        Estimate value = MainsCarry.carried(now, factor);
        double mains = at == LimitResult.At.NOW
                ? Double.NaN
                : ratio * question.circumstances().mains().flatMap(Mains::now).orElse(Double.NaN);
        return new LimitResult(
                limit,
                ceiling,
                edition,
                at,
                mains,
                value,
                now.value() * factor.low(),
                now.value() * factor.high(),
                max,
                LimitResult.Standing.of(value, max, at));
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
        return editions.stream().flatMap(e -> e.screenVolts().stream()).anyMatch(f -> volts > f.value() * (1 + 1e-9));
    }
}
