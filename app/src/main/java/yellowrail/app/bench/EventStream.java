package yellowrail.app.bench;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import jakarta.servlet.ServletOutputStream;
import jakarta.servlet.WriteListener;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.UUID;
import java.util.function.Consumer;

/**
 * One browser's open stream of server-sent events. Nothing here waits for the browser: what it does not take stands in a short
 * queue, and one that falls behind is closed.
 */
final class EventStream implements WriteListener, AsyncListener {
    private static final int MOST_WAITING = 64;

    private final UUID id = UUID.randomUUID();
    private final AsyncContext context;
    private final ServletOutputStream out;
    private final Consumer<EventStream> gone;
    private final Deque<byte[]> waiting = new ArrayDeque<>();
    private boolean unflushed;
    private boolean over;
    private volatile long heardAt;

    EventStream(HttpServletRequest request, HttpServletResponse response, long nowNanos, Consumer<EventStream> gone)
            throws IOException {
        this.gone = gone;
        this.heardAt = nowNanos;
        response.setContentType("text/event-stream;charset=UTF-8");
        response.setHeader("Cache-Control", "no-store");
        this.context = request.startAsync(request, response);
        context.setTimeout(0);
        context.addListener(this);
        this.out = response.getOutputStream();
    }

    /** From here on what is sent goes out. */
    void open() {
        out.setWriteListener(this);
    }

    UUID id() {
        return id;
    }

    /** The browser said that it still listens. */
    void heard(long nowNanos) {
        heardAt = nowNanos;
    }

    /** When it was last heard, by the clock of {@link System#nanoTime}. */
    long silentSince() {
        return heardAt;
    }

    synchronized void send(byte[] message) {
        if (over) {
            return;
        }
        if (waiting.size() >= MOST_WAITING) {
            close();
            return;
        }
        waiting.add(message);
        write();
    }

    @Override
    public synchronized void onWritePossible() {
        write();
    }

    private void write() {
        try {
            while (!over && out.isReady()) {
                byte[] next = waiting.poll();
                if (next != null) {
                    unflushed = true;
                    out.write(next);
                } else if (unflushed) {
                    unflushed = false;
                    out.flush();
                } else {
                    return;
                }
            }
        } catch (IOException | IllegalStateException closed) {
            close();
        }
    }

    synchronized void close() {
        if (over) {
            return;
        }
        over = true;
        waiting.clear();
        gone.accept(this);
        try {
            context.complete();
        } catch (IllegalStateException already) {
            // The connection had ended by itself.
        }
    }

    @Override
    public void onError(Throwable problem) {
        close();
    }

    @Override
    public void onComplete(AsyncEvent event) {
        close();
    }

    @Override
    public void onTimeout(AsyncEvent event) {
        close();
    }

    @Override
    public void onError(AsyncEvent event) {
        close();
    }

    @Override
    public void onStartAsync(AsyncEvent event) {
        // There is one start only.
    }
}
