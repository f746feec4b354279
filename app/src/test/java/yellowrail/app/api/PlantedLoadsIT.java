package yellowrail.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.AppIT;
import yellowrail.app.speakers.SpeakerStore;
import yellowrail.core.load.HeatOverFrequency;
import yellowrail.core.load.Speaker;

/** Planted loads, transformers and speakers: none that is dangerous passes, none that is fine is doubted. */
class PlantedLoadsIT extends AppIT {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Path PLANTED = Path.of("src", "test", "resources", "planted", "loads.txt");
    private static final Set<String> PASSES = Set.of("INSIDE", "NONE_PUBLISHED", "NOT_APPLICABLE");

    /** A cool stage, and a speaker called A beside it. */
    private static final Map<String, String> USUAL = Map.ofEntries(
            Map.entry("tube", "6L6GC"),
            Map.entry("supply", "380"),
            Map.entry("idle", "50"),
            Map.entry("highest", "104"),
            Map.entry("duty", "music"),
            Map.entry("load", "4.2k"),
            Map.entry("marked", "4.2k"));

    private static final Map<String, String> SPEAKER = Map.of(
            "coilOhms", "6.4",
            "coilHenries", "0.6 mH",
            "eddyOhms", "30",
            "resonance", "80",
            "peakOhms", "46.4",
            "quality", "5");

    @Autowired
    private SpeakerStore speakers;

    /** One line. */
    record Planted(String kind, Map<String, String> fields, String said, String why) {
        @Override
        public String toString() {
            return why + ": " + fields;
        }
    }

    private static List<Planted> read(String kind) throws IOException {
        return Files.readAllLines(PLANTED).stream()
                .filter(l -> !l.isBlank() && !l.startsWith("#"))
                .map(l -> l.split("::"))
                .filter(p -> p[0].strip().equals(kind))
                .map(p -> new Planted(kind, fields(p[1]), p[2].strip(), p[3].strip()))
                .toList();
    }

    private static Map<String, String> fields(String text) {
        Map<String, String> fields = new LinkedHashMap<>(USUAL);
        for (String part : text.split(";")) {
            String[] pair = part.strip().split("=", 2);
            fields.put(pair[0], pair[1]);
        }
        if (fields.get("set1").equals("A")) {
            fields.putAll(SPEAKER);
        }
        return fields;
    }

    static List<Planted> never() throws IOException {
        return read("never");
    }

    static List<Planted> neverHeat() throws IOException {
        return read("never-heat");
    }

    static List<Planted> fine() throws IOException {
        return read("fine");
    }

    static List<Planted> fineHeat() throws IOException {
        return read("fine-heat");
    }

    @BeforeEach
    void keepSpeakers() {
        keep("fair", Optional.of(8.0), 1);
        keep("bare", Optional.empty(), 1);
        keep("dip", Optional.of(8.0), 2.4 / 6.5);
        keep("high", Optional.of(4.0), 1);
        keep("short", Optional.of(8.0), 1, 250);
    }

    private void keep(String name, Optional<Double> marked, double scale) {
        keep(name, marked, scale, 20);
    }

    private void keep(String name, Optional<Double> marked, double scale, double from) {
        if (!speakers.named(name::equals).isEmpty()) {
            return;
        }
        Speaker cone = new Speaker.Modelled(6.4, 0.6e-3, 30, 80, 46.4, 5);
        StringBuilder text = new StringBuilder();
        for (double hertz : HeatOverFrequency.spread(from, 20e3, 300)) {
            text.append(String.format(
                    Locale.ROOT, "%.4f %.4f%n", hertz, scale * cone.at(hertz).norm()));
        }
        speakers.keep(UUID.randomUUID(), name, marked, text.toString());
    }

    /** What is answered; a refusal is a problem with its sentences. */
    private record Answer(int status, JsonNode body) {}

    private Answer sent(String route, Map<String, String> fields) throws Exception {
        var response = mvc.perform(post("/api/v1/" + route)
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(JSON.writeValueAsString(fields)))
                .andReturn()
                .getResponse();
        return new Answer(response.getStatus(), JSON.readTree(response.getContentAsString()));
    }

    private static boolean green(JsonNode load, String open) {
        return load.get("atAnyLoad").isNull()
                && StreamSupport.stream(load.get("map").spliterator(), false)
                        .filter(c -> c.get("tap").asDouble() == Double.parseDouble(open.split(":")[0]))
                        .anyMatch(cell -> !cell.get("stop").asBoolean()
                                && PASSES.contains(cell.get("standing").asString())
                                && cell.get("twofold").isNull())
                && StreamSupport.stream(load.get("remarks").spliterator(), false)
                        .allMatch(r -> r.get("weight").asString().equals("NOTE")
                                || r.get("code").asString().equals("UNUSUAL_CONFIRMED"));
    }

    private static boolean cool(JsonNode heat) {
        return StreamSupport.stream(heat.get("limits").spliterator(), false)
                .allMatch(l -> PASSES.contains(l.get("standing").asString()));
    }

    @ParameterizedTest
    @MethodSource("never")
    void neverGreen(Planted planted) throws Exception {
        Answer answer = sent("loads", planted.fields());
        assertThat(answer.body().toString()).contains(planted.said());
        assertThat(answer.status()).isIn(200, 422);
        assertThat(answer.status() == 200
                        && green(answer.body(), planted.fields().get("open")))
                .isFalse();
    }

    @ParameterizedTest
    @MethodSource("fine")
    void plainlyFine(Planted planted) throws Exception {
        Answer answer = sent("loads", planted.fields());
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        assertThat(green(answer.body(), planted.fields().get("open")))
                .as(answer.body().toString())
                .isTrue();
        assertThat(answer.body().toString()).contains(planted.said());
    }

    @ParameterizedTest
    @MethodSource("neverHeat")
    void neverCool(Planted planted) throws Exception {
        Answer answer = sent("loads/heat", planted.fields());
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        assertThat(cool(answer.body())).as(answer.body().toString()).isFalse();
    }

    @ParameterizedTest
    @MethodSource("fineHeat")
    void coolEnough(Planted planted) throws Exception {
        Answer answer = sent("loads/heat", planted.fields());
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        assertThat(cool(answer.body()))
                .as(answer.body().get("limits").toString())
                .isTrue();
    }
}
