package yellowrail.core.amp.sensing;

import java.util.List;
import yellowrail.core.reading.Estimate;

/** What a reading tells about the current of one tube. */
public sealed interface SensedCurrent {
    /** Which current of the tube a method sees. */
    enum Kind {
        CATHODE,
        PLATE,
        /** Plate current plus the tapped share of the screen current: an ultralinear half primary. */
        PLATE_AND_TAPPED_SCREEN
    }

    /**
     * A current for each tube.
     *
     * @param kind which current
     * @param perTube A for one tube; a mean when {@code tubes} is above one
     * @param tubes how many tubes the reading saw
     * @param tap share of the screen current in it (only for the tapped kind), 0 to 1
     * @param symbols the formula in symbols
     * @param numbers the formula with the builder's numbers
     * @param notes what to keep in mind about this reading
     */
    record Current(
            Kind kind, Estimate perTube, int tubes, double tap, String symbols, String numbers, List<String> notes)
            implements SensedCurrent {
        public Current {
            notes = List.copyOf(notes);
        }

        /** The same as it may be by now, having moved by up to this share since it was read. */
        public Current drifted(double share) {
            return share == 0
                    ? this
                    : new Current(
                            kind,
                            new Estimate(perTube.value(), perTube.errors().and("drift between turns", share)),
                            tubes,
                            tap,
                            symbols,
                            numbers,
                            notes);
        }

        public boolean mean() {
            return tubes > 1;
        }
    }

    /** The method gives no current, and why. */
    record Nothing(String reason) implements SensedCurrent {}
}
