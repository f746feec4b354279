package yellowrail.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.http.MediaType;
import yellowrail.app.AppIT;
import yellowrail.core.reading.Meter;
import yellowrail.core.session.Entry;
import yellowrail.core.session.Event;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Power;
import yellowrail.core.session.Purpose;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Entered;
import yellowrail.core.session.events.Noted;
import yellowrail.core.session.events.SignedOff;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.stops.Stops;

/** Text and requests that no page was made for: each gets a page or a sentence, and nothing that was stored breaks one. */
class HostileIT extends AppIT {
    @LocalServerPort
    private int port;

    private UUID session() {
        var amp = keepPair("Hostile", "6550");
        return sessions.begin(UUID.randomUUID(), amp, Plan.usual(amp.description(), Purpose.YEARLY_CHECK, Meter.FINE));
    }

    private HttpResponse<String> send(HttpRequest.Builder request) throws Exception {
        return HttpClient.newHttpClient().send(request.build(), HttpResponse.BodyHandlers.ofString());
    }

    private HttpRequest.Builder to(String path) {
        return HttpRequest.newBuilder(URI.create("http://localhost:" + port + path));
    }

    @ParameterizedTest
    @ValueSource(strings = {"\\u0000", "\\f", "\\ud800", "\\ufffe", "\\u001b", "\\u202e"})
    void aNoteOfPastedTextIsTakenWithoutWhatCannotBeShown(String escape) throws Exception {
        UUID session = session();
        mvc.perform(post("/api/v1/sessions/" + session + "/events")
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"id\":\"" + UUID.randomUUID()
                                + "\",\"kind\":\"note\",\"device\":\"desk\",\"fields\":{\"topic\":\"HUM\",\"text\":\"left"
                                + escape + "right\\nbelow\"}}"))
                .andExpect(status().isOk());
        assertThat(sessions.<String>look(
                        session, s -> ((Noted) s.state().entries().get(0).event()).text()))
                .isEqualTo("leftright below");
    }

    @Test
    void aSessionWithSuchTextFromEarlierCanBeSigned() {
        UUID session = session();
        long now = clock.millis();
        Event[] events = {
            new Declared(Power.OFF),
            new Noted(Noted.Topic.OTHER, "a page\fof \u001bpasted\ud800 text"),
            new Entered(Stops.CLOSE),
            new Skipped(Stops.CLOSE, "x"),
            new Entered(Stops.SIGN_OFF),
            new SignedOff("E\f", "")
        };
        for (Event event : events) {
            sessions.append(session, new Entry(UUID.randomUUID().toString(), now, "desk", event));
        }
        assertThat(sessions.issuedPdf(session).orElseThrow()).isNotEmpty();
    }

    @ParameterizedTest
    @CsvSource({"/error, 404", "/nothing, 404", "/bench/x/y/z, 404", "/bench/not-an-id, 400", "/lan/sign-in/x, 404"})
    void anAddressThatIsNoneIsAPage(String path, int expected) throws Exception {
        var response = send(to(path).header("Accept", "text/html"));
        assertThat(response.statusCode()).isEqualTo(expected);
        assertThat(response.headers().firstValue("content-type").orElse("")).startsWith("text/html");
        assertThat(response.body()).contains("<h1");
    }

    @Test
    void forProgramsItIsADocument() throws Exception {
        var response = send(to("/api/v1/nothing"));
        assertThat(response.statusCode()).isEqualTo(404);
        assertThat(response.headers().firstValue("content-type").orElse("")).contains("problem+json");
    }

    @Test
    void requestsThatCannotBeReadAreSaid() throws Exception {
        String many = IntStream.range(0, 1200).mapToObj(i -> "a" + i + "=1").collect(Collectors.joining("&"));
        assertThat(send(to("/?" + many)).statusCode()).isIn(200, 400);
        var manyFields = to("/bench").header("Content-Type", "application/x-www-form-urlencoded");
        assertThat(send(manyFields.POST(HttpRequest.BodyPublishers.ofString(many)))
                        .statusCode())
                .isBetween(400, 499);
        assertThat(send(to("/stage?%7Bx%7D=1")).statusCode()).isEqualTo(200);
        for (String odd : new String[] {
            "%7Bx%7D=1",
            "set1=" + "(".repeat(190),
            "set1=16x16x16x8",
            "taps=1e9",
            "marked=-5",
            "open=8:9",
            "open=%00",
            "drive1=1e300&driven1=primary",
            "volts1=0&drive1=0&driven1=primary&other1=primary",
            "coilOhms=NaN",
            "tube="
        }) {
            assertThat(send(to("/load?" + odd)).statusCode()).as(odd).isLessThan(500);
            assertThat(send(to("/load/heat?" + odd)).statusCode()).as(odd).isLessThan(500);
        }
        var multipart = to("/bench").header("Content-Type", "multipart/form-data");
        assertThat(send(multipart.POST(HttpRequest.BodyPublishers.ofString("x")))
                        .statusCode())
                .isBetween(400, 499);
        var form = to("/bench").header("Content-Type", "application/x-www-form-urlencoded");
        assertThat(send(form.POST(HttpRequest.BodyPublishers.ofString("amp=%ZZ")))
                        .statusCode())
                .isBetween(400, 499);
    }

    @Test
    void aParameterIsCleanedBeforeAPageShowsIt() throws Exception {
        mvc.perform(get("/").param("tube", "EL34\u0000\u202e").param("volts", "430\f V"))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("value=\"430 V\"")));
    }

    /** What no client library would send. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "GET /?a=%ZZ HTTP/1.1",
                "GET /%ZZ HTTP/1.1",
                "GET /tubes/%E0%A4%A HTTP/1.1",
                "GET /bench/%00 HTTP/1.1",
                "GET /tubes/%2e%2e%2fx HTTP/1.1",
                "GET /?a=%c0%af HTTP/1.1",
                "GET /?{x}=1 HTTP/1.1",
                "GET http://[::1 HTTP/1.1",
                "NONSENSE",
                "POST /bench HTTP/1.1\r\nContent-Length: -1",
                "POST /bench HTTP/1.1\r\nTransfer-Encoding: chunked\r\n\r\nzz",
                "GET / HTTP/1.1\r\nCookie: a=\u0001; ="
            })
    void linesThatAreNoRequestGetAnAnswer(String line) throws Exception {
        try (Socket socket = new Socket("127.0.0.1", port)) {
            socket.setSoTimeout(30_000);
            socket.getOutputStream()
                    .write((line + "\r\nHost: localhost\r\nConnection: close\r\n\r\n")
                            .getBytes(StandardCharsets.ISO_8859_1));
            String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertThat(answer).startsWith("HTTP/1.1 ");
            int status = Integer.parseInt(answer.substring(9, 12));
            assertThat(status).as(answer).isLessThan(500);
            assertThat(answer).doesNotContain("org.eclipse", "java.", "at yellowrail");
        }
    }

    /** As an earlier version, or a hand in the database, could have stored it. */
    @Test
    void oneAmpThatCannotBeReadIsNamedAndTheOthersAreShown() throws Exception {
        UUID broken = UUID.randomUUID();
        jdbc.sql("insert into amp (id) values (?)").param(broken).update();
        jdbc.sql(
                        "insert into amp_version (id, amp_id, version, name, description) values (?, ?, 1, 'broken', '{\"name\":7}')")
                .params(UUID.randomUUID(), broken)
                .update();
        keepPair("Stands beside it", "6550");
        for (String page : new String[] {"/amps", "/bench"}) {
            mvc.perform(get(page))
                    .andExpect(status().isOk())
                    .andExpect(content().string(containsString("the amp " + broken)))
                    .andExpect(content().string(containsString("Stands beside it")));
        }
    }

    /** A connection that is closed after an answer says so in it, or the next request on it is lost. */
    @ParameterizedTest
    @ValueSource(strings = {"/tubes/%00", "/?a=LONG"})
    void aConnectionThatIsClosedSaysSo(String path) throws Exception {
        try (Socket socket = new Socket("127.0.0.1", port)) {
            socket.setSoTimeout(30_000);
            socket.getOutputStream()
                    .write(("GET " + path.replace("LONG", "x".repeat(20_000)) + " HTTP/1.1\r\nHost: localhost\r\n\r\n")
                            .getBytes(StandardCharsets.ISO_8859_1));
            assertThat(new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8))
                    .startsWith("HTTP/1.1 4")
                    .contains("onnection: close");
        }
    }
}
