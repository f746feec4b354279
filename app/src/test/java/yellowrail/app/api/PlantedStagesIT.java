package yellowrail.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.http.MediaType;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.AppIT;

/** The planted stages of the core over the routes of stage, load and swap: each gives a limit the same standing. */
class PlantedStagesIT extends AppIT {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Path CORE = Path.of("..", "core", "src", "test", "resources", "planted");
    private static final List<String> PASSES = List.of("INSIDE", "NONE_PUBLISHED", "NOT_APPLICABLE");
    private static final Map<String, String> ROWS = Map.of(
            "PLATE_VOLTS", "PLATE_VOLTS",
            "SCREEN_VOLTS", "SCREEN_VOLTS",
            "PLATE_WATTS", "PLATE_HEAT",
            "COMBINED_WATTS", "PLATE_HEAT",
            "SCREEN_WATTS", "SCREEN_HEAT",
            "CATHODE_AMPERES", "CATHODE_CURRENT");

    /** One line. */
    record Planted(Map<String, String> fields, List<String> limits, String why) {
        @Override
        public String toString() {
            return why + ": " + fields;
        }
    }

    private static List<Planted> read(String file) throws IOException {
        return Files.readAllLines(CORE.resolve(file)).stream()
                .filter(l -> !l.isBlank() && !l.startsWith("#"))
                .map(l -> l.split("::"))
                .map(p -> new Planted(
                        fields(p[0]),
                        Arrays.stream(p[1].split(",")).map(String::strip).toList(),
                        p[2].strip()))
                .toList();
    }

    private static Map<String, String> fields(String text) {
        Map<String, String> fields = new LinkedHashMap<>();
        for (String part : text.split(";")) {
            String[] pair = part.strip().split("=", 2);
            fields.put(pair[0], pair[1]);
        }
        // They were planted for a full sine.
        fields.putIfAbsent("duty", "tone");
        return fields;
    }

    static List<Planted> never() throws IOException {
        return read("judged-never.txt");
    }

    static List<Planted> fine() throws IOException {
        return read("judged-fine.txt");
    }

    private JsonNode sent(String route, Map<String, String> fields) throws Exception {
        var response = mvc.perform(post("/api/v1/" + route)
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(JSON.writeValueAsString(fields)))
                .andReturn()
                .getResponse();
        assertThat(response.getStatus()).as(response.getContentAsString()).isEqualTo(200);
        return JSON.readTree(response.getContentAsString());
    }

    private static String standing(JsonNode stage, String code) {
        return StreamSupport.stream(stage.get("limits").spliterator(), false)
                .filter(l -> l.get("code").asString().equals(code))
                .map(l -> l.get("standing").asString())
                .findFirst()
                .orElseThrow(() -> new AssertionError(code + " in " + stage.get("limits")));
    }

    /** The same stage asked for its load alone, with a speaker that shows it just that. */
    private JsonNode load(Planted planted) throws Exception {
        Map<String, String> fields = new LinkedHashMap<>(planted.fields());
        fields.put("marked", fields.getOrDefault("load", "4200"));
        fields.put("set1", "8");
        fields.put("coreDc", "500 mA");
        return sent("loads", fields);
    }

    private static String at8(JsonNode load) {
        return StreamSupport.stream(load.get("map").spliterator(), false)
                .filter(c -> Math.abs(c.get("factor").asDouble() - 1) < 0.01)
                .map(c -> c.get("standing").asString())
                .findFirst()
                .orElseThrow(() -> new AssertionError(load.toString()));
    }

    /** The same tubes into the same stage: what a sheet says of the limit. */
    private String row(Planted planted, String limit) throws Exception {
        Map<String, String> fields = new LinkedHashMap<>(planted.fields());
        fields.put("to1", fields.get("tube"));
        if (fields.containsKey("idle")) {
            fields.put("wanted", fields.get("idle"));
        }
        JsonNode sheet = sent("swaps", fields).get("sheets").get(0);
        String criterion = ROWS.get(limit.split(" ")[0]);
        return StreamSupport.stream(sheet.get("rows").spliterator(), false)
                .filter(r -> r.get("criterion").asString().equals(criterion))
                .map(r -> r.get("verdict").asString())
                .findFirst()
                .orElseThrow();
    }

    @ParameterizedTest
    @MethodSource("never")
    void passesNowhere(Planted planted) throws Exception {
        JsonNode stage = sent("stages", planted.fields());
        for (String limit : planted.limits()) {
            assertThat(standing(stage, limit)).isNotIn(PASSES);
            if (!planted.fields().containsKey("mains")) {
                JsonNode load = load(planted);
                if (limit.endsWith("IDLE")) {
                    assertThat(load.get("atAnyLoad").get("standing").asString()).isNotIn(PASSES);
                } else {
                    assertThat(at8(load)).isNotIn(PASSES);
                }
                if (!planted.fields().containsKey("judge")) {
                    assertThat(row(planted, limit)).isIn("FAIL", "UNKNOWN");
                }
            }
        }
    }

    @ParameterizedTest
    @MethodSource("fine")
    void passesEverywhere(Planted planted) throws Exception {
        JsonNode stage = sent("stages", planted.fields());
        for (String limit : planted.limits()) {
            assertThat(standing(stage, limit)).isEqualTo("INSIDE");
        }
        JsonNode any = load(planted).get("atAnyLoad");
        assertThat(any.isNull() || !any.get("worst").asString().contains("volts"))
                .as(String.valueOf(any))
                .isTrue();
        if (!planted.fields().containsKey("judge")) {
            assertThat(row(planted, "PLATE_VOLTS")).isIn("PASS", "NOTE");
            assertThat(row(planted, "SCREEN_VOLTS")).isIn("PASS", "NOTE");
        }
    }
}
