package yellowrail.core.adjust;

import java.util.Optional;
import yellowrail.core.idle.SupplySoftness;
import yellowrail.core.reading.Band;

/**
 * How tubes on one supply pull on each other: the current of one that is turned moves B+ by the supply's source resistance,
 * and B+ moves the currents of all by {@code I ∝ V^pull}.
 *
 * @param ohms source resistance of the supply, Ω, zero or above
 * @param pull exponent of a tube's current in its plate volts while its grid stays, zero or above
 */
public record Coupling(Band ohms, Band pull) {
    /** Share of B+ that the stiffest, a usual and the softest supply lose at the present current. */
    private static final Band USUAL_SAG = new Band(0, 0.05, SupplySoftness.MOST_SAG);

    /**
     * By the catalogue's curves from 250 V to the rating, idling at 40 to 80 %: screens fed apart hardly let a current follow
     * its plate volts; screens on B+ amplify, in the mean and for the coldest tube at the highest volts.
     */
    static final Band USUAL_PULL = new Band(0.1, 5, 9.5);

    /**
     * @param sag from two rounds, or why there is none
     * @param volts plate volts as read, V
     * @param total current of all output tubes, A, above zero
     * @param pull as two rounds have shown it; empty when they have not
     */
    static Coupling of(SupplySag sag, double volts, double total, Optional<Band> pull) {
        Band ohms = sag instanceof SupplySag.Known known
                ? new Band(
                        Math.max(0, known.ohms() - known.limit()),
                        Math.max(0, known.ohms()),
                        Math.max(0, known.ohms() + known.limit()))
                : new Band(
                        USUAL_SAG.low() * volts / total,
                        USUAL_SAG.mid() * volts / total,
                        USUAL_SAG.high() * volts / total);
        return new Coupling(ohms, pull.orElse(USUAL_PULL));
    }
}
