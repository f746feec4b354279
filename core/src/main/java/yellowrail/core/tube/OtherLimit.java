package yellowrail.core.tube;

import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Unit;

/** What a publication limits besides volts, currents and watts. */
public enum OtherLimit implements PublishedLimit {
    /** Largest resistance of the grid's circuit. */
    GRID_OHMS_FIXED_BIAS(
            "grid circuit, fixed bias",
            Printed.rare("gridOhmsFixedBias", "grid kohm fixed bias", Unit.OHM, Prefix.KILO, 1e3, 10e6)),
    GRID_OHMS_CATHODE_BIAS(
            "grid circuit, cathode bias",
            Printed.rare("gridOhmsCathodeBias", "grid kohm cathode bias", Unit.OHM, Prefix.KILO, 1e3, 10e6));

    private final String words;
    private final Printed printed;

    OtherLimit(String words, Printed printed) {
        this.words = words;
        this.printed = printed;
    }

    @Override
    public String words() {
        return words;
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
