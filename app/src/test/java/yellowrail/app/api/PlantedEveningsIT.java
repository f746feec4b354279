package yellowrail.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.AppIT;
import yellowrail.app.amps.Amp;
import yellowrail.planted.PlantedAmps;
import yellowrail.planted.Script;
import yellowrail.planted.Script.Evening;
import yellowrail.planted.Step;

/** The planted evenings of the core over the JSON interface: each device says how long ago an entry was made. */
class PlantedEveningsIT extends AppIT {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Path CORE = Path.of("..", "core", "src", "test", "resources", "planted");

    static Stream<Evening> evenings() {
        return Stream.of("soaks.txt", "locks.txt").flatMap(f -> Script.of(CORE.resolve(f)).stream());
    }

    private MockHttpServletResponse send(String path, Object body) throws Exception {
        return mvc.perform(post(path).contentType(MediaType.APPLICATION_JSON).content(JSON.writeValueAsString(body)))
                .andReturn()
                .getResponse();
    }

    private String begin(Evening evening) throws Exception {
        Amp amp = amps.keep(UUID.randomUUID(), UUID.randomUUID(), 0, PlantedAmps.of(evening.amp()));
        String id = UUID.randomUUID().toString();
        var response = send(
                "/api/v1/sessions",
                Map.of("id", id, "amp", amp.id().toString(), "purpose", "YEARLY_CHECK", "meter", "fine handheld"));
        assertThat(response.getStatus()).as(text(response)).isEqualTo(201);
        return id;
    }

    private static String text(MockHttpServletResponse response) throws Exception {
        return response.getContentAsString(StandardCharsets.UTF_8);
    }

    /** A question of the edge is answered that the value is right: the evening says what was read. */
    private void tell(String session, Evening evening, Step step) throws Exception {
        Map<String, String> fields = new LinkedHashMap<>(step.fields());
        for (String confirmed : new String[] {"", "yes"}) {
            if (!confirmed.isEmpty()) {
                fields.put("confirmed", confirmed);
            }
            var response = send(
                    "/api/v1/sessions/" + session + "/events",
                    Map.of(
                            "id",
                            UUID.nameUUIDFromBytes((session + step.id()).getBytes(StandardCharsets.UTF_8)),
                            "kind",
                            step.kind(),
                            "device",
                            step.device(),
                            "madeAt",
                            1_000_000_000_000L + step.at(),
                            "sentAt",
                            1_000_000_000_000L + evening.end(),
                            "fields",
                            referring(session, fields)));
            if (response.getStatus() == 200 || (response.getStatus() == 422 && step.tried())) {
                return;
            }
            assertThat(response.getStatus())
                    .as(evening + ": " + step + " " + text(response))
                    .isEqualTo(409);
        }
        throw new AssertionError(evening + ": " + step + " was asked about twice");
    }

    private static Map<String, String> referring(String session, Map<String, String> fields) {
        Map<String, String> now = new LinkedHashMap<>(fields);
        for (String name : new String[] {"reading", "supersedes"}) {
            now.computeIfPresent(
                    name,
                    (k, id) -> UUID.nameUUIDFromBytes((session + id).getBytes(StandardCharsets.UTF_8))
                            .toString());
        }
        return now;
    }

    @ParameterizedTest
    @MethodSource("evenings")
    void endsAsInTheCore(Evening evening) throws Exception {
        String session = begin(evening);
        for (Step step : evening.steps()) {
            tell(session, evening, step);
        }
        JsonNode state = JSON.readTree(
                text(mvc.perform(get("/api/v1/sessions/" + session)).andReturn().getResponse()));
        switch (evening.outcome()) {
            case "proven" -> {
                assertThat(state.get("proof").get("wants")).isEmpty();
                assertThat(state.get("proof").get("state").asString()).isEqualTo("PROVEN");
            }
            case "unproven" ->
                assertThat(state.get("proof").get("state").asString()).isNotEqualTo("PROVEN");
            default -> {
                JsonNode open = state.get("open");
                String now = (open.get("hands").asBoolean() ? "hands+" : "hands-")
                        + (open.get("tubes").asBoolean() ? " tubes+" : " tubes-")
                        + (open.get("ohms").asBoolean() ? " ohms+" : " ohms-");
                assertThat(now).as(open.toString()).isEqualTo(evening.outcome());
            }
        }
        assertThat(mvc.perform(get("/bench/" + session + "/panel"))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(200);
    }
}
