package yellowrail.core.load;

import java.util.Optional;

/**
 * What the tubes see with the copper of the transformer in it, and what of their power reaches the speakers: n² · (Z + Rsec)
 * + Rpri, core loss left out.
 *
 * @param idealOhms n² · Z, Ω
 * @param primaryCopper of the whole primary, Ω
 * @param secondaryCopper of the tap, as seen from the primary, Ω
 */
public record RealLoad(double idealOhms, double primaryCopper, double secondaryCopper) {
    public RealLoad {
        if (!(idealOhms > 0) || primaryCopper < 0 || secondaryCopper < 0) {
            throw new IllegalArgumentException("a load above 0 and copper of 0 or more");
        }
    }

    /**
     * @param turns whole primary over the tap
     * @param speakerOhms nominal, Ω
     * @return empty while no copper was read
     */
    public static Optional<RealLoad> of(Windings windings, double turns, double speakerOhms) {
        if (windings.primary().isEmpty() && windings.secondary().isEmpty()) {
            return Optional.empty();
        }
        double square = turns * turns;
        return Optional.of(new RealLoad(
                square * speakerOhms,
                windings.primary().orElse(0.0),
                square * windings.secondary().orElse(0.0)));
    }

    /** What the primary shows, Ω. */
    public double seenOhms() {
        return idealOhms + primaryCopper + secondaryCopper;
    }

    /** Share of the power leaving the tubes that reaches the speakers. */
    public double efficiency() {
        return idealOhms / seenOhms();
    }

    /** Insertion loss, dB, zero or above. */
    public double lossDecibels() {
        return -10 * Math.log10(efficiency());
    }
}
