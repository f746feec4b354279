package yellowrail.core.tube;

import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Unit;

/** What a publication limits besides volts, currents and watts. */
public enum OtherLimit implements PublishedLimit {
    /** Largest resistance of the grid's circuit. */
    GRID_OHMS_FIXED_BIAS(Printed.rare(
            "grid circuit, fixed bias", "gridOhmsFixedBias", "grid kohm fixed bias", Unit.OHM, Prefix.KILO, 1e3, 10e6)),
    GRID_OHMS_CATHODE_BIAS(Printed.rare(
            "grid circuit, cathode bias",
            "gridOhmsCathodeBias",
            "grid kohm cathode bias",
            Unit.OHM,
            Prefix.KILO,
            1e3,
            10e6));

    private final Printed printed;

    OtherLimit(Printed printed) {
        this.printed = printed;
    }

    @Override
    public Printed printed() {
        return printed;
    }

    @Override
    public boolean ofScreen() {
        return false;
    }

    @Override
    public boolean letPass() {
        return false;
    }
}
