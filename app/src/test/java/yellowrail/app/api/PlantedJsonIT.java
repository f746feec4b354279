package yellowrail.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.AppIT;

/**
 * The planted checks of the core sent over the JSON interface, and what an edge must refuse or ask about. A line of a file
 * is {@code base + field=value; field=value :: why}.
 */
class PlantedJsonIT extends AppIT {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Path CORE = Path.of("..", "core", "src", "test", "resources", "planted");
    private static final Path HERE = Path.of("src", "test", "resources", "planted");

    /** One line. */
    record Planted(String why, Map<String, Object> fields) {
        @Override
        public String toString() {
            return why;
        }
    }

    static List<Planted> read(Path file) {
        List<Planted> cases = new ArrayList<>();
        Map<String, Map<String, Object>> bases = new LinkedHashMap<>();
        try {
            for (String line : Files.readAllLines(file)) {
                if (line.startsWith("base ")) {
                    String[] base = line.substring(5).split(":", 2);
                    bases.put(base[0].strip(), fields(Map.of(), base[1]));
                } else if (!line.isBlank() && !line.startsWith("#")) {
                    String[] parts = line.split("::", 2);
                    String[] asked = parts[0].split("\\+", 2);
                    Map<String, Object> base = bases.get(asked[0].strip());
                    cases.add(new Planted(parts[1].strip(), fields(base, asked.length > 1 ? asked[1] : "")));
                }
            }
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
        return cases;
    }

    /** A value is sent as text, but {@code !true} and the like as JSON. */
    static Map<String, Object> fields(Map<String, Object> base, String text) {
        Map<String, Object> fields = new LinkedHashMap<>(base);
        for (String part : text.split(";")) {
            String[] pair = part.split("=", 2);
            if (pair.length == 2) {
                String value = pair[1].strip();
                fields.put(
                        pair[0].strip(),
                        value.startsWith("!") ? JSON.readValue(value.substring(1), Object.class) : value);
                if (value.isEmpty()) {
                    fields.remove(pair[0].strip());
                }
            }
        }
        return fields;
    }

    static List<Planted> never() {
        return read(CORE.resolve("never-green.txt"));
    }

    static List<Planted> fine() {
        return read(CORE.resolve("plainly-fine.txt"));
    }

    static List<Planted> refused() {
        return read(HERE.resolve("refused-checks.txt"));
    }

    static List<Planted> asked() {
        return read(HERE.resolve("asked-checks.txt"));
    }

    private MockHttpServletResponse send(Map<String, Object> fields) throws Exception {
        return mvc.perform(post("/api/v1/idle-checks")
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(JSON.writeValueAsString(fields)))
                .andReturn()
                .getResponse();
    }

    @ParameterizedTest
    @MethodSource("never")
    void isNotGreen(Planted planted) throws Exception {
        MockHttpServletResponse answer = send(planted.fields());
        assertThat(answer.getStatus()).isIn(200, 409, 422);
        if (answer.getStatus() == 200) {
            JsonNode read = JSON.readTree(answer.getContentAsString());
            assertThat(read.get("allClear").asBoolean())
                    .as(read.get("reasons").toString())
                    .isFalse();
        }
    }

    @ParameterizedTest
    @MethodSource("fine")
    void isGreen(Planted planted) throws Exception {
        MockHttpServletResponse answer = send(planted.fields());
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(200);
        JsonNode read = JSON.readTree(answer.getContentAsString());
        assertThat(read.get("allClear").asBoolean())
                .as(read.get("reasons").toString())
                .isTrue();
    }

    @ParameterizedTest
    @MethodSource("refused")
    void isRefusedWithWhatIsKnown(Planted planted) throws Exception {
        MockHttpServletResponse answer = send(planted.fields());
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(422);
        JsonNode errors = JSON.readTree(answer.getContentAsString()).get("errors");
        assertThat(errors).isNotEmpty();
        errors.forEach(e -> assertThat(e.get("message").asString()).isNotBlank());
    }

    @ParameterizedTest
    @MethodSource("asked")
    void isAskedAboutAndTakenOnceConfirmed(Planted planted) throws Exception {
        MockHttpServletResponse answer = send(planted.fields());
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(409);
        JsonNode question = JSON.readTree(answer.getContentAsString());
        assertThat(question.get("choices").isArray()).isTrue();
        Map<String, Object> again = new LinkedHashMap<>(planted.fields());
        List<String> names = new ArrayList<>();
        question.get("confirm").forEach(f -> names.add(f.asString()));
        again.put("confirmed", String.join(";", names));
        MockHttpServletResponse confirmed = send(again);
        assertThat(confirmed.getStatus()).as(confirmed.getContentAsString()).isEqualTo(200);
        assertThat(JSON.readTree(confirmed.getContentAsString()).get("allClear").asBoolean())
                .isFalse();
    }

    @Test
    void thereAreEnough() {
        assertThat(never().size() + refused().size() + asked().size()).isGreaterThanOrEqualTo(300);
        assertThat(fine()).hasSizeGreaterThanOrEqualTo(100);
    }
}
