import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Arrays;
import java.util.Locale;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;

/**
 * Loads the quick check on this computer: {@code java bench/Load.java PORT pace CLIENTS SECONDS} (each client makes one
 * edit a second) or {@code java bench/Load.java PORT flood CLIENTS REQUESTS} (as fast as it goes). Loopback only.
 */
class Load {
    private static final ConcurrentLinkedQueue<Long> NANOS = new ConcurrentLinkedQueue<>();
    private static final AtomicInteger FAILED = new AtomicInteger();

    public static void main(String[] arguments) throws Exception {
        int port = Integer.parseInt(arguments[0]);
        int clients = Integer.parseInt(arguments[2]);
        int amount = Integer.parseInt(arguments[3]);
        boolean pace = arguments[1].equals("pace");
        ExecutorService pool = Executors.newFixedThreadPool(clients);
        long start = System.nanoTime();
        for (int client = 0; client < clients; client++) {
            int number = client;
            int requests = pace ? amount : amount / clients;
            pool.submit(() -> run(port, number, requests, pace, clients));
        }
        pool.shutdown();
        pool.awaitTermination(30, TimeUnit.MINUTES);
        double seconds = (System.nanoTime() - start) / 1e9;
        long[] sorted = NANOS.stream().mapToLong(Long::longValue).sorted().toArray();
        System.out.printf(
                Locale.ROOT, "%s, %d clients: %d answers, %d failed, %.0f a second; p50 %.1f ms, p95 %.1f ms, max %.0f ms%n",
                arguments[1], clients, sorted.length, FAILED.get(), sorted.length / seconds, at(sorted, 0.5), at(sorted, 0.95),
                at(sorted, 1));
    }

    private static double at(long[] sorted, double share) {
        return sorted.length == 0 ? Double.NaN : sorted[Math.min(sorted.length - 1, (int) (share * sorted.length))] / 1e6;
    }

    private static void run(int port, int number, int requests, boolean pace, int clients) {
        HttpClient http = HttpClient.newHttpClient();
        try {
            if (pace) {
                // Clients do not type in step.
                TimeUnit.MILLISECONDS.sleep(1000L * number / clients);
            }
            for (int i = 0; i < requests; i++) {
                String reading = (30 + (i + number) % 20) + "." + i % 10 + "+mV";
                URI address = URI.create("http://127.0.0.1:" + port + "/?tube=6L6GC&bias=tracking&volts=431+V&reading=" + reading
                        + "&r=1.00&rtol=1&mains=231&target=middle");
                HttpRequest request = HttpRequest.newBuilder(address).header("HX-Request", "true").build();
                long start = System.nanoTime();
                HttpResponse<String> response = http.send(request, HttpResponse.BodyHandlers.ofString());
                long taken = System.nanoTime() - start;
                if (response.statusCode() == 200 && response.body().contains("data-testid=\"verdict\"")) {
                    NANOS.add(taken);
                } else {
                    FAILED.incrementAndGet();
                }
                if (pace) {
                    TimeUnit.NANOSECONDS.sleep(1_000_000_000L - taken);
                }
            }
        } catch (Exception problem) {
            FAILED.incrementAndGet();
        }
    }
}
