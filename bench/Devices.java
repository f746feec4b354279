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
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Twenty devices on one session: {@code java bench/Devices.java PORT SECONDS}. Together they send five readings a second;
 * each listens, and asks for what changed of its page. Prints how long after a reading was sent every other device heard of
 * it, and had it on its page. Loopback only.
 */
class Devices {
    private static final int DEVICES = 20;
    private static final ConcurrentLinkedQueue<Long> NANOS = new ConcurrentLinkedQueue<>();
    private static final ConcurrentLinkedQueue<Long> SHOWN = new ConcurrentLinkedQueue<>();
    private static final ConcurrentLinkedQueue<Integer> BYTES = new ConcurrentLinkedQueue<>();
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
        System.out.printf(Locale.ROOT, "%d devices, %d readings%n", DEVICES, SENT.size());
        print("heard of", NANOS);
        print("on the page", SHOWN);
        int[] sizes = BYTES.stream().mapToInt(Integer::intValue).sorted().toArray();
        System.out.printf(Locale.ROOT, "sent for it: %d bytes (median)%n", sizes[sizes.length / 2]);
    }

    private static void print(String what, ConcurrentLinkedQueue<Long> nanos) {
        long[] sorted = nanos.stream().mapToLong(Long::longValue).sorted().toArray();
        System.out.printf(
                Locale.ROOT, "%s %d times; p50 %.1f ms, p95 %.1f ms, max %.0f ms%n", what, sorted.length,
                sorted[sorted.length / 2] / 1e6, sorted[(int) (0.95 * sorted.length)] / 1e6,
                sorted[sorted.length - 1] / 1e6);
    }

    private static String begin() throws Exception {
        String amp = UUID.randomUUID().toString();
        post("/amps", "{\"id\":\"" + amp + "\",\"versionId\":\"" + UUID.randomUUID() + "\",\"seenVersion\":0,\"description\":"
                + "{\"name\":\"Twenty devices\",\"bias\":\"tracking\",\"socketName\":[\"V1\"],\"topology\":\"se\","
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
        String[] parts = {""};
        try {
            HTTP.send(HttpRequest.newBuilder(URI.create(base + "/bench/stream")).build(), HttpResponse.BodyHandlers.ofLines())
                    .body()
                    .filter(line -> line.startsWith("data:"))
                    .forEach(line -> {
                        Matcher stream = STREAM.matcher(line);
                        Matcher seq = SEQ.matcher(line);
                        if (stream.find()) {
                            stayListening(stream.group(1));
                        } else if (line.contains(session) && seq.find()) {
                            heard(Integer.parseInt(seq.group(1)), session, parts);
                        }
                    });
        } catch (Exception ended) {
            Thread.currentThread().interrupt();
        }
    }

    private static final Pattern STREAM = Pattern.compile("\"stream\":\"([^\"]+)\"");
    private static final Pattern SEQ = Pattern.compile("\"seq\":(\\d+)");
    private static final ScheduledExecutorService LISTENING = Executors.newScheduledThreadPool(1, task -> {
        Thread thread = new Thread(task);
        thread.setDaemon(true);
        return thread;
    });

    /** As a browser does: a stream that nobody confirms is closed. */
    private static void stayListening(String stream) {
        HttpRequest request = HttpRequest.newBuilder(URI.create(base + "/bench/stream/" + stream)).build();
        LISTENING.scheduleAtFixedRate(
                () -> HTTP.sendAsync(request, HttpResponse.BodyHandlers.discarding()), 8, 8, TimeUnit.SECONDS);
    }

    /** The stream may be quicker than the sender's own answer. */
    private static void heard(int seq, String session, String[] parts) {
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
            show(session, parts);
            SHOWN.add(System.nanoTime() - sent);
        }
    }

    /** As a page does: asks for its panel, naming the parts it has. */
    private static void show(String session, String[] parts) {
        try {
            String panel = HTTP.send(
                            HttpRequest.newBuilder(URI.create(base + "/bench/" + session + "/panel"))
                                    .header("X-Parts", parts[0])
                                    .build(),
                            HttpResponse.BodyHandlers.ofString())
                    .body();
            BYTES.add(panel.length());
            StringBuilder names = new StringBuilder();
            Matcher name = PART.matcher(panel);
            while (name.find()) {
                names.append(names.isEmpty() ? "" : " ").append(name.group(1));
            }
            parts[0] = names.toString();
        } catch (Exception ended) {
            Thread.currentThread().interrupt();
        }
    }

    private static final Pattern PART = Pattern.compile("<!--part:([0-9a-f]+)-->");
}
