package yellowrail.core.soak;

import java.util.List;

/** How far a quantity may drift over a soak, whatever the quantity is. */
public final class Trend {
    /** A drift is told over so many minutes. */
    static final double MINUTES = 30;
    /** Most that it may rise in that time, share. */
    static final double RISES = 0.012;
    /** Most that it may fall, share. */
    static final double FALLS = 0.02;

    static final double ROUNDING = 1e-9;

    private Trend() {}

    /** Robust slope over the whole, as a share of the median in 30 min; two samples or more. */
    public static double share(List<Sample> samples) {
        return RobustLine.slope(samples)
                * MINUTES
                / RobustLine.median(samples.stream().map(Sample::amperes).toList());
    }

    /** Whether a drift is no drift, share in 30 min. */
    public static boolean flat(double share) {
        return share <= RISES + ROUNDING && share >= -FALLS - ROUNDING;
    }
}
