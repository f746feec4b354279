package yellowrail.core.tube;

import java.util.Optional;
import yellowrail.core.reading.Unit;

/** A limit that a publication can give for DC operation, each with what it limits. */
public enum Limit implements PublishedLimit {
    PLATE_WATTS("plate dissipation", Unit.WATT),
    SCREEN_WATTS("screen dissipation", Unit.WATT),
    COMBINED_WATTS("plate plus screen dissipation", Unit.WATT),
    PLATE_VOLTS("plate volts", Unit.VOLT),
    SCREEN_VOLTS("screen volts", Unit.VOLT),
    CATHODE_AMPERES("cathode current", Unit.AMPERE);

    private final String words;
    private final Unit unit;

    Limit(String words, Unit unit) {
        this.words = words;
        this.unit = unit;
    }

    @Override
    public String words() {
        return words;
    }

    @Override
    public Unit unit() {
        return unit;
    }

    @Override
    public Optional<Figure> in(Ratings ratings) {
        return ratings.figure(this);
    }

    @Override
    public boolean unknownIn(Ratings ratings) {
        return ratings.unknown(this);
    }

    @Override
    public boolean ofScreen() {
        return this == SCREEN_WATTS || this == SCREEN_VOLTS || this == COMBINED_WATTS;
    }

    /** Few makers give a cathode current, fewer a sum. */
    @Override
    public boolean letPass() {
        return this == CATHODE_AMPERES || this == COMBINED_WATTS;
    }
}
