package yellowrail.core.load;

/**
 * What a transformer does to low notes. Two limits: at small signals the primary's inductance shunts the load; at full power
 * the core saturates, and what it can carry falls with the square of the frequency.
 */
public final class LowNotes {
    private LowNotes() {}

    /**
     * Corner at small signals, Hz, where the level is 3 dB down: Rpar / (2π L).
     *
     * @param loadOhms at the primary, Ω
     * @param outputOhms what the stage shows to it, Ω: with feedback less, and the corner lies lower
     * @param henries of the whole primary; inductance read by a meter at millivolts is a lower bound, at power it is 2 to 5
     *     times as much
     */
    public static double corner(double loadOhms, double outputOhms, double henries) {
        if (!(henries > 0)) {
            throw new IllegalArgumentException("an inductance of " + henries + " H; above 0");
        }
        return loadOhms * outputOhms / (loadOhms + outputOhms) / (2 * Math.PI * henries);
    }

    /**
     * By what share AC volts read on another winding are low because magnetising current drops volts in the driven winding's
     * copper: (R / (2π f L))² / 2.
     *
     * @param ohms copper of the driven winding, Ω
     * @param henries its inductance, H, above zero
     */
    public static double magnetising(double ohms, double henries, double hertz) {
        double ratio = ohms / (2 * Math.PI * hertz * henries);
        return ratio * ratio / 2;
    }

    /**
     * Power the core carries at a frequency, W: flux goes with volts over frequency.
     *
     * @param ratedWatts what it carries at the rated frequency, W
     * @param ratedHertz the lowest frequency for that, Hz
     */
    public static double carried(double ratedWatts, double ratedHertz, double hertz) {
        double share = hertz / ratedHertz;
        return ratedWatts * share * share;
    }

    /** Lowest frequency at which this power passes, Hz. */
    public static double lowestFor(double watts, double ratedWatts, double ratedHertz) {
        return ratedHertz * Math.sqrt(watts / ratedWatts);
    }
}
