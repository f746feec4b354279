package yellowrail.core.load;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.Show;

/**
 * What was read of an output transformer's copper with an ohmmeter, the amp off and drained.
 *
 * @param pushPull whether the primary has two halves
 * @param halfA centre tap to end A, Ω; single-ended: the whole primary
 * @param halfB centre tap to end B, Ω; empty in single-ended
 * @param secondary of the tap in use, Ω
 */
public record Windings(boolean pushPull, Optional<Double> halfA, Optional<Double> halfB, Optional<Double> secondary) {
    /** Usual copper of a half primary, share of the ohms plate to plate; single-ended twice that. From practice. */
    static final double USUAL_LEAST = 0.008;

    static final double USUAL_MOST = 0.025;

    /** The outer half is longer than the inner one: by this at most in sound transformers, as a factor. */
    static final double UNLIKE = 1.3;
    /** Beyond this factor one of the halves has an open or shorted turn. */
    static final double BROKEN = 3;
    /** A half above this share of the load is no copper: an open winding, a joint, or the wrong leads. */
    static final double OPEN = 0.2;

    /** Copper of the tap in use beyond this share of its ohms is asked about. From practice, as what is usual. */
    public static final double MOST_SECONDARY = 0.25;

    public static final String USUAL_SECONDARY = "2 to 10 % is usual";

    public static final Windings NONE = new Windings(true, Optional.empty(), Optional.empty(), Optional.empty());

    public Windings {
        for (Optional<Double> ohms : List.of(halfA, halfB, secondary)) {
            ohms.ifPresent(r -> {
                if (!(r > 0 && r <= 100e3)) {
                    throw new IllegalArgumentException("a winding of " + r + " Ω; above 0, at most 100 kΩ");
                }
            });
        }
        if (!pushPull && halfB.isPresent()) {
            throw new IllegalArgumentException("a single-ended primary has no halves");
        }
    }

    /** Copper of the whole primary, Ω; a half that was not read counts as the other. */
    public Optional<Double> primary() {
        if (!pushPull) {
            return halfA;
        }
        Optional<Double> one = halfA.or(() -> halfB);
        Optional<Double> two = halfB.or(() -> halfA);
        return one.flatMap(a -> two.map(b -> a + b));
    }

    /** Mean of the halves, Ω: what the drop of a tube's current is computed with. */
    public Optional<Double> half() {
        return primary().map(r -> pushPull ? r / 2 : r);
    }

    /** @param primaryOhms what the primary shows with its taps loaded as marked, Ω */
    public List<Remark> remarks(double primaryOhms) {
        List<Remark> remarks = new ArrayList<>();
        if (halfA.isPresent() && halfB.isPresent()) {
            unlike(halfA.get(), halfB.get()).ifPresent(remarks::add);
        }
        if (remarks.isEmpty()) {
            half(primaryOhms).ifPresent(remarks::add);
        }
        return remarks;
    }

    private static Optional<Remark> unlike(double a, double b) {
        double ratio = Math.max(a, b) / Math.min(a, b);
        String lower = a < b ? "A" : "B";
        String higher = a < b ? "B" : "A";
        String read = "Half A reads " + ohms(a) + ", half B " + ohms(b);
        if (ratio > BROKEN) {
            return Optional.of(new Remark(
                    Remark.Code.BAD_WINDING,
                    "halfB",
                    read + ": unlike by " + Show.significant(ratio, 2) + " times. Half " + lower
                            + " has shorted turns, or half " + higher + " is open, has a bad joint, or other leads were"
                            + " read. Do not power this transformer until AC volts on both halves are equal."));
        }
        return ratio > UNLIKE
                ? Optional.of(new Remark(
                        Remark.Code.UNUSUAL_COPPER,
                        "halfB",
                        read + ": " + Show.fixed(100 * (ratio - 1), 0)
                                + " % apart. The outer half is longer, by up to about"
                                + " 30 %. Read AC volts on both halves: equal volts are equal turns."))
                : Optional.empty();
    }

    private Optional<Remark> half(double primaryOhms) {
        Optional<Double> half = half();
        if (half.isEmpty()) {
            return Optional.empty();
        }
        double fold = pushPull ? 1 : 2;
        double share = half.get() / primaryOhms;
        String what = (pushPull ? "Half of the primary reads " : "The primary reads ") + ohms(half.get()) + ", "
                + Show.significant(100 * share, 2) + " % of " + LoadWords.plainOhms(primaryOhms) + ". ";
        if (share > OPEN * fold) {
            return Optional.of(new Remark(
                    Remark.Code.BAD_WINDING,
                    "halfA",
                    what + "That is no copper of this primary: the winding is open, a joint is bad, or these are other"
                            + " leads."));
        }
        String usual = Show.plain(100 * fold * USUAL_LEAST, 2) + " to " + Show.plain(100 * fold * USUAL_MOST, 2) + " %";
        if (share < USUAL_LEAST * fold) {
            return Optional.of(new Remark(
                    Remark.Code.UNUSUAL_COPPER,
                    "halfA",
                    what + "Usual is " + usual
                            + ": a large transformer, one for a lower load, or shorted turns. DC ohms"
                            + " alone do not tell which; AC volts on both windings do."));
        }
        return share > USUAL_MOST * fold
                ? Optional.of(new Remark(
                        Remark.Code.UNUSUAL_COPPER,
                        "halfA",
                        what + "Usual is " + usual + ": a small transformer, or one for a higher load."))
                : Optional.empty();
    }

    private static String ohms(double ohms) {
        return LoadWords.plainOhms(ohms);
    }
}
