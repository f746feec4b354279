package yellowrail.core.idle;

import java.util.Optional;
import yellowrail.core.reading.Typed;

/**
 * A plate-voltage reading.
 *
 * @param reference between which points it was read
 * @param volts as read; empty when not taken
 * @param cathodeVolts cathode to chassis, if measured
 * @param halfPrimaryOhms resistance of the half primary, used with a reading at the supply node
 * @param tubesOnSide tubes fed through that half primary
 */
public record PlateVolts(
        Reference reference,
        Optional<Typed> volts,
        Optional<Typed> cathodeVolts,
        Optional<Typed> halfPrimaryOhms,
        int tubesOnSide) {
    /** Where the two probes were. */
    public enum Reference {
        CHASSIS("to chassis"),
        CATHODE("to cathode"),
        SUPPLY_NODE("at the supply node, to chassis"),
        TUBES_OUT("with the output tubes out");

        private final String words;

        Reference(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public PlateVolts {
        if (tubesOnSide < 1 || tubesOnSide > 4) {
            throw new IllegalArgumentException(tubesOnSide + " tubes on a side; 1 to 4");
        }
    }

    public static PlateVolts none() {
        return of(Reference.CHASSIS, Optional.empty());
    }

    public static PlateVolts of(Reference reference, Optional<Typed> volts) {
        return new PlateVolts(reference, volts, Optional.empty(), Optional.empty(), 1);
    }

    public PlateVolts withCathode(Typed measured) {
        return new PlateVolts(reference, volts, Optional.of(measured), halfPrimaryOhms, tubesOnSide);
    }

    public PlateVolts withHalfPrimary(Typed ohms, int tubes) {
        return new PlateVolts(reference, volts, cathodeVolts, Optional.of(ohms), tubes);
    }
}
