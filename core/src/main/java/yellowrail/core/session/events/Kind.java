package yellowrail.core.session.events;

import java.util.List;
import java.util.function.Function;
import yellowrail.core.session.Event;

/**
 * A kind of event as a device sends it.
 *
 * @param word its word
 * @param type what it becomes
 * @param fields the fields it has
 * @param reader makes it of them
 */
public record Kind<E extends Event>(String word, Class<E> type, List<EntryField<?>> fields, Function<Said, E> reader) {
    public Kind {
        fields = List.copyOf(fields);
    }

    /** The names of its fields. */
    public List<String> names() {
        return fields.stream().map(EntryField::name).toList();
    }

    public E read(Said said) {
        return reader.apply(said);
    }
}
