package yellowrail.core.tube;

import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Unit;

/** A limit that a publication can give for DC operation, each with what it limits. */
public enum Limit implements PublishedLimit {
    PLATE_WATTS(Printed.owed("plate dissipation", "plateWatts", "plate W", Unit.WATT, Prefix.NONE, 1, 1000)),
    SCREEN_WATTS(Printed.owed("screen dissipation", "screenWatts", "screen W", Unit.WATT, Prefix.NONE, 0.2, 60)),
    COMBINED_WATTS(Printed.owed(
            "plate plus screen dissipation", "combinedWatts", "plate and screen W", Unit.WATT, Prefix.NONE, 1, 1200)),
    PLATE_VOLTS(Printed.owed("plate volts", "plateVolts", "plate V", Unit.VOLT, Prefix.NONE, 50, 6000)),
    SCREEN_VOLTS(Printed.owed("screen volts", "screenVolts", "screen V", Unit.VOLT, Prefix.NONE, 50, 1500)),
    CATHODE_AMPERES(
            Printed.owed("cathode current", "cathodeAmperes", "cathode mA", Unit.AMPERE, Prefix.MILLI, 0.01, 2));

    private final Printed printed;

    Limit(Printed printed) {
        this.printed = printed;
    }

    @Override
    public Printed printed() {
        return printed;
    }

    /** Volts and current are told from those of a cycle. */
    @Override
    public String label() {
        return unit() == Unit.WATT ? words() : words() + ", DC";
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
