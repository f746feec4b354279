package yellowrail.core.tube;

import java.util.Optional;
import java.util.Set;

/**
 * The limits of one publication. An empty figure is unknown, never zero and never "no limit", unless the publication is
 * known to give none.
 *
 * @param system how the limits are meant
 * @param edition which publication, in words
 * @param plateWatts plate dissipation, W
 * @param screenWatts screen (grid 2) dissipation, W
 * @param combinedWatts plate plus screen dissipation, W
 * @param plateVolts DC plate voltage, V
 * @param screenVolts DC screen voltage, V
 * @param cathodeAmperes DC cathode current, A
 * @param gridOhmsFixedBias largest grid-circuit resistance with fixed bias, Ω
 * @param gridOhmsCathodeBias largest grid-circuit resistance with cathode bias, Ω
 * @param nonePublished the limits this publication is known not to give
 * @param withSignal what it permits with signal
 */
public record Ratings(
        RatingSystem system,
        String edition,
        Optional<Figure> plateWatts,
        Optional<Figure> screenWatts,
        Optional<Figure> combinedWatts,
        Optional<Figure> plateVolts,
        Optional<Figure> screenVolts,
        Optional<Figure> cathodeAmperes,
        Optional<Figure> gridOhmsFixedBias,
        Optional<Figure> gridOhmsCathodeBias,
        Set<Limit> nonePublished,
        WithSignal withSignal) {
    public Ratings {
        nonePublished = Set.copyOf(nonePublished);
    }

    /** A publication of which every blank is unknown. */
    public Ratings(
            RatingSystem system,
            String edition,
            Optional<Figure> plateWatts,
            Optional<Figure> screenWatts,
            Optional<Figure> combinedWatts,
            Optional<Figure> plateVolts,
            Optional<Figure> screenVolts,
            Optional<Figure> cathodeAmperes,
            Optional<Figure> gridOhmsFixedBias,
            Optional<Figure> gridOhmsCathodeBias) {
        this(
                system,
                edition,
                plateWatts,
                screenWatts,
                combinedWatts,
                plateVolts,
                screenVolts,
                cathodeAmperes,
                gridOhmsFixedBias,
                gridOhmsCathodeBias,
                Set.of(),
                WithSignal.unknown());
    }

    /** The figure of a limit, W, V or A; empty when it is unknown or none is published. */
    public Optional<Figure> figure(Limit limit) {
        return switch (limit) {
            case PLATE_WATTS -> plateWatts;
            case SCREEN_WATTS -> screenWatts;
            case COMBINED_WATTS -> combinedWatts;
            case PLATE_VOLTS -> plateVolts;
            case SCREEN_VOLTS -> screenVolts;
            case CATHODE_AMPERES -> cathodeAmperes;
        };
    }

    /** Whether this publication says nothing of a limit that it could give: neither a figure nor that there is none. */
    public boolean unknown(Limit limit) {
        return figure(limit).isEmpty() && !nonePublished.contains(limit);
    }

    /** The same publication, known not to give these limits. */
    public Ratings without(Limit... limits) {
        return new Ratings(
                system,
                edition,
                plateWatts,
                screenWatts,
                combinedWatts,
                plateVolts,
                screenVolts,
                cathodeAmperes,
                gridOhmsFixedBias,
                gridOhmsCathodeBias,
                Set.of(limits),
                withSignal);
    }

    /** The same publication with what it permits with signal. */
    public Ratings with(WithSignal with) {
        return new Ratings(
                system,
                edition,
                plateWatts,
                screenWatts,
                combinedWatts,
                plateVolts,
                screenVolts,
                cathodeAmperes,
                gridOhmsFixedBias,
                gridOhmsCathodeBias,
                nonePublished,
                with);
    }
}
