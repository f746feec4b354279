package yellowrail.core.load;

import java.util.Optional;
import java.util.stream.Stream;
import yellowrail.core.amp.Topology;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;

/**
 * Inductance of a whole primary beside the load, H: as typed, or where none is, what is usual for such a load, with how far
 * transformers differ. An endless one would flatter the plates at low notes by a third.
 *
 * @param henries H
 * @param least low end of what it can be, H
 * @param most high end, H
 */
public record PrimaryInductance(double henries, double least, double most) {
    /** Where the usual primary has as many ohms as its load, Hz: figures of ours about what is wound. */
    private static final double PUSH_PULL_HERTZ = 15;

    /** A gap for the current of a single tube costs inductance. */
    private static final double SINGLE_ENDED_HERTZ = 40;

    /** Times more or less that a primary can have: the inductance at power is 2 to 5 times that at millivolts. */
    private static final double PUSH_PULL_SPREAD = 2.5;

    private static final double SINGLE_ENDED_SPREAD = 2;

    /** @param henries above 0 */
    public static PrimaryInductance typed(double henries) {
        return new PrimaryInductance(henries, henries, henries);
    }

    /**
     * What is usual.
     *
     * @param loadOhms the load the primary is wound for, Ω
     */
    public static PrimaryInductance usual(double loadOhms, Topology topology) {
        boolean pushPull = topology == Topology.PUSH_PULL;
        double henries = loadOhms / (2 * Math.PI * (pushPull ? PUSH_PULL_HERTZ : SINGLE_ENDED_HERTZ));
        double spread = pushPull ? PUSH_PULL_SPREAD : SINGLE_ENDED_SPREAD;
        return new PrimaryInductance(henries, henries / spread, henries * spread);
    }

    public boolean assumed() {
        return least < most;
    }

    /** These speakers on a tap, with it beside them. */
    public SpeakerOnTap beside(Wiring speakers, double turns) {
        return new SpeakerOnTap(speakers, turns, Optional.of(henries));
    }

    /** The same at both ends of what it can be; none where it was typed. */
    public Stream<SpeakerOnTap> ends(Wiring speakers, double turns) {
        return assumed()
                ? Stream.of(least, most).map(h -> new SpeakerOnTap(speakers, turns, Optional.of(h)))
                : Stream.of();
    }

    /** What was taken, as a sentence; empty where it was typed. */
    public Optional<String> assumption() {
        return assumed()
                ? Optional.of("The primary's inductance is not known: "
                        + Show.si(henries, Unit.HENRY, 2) + " is taken, usual for such a load, and the band holds from "
                        + Show.si(least, Unit.HENRY, 2) + " to " + Show.si(most, Unit.HENRY, 2)
                        + ". Type it where it was measured.")
                : Optional.empty();
    }
}
