package yellowrail.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.AppIT;
import yellowrail.app.amps.Amp;
import yellowrail.app.rounds.Reading;
import yellowrail.app.rounds.RoundForm;
import yellowrail.app.rounds.RoundReader;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Bias;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.Supply;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.amp.sensing.SharedResistor;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;

/** Planted rounds over the JSON interface: what must not be green, what is refused or asked about, and what is fine. */
class PlantedRoundsIT extends AppIT {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Set<String> NAMES =
            Set.of("limiter", "reduced", "pair", "limitter", "ref", "meter", "ampVersion", "takenAt", "spread");

    private static final Map<String, Amp> AMPS = new HashMap<>();

    /** One line. */
    record Planted(String amp, Map<String, Object> fields, String outcome, String why) {
        @Override
        public String toString() {
            return outcome + ": " + why;
        }
    }

    static List<Planted> cases() throws IOException {
        List<Planted> cases = new ArrayList<>();
        Map<String, Map<String, Object>> bases = new HashMap<>();
        for (String line : Files.readAllLines(Path.of("src", "test", "resources", "planted", "rounds.txt"))) {
            if (line.startsWith("base ")) {
                String[] base = line.substring(5).split(":", 2);
                bases.put(base[0].strip(), PlantedJsonIT.fields(Map.of(), base[1]));
            } else if (!line.isBlank() && !line.startsWith("#")) {
                String[] parts = line.split("::");
                String[] asked = parts[0].split("\\+", 2);
                Map<String, Object> base = bases.get(asked[0].strip());
                cases.add(new Planted(
                        asked[0].strip(),
                        PlantedJsonIT.fields(base, asked.length > 1 ? asked[1] : ""),
                        parts[1].strip(),
                        parts[2].strip()));
            }
        }
        return cases;
    }

    private Amp amp(String kind) {
        return AMPS.computeIfAbsent(
                kind,
                k -> amps.keep(UUID.randomUUID(), UUID.randomUUID(), 0, description(k, pair("Rail " + k, "6L6GC"))));
    }

    private static AmpDescription description(String kind, AmpDescription a) {
        List<Socket> sockets = kind.equals("unlike")
                ? List.of(a.sockets().get(0), new Socket("V2", 1, Socket.Side.B, "KT66"))
                : a.sockets();
        List<SenseGroup> groups = kind.equals("shared")
                ? List.of(new SenseGroup(
                        "V1 V2", List.of("V1", "V2"), new SharedResistor(SenseResistor.marked(10, 1), 2)))
                : a.groups();
        return new AmpDescription(
                a.name(),
                a.stage().seated(sockets),
                new Bias(
                        kind.equals("unknown")
                                ? BiasScheme.FIXED_UNKNOWN
                                : a.bias().scheme(),
                        a.bias().controls()),
                groups,
                new Supply(
                        a.mains(),
                        a.supply().nodes(),
                        kind.equals("choke") ? Optional.of(100.0) : a.supply().chokeOhms(),
                        a.supply().windings()),
                a.output(),
                a.judging(),
                a.quirks());
    }

    private MockHttpServletResponse send(Planted planted, List<String> confirmed) throws Exception {
        Map<String, Object> body = new LinkedHashMap<>();
        Map<String, Object> values = new LinkedHashMap<>();
        planted.fields().forEach((name, value) -> (NAMES.contains(name) ? body : values).put(name, value));
        body.put("id", UUID.randomUUID().toString());
        body.put("values", values);
        if (!confirmed.isEmpty()) {
            body.put("confirmed", confirmed);
        }
        return mvc.perform(post("/api/v1/amps/" + amp(planted.amp()).id() + "/rounds")
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(JSON.writeValueAsString(body)))
                .andReturn()
                .getResponse();
    }

    @ParameterizedTest
    @MethodSource("cases")
    void comesOutAsItShould(Planted planted) throws Exception {
        Amp amp = amp(planted.amp());
        int before = rounds.rounds(amp.id()).size();
        MockHttpServletResponse answer = send(planted, List.of());
        String said = answer.getContentAsString();
        boolean kept = planted.outcome().equals("green") || planted.outcome().equals("open");
        assertThat(rounds.rounds(amp.id()).size()).as(said).isEqualTo(kept ? before + 1 : before);
        switch (planted.outcome()) {
            case "green", "open" -> {
                assertThat(answer.getStatus()).as(said).isEqualTo(201);
                assertThat(JSON.readTree(said).get("allClear").asBoolean())
                        .as(said)
                        .isEqualTo(planted.outcome().equals("green"));
            }
            case "refused" -> {
                assertThat(answer.getStatus()).as(said).isIn(404, 422);
                assertThat(JSON.readTree(said).get("detail").asString()).isNotBlank();
            }
            case "asked" -> {
                assertThat(answer.getStatus()).as(said).isEqualTo(409);
                JsonNode question = JSON.readTree(said);
                assertThat(question.get("choices").isArray()).isTrue();
                List<String> names = new ArrayList<>();
                question.get("confirm").forEach(f -> names.add(f.asString()));
                assertThat(names).isNotEmpty();
                MockHttpServletResponse confirmed = send(planted, names);
                assertThat(confirmed.getStatus())
                        .as(confirmed.getContentAsString())
                        .isEqualTo(201);
                assertThat(JSON.readTree(confirmed.getContentAsString())
                                .get("allClear")
                                .asBoolean())
                        .as(confirmed.getContentAsString())
                        .isFalse();
            }
            default -> throw new IllegalStateException(planted.outcome());
        }
    }

    /** What earlier versions took is answered with a finding on every page. */
    @ParameterizedTest
    @ValueSource(doubles = {470, 0, -230, 2.3, 1e7})
    void aMainsStoredBeforeItWasAskedAboutFailsNoPage(double mains) throws Exception {
        Amp amp = amps.keep(UUID.randomUUID(), UUID.randomUUID(), 0, pair("Rail old " + mains, "6L6GC"));
        UUID id = UUID.randomUUID();
        Map<String, String> values = new LinkedHashMap<>(pairValues("447.0 mV", "451.0 mV"));
        values.remove("MAINS.");
        RoundForm form = RoundForm.of(id.toString(), values);
        RoundReader.Read read = RoundReader.read(form, amp.description(), id, Meter.CLASSES, OffsetDateTime.now());
        List<Reading> readings = new ArrayList<>(read.readings());
        readings.add(Reading.of(
                UUID.randomUUID(),
                id,
                readings.size() + 1,
                Quantity.MAINS,
                "",
                Typed.of(mains, Unit.VOLT),
                read.takenAt()));
        rounds.keep(id, amp, read.takenAt(), read.state(), "", readings);
        UUID sound = keepRound(amp, pairValues("447.0 mV", "451.0 mV"));
        for (String page : List.of(
                "/",
                "/bench",
                "/amps",
                "/amps/" + amp.id(),
                "/amps/" + amp.id() + "/stage",
                "/amps/" + amp.id() + "/compare?a=" + id + "&b=" + sound,
                "/rounds/" + id,
                "/api/v1/amps/" + amp.id() + "/rounds")) {
            mvc.perform(get(page)).andExpect(status().isOk());
        }
        JsonNode judged = JSON.readTree(mvc.perform(get("/api/v1/rounds/" + id))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsString());
        assertThat(judged.get("allClear").asBoolean()).isFalse();
        assertThat(judged.get("reasons").toString()).contains("ains");
    }
}
