package yellowrail.app.bench;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledThreadPoolExecutor;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/**
 * Tells every browser what happened in any session: that one has a new entry, or that a reading would be dangerous if it were
 * real. A browser holds one stream for all its tabs, and says every few seconds that it still listens. Streams are written by a
 * thread of their own.
 */
@Component
public class SessionBroadcaster {
    /** Streams at once; a browser has one. */
    static final int MOST = 300;

    private static final long BEAT_MILLIS = 5_000;
    /** A browser that was not heard of for so long is gone. */
    private static final long SILENT_MILLIS = 25_000;

    private static final byte[] SPACE = ":\n\n".getBytes(StandardCharsets.US_ASCII);
    private static final byte[] BEAT = "event: beat\ndata: {}\n\n".getBytes(StandardCharsets.US_ASCII);
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final Map<UUID, EventStream> streams = new ConcurrentHashMap<>();
    private final ScheduledExecutorService writer;

    SessionBroadcaster() {
        ScheduledThreadPoolExecutor one = new ScheduledThreadPoolExecutor(1, task -> {
            Thread thread = new Thread(task, "streams");
            thread.setDaemon(true);
            return thread;
        });
        one.setRemoveOnCancelPolicy(true);
        // While the server stops, what was stored is still answered as stored, though nobody listens any more.
        one.setRejectedExecutionHandler(new ThreadPoolExecutor.DiscardPolicy());
        one.setExecuteExistingDelayedTasksAfterShutdownPolicy(false);
        writer = one;
        writer.scheduleWithFixedDelay(this::beat, BEAT_MILLIS, BEAT_MILLIS, TimeUnit.MILLISECONDS);
    }

    /** Opens a stream, or refuses one more than there may be. */
    void open(HttpServletRequest request, HttpServletResponse response) throws IOException {
        if (streams.size() >= MOST) {
            response.setHeader("Retry-After", "10");
            response.sendError(503);
            return;
        }
        EventStream stream = new EventStream(request, response, System.nanoTime(), s -> streams.remove(s.id()));
        streams.put(stream.id(), stream);
        stream.open();
        tell(stream, "hello", Map.of("stream", stream.id()));
    }

    /** Whether a stream is open here; a browser whose stream is not opens another. */
    boolean heard(UUID stream) {
        EventStream known = streams.get(stream);
        if (known != null) {
            known.heard(System.nanoTime());
        }
        return known != null;
    }

    /** A session has entries up to this number. */
    void changed(UUID session, int seq) {
        tellAll("changed", Map.of("session", session, "seq", seq));
    }

    /** What would ask for power off if it were real; nothing of it is stored. */
    void danger(UUID session, String sentence) {
        tellAll("danger", Map.of("session", session, "sentence", sentence));
    }

    /** Nobody knows what happened meanwhile: every page looks for itself. */
    void look() {
        tellAll("look", Map.of());
    }

    private void tellAll(String name, Map<String, ?> data) {
        byte[] message = message(name, data);
        writer.execute(() -> streams.values().forEach(s -> s.send(message)));
    }

    private void tell(EventStream stream, String name, Map<String, ?> data) {
        byte[] message = message(name, data);
        writer.execute(() -> stream.send(message));
    }

    private static byte[] message(String name, Map<String, ?> data) {
        return ("event: " + name + "\ndata: " + JSON.writeValueAsString(data) + "\n\n")
                .getBytes(StandardCharsets.UTF_8);
    }

    /** A connection that was closed answers the first write with a reset and fails the second. */
    private void beat() {
        long silent = System.nanoTime() - TimeUnit.MILLISECONDS.toNanos(SILENT_MILLIS);
        for (EventStream stream : streams.values()) {
            if (stream.silentSince() - silent < 0) {
                stream.close();
            } else {
                stream.send(SPACE);
            }
        }
        writer.schedule(() -> streams.values().forEach(s -> s.send(BEAT)), 200, TimeUnit.MILLISECONDS);
    }

    /** Open streams would hold a stopping server back. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        writer.shutdown();
        streams.values().forEach(EventStream::close);
    }

    int listening() {
        return streams.size();
    }
}
