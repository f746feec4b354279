package yellowrail.app.swap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.web.util.HtmlUtils;
import yellowrail.app.amps.Amp;

/** What is around an amp's tubes is asked once, and asked again where it may have changed. */
class KeptAnswersIT extends AcceptedPage {
    @Autowired
    private KeptAnswers kept;

    private MockHttpServletResponse keep(Amp amp, Map<String, String> other, UUID id) throws Exception {
        Map<String, String> fields = new HashMap<>(fromAmp.of(amp, 1).form().texts());
        fields.putAll(ANSWERS);
        fields.put("answersId", id.toString());
        fields.put("device", "bench phone");
        fields.putAll(other);
        MockHttpServletRequestBuilder request =
                post("/amps/" + amp.id() + "/swap/kept").with(csrf());
        fields.forEach(request::param);
        return mvc.perform(request).andReturn().getResponse();
    }

    private String field(Amp amp, String name) throws Exception {
        String page = mvc.perform(get("/amps/" + amp.id() + "/swap"))
                .andReturn()
                .getResponse()
                .getContentAsString();
        return HtmlUtils.htmlUnescape(page.split(" name=\"" + name + "\"", 2)[1].split(">", 2)[0]);
    }

    private String picked(Amp amp, String name) throws Exception {
        return picked(amp, name, "");
    }

    private String picked(Amp amp, String name, String query) throws Exception {
        String page = mvc.perform(get("/amps/" + amp.id() + "/swap" + query))
                .andReturn()
                .getResponse()
                .getContentAsString();
        String select = page.split(" name=\"" + name + "\"", 2)[1].split("</select>", 2)[0];
        return Stream.of(select.split("<option"))
                .filter(o -> o.contains("selected"))
                .map(o -> o.split("value=\"", 2)[1].split("\"", 2)[0])
                .findFirst()
                .orElse("");
    }

    @Test
    void standsThereTheNextTime() throws Exception {
        Amp amp = amp();
        assertThat(field(amp, "leak")).contains("value=\"\"");
        MockHttpServletResponse answer = keep(amp, Map.of("rectifierThen", "GZ34"), UUID.randomUUID());
        assertThat(answer.getStatus()).isEqualTo(302);
        assertThat(answer.getHeader("Location"))
                .contains("/amps/" + amp.id() + "/swap?")
                .contains("leak=100k");
        assertThat(field(amp, "leak")).contains("value=\"100k\"");
        assertThat(field(amp, "tied")).contains("value=\"none\"");
        assertThat(picked(amp, "oneToEight")).isEqualTo("yes");
        assertThat(picked(amp, "tried")).as("of the candidate alone").isEmpty();
        assertThat(field(amp, "rectifierThen")).as("of the candidate alone").contains("value=\"\"");
        assertThat(field(amp(), "leak")).as("another amp").contains("value=\"\"");
        // Whether such tubes have a sleeve is kept with their type.
        keep(amp, Map.of("to1", "KT88", "sleeve1", "no"), UUID.randomUUID());
        assertThat(picked(amp, "sleeve1", "?to1=kt88")).isEqualTo("no");
        assertThat(picked(amp, "sleeve1", "?to1=6550")).isEmpty();
        // A later answer goes before, also one that was taken back.
        assertThat(keep(amp, Map.of("leak", "", "winding", "7"), UUID.randomUUID())
                        .getStatus())
                .isEqualTo(302);
        assertThat(field(amp, "leak")).contains("value=\"\"");
        assertThat(field(amp, "winding")).contains("value=\"7\"");
    }

    /** The sockets' wires were told beside other tubes, and the work of a swap may have changed them. */
    @Test
    void wiringIsAskedAgainBesideOtherTubes() throws Exception {
        Amp amp = amp();
        keep(amp, Map.of("rectifier", "GZ34"), UUID.randomUUID());
        assertThat(field(amp, "rectifier")).contains("value=\"GZ34\"");
        assertThat(sent(amp, Map.of(), UUID.randomUUID()).getStatus()).isEqualTo(302);
        Amp swapped = amps.amp(amp.id());
        assertThat(swapped.description().stage().tubeTypes()).containsExactly("6L6GC");
        assertThat(field(swapped, "leak")).contains("value=\"100k\"");
        assertThat(field(swapped, "tied")).contains("value=\"\"");
        assertThat(field(swapped, "rectifier")).as("a swap may change it").contains("value=\"\"");
        assertThat(picked(swapped, "oneToEight")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "leak, much, was not understood",
        "tied, 1-6, Numbers of pins",
        "coldest, -10, the two seem to be exchanged",
        "tube, 6L6GC, the amp is described with EL34",
        "channel, 2, no channel 2"
    })
    void nothingIsHalfKept(String name, String text, String said) throws Exception {
        Amp amp = amp();
        MockHttpServletResponse answer = keep(amp, Map.of(name, text), UUID.randomUUID());
        assertThat(answer.getStatus()).isEqualTo(422);
        if (!name.equals("leak")) {
            assertThat(HtmlUtils.htmlUnescape(answer.getContentAsString())).contains(said);
        }
        assertThat(kept.of(amp.id(), 1, 1)).isEmpty();
    }

    /** The same press twice, at once too, keeps once; the same id for other answers is refused. */
    @Test
    void onceById() throws Exception {
        Amp amp = amp();
        UUID id = UUID.randomUUID();
        var both = Stream.of(1, 2)
                .map(i -> CompletableFuture.supplyAsync(() -> {
                    try {
                        return keep(amp, Map.of(), id).getStatus();
                    } catch (Exception e) {
                        throw new IllegalStateException(e);
                    }
                }))
                .toList();
        assertThat(both.stream().map(CompletableFuture::join)).containsOnly(302);
        assertThat(keep(amp, Map.of("leak", "47k"), id).getStatus()).isEqualTo(409);
        assertThat(kept.of(amp.id(), 1, 1).orElseThrow().texts()).containsEntry("leak", "100k");
    }
}
