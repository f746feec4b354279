package yellowrail.app.kill;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.process.AppProcess;
import yellowrail.app.process.Requests;

/**
 * Kills the application and PostgreSQL (SIGKILL) at random moments while rounds are being written, and compares what was
 * acknowledged with what is there afterwards. {@code -Dkills=20} for a longer trial.
 */
class KillTrialIT {
    private static final int WRITERS = 3;
    private static final int ROUNDS_BETWEEN = 10;
    private static final int RESULTS_BETWEEN = 2;

    /** A type of the catalogue without shipped curves. */
    private static final String BARE = "KT120";

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final Map<UUID, String> acknowledged = new ConcurrentHashMap<>();
    private final Map<UUID, String> typedInForms = new HashMap<>();
    private final Map<UUID, String> results = new ConcurrentHashMap<>();
    private int curvesKept;
    private final List<Throwable> failures = new CopyOnWriteArrayList<>();
    private final AtomicBoolean stop = new AtomicBoolean();
    private final UUID amp = UUID.randomUUID();

    /** Writes round after round; one that was not acknowledged is sent again under the same id until it is. */
    private void write(Requests requests, int writer) {
        try {
            for (int i = 0; !stop.get(); i++) {
                UUID id = UUID.randomUUID();
                String reading = (200 + i % 100) + "." + writer + " mV";
                String body =
                        "{\"id\":\"" + id + "\",\"values\":{\"MAINS.\":\"230\",\"PLATE.V1\":\"431 V\",\"CURRENT.V1\":\""
                                + reading + "\"}}";
                int status = requests.post("/amps/" + amp + "/rounds", body);
                while (status != 201 && !stop.get()) {
                    assertThat(status).as("refused").isIn(0, 503);
                    TimeUnit.MILLISECONDS.sleep(100);
                    status = requests.post("/amps/" + amp + "/rounds", body);
                }
                if (status == 201) {
                    acknowledged.put(id, reading);
                }
            }
        } catch (InterruptedException ended) {
            Thread.currentThread().interrupt();
        }
    }

    /** The same for measured results, sent as a form. */
    private void writeResults(Requests requests) {
        try {
            for (int i = 0; !stop.get(); i++) {
                UUID id = UUID.randomUUID();
                String watts = (1 + i % 50) + ".5";
                String form = "id=" + id + "&points=200+mV%2C+1000%2C+" + watts + "%2C+0.42";
                int status = requests.sent("/amps/" + amp + "/results", form);
                while (status != 302 && !stop.get()) {
                    assertThat(status).as("refused").isIn(0, 503);
                    TimeUnit.MILLISECONDS.sleep(100);
                    status = requests.sent("/amps/" + amp + "/results", form);
                }
                if (status == 302) {
                    results.put(id, watts);
                }
            }
        } catch (InterruptedException ended) {
            Thread.currentThread().interrupt();
        }
    }

    @Test
    void losesNothingThatWasAcknowledged() throws Exception {
        int kills = Integer.getInteger("kills", 3);
        Random random = new Random(20261124);
        try (AppProcess bench = new AppProcess()) {
            Requests requests = new Requests(bench);
            String description =
                    "{\"name\":\"Kill trial\",\"bias\":\"tracking\",\"socketName\":[\"V1\"],\"topology\":\"se\","
                            + "\"socketType\":[\"6L6GC\"],\"method\":\"own\",\"r\":\"10\"}";
            assertThat(requests.post(
                            "/amps",
                            "{\"id\":\"" + amp + "\",\"versionId\":\"" + UUID.randomUUID()
                                    + "\",\"seenVersion\":0,\"description\":" + description + "}"))
                    .isEqualTo(201);
            List<Thread> writers = new ArrayList<>();
            for (int i = 0; i < WRITERS; i++) {
                int writer = i;
                writers.add(new Thread(() -> write(requests, writer)));
            }
            writers.add(new Thread(() -> writeResults(requests)));
            writers.forEach(w -> w.setUncaughtExceptionHandler((thread, failed) -> failures.add(failed)));
            writers.forEach(Thread::start);
            for (int kill = 0; kill < kills; kill++) {
                awaitMore();
                TimeUnit.MILLISECONDS.sleep(random.nextInt(1200));
                if (kill % 2 == 0) {
                    bench.killDatabase();
                    saysThatTheDatabaseIsAway(requests);
                    UUID typed = keepsWhatWasTyped(requests);
                    bench.startDatabase();
                    sendAgainUntilStored(requests, typed);
                } else {
                    bench.killApp();
                    bench.startApp();
                }
            }
            // The application finds the database again by itself.
            int before = acknowledged.size();
            for (int i = 0; i < 200 && acknowledged.size() < before + WRITERS; i++) {
                TimeUnit.MILLISECONDS.sleep(100);
            }
            assertThat(acknowledged.size()).isGreaterThan(before);
            stop.set(true);
            for (Thread writer : writers) {
                writer.join(60_000);
                assertThat(writer.isAlive()).as("a writer that hangs").isFalse();
            }
            assertThat(failures).as("answers that were not expected").isEmpty();
            everythingAcknowledgedIsThere(requests);
            resultsAndCurvesAreThere(requests);
            System.out.println("Kill trial: " + kills + " kills, " + acknowledged.size() + " rounds and "
                    + results.size() + " results acknowledged, 0 lost");
        }
    }

