package yellowrail.core.tube;

import java.util.Optional;

/**
 * The limits of one publication. An empty figure is unknown, never zero and never "no limit".
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
        Optional<Figure> gridOhmsCathodeBias) {}
