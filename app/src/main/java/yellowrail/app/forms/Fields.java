package yellowrail.app.forms;

import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Connection;

/** What each field of a check or a description takes; the plausible ranges are those of output stages. */
public final class Fields {
    public static final Field PLATE =
            Field.of("plate volts", Unit.VOLT, Prefix.NONE, 20, 2000).aboveZero();
    public static final Field CATHODE = Field.of("cathode volts", Unit.VOLT, Prefix.NONE, 0.5, 150);
    public static final Field SCREEN =
            Field.of("screen volts", Unit.VOLT, Prefix.NONE, 20, 1000).aboveZero();
    public static final Field SCREEN_DROP =
            Field.of("the drop over the screen resistor", Unit.VOLT, Prefix.NONE, 0.01, 100);
    public static final Field SCREEN_OHMS =
            Field.of("a screen resistor", Unit.OHM, Prefix.NONE, 1, 100e3).aboveZero();
    /** Where screens are tapped, of the half primary's turns. */
    public static final Field TAP = Field.of(
                    "the tap", Unit.PERCENT, Prefix.NONE, 100 * Connection.LEAST_TAP, 100 * Connection.MOST_TAP)
            .aboveZero();

    public static final Field PERCENT = Field.of("per cent", Unit.PERCENT, Prefix.NONE, 0.01, 150);
    public static final Field MAINS =
            Field.of("mains volts", Unit.VOLT, Prefix.NONE, 50, 280).aboveZero();

    public static final Field MINUTES = Field.of("minutes apart", Unit.MINUTE, Prefix.NONE, 0.1, 100_000);
    public static final Field CHANGE = Field.of("the change of the current", Unit.PERCENT, Prefix.NONE, 0.01, 1000)
            .signed();

    private Fields() {}
}