    /** A kill tells something only while much is being written: a slow machine gets the time for it. */
    private void awaitMore() throws InterruptedException {
        int rounds = acknowledged.size() + ROUNDS_BETWEEN;
        int others = results.size() + RESULTS_BETWEEN;
        for (int i = 0; i < 1200 && (acknowledged.size() < rounds || results.size() < others); i++) {
            TimeUnit.MILLISECONDS.sleep(50);
        }
        assertThat(acknowledged.size()).as("too few to tell anything").isGreaterThanOrEqualTo(rounds);
        assertThat(results.size()).as("too few to tell anything").isGreaterThanOrEqualTo(others);
    }

    private String typedRound(UUID id) {
        return "id=" + id + "&ampVersion=1&v.PLATE.V1=433+V&v.CURRENT.V1=271.5+mV";
    }

    /** What was typed stands on the page that says so, and is stored once when it is sent again. */
    private UUID keepsWhatWasTyped(Requests requests) throws Exception {
        UUID id = UUID.randomUUID();
        HttpResponse<String> refused = requests.send("/amps/" + amp + "/rounds", typedRound(id));
        assertThat(refused.statusCode()).isEqualTo(503);
        assertThat(refused.body()).contains("Send it again", "value=\"271.5 mV\"", "value=\"" + id + "\"");
        return id;
    }

    private void sendAgainUntilStored(Requests requests, UUID id) throws Exception {
        untilStored(requests, "/amps/" + amp + "/rounds", typedRound(id));
        typedInForms.put(id, "271.5 mV");
        String points =
                firstPoint(curvesKept) + "\n250, 250, -20, 40, 2.6\n300, 250, -17, 58, 3.8\n350, 250, -22, 32, 2";
        untilStored(requests, "/tubes/" + BARE + "/curves", "id=" + id + "&keep=yes&points=" + encoded(points));
        curvesKept++;
    }

    /** A database that has just come back may refuse once more: the same is sent again under its id. */
    private static void untilStored(Requests requests, String path, String form) throws Exception {
        int status = 0;
        long until = System.nanoTime() + TimeUnit.MINUTES.toNanos(3);
        while (status != 302 && System.nanoTime() < until) {
            status = requests.sent(path, form);
            assertThat(status).isIn(0, 302, 503);
            TimeUnit.MILLISECONDS.sleep(100);
        }
        assertThat(status).isEqualTo(302);
    }

    private static String firstPoint(int kept) {
        return "250, 250, -14, 72." + kept + ", 5, 6.0, 22.5";
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    private static void saysThatTheDatabaseIsAway(Requests requests) throws Exception {
        HttpResponse<String> amps = requests.get("/amps");
        assertThat(amps.statusCode()).isEqualTo(503);
        assertThat(amps.headers().firstValue("Refresh")).contains("3");
        assertThat(amps.body()).contains("database does not answer").doesNotContain("Exception");
        // A quick check needs no database.
        HttpResponse<String> check = requests.get("/?tube=6L6GC&volts=431&reading=36.4&r=1");
        assertThat(check.statusCode()).isEqualTo(200);
        assertThat(check.body()).contains("49.5 %").contains("value=\"36.4\"");
    }

    private void everythingAcknowledgedIsThere(Requests requests) throws Exception {
        Map<UUID, String> stored = new HashMap<>();
        JsonNode all =
                JSON.readTree(requests.get("/api/v1/amps/" + amp + "/rounds").body());
        for (JsonNode round : all) {
            List<String> currents = new ArrayList<>();
            round.get("readings").forEach(r -> {
                if (r.get("quantity").asString().equals("CURRENT")) {
                    currents.add(r.get("raw").asString());
                }
            });
            UUID id = UUID.fromString(round.get("id").asString());
            assertThat(round.get("readings")).as("half-written round").hasSize(typedInForms.containsKey(id) ? 2 : 3);
            stored.put(id, currents.get(0));
        }
        assertThat(all.size()).as("stored twice").isEqualTo(stored.size());
        assertThat(stored).containsAllEntriesOf(acknowledged).containsAllEntriesOf(typedInForms);
    }

    /** Every result once in the table; the page of the curves shows the points kept last. */
    private void resultsAndCurvesAreThere(Requests requests) throws Exception {
        String table = requests.get("/amps/" + amp + "/results.csv").body();
        List<String> lines = table.lines().skip(1).toList();
        assertThat(results).isNotEmpty();
        results.forEach((id, watts) -> assertThat(lines)
                .filteredOn(line -> line.contains(id.toString()))
                .singleElement()
                .asString()
                .contains("," + watts + ","));
        assertThat(requests.get("/tubes/" + BARE + "/curves").body()).contains(firstPoint(curvesKept - 1));
    }
}
