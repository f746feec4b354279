package yellowrail.app.web;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.BooleanSupplier;
import org.eclipse.jetty.http.HttpHeader;
import org.eclipse.jetty.http.HttpStatus;
import org.eclipse.jetty.io.Connection;
import org.eclipse.jetty.io.EndPoint;
import org.eclipse.jetty.server.Handler;
import org.eclipse.jetty.server.Request;
import org.eclipse.jetty.server.Response;
import org.eclipse.jetty.util.Callback;
import org.eclipse.jetty.util.component.AbstractLifeCycle;
import org.eclipse.jetty.util.thread.ScheduledExecutorScheduler;

/**
 * Connections that still owe a part of their request, header or body: the oldest are closed when there are many of them, and
 * every one after some seconds, however slowly it goes on sending.
 */
class UnfinishedRequests extends AbstractLifeCycle implements Connection.Listener {
    private static final int MOST = 300;
    private static final long LONGEST_MILLIS = 15_000;
    private static final long LOOK_MILLIS = 2_000;
    private static final String WHOLE = UnfinishedRequests.class.getName();

    private record Begun(EndPoint from, BooleanSupplier unfinished, long at) {
        boolean open() {
            return from.isOpen() && unfinished.getAsBoolean();
        }
    }

    private final Deque<Begun> begun = new ArrayDeque<>();
    private final ScheduledExecutorScheduler scheduler = new ScheduledExecutorScheduler("unfinished", true);

    /** Before what reads a body: from here on it is owed. */
    Handler before(Handler next) {
        return new Handler.Wrapper(next) {
            @Override
            public boolean handle(Request request, Response response, Callback callback) throws Exception {
                String type = request.getHeaders().get(HttpHeader.CONTENT_TYPE);
                if (type != null && type.toLowerCase(Locale.ROOT).startsWith("multipart/")) {
                    // No page sends such a form: files are read in the browser. What is still coming is not waited for.
                    response.getHeaders().put(HttpHeader.CONNECTION, "close");
                    Response.writeError(request, response, callback, HttpStatus.UNSUPPORTED_MEDIA_TYPE_415);
                    return true;
                }
                if (request.getLength() != 0) {
                    AtomicBoolean whole = new AtomicBoolean();
                    request.setAttribute(WHOLE, whole);
                    // Refused or broken off it owes nothing any more; its connection may serve others.
                    Request.addCompletionListener(request, ended -> whole.set(true));
                    EndPoint from =
                            request.getConnectionMetaData().getConnection().getEndPoint();
                    add(new Begun(from, () -> !whole.get(), System.nanoTime()));
                }
                return super.handle(request, response, callback);
            }
        };
    }

    /** After what reads a body: all of it has arrived. */
    Handler after(Handler next) {
        return new Handler.Wrapper(next) {
            @Override
            public boolean handle(Request request, Response response, Callback callback) throws Exception {
                if (request.getAttribute(WHOLE) instanceof AtomicBoolean whole) {
                    whole.set(true);
                }
                return super.handle(request, response, callback);
            }
        };
    }

    @Override
    protected void doStart() throws Exception {
        scheduler.start();
        look();
    }

    @Override
    protected void doStop() throws Exception {
        scheduler.stop();
    }

    @Override
    public void onOpened(Connection connection) {
        add(new Begun(connection.getEndPoint(), () -> connection.getMessagesIn() == 0, System.nanoTime()));
    }

    private synchronized void add(Begun request) {
        begun.addLast(request);
        if (begun.size() > MOST) {
            begun.removeIf(b -> !b.open());
        }
        while (begun.size() > MOST) {
            close(begun.pollFirst());
        }
    }

    private void look() {
        closeOld();
        if (isStarted() || isStarting()) {
            scheduler.schedule(this::look, LOOK_MILLIS, TimeUnit.MILLISECONDS);
        }
    }

    private synchronized void closeOld() {
        long now = System.nanoTime();
        begun.removeIf(b -> !b.open());
        while (!begun.isEmpty() && now - begun.peekFirst().at() > TimeUnit.MILLISECONDS.toNanos(LONGEST_MILLIS)) {
            close(begun.pollFirst());
        }
    }

    private static void close(Begun oldest) {
        if (oldest.open()) {
            oldest.from().close();
        }
    }
}
