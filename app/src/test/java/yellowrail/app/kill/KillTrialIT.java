package yellowrail.app.kill;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Kills the application and PostgreSQL (SIGKILL) at random moments while rounds are being written, and compares what was
 * acknowledged with what is there afterwards. {@code -Dkills=20} for a longer trial.
 */
class KillTrialIT {
    private static final int WRITERS = 3;
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final Map<UUID, String> acknowledged = new ConcurrentHashMap<>();
    private final Map<UUID, String> typedInForms = new HashMap<>();
    private final AtomicBoolean stop = new AtomicBoolean();
    private final UUID amp = UUID.randomUUID();

    private static int post(Bench bench, String path, String body) throws InterruptedException {
        try {
            HttpRequest request = HttpRequest.newBuilder(URI.create(bench.address() + "/api/v1" + path))
                    .header("Content-Type", "application/json")
                    .timeout(Duration.ofSeconds(8))
                    .POST(HttpRequest.BodyPublishers.ofString(body))
                    .build();
            return bench.http()
                    .send(request, HttpResponse.BodyHandlers.ofString())
                    .statusCode();
        } catch (IOException down) {
            return 0;
        }
    }

    private static HttpResponse<String> get(Bench bench, String path) throws Exception {
        return bench.http()
                .send(
                        HttpRequest.newBuilder(URI.create(bench.address() + path))
                                .timeout(Duration.ofSeconds(30))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
    }

    /** Writes round after round; one that was not acknowledged is sent again under the same id until it is. */
    private void write(Bench bench, int writer) {
        try {
            for (int i = 0; !stop.get(); i++) {
                UUID id = UUID.randomUUID();
                String reading = (200 + i % 100) + "." + writer + " mV";
                String body =
                        "{\"id\":\"" + id + "\",\"values\":{\"MAINS.\":\"230\",\"PLATE.V1\":\"431 V\",\"CURRENT.V1\":\""
                                + reading + "\"}}";
                int status = post(bench, "/amps/" + amp + "/rounds", body);
                while (status != 201 && !stop.get()) {
                    assertThat(status).as("refused").isIn(0, 500, 503);
                    TimeUnit.MILLISECONDS.sleep(100);
                    status = post(bench, "/amps/" + amp + "/rounds", body);
                }
                if (status == 201) {
                    acknowledged.put(id, reading);
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
        try (Bench bench = new Bench()) {
            String description =
                    "{\"name\":\"Kill trial\",\"bias\":\"tracking\",\"socketName\":[\"V1\"],\"topology\":\"se\","
                            + "\"socketType\":[\"6L6GC\"],\"method\":\"own\",\"r\":\"10\"}";
            assertThat(post(
                            bench,
                            "/amps",
                            "{\"id\":\"" + amp + "\",\"versionId\":\"" + UUID.randomUUID()
                                    + "\",\"seenVersion\":0,\"description\":" + description + "}"))
                    .isEqualTo(201);
            List<Thread> writers = new ArrayList<>();
            for (int i = 0; i < WRITERS; i++) {
                int writer = i;
                Thread thread = new Thread(() -> write(bench, writer));
                thread.start();
                writers.add(thread);
            }
            for (int kill = 0; kill < kills; kill++) {
                TimeUnit.MILLISECONDS.sleep(400 + random.nextInt(1200));
                if (kill % 2 == 0) {
                    bench.killDatabase();
                    saysThatTheDatabaseIsAway(bench);
                    UUID typed = keepsWhatWasTyped(bench);
                    bench.startDatabase();
                    sendAgainUntilStored(bench, typed);
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
                writer.join(20_000);
            }
            everythingAcknowledgedIsThere(bench);
            System.out.println(
                    "Kill trial: " + kills + " kills, " + acknowledged.size() + " rounds acknowledged, 0 lost");
        }
    }

    /** Sends a form as a browser would, with the token from the page and its cookie. */
    private static HttpResponse<String> send(Bench bench, String path, String fields) throws Exception {
        HttpResponse<String> page = get(bench, "/");
        String cookie = page.headers().firstValue("Set-Cookie").orElseThrow().split(";")[0];
        String token = cookie.substring(cookie.indexOf('=') + 1);
        return bench.http()
                .send(
                        HttpRequest.newBuilder(URI.create(bench.address() + path))
                                .header("Cookie", cookie)
                                .header("Content-Type", "application/x-www-form-urlencoded")
                                .timeout(Duration.ofSeconds(30))
                                .POST(HttpRequest.BodyPublishers.ofString("_csrf=" + token + "&" + fields))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
    }

    private String typedRound(UUID id) {
        return "id=" + id + "&ampVersion=1&v.PLATE.V1=433+V&v.CURRENT.V1=271.5+mV";
    }

    /** What was typed stands on the page that says so, and is stored once when it is sent again. */
    private UUID keepsWhatWasTyped(Bench bench) throws Exception {
        UUID id = UUID.randomUUID();
        HttpResponse<String> refused = send(bench, "/amps/" + amp + "/rounds", typedRound(id));
        assertThat(refused.statusCode()).isEqualTo(503);
        assertThat(refused.body()).contains("Send it again", "value=\"271.5 mV\"", "value=\"" + id + "\"");
        return id;
    }

    private void sendAgainUntilStored(Bench bench, UUID id) throws Exception {
        int status = 0;
        for (int i = 0; i < 100 && status != 302; i++) {
            status = send(bench, "/amps/" + amp + "/rounds", typedRound(id)).statusCode();
            TimeUnit.MILLISECONDS.sleep(100);
        }
        assertThat(status).isEqualTo(302);
        typedInForms.put(id, "271.5 mV");
    }

    private static void saysThatTheDatabaseIsAway(Bench bench) throws Exception {
        HttpResponse<String> amps = get(bench, "/amps");
        assertThat(amps.statusCode()).isEqualTo(503);
        assertThat(amps.headers().firstValue("Refresh")).contains("3");
        assertThat(amps.body()).contains("database does not answer").doesNotContain("Exception");
        // A quick check needs no database.
        HttpResponse<String> check = get(bench, "/?tube=6L6GC&volts=431&reading=36.4&r=1");
        assertThat(check.statusCode()).isEqualTo(200);
        assertThat(check.body()).contains("49.5 %").contains("value=\"36.4\"");
    }

    private void everythingAcknowledgedIsThere(Bench bench) throws Exception {
        Map<UUID, String> stored = new HashMap<>();
        JsonNode all =
                JSON.readTree(get(bench, "/api/v1/amps/" + amp + "/rounds").body());
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
}
