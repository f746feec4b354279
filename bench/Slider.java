import java.io.BufferedReader;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.TimeUnit;

/**
 * A slider of the stage's page at ten moves a second: {@code java bench/Slider.java PORT SECONDS}. Every move is a setting
 * not asked for before. First alone, then with the sweeps of another stage under way all the time, then the sweeps by
 * themselves. Loopback only.
 */
class Slider {
    private static final HttpClient HTTP = HttpClient.newHttpClient();
    /** Loads nobody asked for before, so that nothing is answered from memory. */
    private static double load = 3000 + System.nanoTime() % 1000;
    private static String base;
    private static volatile boolean sweeping;

    public static void main(String[] arguments) throws Exception {
        base = "http://127.0.0.1:" + arguments[0] + "/stage/";
        int moves = 10 * Integer.parseInt(arguments[1]);
        slide("warm-up", moves);
        slide("a slider alone", moves);
        sweeping = true;
        Thread other = new Thread(Slider::sweepOn);
        other.start();
        slide("a slider beside another's sweeps", moves);
        sweeping = false;
        other.join();
        List<Double> first = new ArrayList<>();
        List<Double> whole = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            double[] millis = sweep();
            first.add(millis[0]);
            whole.add(millis[1]);
        }
        print("sweeps, first point", first);
        print("sweeps, all points, target, screens, coldest clean idle", whole);
    }

    private static void slide(String name, int moves) throws Exception {
        List<Double> millis = new ArrayList<>();
        for (int i = 0; i < moves; i++) {
            String idle = String.valueOf(20 + i % 180 / 2.0);
            HttpRequest request = HttpRequest.newBuilder(URI.create(base + "picture?idle=" + idle + "&load=" + fresh()))
                    .build();
            long start = System.nanoTime();
            HttpResponse<String> response = HTTP.send(request, HttpResponse.BodyHandlers.ofString());
            double took = (System.nanoTime() - start) / 1e6;
            if (response.statusCode() != 200 || !response.body().contains("\"trouble\":\"\"")) {
                throw new IllegalStateException(response.body());
            }
            millis.add(took);
            TimeUnit.MICROSECONDS.sleep(Math.max(0, (long) (100_000 - 1000 * took)));
        }
        print(name, millis);
    }

    private static void sweepOn() {
        while (sweeping) {
            try {
                sweep();
            } catch (Exception failed) {
                throw new IllegalStateException(failed);
            }
        }
    }

    private static synchronized String fresh() {
        load += 0.37;
        return String.format(Locale.ROOT, "%.2f", load);
    }

    /** Milliseconds to the first line and to the last. */
    private static double[] sweep() throws Exception {
        long start = System.nanoTime();
        HttpResponse<InputStream> response = HTTP.send(
                HttpRequest.newBuilder(URI.create(base + "sweeps?load=" + fresh())).build(),
                HttpResponse.BodyHandlers.ofInputStream());
        double first = Double.NaN;
        int lines = 0;
        try (BufferedReader in = new BufferedReader(new InputStreamReader(response.body()))) {
            while (in.readLine() != null) {
                first = lines++ == 0 ? (System.nanoTime() - start) / 1e6 : first;
            }
        }
        if (lines < 40) {
            throw new IllegalStateException("only " + lines + " lines");
        }
        return new double[] {first, (System.nanoTime() - start) / 1e6};
    }

    private static void print(String name, List<Double> millis) {
        double[] sorted = millis.stream().mapToDouble(m -> m).sorted().toArray();
        System.out.printf(
                Locale.ROOT, "%s: %d; p50 %.1f ms, p95 %.1f ms, max %.0f ms%n", name, sorted.length,
                sorted[sorted.length / 2], sorted[(int) (0.95 * sorted.length)], sorted[sorted.length - 1]);
    }
}
