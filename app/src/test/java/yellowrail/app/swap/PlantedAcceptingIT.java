package yellowrail.app.swap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Stream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.web.util.HtmlUtils;
import yellowrail.app.amps.Amp;

/** A swap is accepted for the amp its sheet was made for, as it was seen, once. */
class PlantedAcceptingIT extends AcceptedPage {

    record Planted(Map<String, String> fields, int status, String why) {
        @Override
        public String toString() {
            return why;
        }
    }

    static List<Planted> planted() throws IOException {
        try (var in = PlantedAcceptingIT.class.getResourceAsStream("/planted/accepting.txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(l -> !l.isBlank() && !l.startsWith("#"))
                    .map(l -> l.split("::", 3))
                    .map(p -> new Planted(fields(p[0]), Integer.parseInt(p[1].strip()), p[2].strip()))
                    .toList();
        }
    }

    private static Map<String, String> fields(String text) {
        Map<String, String> fields = new HashMap<>();
        for (String field : text.split(";")) {
            if (field.contains("=")) {
                String[] pair = field.strip().split("=", 2);
                fields.put(pair[0], pair[1]);
            }
        }
        return fields;
    }

    @ParameterizedTest
    @MethodSource("planted")
    void isAcceptedForWhatItWasMadeForAlone(Planted planted) throws Exception {
        Amp amp = amp();
        UUID version = UUID.randomUUID();
        MockHttpServletResponse answer = sent(amp, planted.fields(), version);
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(planted.status());
        boolean took = planted.status() == 302;
        assertThat(amps.amp(amp.id()).version()).isEqualTo(took ? 2 : 1);
        assertThat(accepted.newestOf(amp.id()).isPresent()).isEqualTo(took);
        if (took) {
            assertThat(answer.getRedirectedUrl()).endsWith("/swap/accepted/" + version);
        } else {
            assertThat(answer.getContentAsString()).contains("role=\"alert\"");
        }
    }

    @Test
    void whatWasDecidedIsStoredAndShownAsItWas() throws Exception {
        Amp amp = amp();
        UUID version = UUID.randomUUID();
        sent(amp, Map.of(), version);
        // Pressed twice.
        assertThat(sent(amp, Map.of(), version).getStatus()).isEqualTo(302);
        assertThat(amps.amp(amp.id()).version()).isEqualTo(2);
        AcceptedSwap swap = accepted.newestOf(amp.id()).orElseThrow();
        assertThat(swap.swap().from()).isEqualTo("2 × EL34");
        assertThat(swap.swap().type()).isEqualTo("6L6GC");
        assertThat(swap.swap().rows()).hasSizeGreaterThan(10);
        assertThat(swap.device()).isEqualTo("bench phone");
        assertThat(swap.version()).isEqualTo(2);
        String page = mvc.perform(get("/amps/" + amp.id() + "/swap/accepted/" + version))
                .andReturn()
                .getResponse()
                .getContentAsString();
        String told = HtmlUtils.htmlUnescape(page);
        swap.swap().work().forEach(w -> assertThat(told).contains(w));
        assertThat(mvc.perform(get("/amps/" + amp.id() + "/swap/accepted/" + UUID.randomUUID()))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(404);
        // Another sheet under the same id is none.
        assertThat(sent(amp, Map.of("wanted", "55"), version).getStatus()).isEqualTo(409);
        assertThat(sent(amp, Map.of(), UUID.randomUUID()).getRedirectedUrl())
                .as("the same swap from a page written anew")
                .endsWith("/swap/accepted/" + version);
        assertThat(sent(amp, Map.of("wanted", "55"), UUID.randomUUID()).getStatus())
                .as("described anew since it was seen")
                .isEqualTo(409);
    }

    /** Two presses on their way at once are one: both lead to the work. */
    @RepeatedTest(5)
    void pressedTwiceAtOnceIsAcceptedOnce() throws Exception {
        Amp amp = amp();
        UUID version = UUID.randomUUID();
        List<CompletableFuture<MockHttpServletResponse>> presses = Stream.generate(() ->
                        CompletableFuture.supplyAsync(() -> {
                            try {
                                return sent(amp, Map.of(), version);
                            } catch (Exception failed) {
                                throw new IllegalStateException(failed);
                            }
                        }))
                .limit(3)
                .toList();
        for (CompletableFuture<MockHttpServletResponse> press : presses) {
            MockHttpServletResponse answer = press.get();
            assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(302);
        }
        assertThat(amps.amp(amp.id()).version()).isEqualTo(2);
    }
}
