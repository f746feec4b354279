package yellowrail.app.kill;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.TestInstance;
import yellowrail.app.process.AppProcess;
import yellowrail.app.process.Requests;

/** An application and its database that can be hit while a request is under way. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
abstract class Blows {
    /** A request; 0 when nothing answered. */
    @FunctionalInterface
    protected interface Sending {
        int status() throws InterruptedException;
    }

    protected enum Blow {
        KILL_APP,
        KILL_DATABASE,
        TERM_APP,
        FREEZE_DATABASE
    }

    protected final Random random = new Random(20261127);
    protected AppProcess app;
    protected Requests requests;

    @BeforeAll
    void start() throws Exception {
        app = new AppProcess();
        requests = new Requests(app);
    }

    @AfterAll
    void end() {
        app.close();
    }

    protected UUID amp() throws Exception {
        UUID amp = UUID.randomUUID();
        sendUntil(
                201,
                "/amps",
                "{\"id\":\"" + amp + "\",\"versionId\":\"" + UUID.randomUUID()
                        + "\",\"seenVersion\":0,\"description\":{\"name\":\"Aimed\",\"bias\":\"tracking\","
                        + "\"socketName\":[\"V1\"],\"topology\":\"se\",\"socketType\":[\"6L6GC\"],\"method\":\"own\",\"r\":\"10\"}}");
        return amp;
    }

    /** Sends it until it is answered so; nothing but silence and "the database is away" may come before. */
    protected void sendUntil(int expected, String path, String body) throws Exception {
        int status = requests.post(path, body);
        for (int i = 0; i < 600 && status != expected; i++) {
            assertThat(status).as(path + " " + body).isIn(0, 503);
            TimeUnit.MILLISECONDS.sleep(100);
            status = requests.post(path, body);
        }
        assertThat(status).isEqualTo(expected);
    }

    /** The blow after some milliseconds, while a request is under way; afterwards everything runs again. */
    protected int strike(Blow blow, int afterMillis, String path, String body) throws Exception {
        return strike(blow, afterMillis, () -> requests.post(path, body));
    }

    /** The same with any request. */
    protected int strike(Blow blow, int afterMillis, Sending sending) throws Exception {
        CompletableFuture<Integer> answer = CompletableFuture.supplyAsync(() -> {
            try {
                return sending.status();
            } catch (InterruptedException stopped) {
                Thread.currentThread().interrupt();
                return 0;
            }
        });
        TimeUnit.MILLISECONDS.sleep(afterMillis);
        switch (blow) {
            case KILL_APP -> {
                app.killApp();
                app.startApp();
            }
            case TERM_APP -> {
                app.stopApp();
                app.startApp();
            }
            case KILL_DATABASE -> {
                app.killDatabase();
                app.startDatabase();
            }
            case FREEZE_DATABASE -> {
                app.freezeDatabase();
                TimeUnit.SECONDS.sleep(2);
                app.thawDatabase();
            }
        }
        return answer.get(60, TimeUnit.SECONDS);
    }

    protected static Blow blow(int number) {
        return Blow.values()[number % Blow.values().length];
    }

    protected int count(String query) throws Exception {
        Map<String, String> database = app.settings();
        try (Connection connection = DriverManager.getConnection(
                        database.get("YR_DB_URL"), database.get("YR_DB_USER"), database.get("YR_DB_PASSWORD"));
                Statement statement = connection.createStatement();
                ResultSet result = statement.executeQuery(query)) {
            result.next();
            return result.getInt(1);
        }
    }
}
