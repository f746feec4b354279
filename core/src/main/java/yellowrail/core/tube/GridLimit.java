package yellowrail.core.tube;

import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Unit;

/** The largest resistance of a grid's circuit, by how the grid is biased. */
public enum GridLimit implements PublishedLimit {
    FIXED_BIAS("grid circuit, fixed bias", "gridOhmsFixedBias", "grid kohm fixed bias"),
    CATHODE_BIAS("grid circuit, cathode bias", "gridOhmsCathodeBias", "grid kohm cathode bias");

    private final String words;
    private final Printed printed;

    GridLimit(String words, String key, String column) {
        this.words = words;
        this.printed = Printed.rare(key, column, Unit.OHM, Prefix.KILO, 1e3, 10e6);
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
