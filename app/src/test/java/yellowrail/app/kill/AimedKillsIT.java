package yellowrail.app.kill;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Kills aimed into what takes longest or changes most: signing, correcting, the database's migration, the start. The kill is a
 * SIGKILL of the application or the database, a SIGTERM of the application, or a database that is stopped for a while. {@code
 * -Daimed=20} for a longer trial.
 */
class AimedKillsIT extends Blows {
    private static final int KILLS = Integer.getInteger("aimed", 1);
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private static String event(UUID id, String kind, Map<String, String> fields) {
        return JSON.writeValueAsString(Map.of("id", id, "kind", kind, "device", "desk", "fields", fields));
    }

    @Test
    void whileSigning() throws Exception {
        int first = 0;
        for (int i = 0; i < Math.max(KILLS, 2); i++) {
            UUID session = UUID.randomUUID();
            String plan = "{\"id\":\"" + session + "\",\"amp\":\"" + amp()
                    + "\",\"purpose\":\"YEARLY_CHECK\",\"meter\":\"handheld\",\"ref\":\"chassis\",\"hands\":\"10\","
                    + "\"soak\":\"30\",\"heaterAmber\":\"5\",\"heaterRed\":\"10\"}";
            sendUntil(201, "/sessions", plan);
            String events = "/sessions/" + session + "/events";
            sendUntil(200, events, event(UUID.randomUUID(), "declare", Map.of("power", "OFF")));
            sendUntil(200, events, event(UUID.randomUUID(), "enter", Map.of("stop", "CLOSE")));
            sendUntil(200, events, event(UUID.randomUUID(), "skip", Map.of("stop", "CLOSE", "reason", "trial")));
            sendUntil(200, events, event(UUID.randomUUID(), "enter", Map.of("stop", "SIGN_OFF")));
            String signing = event(UUID.randomUUID(), "sign", Map.of("by", "E", "remarks", ""));
            int answer = strike(blow(i), random.nextInt(500), events, signing);
            assertThat(answer).isIn(0, 200, 503);
            if (answer == 200) {
                first++;
                assertThat(state(session).get("signed").asBoolean())
                        .as("acknowledged")
                        .isTrue();
            }
            sendUntil(200, events, signing);
            assertThat(state(session).get("signed").asBoolean()).isTrue();
            assertThat(requests.get("/bench/" + session + "/sheet.pdf").statusCode())
                    .isEqualTo(200);
            assertThat(count("select count(*) from issued_sheet where session_id = '" + session + "'"))
                    .isEqualTo(1);
            assertThat(count("select count(*) from bench_event where kind = 'SignedOff' and session_id = '" + session
                            + "'"))
                    .isEqualTo(1);
        }
        System.out.println("Aimed kills, signing: " + Math.max(KILLS, 2) + ", " + first
                + " acknowledged before the blow, 0 lost, 0 twice");
    }

    @Test
    void whileCorrecting() throws Exception {
        int first = 0;
        for (int i = 0; i < Math.max(KILLS, 2); i++) {
            UUID round = UUID.randomUUID();
            UUID amp = amp();
            sendUntil(
                    201,
                    "/amps/" + amp + "/rounds",
                    "{\"id\":\"" + round + "\",\"values\":{\"PLATE.V1\":\"431 V\",\"CURRENT.V1\":\"271.5 mV\"}}");
            JsonNode reading = reading(round, "CURRENT");
            String path = "/rounds/" + round + "/readings/" + reading.get("id").asString() + "/corrections";
            String body = "{\"id\":\"" + UUID.randomUUID() + "\",\"text\":\"277.5 mV\",\"reason\":\"misread\"}";
            int answer = strike(blow(i + 2), random.nextInt(60), path, body);
            assertThat(answer).isIn(0, 201, 503);
            if (answer == 201) {
                first++;
                assertThat(count("select count(*) from reading where supersedes = '"
                                + reading.get("id").asString() + "'"))
                        .as("acknowledged")
                        .isEqualTo(1);
            }
            sendUntil(201, path, body);
            assertThat(count("select count(*) from reading where round_id = '" + round + "'"))
                    .isEqualTo(3);
        }
        System.out.println("Aimed kills, correcting: " + Math.max(KILLS, 2) + ", " + first
                + " acknowledged before the blow, 0 lost, 0 twice");
    }

    /** Migrations run on an empty database: ended in the middle they are begun again, or had been finished. */
    @Test
    void whileMigrating() throws Exception {
        int inside = 0;
        for (int i = 0; i < KILLS; i++) {
            app.killApp();
            app.emptyDatabase();
            app.launchApp();
            awaitFirstTable();
            TimeUnit.MILLISECONDS.sleep(random.nextInt(250));
            int done = count("select count(*) from flyway_schema_history");
            inside += done < MIGRATIONS ? 1 : 0;
            if (i % 2 == 0) {
                app.killApp();
            } else {
                app.killDatabase();
                app.killApp();
                app.startDatabase();
            }
            app.startApp();
            assertThat(count("select count(*) from flyway_schema_history where success"))
                    .isEqualTo(MIGRATIONS);
            amp();
        }
        System.out.println("Aimed kills, migrating: " + KILLS + ", " + inside
                + " of them in the middle; all begun again and finished");
    }

    @Test
    void whileStarting() throws Exception {
        for (int i = 0; i < KILLS; i++) {
            UUID amp = amp();
            app.stopApp();
            app.launchApp();
            TimeUnit.MILLISECONDS.sleep(500 + random.nextInt(9_000));
            switch (i % 3) {
                case 0 -> app.killApp();
                case 1 -> app.stopApp();
                default -> {
                    app.killDatabase();
                    app.killApp();
                    app.startDatabase();
                }
            }
            app.startApp();
            assertThat(requests.get("/api/v1/amps/" + amp).statusCode()).isEqualTo(200);
        }
        System.out.println("Aimed kills, starting: " + KILLS + ", everything was there afterwards");
    }

    private static final int MIGRATIONS =
            Path.of("src/main/resources/db/migration").toFile().list().length;

    private void awaitFirstTable() throws Exception {
        for (int i = 0; i < 1200; i++) {
            try {
                if (count("select count(*) from pg_tables where tablename = 'flyway_schema_history'") == 1) {
                    return;
                }
            } catch (SQLException notYet) {
                // The database is just being made.
            }
            TimeUnit.MILLISECONDS.sleep(20);
        }
        throw new AssertionError("no migration began");
    }

    private JsonNode state(UUID session) throws Exception {
        for (int i = 0; i < 300; i++) {
            try {
                var answer = requests.get("/api/v1/sessions/" + session);
                if (answer.statusCode() == 200) {
                    return JSON.readTree(answer.body());
                }
            } catch (IOException notYet) {
                // It is coming back.
            }
            TimeUnit.MILLISECONDS.sleep(100);
        }
        throw new AssertionError("the session's state did not come back");
    }

    private JsonNode reading(UUID round, String quantity) throws Exception {
        for (JsonNode reading :
                JSON.readTree(requests.get("/api/v1/rounds/" + round).body()).get("readings")) {
            if (reading.get("quantity").asString().equals(quantity)) {
                return reading;
            }
        }
        throw new AssertionError("no " + quantity + " in round " + round);
    }
}
