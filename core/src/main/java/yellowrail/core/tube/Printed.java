package yellowrail.core.tube;

import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Unit;

/**
 * How a limit stands in a publication, in the catalogue's table, in forms, in JSON and where types are stored.
 *
 * @param words what it limits
 * @param key its name in forms, JSON and stored types
 * @param column its column in the table
 * @param in the prefix of the table's figures
 * @param field what is typed of it, in the unit's base
 * @param declared whether a publication can be known not to give it; else a blank says no more than that none is known here
 */
public record Printed(String words, String key, String column, Prefix in, Field field, boolean declared) {
    /** One that a publication can be known not to give, with the range of output stages' tubes in the unit's base. */
    static Printed owed(String words, String key, String column, Unit unit, Prefix in, double low, double high) {
        return of(words, key, column, unit, in, low, high, true);
    }

    /** One that few publications give. */
    static Printed rare(String words, String key, String column, Unit unit, Prefix in, double low, double high) {
        return of(words, key, column, unit, in, low, high, false);
    }

    private static Printed of(
            String words, String key, String column, Unit unit, Prefix in, double low, double high, boolean declared) {
        Prefix shown = unit == Unit.AMPERE ? Prefix.MILLI : Prefix.NONE;
        return new Printed(
                words,
                key,
                column,
                in,
                Field.of("this figure", unit, shown, low, high).aboveZero(),
                declared);
    }
}
