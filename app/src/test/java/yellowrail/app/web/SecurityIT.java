package yellowrail.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.UUID;
import org.hamcrest.Matchers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowrail.app.AppIT;

class SecurityIT extends AppIT {
    private HttpResponse<String> fetch(HttpRequest.Builder request) throws Exception {
        return HttpClient.newHttpClient().send(request.build(), HttpResponse.BodyHandlers.ofString());
    }

    private HttpRequest.Builder to(String path) {
        return HttpRequest.newBuilder(URI.create("http://localhost:" + port + path));
    }

    @Test
    void sendsItsHeaders() throws Exception {
        mvc.perform(get("/"))
                .andExpect(status().isOk())
                .andExpect(header().string("Content-Security-Policy", Security.POLICY))
                .andExpect(header().string("X-Content-Type-Options", "nosniff"))
                .andExpect(header().string("X-Frame-Options", "DENY"))
                .andExpect(header().string("Referrer-Policy", "same-origin"));
    }

    @Test
    void hasNoInlineScriptOrStyle() throws Exception {
        for (String path : new String[] {
            "/", "/?tube=6L6GC&volts=431&reading=36.4&r=1", "/amps", "/amps/new", "/tubes", "/settings"
        }) {
            String html = fetch(to(path)).body();
            assertThat(html)
                    .doesNotContain("<style")
                    .doesNotContain(" style=")
                    .doesNotContainPattern("<script>|onclick=");
        }
    }

    @Test
    void answersOnlyUnderALoopbackName() throws Exception {
        mvc.perform(get("/").header("Host", "evil.example").with(r -> {
                    r.setServerName("evil.example");
                    return r;
                }))
                .andExpect(status().is(421));
        assertThat(java.net.NetworkInterface.networkInterfaces()
                        .flatMap(java.net.NetworkInterface::inetAddresses)
                        .filter(a -> !a.isLoopbackAddress() && a instanceof java.net.Inet4Address)
                        .noneMatch(a -> {
                            try (var socket = new java.net.Socket()) {
                                socket.connect(new java.net.InetSocketAddress(a, port), 300);
                                return true;
                            } catch (java.io.IOException refused) {
                                return false;
                            }
                        }))
                .isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"/amps/keep", "/keep", "/tubes/keep", "/settings/targets", "/settings/meters", "/amps/rows"})
    void refusesAFormWithoutItsToken(String path) throws Exception {
        int before = amps.all().size();
        mvc.perform(post(path).param("name", "x")).andExpect(status().isForbidden());
        assertThat(amps.all()).hasSize(before);
    }

    @Test
    void refusesAJsonCallDressedAsAForm() throws Exception {
        mvc.perform(post("/api/v1/idle-checks").contentType("text/plain").content("{}"))
                .andExpect(status().isForbidden());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/nothing-here",
                "/amps/00000000-0000-0000-0000-000000000000",
                "/rounds/00000000-0000-0000-0000-000000000000",
                "/amps/not-an-id",
                "/tubes/NOSUCH",
                "/api/v1/amps/00000000-0000-0000-0000-000000000000",
                "/error"
            })
    void hasASentenceAndNoStackTraceForWhatDoesNotExist(String path) throws Exception {
        HttpResponse<String> response = fetch(to(path));
        assertThat(response.statusCode()).isGreaterThanOrEqualTo(400);
        assertThat(response.body())
                .doesNotContain("Exception")
                .doesNotContain("\tat ")
                .doesNotContain("yellowrail.app")
                .doesNotContain("Whitelabel");
        assertThat(response.body().length()).isGreaterThan(40);
    }

    @Test
    void refusesBadInputWithASentenceAndStoresNothing() throws Exception {
        String ampId = UUID.randomUUID().toString();
        mvc.perform(post("/amps/keep")
                        .with(csrf())
                        .param("ampId", ampId)
                        .param("versionId", UUID.randomUUID().toString())
                        .param("name", "n".repeat(10_000))
                        .param("socketName", "V1")
                        .param("socketType", "6L6")
                        .param("method", "own")
                        .param("r", "-10")
                        .param("nominal", "1e308")
                        .param("rtol", "NaN"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(Matchers.containsString("At most 60 characters; this has 10000")))
                .andExpect(content().string(Matchers.containsString("below zero")))
                .andExpect(content().string(Matchers.containsString("beyond what is read at a bench")))
                .andExpect(content().string(Matchers.containsString("Which one is fitted?")));
        assertThat(jdbc.sql("select count(*) from amp where id = :id::uuid")
                        .param("id", ampId)
                        .query(Integer.class)
                        .single())
                .isZero();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "volts=abc&reading=36.4",
                "volts=-431",
                "r=0",
                "r=-1",
                "reading=1e308&r=1",
                "volts=NaN",
                "volts=Infinity",
                "tube=%3Cscript%3E",
                "method=nonsense",
                "n=99&method=shared&r=1",
                "ceiling=9999",
                "target=nonsense",
                "lo=80&hi=20&target=own",
                "nominal=5",
                "connection=ul&tap=400",
                "highest=10",
                "bias=x",
                "meter=x",
                "meter=own&accv=lots",
                "screen=measured&g2drop=5&g2r=0",
                "pair=x",
                "edition=none",
                "tube=88"
            })
    void answersAnyQuestionWithoutFailing(String query) throws Exception {
        HttpResponse<String> response = fetch(to("/?" + query));
        assertThat(response.statusCode()).isEqualTo(200);
        assertThat(response.body()).doesNotContain("data-clear=\"true\"").doesNotContain("<script>alert");
        HttpResponse<String> swap = fetch(to("/?" + query).header("HX-Request", "true"));
        assertThat(swap.statusCode()).isEqualTo(200);
        assertThat(swap.body()).contains("id=\"answer\"").doesNotContain("<html");
    }

    @Test
    void survivesAVeryLongText() throws Exception {
        HttpResponse<String> response = fetch(to("/?volts=" + "9".repeat(10_000)));
        assertThat(response.statusCode()).isEqualTo(200);
        assertThat(response.body()).contains("10000 characters long");
    }

    /** Another program on this computer can set cookies for the same host name, and send the same text in a form. */
    @ParameterizedTest
    @ValueSource(strings = {"abc.def", "abc", ".", "a.b.c", "AAAAAAAAAAAAAAAAAAAAAAAA."})
    void aFormTokenThatWasNotMadeHereIsNone(String forged) throws Exception {
        mvc.perform(post("/settings/targets")
                        .cookie(new jakarta.servlet.http.Cookie("yellow-rail-form", forged))
                        .param("_csrf", forged)
                        .param("id", java.util.UUID.randomUUID().toString())
                        .param("name", "forged"))
                .andExpect(status().isForbidden());
    }
}
