import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.TimeUnit;

/**
 * Clients that hold on to a server: {@code java trials/Attacks.java PORT half|body|slow|streams|dropped COUNT}. Loopback only.
 *
 * <ul>
 *   <li>{@code half}: half a request header each, then nothing
 *   <li>{@code body}: a whole header, and half of the body that it announces
 *   <li>{@code slow}: a header that goes on and on, a line every second
 *   <li>{@code streams}: open streams that are kept, and never confirmed
 *   <li>{@code dropped}: streams opened and closed at once
 * </ul>
 *
 * While it goes on a page is asked for again and again; fails when that takes more than five seconds.
 */
class Attacks {
    private static final int LONGEST_MILLIS = 5_000;
    private static int port;

    public static void main(String[] arguments) throws Exception {
        port = Integer.parseInt(arguments[0]);
        String kind = arguments[1];
        int count = Integer.parseInt(arguments[2]);
        List<Socket> open = new ArrayList<>();
        int refused = 0;
        List<Long> pages = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            try {
                Socket socket = new Socket();
                socket.connect(new InetSocketAddress("127.0.0.1", port), 2_000);
                socket.getOutputStream().write(opening(kind).getBytes(StandardCharsets.US_ASCII));
                if (kind.equals("dropped")) {
                    socket.setSoTimeout(2_000);
                    socket.getInputStream().read();
                    socket.close();
                } else {
                    open.add(socket);
                }
            } catch (IOException full) {
                refused++;
            }
            if (i % Math.max(1, count / 20) == 0) {
                pages.add(page());
            }
        }
        for (int second = 0; second < 10; second++) {
            TimeUnit.SECONDS.sleep(1);
            if (kind.equals("slow")) {
                open.forEach(Attacks::another);
            }
            pages.add(page());
        }
        long closed = open.stream().filter(Attacks::ended).count();
        long worst = pages.stream().mapToLong(Long::longValue).max().orElseThrow();
        System.out.printf(
                Locale.ROOT,
                "%s: %d sent, %d refused, %d closed by the server meanwhile; a page beside them took %d ms at most%n",
                kind,
                count,
                refused,
                closed,
                worst);
        if (worst > LONGEST_MILLIS) {
            System.exit(1);
        }
    }

    private static String opening(String kind) {
        String host = "Host: localhost:" + port + "\r\n";
        return switch (kind) {
            case "half", "slow" -> "GET /bench HTTP/1.1\r\n" + host;
            case "body" ->
                "POST /bench HTTP/1.1\r\n" + host
                        + "Content-Type: application/x-www-form-urlencoded\r\nContent-Length: 4000\r\n\r\namp=x";
            case "streams", "dropped" -> "GET /bench/stream HTTP/1.1\r\n" + host + "Accept: text/event-stream\r\n\r\n";
            default -> throw new IllegalArgumentException("half, body, slow, streams or dropped, not " + kind);
        };
    }

    private static void another(Socket socket) {
        try {
            socket.getOutputStream().write("X-More: 1\r\n".getBytes(StandardCharsets.US_ASCII));
        } catch (IOException closed) {
            // The server let go of it.
        }
    }

    private static boolean ended(Socket socket) {
        try {
            socket.setSoTimeout(1);
            while (socket.getInputStream().read() >= 0) {
                // Whatever it said before it closed.
            }
            return true;
        } catch (java.net.SocketTimeoutException open) {
            return false;
        } catch (IOException closed) {
            return true;
        }
    }

    /** Milliseconds a page took on a connection of its own. */
    private static long page() throws Exception {
        long begin = System.nanoTime();
        HttpRequest request = HttpRequest.newBuilder(URI.create("http://localhost:" + port + "/bench"))
                .timeout(Duration.ofSeconds(30))
                .build();
        int status = HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.discarding()).statusCode();
        if (status != 200 && status != 401) {
            throw new IllegalStateException("the page answered " + status);
        }
        return (System.nanoTime() - begin) / 1_000_000;
    }
}
