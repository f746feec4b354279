package yellowrail.app.store;

import java.util.function.Function;
import java.util.function.IntSupplier;
import java.util.function.Supplier;
import org.springframework.dao.DuplicateKeyException;

/** Everything is stored once: the same id with the same content counts once, with other content it is refused. */
public final class Once {
    private Once() {}

    /**
     * @param insert inserts the row unless its id is there, and tells how many were added
     * @param sent what the row holds
     * @param stored what is stored under the id
     * @param content what has to be the same of both
     * @param other what is thrown where it is not
     * @param overtaken what is thrown where another row took the place of this one
     * @return what is stored
     */
    public static <T> T keep(
            IntSupplier insert,
            T sent,
            Supplier<T> stored,
            Function<T, ?> content,
            Supplier<? extends RuntimeException> other,
            Supplier<? extends RuntimeException> overtaken) {
        int added;
        try {
            added = insert.getAsInt();
        } catch (DuplicateKeyException raced) {
            throw overtaken.get();
        }
        return added == 1 ? sent : same(stored.get(), sent, content, other);
    }

    /** The same where only the id can collide. */
    public static <T> T keep(
            IntSupplier insert,
            T sent,
            Supplier<T> stored,
            Function<T, ?> content,
            Supplier<? extends RuntimeException> other) {
        return keep(insert, sent, stored, content, other, other);
    }

    /** What is stored under an id, where it is what was sent. */
    public static <T> T same(T stored, T sent, Function<T, ?> content, Supplier<? extends RuntimeException> other) {
        if (!content.apply(stored).equals(content.apply(sent))) {
            throw other.get();
        }
        return stored;
    }
}
