package yellowrail.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import org.junit.jupiter.api.Test;
import org.springframework.http.MediaType;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.AppIT;

class SwapApiIT extends AppIT {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private JsonNode sent(String body, int status) throws Exception {
        var response = mvc.perform(post("/api/v1/swaps")
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andReturn()
                .getResponse();
        assertThat(response.getStatus()).as(response.getContentAsString()).isEqualTo(status);
        return JSON.readTree(response.getContentAsString());
    }

    /** Four tubes by four of 1.5 A on a winding of 4.4 A that also feeds 0.6 A. */
    @Test
    void everyCandidateWithItsRows() throws Exception {
        JsonNode sheets = sent("""
                {"tube": "6L6GC", "tubes": "4", "load": "2.1k", "supply": "380", "idle": "60", "to1": "EL34", "to2": "6L6GC",
                 "winding": "4.4", "others": "0.6", "oneToEight": "yes", "tied": "none"}""", 200).get("sheets");
        assertThat(sheets).hasSize(2);
        JsonNode one = sheets.get(0);
        assertThat(one.get("candidate").asString()).isEqualTo("4 × EL34");
        assertThat(one.get("overall").asString()).isEqualTo("FAIL");
        assertThat(one.get("deciding").asString()).isEqualTo("HEATER");
        JsonNode heater = one.get("rows").get(1);
        assertThat(heater.get("criterion").asString()).isEqualTo("HEATER");
        assertThat(heater.get("share").asDouble()).isCloseTo(6.6 / 4.4, within(1e-9));
        assertThat(heater.get("reason").asString()).contains("2.20 A over");
        assertThat(one.get("idleWattsBefore").asDouble()).isCloseTo(18, within(1e-6));
        assertThat(one.get("idleWattsAfter").asDouble()).isCloseTo(15, within(1e-6));
        assertThat(sheets.get(1).get("overall").asString())
                .as("no grid resistor told")
                .isEqualTo("UNKNOWN");
    }

    @Test
    void failsClosed() throws Exception {
        assertThat(sent("{\"to5\": \"EL34\"}", 422).toString()).contains("to5");
        assertThat(sent("{\"to1\": \"6L6\"}", 422).toString()).contains("6L6GC");
        assertThat(sent("{\"to1\": \"EL34\", \"to2\": \"nothing\"}", 422).toString())
                .contains("to2");
        assertThat(sent("{\"winding\": \"-3\"}", 422).toString()).contains("winding");
        assertThat(sent("{\"coldest\": \"40\"}", 422).toString()).contains("below zero");
        assertThat(sent("{\"coldest\": \"-20\", \"hottest\": \"-40\"}", 422).toString())
                .contains("exchanged");
        assertThat(sent("{\"oneToEight\": \"maybe\"}", 422).toString()).contains("maybe");
        assertThat(sent("{\"tied\": \"one\"}", 422).toString()).contains("Numbers of pins");
        assertThat(sent("{\"reserve\": \"70 %\"}", 422).toString()).contains("reserve");
        assertThat(sent("{\"ohms1\": \"300\"}", 422).toString()).contains("cathode bias");
        assertThat(sent("{\"lowest\": \"120 %\"}", 422).toString()).contains("lowest");
        assertThat(sent("{\"mains\": \"90\"}", 422).toString()).contains("judged at lowest, nominal");
        assertThat(sent("{\"tap\": \"140 %\", \"wired1\": \"ul\"}", 422).toString())
                .contains("tap");
        assertThat(sent("{\"bias1\": \"cathode\", \"ohms1\": \"300\"}", 200).toString())
                .contains("On 300 Ω");
        assertThat(sent("{\"tube\": \"X\"}", 422).toString()).contains("tube");
    }
}
