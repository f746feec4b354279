package yellowrail.app.json;

import java.time.Duration;
import java.util.function.Supplier;
import org.springframework.dao.DataAccessException;
import org.springframework.transaction.CannotCreateTransactionException;

/**
 * Something from the database that is asked for with every keystroke: read anew when it is older than two seconds, and as
 * last known while the database is away.
 */
public final class Fresh<T> {
    private static final long LIFE = Duration.ofSeconds(2).toNanos();

    private final Supplier<T> load;
    private T value;
    private long readAt = System.nanoTime() - LIFE;

    public Fresh(T initial, Supplier<T> load) {
        this.value = initial;
        this.load = load;
    }

    public synchronized T get() {
        if (System.nanoTime() - readAt >= LIFE) {
            try {
                value = load.get();
            } catch (DataAccessException | CannotCreateTransactionException away) {
                // The last known value serves on; the database is asked again after the same time.
            }
            readAt = System.nanoTime();
        }
        return value;
    }

    /** The next {@link #get} reads anew: this application itself changed it. */
    public synchronized void forget() {
        readAt = System.nanoTime() - LIFE;
    }
}
