package yellowrail.core.idle;

import java.util.Optional;
import yellowrail.core.amp.Mains;
import yellowrail.core.reading.Band;
import yellowrail.core.reading.Pairing;

/**
 * The state a reading was taken in.
 *
 * @param mains mains voltages; empty when nothing is known of them
 * @param limiter whether a lamp or other limiter stood in series
 * @param reducedMains whether the mains were turned down on purpose
 * @param pairing how volts and current belong together in time
 * @param spread how unequal tubes behind one reading may be, as a share of the mean; empty when not stated
 * @param ownExponent how this amp's dissipation follows the mains, from its own readings; empty when not known
 * @param drift how far currents read in another power-on may have moved since, share of the current; zero when read at
 *     once, empty while that is not known
 */
public record Circumstances(
        Optional<Mains> mains,
        boolean limiter,
        boolean reducedMains,
        Pairing pairing,
        Optional<Double> spread,
        Optional<Band> ownExponent,
        Optional<Double> drift) {
    public Circumstances {
        drift.filter(d -> !(d >= 0 && d <= 1)).ifPresent(d -> {
            throw new IllegalArgumentException("a drift of " + 100 * d + " %; 0 to 100 %");
        });
        spread.filter(s -> !(s >= 0 && s <= 1)).ifPresent(s -> {
            throw new IllegalArgumentException("a spread of " + 100 * s + " %; 0 to 100 %");
        });
    }

    /** Read in one power-on. */
    public Circumstances(
            Optional<Mains> mains,
            boolean limiter,
            boolean reducedMains,
            Pairing pairing,
            Optional<Double> spread,
            Optional<Band> ownExponent) {
        this(mains, limiter, reducedMains, pairing, spread, ownExponent, Optional.of(0.0));
    }

    public static Circumstances unknown() {
        return new Circumstances(
                Optional.empty(), false, false, Pairing.together(), Optional.empty(), Optional.empty());
    }

    public static Circumstances atMains(Mains mains) {
        return new Circumstances(
                Optional.of(mains), false, false, Pairing.together(), Optional.empty(), Optional.empty());
    }

    public Circumstances withSpread(double share) {
        return new Circumstances(mains, limiter, reducedMains, pairing, Optional.of(share), ownExponent, drift);
    }

    public Circumstances paired(Pairing other) {
        return new Circumstances(mains, limiter, reducedMains, other, spread, ownExponent, drift);
    }

    public Circumstances withLimiter() {
        return new Circumstances(mains, true, reducedMains, pairing, spread, ownExponent, drift);
    }
}
