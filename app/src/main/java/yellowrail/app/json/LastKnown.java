package yellowrail.app.json;

import java.time.Duration;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executor;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Supplier;
import org.springframework.dao.DataAccessException;
import org.springframework.transaction.TransactionException;

/**
 * Something from the database that is asked for with every keystroke: read anew when it is older than two seconds, and as
 * last known while the database is away or slow. Whoever asks waits a moment at most.
 */
public final class LastKnown<T> {
    private static final long LIFE = Duration.ofSeconds(2).toNanos();
    /** For what is known, if some seconds old. */
    private static final long PATIENCE_MILLIS = 250;
    /** For what was never read, or was changed here since. */
    private static final long LONG_PATIENCE_MILLIS = 1_500;

    private static final Executor READERS = Executors.newCachedThreadPool(task -> {
        Thread thread = new Thread(task, "fresh");
        thread.setDaemon(true);
        return thread;
    });

    /** Once one was slow the others do not wait either, until the database answers again; nanoseconds. */
    private static final AtomicLong SLOW_UNTIL = new AtomicLong(System.nanoTime());

    private static final long SLOW_FOR = Duration.ofSeconds(5).toNanos();

    private final Supplier<T> load;
    private T value;
    private boolean known;
    private long readAt = System.nanoTime() - LIFE;
    private CompletableFuture<T> reading;

    public LastKnown(T initial, Supplier<T> load) {
        this.value = initial;
        this.load = load;
    }

    public T get() {
        CompletableFuture<T> now;
        long patience;
        synchronized (this) {
            if (System.nanoTime() - readAt < LIFE) {
                return value;
            }
            if (reading == null) {
                reading = CompletableFuture.supplyAsync(load, READERS);
            }
            now = reading;
            boolean slow = System.nanoTime() - SLOW_UNTIL.get() < 0;
            patience = !known ? LONG_PATIENCE_MILLIS : slow ? 0 : PATIENCE_MILLIS;
        }
        now.whenComplete((read, away) -> done(now, read, away));
        try {
            return now.get(patience, TimeUnit.MILLISECONDS);
        } catch (TimeoutException slow) {
            SLOW_UNTIL.set(System.nanoTime() + SLOW_FOR);
            return lastKnown();
        } catch (InterruptedException stopping) {
            Thread.currentThread().interrupt();
            return lastKnown();
        } catch (ExecutionException failed) {
            boolean away = failed.getCause() instanceof DataAccessException
                    || failed.getCause() instanceof TransactionException;
            if (!away && failed.getCause() instanceof RuntimeException problem) {
                throw problem;
            }
            return lastKnown();
        }
    }

    private synchronized T lastKnown() {
        return value;
    }

    /** The database is asked again after the same time, whether it answered or not. */
    private synchronized void done(CompletableFuture<T> ended, T read, Throwable away) {
        if (ended != reading) {
            return;
        }
        reading = null;
        readAt = System.nanoTime();
        if (away == null) {
            value = read;
            known = true;
            SLOW_UNTIL.set(System.nanoTime());
        }
    }

    /** The next {@link #get} reads anew: this application itself changed it. What is being read now is not waited for. */
    public synchronized void forget() {
        reading = null;
        known = false;
        readAt = System.nanoTime() - LIFE;
    }
}
