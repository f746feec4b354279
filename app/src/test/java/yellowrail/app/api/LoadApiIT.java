package yellowrail.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.AppIT;
import yellowrail.app.speakers.SpeakerStore;
import yellowrail.core.load.HeatOverFrequency;
import yellowrail.core.load.Speaker;

class LoadApiIT extends AppIT {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Autowired
    private SpeakerStore speakers;

    private JsonNode sent(String body, int status) throws Exception {
        return sent("/api/v1/loads", body, status);
    }

    private JsonNode sent(String path, String body, int status) throws Exception {
        var response = mvc.perform(post(path)
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
                {"taps": "4 8", "driven1": "tap-8", "drive1": "0.1828", "other1": "primary", "volts1": "4.766",
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
                .isIn("OVER", "OPEN_QUESTION", "TOO_CLOSE", "INSIDE", "NONE_PUBLISHED");
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

    /** What is sent of copper, inductance and core is answered, worked by hand. */
    @Test
    void copperInductanceAndCoreAreAnswered() throws Exception {
        JsonNode real = sent("""
                {"marked": "4.2 k", "halfA": "70", "halfB": "78", "secondaryDc": "0.4", "henries": "80",
                 "ratedWatts": "50", "ratedHertz": "40", "set1": "8"}""", 200).get("real");
        assertThat(real.get("tap").asDouble()).isEqualTo(8);
        assertThat(real.get("primaryCopperOhms").asDouble()).isCloseTo(148, within(1e-9));
        // n² is 525.
        assertThat(real.get("secondaryCopperOhms").asDouble()).isCloseTo(210, within(1e-6));
        assertThat(real.get("seenOhms").asDouble()).isCloseTo(4200 + 148 + 210, within(1e-6));
        assertThat(real.get("efficiency").asDouble()).isCloseTo(4200.0 / 4558, within(1e-6));
        assertThat(real.get("magnetisingShare").asDouble())
                .isCloseTo(Math.pow(148 / (2 * Math.PI * 50 * 80), 2) / 2, within(1e-9));
        double lowest = 40 * Math.sqrt(real.get("fullWatts").asDouble() / 50);
        assertThat(real.get("lowestHertz").asDouble()).isCloseTo(lowest, within(1e-6));
        assertThat(real.get("wattsAtLowestNote").asDouble()).isCloseTo(50.0 * 80 * 80 / (40 * 40), within(1e-6));
        double output = real.get("outputOhms").asDouble();
        // Into the load with its copper, as the stage is solved.
        assertThat(real.get("cornerHertz").asDouble() * 2 * Math.PI * 80)
                .isBetween(0.9 * 4200 * output / (4200 + output), 4558.0);
        JsonNode bare = sent("{\"marked\": \"4.2 k\"}", 200).get("real");
        assertThat(bare.get("seenOhms").isNull()).as("nothing was sent of it").isTrue();
        assertThat(bare.get("cornerHertz").isNull()).isTrue();
    }

    @Test
    void heatOverFrequency() throws Exception {
        String speaker = """
                {"marked": "4.2 k", "coilOhms": "6.4", "coilHenries": "0.6", "eddyOhms": "30", "resonance": "80",
                 "peakOhms": "46", "quality": "5", "set1": "%s", "open": "8:1", "henries": "60", "duty": "clean"}""";
        JsonNode heat = sent("/api/v1/loads/heat", speaker.formatted("A"), 200);
        JsonNode plate = heat.get("limits").get(0);
        assertThat(plate.get("lowHertz").asDouble()).isEqualTo(80);
        assertThat(plate.get("highHertz").asDouble()).isEqualTo(5000);
        JsonNode tone = sent("/api/v1/loads/heat", speaker.formatted("A").replace("clean", "tone"), 200)
                .get("limits")
                .get(0);
        assertThat(tone.get("lowHertz").asDouble())
                .isEqualTo(tone.get("highHertz").asDouble())
                .isBetween(80.0, 5000.0);
        assertThat(sent("/api/v1/loads/heat", speaker.formatted("A").replace("60", ""), 200)
                        .get("cautions")
                        .toString())
                .contains("inductance is not known");
        assertThat(heat.get("tap").asDouble()).isEqualTo(8);
        assertThat(heat.get("points").size()).isGreaterThan(20);
        JsonNode one = heat.get("points").get(0);
        assertThat(one.get("hertz").asDouble()).isCloseTo(20, within(0.1));
        assertThat(one.get("plateWatts").asDouble()).isPositive();
        assertThat(heat.get("limits").get(0).get("limit").asString()).isEqualTo("plateWatts");
        assertThat(heat.get("cautions")).isEmpty();
        double share = heat.get("limits").get(0).get("share").asDouble();
        assertThat(heat.get("limits").get(0).get("standing").asString()).isEqualTo(share > 1.05 ? "OVER" : "INSIDE");
        assertThat(sent("/api/v1/loads/heat", speaker.formatted("8"), 422).toString())
                .contains("with a curve");
        assertThat(sent("/api/v1/loads/heat", "{\"taps\": \"eight\"}", 422).toString())
                .contains("the taps' ohms");
    }

    /** A curve that begins above its resonance is no all-clear: what it hides is said, and nothing stands beyond its ends. */
    @Test
    void heatOfACurveThatEndsWithinTheBand() throws Exception {
        Speaker cone = new Speaker.Modelled(6.4, 0.6e-3, 30, 80, 46.4, 5);
        StringBuilder text = new StringBuilder();
        for (double hertz : HeatOverFrequency.spread(250, 20e3, 60)) {
            text.append(String.format(
                    Locale.ROOT, "%.4f %.4f%n", hertz, cone.at(hertz).norm()));
        }
        String name = "ends" + UUID.randomUUID().toString().replaceAll("[^a-f]", "");
        speakers.keep(UUID.randomUUID(), name, Optional.of(8.0), text.toString());
        JsonNode heat = sent(
                "/api/v1/loads/heat", "{\"marked\": \"4.2 k\", \"open\": \"8:1\", \"set1\": \"" + name + "\"}", 200);
        assertThat(heat.get("cautions").toString()).contains("does not reach over the band of a guitar");
        // Within the twentieth by which a curve may end early.
        assertThat(heat.get("points").get(0).get("hertz").asDouble()).isGreaterThanOrEqualTo(0.95 * 250);
    }

    /** What is no text is refused by its name, and so is a text that nobody understands, used or not. */
    @Test
    void whatIsNoTextIsRefused() throws Exception {
        assertThat(sent("{\"load\": 4200}", 422).toString()).contains("\"load\"", "A text is taken here");
        assertThat(sent("{\"taps\": [4, 8]}", 422).toString()).contains("\"taps\"", "A text is taken here");
        assertThat(sent("{\"set1\": {\"ohms\": 8}}", 422).toString()).contains("\"set1\"", "A text is taken here");
        assertThat(sent("{\"band\": true}", 422).toString()).contains("\"band\"", "A text is taken here");
        assertThat(sent("{\"tap\": \"??\", \"connection\": \"pentode\"}", 422).toString())
                .contains("\"tap\"");
        assertThat(sent("{\"open\": \"32:1\"}", 422).toString()).contains("is no cell of this map");
        assertThat(sent("{\"transformer\": \"one\"}", 422).toString()).contains("No transformer is kept");
        assertThat(sent("{\"halfA\": \"47 k\"}", 422).toString()).contains("0.1 Ω to 5000 Ω is taken");
    }
}
