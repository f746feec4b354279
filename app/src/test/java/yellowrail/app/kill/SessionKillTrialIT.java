package yellowrail.app.kill;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.LinkedHashMap;
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
 * Kills the application and PostgreSQL (SIGKILL) while two devices work on one session. What was acknowledged must be
 * there once, in each device's order, and the session must stand at the same stop. {@code -Dkills=20} for a longer trial.
 */
class SessionKillTrialIT {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final Map<String, List<String>> acknowledged = new ConcurrentHashMap<>();
    private final List<Throwable> failures = new CopyOnWriteArrayList<>();
    private final AtomicBoolean stop = new AtomicBoolean();
    private final UUID session = UUID.randomUUID();
    private final UUID amp = UUID.randomUUID();

    private static int post(AppProcess bench, String path, Object body) throws InterruptedException {
        return new Requests(bench).post(path, JSON.writeValueAsString(body));
    }

    private Map<String, Object> event(String id, String device, String kind, Map<String, String> fields) {
        return Map.of("id", id, "kind", kind, "device", device, "fields", fields);
    }

    /** Sends until it is acknowledged, as the browser's queue does. */
    private void tell(AppProcess bench, String device, String kind, Map<String, String> fields)
            throws InterruptedException {
        String id = UUID.randomUUID().toString();
        int status = post(bench, "/sessions/" + session + "/events", event(id, device, kind, fields));
        long until = System.nanoTime() + TimeUnit.MINUTES.toNanos(3);
        while (status != 200 && System.nanoTime() < until) {
            assertThat(status).as(kind + " " + fields).isIn(0, 503);
            TimeUnit.MILLISECONDS.sleep(100);
            status = post(bench, "/sessions/" + session + "/events", event(id, device, kind, fields));
        }
        assertThat(status).isEqualTo(200);
        if (kind.equals("read")) {
            acknowledged.get(device).add(id);
        }
    }

    private static Map<String, String> reading(String quantity, String point, String text) {
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("quantity", quantity);
        fields.put("point", point);
        fields.put("text", text);
        return fields;
    }

    /** A device that reads one tube after another until told to stop. */
    private void work(AppProcess bench, String device) {
        try {
            for (int i = 0; !stop.get(); i++) {
                tell(bench, device, "read", reading("CURRENT", "V1", (300 + i % 90) + ".5 mV"));
                TimeUnit.MILLISECONDS.sleep(20);
            }
        } catch (InterruptedException ended) {
            Thread.currentThread().interrupt();
        }
    }

    @Test
    void aSessionSurvivesEveryKill() throws Exception {
        int kills = Integer.getInteger("kills", 3);
        Random random = new Random(20261125);
        try (AppProcess bench = new AppProcess()) {
            beginAndPowerUp(bench);
            List<Thread> devices = new ArrayList<>();
            for (String device : List.of("desk", "phone")) {
                Thread thread = new Thread(() -> work(bench, device));
                thread.setUncaughtExceptionHandler((t, failed) -> failures.add(failed));
                thread.start();
                devices.add(thread);
            }
            for (int kill = 0; kill < kills; kill++) {
                TimeUnit.MILLISECONDS.sleep(300 + random.nextInt(900));
                if (kill % 3 == 1) {
                    bench.killDatabase();
                    bench.startDatabase();
                } else {
                    bench.killApp();
                    bench.startApp();
                }
                assertThat(state(bench).get("here").asString()).isEqualTo("MAINS");
            }
            stop.set(true);
            for (Thread device : devices) {
                device.join(60_000);
                assertThat(device.isAlive()).as("a device that hangs").isFalse();
            }
            assertThat(failures).as("answers that were not expected").isEmpty();
            everythingAcknowledgedIsThereOnceAndInOrder(bench);
            int all = acknowledged.values().stream().mapToInt(List::size).sum();
            assertThat(all).as("too few to tell anything").isGreaterThan(5 * kills);
            System.out.println("Session kill trial: " + kills + " kills, " + all + " readings acknowledged, 0 lost");
        }
    }

    private void beginAndPowerUp(AppProcess bench) throws Exception {
        acknowledged.put("desk", new ArrayList<>());
        acknowledged.put("phone", new ArrayList<>());
        String description =
                "{\"name\":\"Session kills\",\"bias\":\"tracking\",\"socketName\":[\"V1\"],\"topology\":\"se\","
                        + "\"socketType\":[\"6L6GC\"],\"method\":\"own\",\"r\":\"10\"}";
        assertThat(post(
                        bench,
                        "/amps",
                        Map.of(
                                "id",
                                amp,
                                "versionId",
                                UUID.randomUUID(),
                                "seenVersion",
                                0,
                                "description",
                                JSON.readTree(description))))
                .isEqualTo(201);
        assertThat(post(
                        bench,
                        "/sessions",
                        Map.of(
                                "id",
                                session,
                                "amp",
                                amp,
                                "purpose",
                                "YEARLY_CHECK",
                                "meter",
                                "handheld",
                                "ref",
                                "chassis",
                                "hands",
                                "10",
                                "soak",
                                "30",
                                "heaterAmber",
                                "5",
                                "heaterRed",
                                "10")))
                .isEqualTo(201);
        tell(bench, "desk", "declare", Map.of("power", "OFF"));
        for (String check : List.of("LOAD", "CONTROLS_DOWN", "ONE_HAND", "JEWELLERY", "TUBES_COOL")) {
            tell(bench, "desk", "tick", Map.of("check", check, "point", "", "done", "yes"));
        }
        tell(bench, "desk", "read", reading("LOAD_OHMS", "", "8"));
        tell(bench, "desk", "skip", Map.of("stop", "DRAINED", "reason", "trial"));
        tell(bench, "desk", "enter", Map.of("stop", "MAINS"));
        tell(bench, "desk", "declare", Map.of("power", "ON_TUBES_IN"));
    }

    private JsonNode state(AppProcess bench) throws Exception {
        for (int i = 0; i < 300; i++) {
            try {
                HttpResponse<String> response = new Requests(bench).get("/api/v1/sessions/" + session);
                if (response.statusCode() == 200) {
                    return JSON.readTree(response.body());
                }
            } catch (IOException notYet) {
                // The server is coming back.
            }
            TimeUnit.MILLISECONDS.sleep(100);
        }
        throw new AssertionError("the session's state did not come back");
    }

    private void everythingAcknowledgedIsThereOnceAndInOrder(AppProcess bench) throws Exception {
        List<String> stored = new ArrayList<>();
        state(bench).get("readings").forEach(r -> stored.add(r.get("id").asString()));
        assertThat(stored).doesNotHaveDuplicates();
        for (List<String> device : acknowledged.values()) {
            assertThat(stored).containsAll(device);
            assertThat(stored.stream().filter(device::contains).toList()).isEqualTo(device);
        }
        int all = acknowledged.values().stream().mapToInt(List::size).sum();
        assertThat(stored).hasSize(all);
    }
}
