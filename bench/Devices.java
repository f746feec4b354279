import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.TimeUnit;

/**
 * Ten devices on one session: {@code java bench/Devices.java PORT SECONDS}. Together they send five readings a second;
 * each listens. Prints how long after a reading was sent every other device heard of it. Loopback only.
 */
class Devices {
    private static final int DEVICES = 10;
    private static final ConcurrentLinkedQueue<Long> NANOS = new ConcurrentLinkedQueue<>();
    private static final ConcurrentHashMap<Integer, Long> SENT = new ConcurrentHashMap<>();
    private static String base;
    private static final HttpClient HTTP = HttpClient.newHttpClient();

    public static void main(String[] arguments) throws Exception {
        base = "http://127.0.0.1:" + arguments[0];
        int seconds = Integer.parseInt(arguments[1]);
        String session = begin();
        List<Thread> listeners = new ArrayList<>();
        for (int i = 0; i < DEVICES; i++) {
            Thread thread = new Thread(() -> listen(session));
            thread.setDaemon(true);
            thread.start();
            listeners.add(thread);
        }
        TimeUnit.SECONDS.sleep(1);
        for (int i = 0; i < 5 * seconds; i++) {
            long start = System.nanoTime();
            String answer = post("/sessions/" + session + "/events", event("device " + i % DEVICES, "read",
                    "{\"quantity\":\"CURRENT\",\"point\":\"V1\",\"text\":\"" + (300 + i % 90) + ".5 mV\"}"));
            SENT.put(Integer.parseInt(answer.replaceAll(".*\"seq\":(\\d+).*", "$1")), start);
            long rest = 200 - (System.nanoTime() - start) / 1_000_000;
            if (rest > 0) {
                TimeUnit.MILLISECONDS.sleep(rest);
            }
        }
        TimeUnit.SECONDS.sleep(1);
        long[] sorted = NANOS.stream().mapToLong(Long::longValue).sorted().toArray();
        System.out.printf(
                Locale.ROOT, "%d devices, %d readings: heard %d times; p50 %.1f ms, p95 %.1f ms, max %.0f ms%n", DEVICES,
                SENT.size(), sorted.length, sorted[sorted.length / 2] / 1e6, sorted[(int) (0.95 * sorted.length)] / 1e6,
                sorted[sorted.length - 1] / 1e6);
    }

    private static String begin() throws Exception {
        String amp = UUID.randomUUID().toString();
        post("/amps", "{\"id\":\"" + amp + "\",\"versionId\":\"" + UUID.randomUUID() + "\",\"seenVersion\":0,\"description\":"
                + "{\"name\":\"Ten devices\",\"bias\":\"tracking\",\"socketName\":[\"V1\"],\"topology\":\"se\","
                + "\"socketType\":[\"6L6GC\"],\"method\":\"own\",\"r\":\"10\"}}");
        String session = UUID.randomUUID().toString();
        post("/sessions", "{\"id\":\"" + session + "\",\"amp\":\"" + amp + "\",\"purpose\":\"YEARLY_CHECK\",\"meter\":"
                + "\"handheld\",\"ref\":\"chassis\",\"hands\":\"10\",\"soak\":\"30\",\"heaterAmber\":\"5\",\"heaterRed\":\"10\"}");
        post("/sessions/" + session + "/events", event("desk", "skip", "{\"stop\":\"BEFORE_POWER\",\"reason\":\"load\"}"));
        post("/sessions/" + session + "/events", event("desk", "skip", "{\"stop\":\"DRAINED\",\"reason\":\"load\"}"));
        post("/sessions/" + session + "/events", event("desk", "declare", "{\"power\":\"ON_TUBES_IN\"}"));
        return session;
    }

    private static String event(String device, String kind, String fields) {
        return "{\"id\":\"" + UUID.randomUUID() + "\",\"kind\":\"" + kind + "\",\"device\":\"" + device + "\",\"fields\":"
                + fields + "}";
    }

    private static String post(String path, String body) throws Exception {
        HttpResponse<String> response = HTTP.send(
                HttpRequest.newBuilder(URI.create(base + "/api/v1" + path))
                        .header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        if (response.statusCode() >= 300) {
            throw new IllegalStateException(path + ": " + response.statusCode() + " " + response.body());
        }
        return response.body();
    }

    private static void listen(String session) {
        try {
            HTTP.send(
                            HttpRequest.newBuilder(URI.create(base + "/bench/" + session + "/stream")).build(),
                            HttpResponse.BodyHandlers.ofLines())
                    .body()
                    .filter(line -> line.startsWith("data:"))
                    .forEach(line -> heard(Integer.parseInt(line.substring(5).strip())));
        } catch (Exception ended) {
            Thread.currentThread().interrupt();
        }
    }

    /** The stream may be quicker than the sender's own answer. */
    private static void heard(int seq) {
        long now = System.nanoTime();
        try {
            for (int i = 0; i < 50 && !SENT.containsKey(seq); i++) {
                TimeUnit.MILLISECONDS.sleep(10);
            }
        } catch (InterruptedException ended) {
            Thread.currentThread().interrupt();
        }
        Long sent = SENT.get(seq);
        if (sent != null) {
            NANOS.add(now - sent);
        }
    }
}
