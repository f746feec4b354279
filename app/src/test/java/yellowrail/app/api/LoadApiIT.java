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

class LoadApiIT extends AppIT {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private JsonNode sent(String body, int status) throws Exception {
        var response = mvc.perform(post("/api/v1/loads")
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andReturn()
                .getResponse();
        assertThat(response.getStatus()).as(response.getContentAsString()).isEqualTo(status);
        return JSON.readTree(response.getContentAsString());
    }

    /** A transformer measured from its low side, and two cabinets on it. */
    @Test
    void aMeasuredTransformer() throws Exception {
        JsonNode answer = sent("""
                {"taps": "4 8", "driven1": "tap-8", "drive1": "0.914", "other1": "primary", "volts1": "23.83",
                 "set1": "16 | 16", "set2": "100", "load": "5.44k"}""", 200);
        JsonNode tap = answer.get("taps").get(1);
        assertThat(tap.get("source").asString()).isEqualTo("MEASURED");
        assertThat(tap.get("turns").get("value").asDouble()).isCloseTo(26.07, within(0.01));
        assertThat(tap.get("primaryOhms").get("value").asDouble()).isCloseTo(5440, within(5.0));
        assertThat(tap.get("primaryOhms").get("likely").asDouble()).isGreaterThan(10);
        assertThat(answer.get("map")).hasSize(4);
        JsonNode open = answer.get("map").get(2);
        assertThat(open.get("stop").asBoolean()).isTrue();
        assertThat(open.get("standing").isNull()).isTrue();
        assertThat(open.get("worst").asString()).contains("as good as open");
        assertThat(answer.get("map").get(1).get("factor").asDouble()).isCloseTo(1, within(0.01));
        assertThat(answer.get("map").get(1).get("standing").asString())
                .isIn("OVER", "TOO_CLOSE", "INSIDE", "NONE_PUBLISHED");
        assertThat(answer.get("remarks").get(0).get("code").asString()).isEqualTo("ONE_SIDE_ONLY");
    }

    /** A drive that would be dangerous counts for nothing, and nothing unknown is ignored. */
    @Test
    void failsClosed() throws Exception {
        JsonNode unsafe = sent("""
                {"driven1": "tap-8", "drive1": "6.3", "other1": "primary", "volts1": "164.2"}""", 200);
        assertThat(unsafe.get("map")).isEmpty();
        assertThat(unsafe.get("remarks").get(0).get("weight").asString()).isEqualTo("STOP");
        assertThat(unsafe.get("taps").get(0).get("turns").isNull()).isTrue();
        assertThat(sent("{\"tapz\": \"8\"}", 422).toString()).contains("tapz");
        assertThat(sent("{\"taps\": \"eight\"}", 422).toString()).contains("the taps' ohms");
        assertThat(sent("{\"tube\": \"X\"}", 422).toString()).contains("tube");
    }
}
