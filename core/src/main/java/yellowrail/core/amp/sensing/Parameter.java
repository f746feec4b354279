package yellowrail.core.amp.sensing;

import java.util.Optional;
import yellowrail.core.reading.Field;

/**
 * Something a way of taking current is described by.
 *
 * @param name in forms, addresses and JSON; ways that share a name share the field
 * @param kind what is answered
 * @param field what a quantity takes; empty for the others
 * @param usual what a blank stands for; empty where it stands for not known
 * @param before words before its field in a sentence
 * @param after words behind it
 * @param label what the field is called where it stands alone
 * @param hint what stands in the empty field
 */
public record Parameter(
        String name,
        Kind kind,
        Optional<Field> field,
        String usual,
        String before,
        String after,
        String label,
        String hint) {
    /** What is answered. */
    public enum Kind {
        /** The same for every point of an amp. */
        QUANTITY,
        /** Measured at each point of an amp. */
        QUANTITY_OF_POINT,
        /** A number of tubes; an amp's sockets tell it. */
        TUBES,
        /** Yes or no. */
        TICK
    }

    static Parameter quantity(String name, Field field, String before, String after, String label, String hint) {
        return new Parameter(name, Kind.QUANTITY, Optional.of(field), "", before, after, label, hint);
    }

    static Parameter ofPoint(String name, Field field, String before, String after, String label, String hint) {
        return new Parameter(name, Kind.QUANTITY_OF_POINT, Optional.of(field), "", before, after, label, hint);
    }

    static Parameter tick(String name, String label) {
        return new Parameter(name, Kind.TICK, Optional.empty(), "", "", "", label, "");
    }

    /** The same with what a blank stands for. */
    Parameter usually(String blank) {
        return new Parameter(name, kind, field, blank, before, after, label, hint);
    }
}
