package yellowrail.core.judging;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.PublishedLimit;
import yellowrail.core.tube.Ratings;

/**
 * Which limits hold. As it stands: the ceiling, and every limit of every publication that has to hold. At nominal mains,
 * where that is higher: the ceiling, and the limits of publications whose makers allowed for the line. At highest mains: all
 * limits, those with what their makers allowed there. Whoever has figures asks here; nobody compares them otherwise.
 *
 * @param editions the publications that all have to hold
 * @param screen whether the tube has a screen
 * @param ceiling the builder's own margin at idle, judged beside plate dissipation as read and at nominal mains
 * @param margin what every limit is multiplied by: room to be kept below 1, what was asked for above the rating above it
 */
public record Judge(List<Ratings> editions, boolean screen, Optional<Ceiling> ceiling, double margin) {
    private static final At[] ORDER = {At.NOW, At.NOMINAL, At.LOWEST, At.HIGHEST};
    private static final At[] OF_THE_CEILING = {At.NOW, At.NOMINAL};

    /**
     * The builder's own margin at idle.
     *
     * @param watts W
     * @param of the publication it is a share of
     */
    public record Ceiling(double watts, Ratings of) {}

    public Judge {
        editions = List.copyOf(editions);
    }

    /**
     * @param editions the publications that all have to hold
     * @param screen whether the tube has a screen
     */
    public static Judge by(List<Ratings> editions, boolean screen) {
        return new Judge(editions, screen, Optional.empty(), 1);
    }

    /**
     * The same with the builder's ceiling, which is judged beside plate dissipation as read and at nominal mains.
     *
     * @param share of the plate rating of {@code of}
     */
    public Judge under(double share, Ratings of) {
        double watts = share * of.plateWatts().orElseThrow().value();
        return new Judge(editions, screen, Optional.of(new Ceiling(watts, of)), margin);
    }

    /** The same with every limit multiplied: room to be kept below 1, what was asked for above the rating above it. */
    public Judge within(double share) {
        return new Judge(editions, screen, ceiling, margin * share);
    }

    /** What a figure must not pass there, in the limit's unit. */
    public double allowed(Ratings edition, PublishedLimit limit, double published, At at) {
        return margin * published * at.allowance(edition.system(), limit.unit());
    }

    /** The least that any publication allows there; empty where none gives this limit. */
    public OptionalDouble allowed(PublishedLimit limit, At at) {
        return editions.stream()
                .filter(e -> limit.in(e).isPresent() && at.judges(e.system()))
                .mapToDouble(e -> allowed(e, limit, limit.in(e).orElseThrow().value(), at))
                .min();
    }

    /** Every judgement of these limits. */
    public List<Judgement> all(Collection<? extends PublishedLimit> limits, Figures figures) {
        List<Judgement> all = new ArrayList<>();
        every(limits, limit -> true, figures, all::add);
        return all;
    }

    /** Whether every one of these limits is inside, with its band, wherever it is judged. */
    public boolean holds(
            Collection<? extends PublishedLimit> limits, Predicate<PublishedLimit> judged, Figures figures) {
        return every(limits, judged, figures, j -> j.standing() == Standing.INSIDE);
    }

    /** Judges limit by limit until one of them does not please. */
    private boolean every(
            Collection<? extends PublishedLimit> limits,
            Predicate<PublishedLimit> judged,
            Figures figures,
            Predicate<Judgement> pleases) {
        if (ceiling.isPresent() && judged.test(Limit.PLATE_WATTS) && !ceiling(figures, pleases)) {
            return false;
        }
        for (Ratings edition : editions) {
            for (PublishedLimit limit : limits) {
                Optional<Figure> published = judged.test(limit) ? limit.in(edition) : Optional.empty();
                if (published.isPresent()
                        && applies(limit)
                        && !at(edition, limit, published.get().value(), figures, pleases)) {
                    return false;
                }
            }
        }
        return true;
    }

    private boolean ceiling(Figures figures, Predicate<Judgement> pleases) {
        Ceiling most = ceiling.orElseThrow();
        for (At at : OF_THE_CEILING) {
            if (at == At.NOW || figures.at().contains(at)) {
                Optional<Value> value = figures.of(Limit.PLATE_WATTS, at);
                if (value.isPresent()
                        && !pleases.test(judgement(
                                Limit.PLATE_WATTS, true, most.of(), at, figures, value.get(), margin * most.watts()))) {
                    return false;
                }
            }
        }
        return true;
    }

    private boolean at(
            Ratings edition, PublishedLimit limit, double published, Figures figures, Predicate<Judgement> pleases) {
        for (At at : ORDER) {
            if (at != At.NOW && !figures.at().contains(at) || !at.judges(edition.system())) {
                continue;
            }
            Optional<Value> value = figures.of(limit, at);
            if (value.isPresent()
                    && !pleases.test(judgement(
                            limit, false, edition, at, figures, value.get(), allowed(edition, limit, published, at)))) {
                return false;
            }
        }
        return true;
    }

    private static Judgement judgement(
            PublishedLimit limit,
            boolean ceiling,
            Ratings edition,
            At at,
            Figures figures,
            Value value,
            double allowed) {
        return new Judgement(
                limit, ceiling, edition, at, figures.mains(at), value, allowed, Standing.of(value, allowed));
    }

    /** How a figure stands against what a part is rated for; a rating that is not known is unknown. */
    public static Standing part(Value value, Optional<Double> rated) {
        return rated.map(r -> Standing.of(value, r)).orElse(Standing.UNKNOWN);
    }

    private boolean applies(PublishedLimit limit) {
        return screen || !limit.ofScreen();
    }

    /**
     * How a limit stands that no publication gives a figure for: it does not apply, none is published, or it is not known.
     * Cathode current and peaks are let pass where they are not known.
     */
    public Standing without(PublishedLimit limit) {
        if (!applies(limit)) {
            return Standing.NOT_APPLICABLE;
        }
        boolean none = editions.stream().anyMatch(e -> !limit.unknownIn(e));
        return none || limit.letPass() ? Standing.NONE_PUBLISHED : Standing.UNKNOWN;
    }

    /** Whether any publication gives a figure for this limit of this tube. */
    public boolean gives(PublishedLimit limit) {
        return applies(limit) && editions.stream().anyMatch(e -> limit.in(e).isPresent());
    }
}
