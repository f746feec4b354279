package yellowrail.core.experiment;

import java.util.Optional;

/**
 * One measurement of power and distortion.
 *
 * @param level how hard the amp was driven, in the builder's words; may be empty
 * @param hertz frequency, Hz; empty when not said
 * @param watts into the load, above 0, at most 2000 W
 * @param distortion THD, share, 0 to 1
 */
public record MeasuredPoint(String level, Optional<Double> hertz, double watts, double distortion) {
    private static final double MOST_WATTS = 2000;
    private static final double MOST_HERTZ = 1e6;

    public MeasuredPoint {
        if (level.length() > 40) {
            throw new IllegalArgumentException("a level has at most 40 characters");
        }
        if (hertz.isPresent() && !(hertz.get() > 0 && hertz.get() <= MOST_HERTZ)) {
            throw new IllegalArgumentException("a frequency of " + hertz.get() + " Hz; above 0, at most 1 MHz");
        }
        if (!(watts > 0 && watts <= MOST_WATTS)) {
            throw new IllegalArgumentException("a power of " + watts + " W; above 0, at most 2000 W");
        }
        if (!(distortion >= 0 && distortion <= 1)) {
            throw new IllegalArgumentException("a distortion of " + 100 * distortion + " %; 0 to 100 %");
        }
    }
}
