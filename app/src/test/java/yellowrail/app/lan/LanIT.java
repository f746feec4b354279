package yellowrail.app.lan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.env.Environment;
import yellowrail.app.AppIT;
import yellowrail.app.YellowRail;

/** The application as it listens on a network; a second loopback address stands in for the network. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class LanIT extends AppIT {
    private static final String PASSPHRASE = "reed beds at dusk";

    @Autowired
    private Environment environment;

    private ConfigurableApplicationContext network;
    private String address;
    private final HttpClient http = HttpClient.newHttpClient();

    private ConfigurableApplicationContext start(String passphrase) {
        return new SpringApplicationBuilder(YellowRail.class)
                .run(
                        "--server.address=127.0.0.2",
                        "--server.port=0",
                        "--yellowrail.lan=true",
                        "--yellowrail.passphrase=" + passphrase);
    }

    @BeforeAll
    void listen() {
        network = start(PASSPHRASE);
        address = "http://127.0.0.2:"
                + ((WebServerApplicationContext) network).getWebServer().getPort();
    }

    @AfterAll
    void close() {
        network.close();
    }

    private HttpResponse<String> get(String path, String cookie) throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address + path));
        if (!cookie.isEmpty()) {
            request.header("Cookie", cookie);
        }
        return http.send(request.build(), HttpResponse.BodyHandlers.ofString());
    }

    private HttpResponse<String> signIn(String passphrase, String back) throws Exception {
        String body = "passphrase=" + passphrase.replace(" ", "+") + "&back=" + back;
        return http.send(
                HttpRequest.newBuilder(URI.create(address + "/sign-in"))
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .POST(HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    @Test
    void nothingButTheSignInPageAnswersWithoutThePassphrase() throws Exception {
        for (String path : new String[] {
            "/", "/bench", "/amps", "/css/theme.css", "/actuator/health",
                    "/webjars/bootstrap/dist/css/bootstrap.min.css",
            "/error", "/bench/../amps", "/api/v1/openapi.json", "//amps", "/sign-in/../amps", "/;x/amps"
        }) {
            HttpResponse<String> response = get(path, "");
            assertThat(response.statusCode()).as(path).isIn(400, 401);
            assertThat(response.body()).as(path).doesNotContain("On the bench", "openapi\":");
        }
        assertThat(get("/api/v1/amps", "").body()).contains("Sign in with the passphrase");
        assertThat(get("/amps", "yellow-rail=9999999999.forged").statusCode()).isEqualTo(401);
        assertThat(get("/amps", "yellow-rail=1.x").statusCode()).isEqualTo(401);
        String page = get("/amps", "").body();
        assertThat(page).contains("name=\"back\" value=\"/amps\"").contains("passphrase");

        // Wrong ones are slowed down, and the right one waits with them.
        assertThat(signIn("wrong wrong wrong", "/amps").statusCode()).isEqualTo(401);
        HttpResponse<String> slowed = signIn(PASSPHRASE, "/amps");
        assertThat(slowed.statusCode()).isEqualTo(429);
        assertThat(slowed.headers().firstValue("Retry-After")).isPresent();
        TimeUnit.SECONDS.sleep(
                Long.parseLong(slowed.headers().firstValue("Retry-After").orElseThrow()));
        HttpResponse<String> right = signIn(PASSPHRASE, "//elsewhere.example");
        assertThat(right.statusCode()).isEqualTo(303);
        assertThat(right.headers().firstValue("Location")).contains("/bench");
        String set = right.headers().firstValue("Set-Cookie").orElseThrow();
        assertThat(set).contains("HttpOnly").contains("SameSite=Strict");
        String cookie = set.split(";")[0];
        assertThat(get("/bench", cookie).body()).contains("On the bench");
        assertThat(get("/amps", cookie + "x").statusCode()).isEqualTo(401);
    }

    @Test
    void onlyTheHashOfThePassphraseIsKept() {
        assertThat(environment.getProperty("yellowrail.lan")).isEqualTo("false");
        assertThat(jdbc.sql("select body::text from setting where kind = 'lan'")
                        .query(String.class)
                        .list())
                .isNotEmpty()
                .allSatisfy(body -> assertThat(body).contains("$2a$").doesNotContain(PASSPHRASE));
    }

    @Test
    void aShortPassphraseIsRefusedAtTheStart() {
        assertThatThrownBy(() -> start("short")).hasRootCauseMessage("The passphrase needs 10 characters or more.");
    }
}
