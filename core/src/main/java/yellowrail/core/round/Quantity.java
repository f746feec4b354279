package yellowrail.core.round;

import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Unit;

/** What a stored reading is a reading of; the names are stable. */
public enum Quantity {
    MAINS("mains", Field.of("mains volts", Unit.VOLT, Prefix.NONE, 50, 280).aboveZero()),
    /** The reading at a sense point; its field comes from the point's method. */
    CURRENT("current", Field.of("the current", Unit.AMPERE, Prefix.MILLI, 1e-3, 1)),
    INDIVIDUAL(
            "single current",
            Field.of("one tube's current on an adaptor", Unit.AMPERE, Prefix.MILLI, 1e-3, 0.4)
                    .accepting(Unit.VOLT)),
    PLATE(
            "plate volts",
            Field.of("plate volts", Unit.VOLT, Prefix.NONE, 20, 2000).aboveZero()),
    CATHODE("cathode volts", Field.of("cathode volts", Unit.VOLT, Prefix.NONE, 0.5, 150)),
    SCREEN(
            "screen volts",
            Field.of("screen volts", Unit.VOLT, Prefix.NONE, 20, 1000).aboveZero()),
    SCREEN_DROP("screen drop", Field.of("the drop over the screen resistor", Unit.VOLT, Prefix.NONE, 0.01, 100)),
    GRID("grid volts", Field.of("grid volts", Unit.VOLT, Prefix.NONE, 1, 150).signed()),
    CHOKE("choke drop", Field.of("the drop over the choke", Unit.VOLT, Prefix.NONE, 0.1, 200)),
    /** What follows is read only in a session. */
    LOAD_OHMS("load", Field.of("the load's ohms", Unit.OHM, Prefix.NONE, 1, 100).aboveZero()),
    RESIDUAL(
            "residual volts",
            Field.of("residual volts", Unit.VOLT, Prefix.NONE, 1e-4, 1000).signed()),
    BLEEDER_OHMS(
            "bleeder",
            Field.of("the bleeder's ohms", Unit.OHM, Prefix.NONE, 100, 1e6).aboveZero()),
    SENSE_OHMS(
            "sense resistor",
            Field.of("the resistor's ohms", Unit.OHM, Prefix.NONE, 0.2, 2000).aboveZero()),
    HALF_PRIMARY_OHMS(
            "half primary",
            Field.of("the half primary's ohms", Unit.OHM, Prefix.NONE, 5, 2000).aboveZero()),
    UNLOADED(
            "unloaded B+",
            Field.of("unloaded volts", Unit.VOLT, Prefix.NONE, 20, 2000).signed()),
    GRID_COLDEST(
            "grid volts, coldest end",
            Field.of("grid volts", Unit.VOLT, Prefix.NONE, 1, 150).signed()),
    GRID_HOTTEST(
            "grid volts, hottest end",
            Field.of("grid volts", Unit.VOLT, Prefix.NONE, 1, 150).signed()),
    HEATER(
            "heater volts",
            Field.of("heater volts", Unit.VOLT, Prefix.NONE, 1, 60).aboveZero()),
    HEATER_UNLOADED(
            "heater volts, unloaded",
            Field.of("heater volts", Unit.VOLT, Prefix.NONE, 1, 60).aboveZero()),
    /** At a socket's grid with its tube out, against the bias node: what remains is leakage. */
    GRID_TUBE_OUT(
            "grid volts, tube out",
            Field.of("grid volts", Unit.VOLT, Prefix.NONE, 1, 150).signed()),
    BIAS_NODE(
            "bias node",
            Field.of("bias node volts", Unit.VOLT, Prefix.NONE, 1, 150).signed()),
    GRID_LEAK_OHMS(
            "grid leak",
            Field.of("the grid leak's ohms", Unit.OHM, Prefix.NONE, 10e3, 2e6).aboveZero()),
    METER_OHMS(
            "meter input",
            Field.of("the meter's input resistance", Unit.OHM, Prefix.NONE, 1e5, 1e9)
                    .aboveZero()),
    OUTPUT_VOLTS("volts across the load", Field.of("AC volts across the load", Unit.VOLT, Prefix.NONE, 0.01, 200)),
    DRIVEN_CATHODE("cathode volts at full drive", Field.of("cathode volts", Unit.VOLT, Prefix.NONE, 0.5, 150));

    private final String words;
    private final Field field;

    Quantity(String words, Field field) {
        this.words = words;
        this.field = field;
    }

    public String words() {
        return words;
    }

    public Field field() {
        return field;
    }
}
