package yellowrail.core.stage;

import yellowrail.core.reading.Show;

/**
 * How the screens of a pentode stage are fed, out of a round in which they were read.
 *
 * @param ownVolts a supply of their own, carried to nominal mains, V; NaN when they are fed from B+
 * @param ohms feed from B+ to the screens, Ω; 0 with a supply of their own
 * @param how where it comes from, in a sentence
 */
public record ScreenFeed(double ownVolts, double ohms, String how) {
    /** Screens this far below B+ are taken to have a supply of their own, share of B+; a round figure of ours. */
    private static final double OWN_SUPPLY = 0.15;

    /** No feed from B+ has more than this, Ω; a round figure of ours. */
    private static final double MOST_OHMS = 20e3;

    /**
     * @param round with the screen volts of every tube
     * @param screenAmperes of all its tubes together, A; 0 when not known
     * @param resistorOhms each tube's own screen resistor, Ω
     */
    public static ScreenFeed of(ReadRound round, double screenAmperes, double resistorOhms) {
        double screens = round.tubes().stream()
                .mapToDouble(t -> t.screenVolts().orElseThrow() + t.cathodeVolts())
                .average()
                .orElseThrow();
        double node = screens + resistorOhms * screenAmperes / round.tubes().size();
        double drop = Math.max(0, round.nodeVolts() - node);
        double ohms = drop == 0 ? 0 : drop / screenAmperes;
        return drop > OWN_SUPPLY * round.nodeVolts() || ohms > MOST_OHMS
                ? new ScreenFeed(
                        node / round.mains().orElse(1.0),
                        0,
                        "Screens stand " + Show.fixed(drop, 0) + " V below B+: a supply of their own is taken.")
                : new ScreenFeed(
                        Double.NaN,
                        ohms,
                        "Screen feed from the screens' volts as read, " + Show.fixed(drop, 0) + " V below the plates.");
    }

    public boolean own() {
        return !Double.isNaN(ownVolts);
    }
}
