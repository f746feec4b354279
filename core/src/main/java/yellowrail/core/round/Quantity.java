package yellowrail.core.round;

import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Point.Place;

/** What a stored reading is a reading of; the names are stable. */
public enum Quantity {
    MAINS(
            Place.AMP,
            "mains",
            Field.of("mains volts", Unit.VOLT, Prefix.NONE, 50, 280).aboveZero()),
    /** The reading at a sense point; its field comes from the point's method. */
    CURRENT(Place.SENSE_POINT, "current", Field.of("the current", Unit.AMPERE, Prefix.MILLI, 1e-3, 1)),
    INDIVIDUAL(
            Place.SOCKET,
            "single current",
            // In mA alone: what volts of such an adaptor mean is not described.
            Field.of("one tube's current on an adaptor", Unit.AMPERE, Prefix.MILLI, 1e-3, 0.4)),
    PLATE(
            Place.SOCKET,
            "plate volts",
            Field.of("plate volts", Unit.VOLT, Prefix.NONE, 20, 2000).aboveZero()),
    CATHODE(Place.SOCKET, "cathode volts", Field.of("cathode volts", Unit.VOLT, Prefix.NONE, 0.5, 150)),
    SCREEN(
            Place.SOCKET,
            "screen volts",
            Field.of("screen volts", Unit.VOLT, Prefix.NONE, 20, 1000).aboveZero()),
    SCREEN_DROP(
            Place.SOCKET,
            "screen drop",
            Field.of("the drop over the screen resistor", Unit.VOLT, Prefix.NONE, 0.01, 100)),
    GRID(
            Place.SOCKET,
            "grid volts",
            Field.of("grid volts", Unit.VOLT, Prefix.NONE, 1, 150).signed()),
    CHOKE(Place.AMP, "choke drop", Field.of("the drop over the choke", Unit.VOLT, Prefix.NONE, 0.1, 200)),
    /** Of a node, on AC; a note of its own in a session. */
    RIPPLE(
            Place.NODE,
            "ripple",
            Field.of("ripple volts", Unit.VOLT, Prefix.NONE, 1e-3, 100).aboveZero()),
    /** What follows is read only in a session. */
    LOAD_OHMS(
            Place.AMP,
            "load",
            Field.of("the load's ohms", Unit.OHM, Prefix.NONE, 1, 100).aboveZero()),
    RESIDUAL(
            Place.NODE,
            "residual volts",
            Field.of("residual volts", Unit.VOLT, Prefix.NONE, 1e-4, 1000).signed()),
    BLEEDER_OHMS(
            Place.AMP,
            "bleeder",
            Field.of("the bleeder's ohms", Unit.OHM, Prefix.NONE, 100, 1e6).aboveZero()),
    SENSE_OHMS(
            Place.SENSE_POINT,
            "sense resistor",
            Field.of("the resistor's ohms", Unit.OHM, Prefix.NONE, 0.2, 2000).aboveZero()),
    HALF_PRIMARY_OHMS(
            Place.SENSE_POINT,
            "half primary",
            Field.of("the half primary's ohms", Unit.OHM, Prefix.NONE, 5, 2000).aboveZero()),
    UNLOADED(
            Place.NODE,
            "unloaded B+",
            Field.of("unloaded volts", Unit.VOLT, Prefix.NONE, 20, 2000).signed()),
    GRID_COLDEST(
            Place.CONTROL,
            "grid volts, coldest end",
            Field.of("grid volts", Unit.VOLT, Prefix.NONE, 1, 150).signed()),
    GRID_HOTTEST(
            Place.CONTROL,
            "grid volts, hottest end",
            Field.of("grid volts", Unit.VOLT, Prefix.NONE, 1, 150).signed()),
    HEATER(
            Place.AMP,
            "heater volts",
            Field.of("heater volts", Unit.VOLT, Prefix.NONE, 1, 60).aboveZero()),
    HEATER_UNLOADED(
            Place.AMP,
            "heater volts, unloaded",
            Field.of("heater volts", Unit.VOLT, Prefix.NONE, 1, 60).aboveZero()),
    /** At a socket's grid with its tube out, against the bias node: what remains is leakage. */
    GRID_TUBE_OUT(
            Place.SOCKET,
            "grid volts, tube out",
            Field.of("grid volts", Unit.VOLT, Prefix.NONE, 1, 150).signed()),
    BIAS_NODE(
            Place.AMP,
            "bias node",
            Field.of("bias node volts", Unit.VOLT, Prefix.NONE, 1, 150).signed()),
    GRID_LEAK_OHMS(
            Place.SOCKET,
            "grid leak",
            Field.of("the grid leak's ohms", Unit.OHM, Prefix.NONE, 10e3, 2e6).aboveZero()),
    METER_OHMS(
            Place.AMP,
            "meter input",
            Field.of("the meter's input resistance", Unit.OHM, Prefix.NONE, 1e5, 1e9)
                    .aboveZero()),
    OUTPUT_VOLTS(
            Place.AMP,
            "volts across the load",
            Field.of("AC volts across the load", Unit.VOLT, Prefix.NONE, 0.01, 200)),
    DRIVEN_CATHODE(
            Place.SENSE_POINT,
            "cathode volts at full drive",
            Field.of("cathode volts", Unit.VOLT, Prefix.NONE, 0.5, 150));

    private final Place place;
    private final String words;
    private final Field field;

    Quantity(Place place, String words, Field field) {
        this.place = place;
        this.words = words;
        this.field = field;
    }

    public String words() {
        return words;
    }

    /** Where it is read. */
    public Place place() {
        return place;
    }

    /** The point of this name where it is read. */
    public Point at(String name) {
        return place.named(name);
    }

    public Field field() {
        return field;
    }
}
