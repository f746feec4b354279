package yellowrail.app.lan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.CookieManager;
import java.net.Socket;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
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

    private static final Pattern TOKEN = Pattern.compile("name=\"_csrf\" value=\"([^\"]+)\"");

    private ConfigurableApplicationContext network;
    private String address;
    private final HttpClient http = HttpClient.newHttpClient();

    /** A second application on the database of this run. */
    private ConfigurableApplicationContext start(String passphrase) {
        return new SpringApplicationBuilder(YellowRail.class)
                .run(
                        "--server.address=127.0.0.2",
                        "--server.port=0",
                        "--spring.datasource.url=" + environment.getProperty("spring.datasource.url"),
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

    /** A browser with cookies of its own. */
    private static HttpClient browser() {
        return HttpClient.newBuilder().cookieHandler(new CookieManager()).build();
    }

    private HttpResponse<String> get(HttpClient browser, String path) throws Exception {
        return browser.send(
                HttpRequest.newBuilder(URI.create(address + path)).build(), HttpResponse.BodyHandlers.ofString());
    }

    private HttpResponse<String> post(HttpClient browser, String path, String fields) throws Exception {
        Matcher token = TOKEN.matcher(get(browser, "/devices").body());
        assertThat(token.find()).isTrue();
        String body = "_csrf=" + URLEncoder.encode(token.group(1), StandardCharsets.UTF_8) + "&" + fields;
        return browser.send(
                HttpRequest.newBuilder(URI.create(address + path))
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .POST(HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private HttpResponse<String> signIn(HttpClient browser, String passphrase, String back) throws Exception {
        return post(
                browser, "/sign-in", "username=builder&passphrase=" + passphrase.replace(" ", "+") + "&back=" + back);
    }

    /** Waits as long as it is told to, then sends it. */
    private HttpResponse<String> signInPatiently(HttpClient browser) throws Exception {
        return signInPatiently(browser, PASSPHRASE);
    }

    private HttpResponse<String> signInPatiently(HttpClient browser, String passphrase) throws Exception {
        HttpResponse<String> answer = signIn(browser, passphrase, "/bench");
        while (answer.statusCode() == 429) {
            TimeUnit.SECONDS.sleep(
                    Long.parseLong(answer.headers().firstValue("Retry-After").orElseThrow()));
            answer = signIn(browser, passphrase, "/bench");
        }
        return answer;
    }

    @Test
    void nothingButTheSignInPageAnswersWithoutThePassphrase() throws Exception {
        HttpClient stranger = browser();
        for (String path : new String[] {
            "/",
            "/bench",
            "/amps",
            "/css/theme.css",
            "/actuator/health",
            "/webjars/bootstrap/dist/css/bootstrap.min.css",
            "/devices",
            "/bench/stream",
            "/error",
            "/bench/../amps",
            "/api/v1/openapi.json",
            "//amps",
            "/sign-in/../amps",
            "/;x/amps"
        }) {
            HttpResponse<String> response = get(stranger, path);
            assertThat(response.statusCode()).as(path).isIn(400, 401);
            assertThat(response.body()).as(path).doesNotContain("On the bench", "openapi\":");
        }
        assertThat(get(stranger, "/api/v1/amps").body()).contains("Sign in with the passphrase");
        assertThat(get(stranger, "/sign-in").statusCode()).isEqualTo(200);
        assertThat(get(stranger, "/amps").body())
                .contains("name=\"back\" value=\"/amps\"")
                .contains("passphrase");
        for (String forged :
                List.of("yellow-rail=9999999999.forged", "yellow-rail=eDp5", "yellow-rail-session=node01")) {
            HttpRequest request = HttpRequest.newBuilder(URI.create(address + "/amps"))
                    .header("Cookie", forged)
                    .build();
            assertThat(http.send(request, HttpResponse.BodyHandlers.ofString()).statusCode())
                    .as(forged)
                    .isEqualTo(401);
        }
    }

    @Test
    void wrongOnesAreSlowedDownAndTheRightOneGoesWhereItWasAskedFrom() throws Exception {
        HttpClient browser = browser();
        // After the third that counts the next waits four seconds, longer than a busy machine takes to ask.
        for (int counted = 0; counted < 3; counted++) {
            assertThat(signInPatiently(browser, "wrong wrong wrong").statusCode())
                    .isEqualTo(401);
        }
        HttpResponse<String> slowed = signIn(browser, PASSPHRASE, "/amps");
        assertThat(slowed.statusCode()).isEqualTo(429);
        assertThat(signInPatiently(browser).statusCode()).isEqualTo(303);
        assertThat(get(browser, "/bench").body()).contains("On the bench");
        HttpResponse<String> elsewhere = signIn(browser, PASSPHRASE, "//elsewhere.example");
        assertThat(elsewhere.headers().firstValue("Location")).contains("/bench");
        assertThat(elsewhere.headers().allValues("Set-Cookie"))
                .isNotEmpty()
                .allSatisfy(c -> assertThat(c).contains("HttpOnly").containsIgnoringCase("SameSite=Strict"));
    }

    @Test
    void aDeviceStaysSignedInOverARestartAndIsSignedOutAlone() throws Exception {
        HttpClient first = browser();
        HttpClient second = browser();
        assertThat(signInPatiently(first).statusCode()).isEqualTo(303);
        assertThat(signInPatiently(second).statusCode()).isEqualTo(303);
        close();
        listen();
        assertThat(get(first, "/bench").statusCode()).isEqualTo(200);
        assertThat(post(first, "/sign-out", "").statusCode()).isEqualTo(302);
        assertThat(get(first, "/bench").statusCode()).isEqualTo(401);
        assertThat(get(second, "/bench").statusCode()).isEqualTo(200);
        assertThat(post(second, "/sign-out/everywhere", "").statusCode()).isEqualTo(302);
        assertThat(get(second, "/bench").statusCode()).isEqualTo(401);
    }

    @Test
    void signedOutEverywhereMeansEveryDevice() throws Exception {
        HttpClient first = browser();
        HttpClient second = browser();
        signInPatiently(first);
        signInPatiently(second);
        assertThat(get(second, "/devices").body()).contains("Devices that are signed in");
        post(first, "/sign-out/everywhere", "");
        assertThat(get(second, "/bench").statusCode()).isEqualTo(401);
    }

    @Test
    void anotherNameOfThisHostIsRefusedAtSignInToo() throws Exception {
        try (Socket socket = new Socket("127.0.0.2", URI.create(address).getPort())) {
            socket.getOutputStream()
                    .write("POST /sign-in HTTP/1.1\r\nHost: elsewhere.example\r\nContent-Length: 0\r\n\r\n"
                            .getBytes(StandardCharsets.US_ASCII));
            byte[] answer = new byte[12];
            assertThat(socket.getInputStream().readNBytes(answer, 0, 12)).isEqualTo(12);
            assertThat(new String(answer, StandardCharsets.US_ASCII)).isEqualTo("HTTP/1.1 421");
        }
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
        assertThatThrownBy(() -> start("short"))
                .hasRootCauseMessage(
                        "The passphrase needs 10 characters or more, and 72 bytes at most; this one has 5 characters.");
    }
}
