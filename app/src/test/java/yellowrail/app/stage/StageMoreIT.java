package yellowrail.app.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.stream.Stream;
import org.hamcrest.Matchers;
import org.junit.jupiter.api.Test;
import org.springframework.http.MediaType;
import tools.jackson.databind.JsonNode;
import yellowrail.core.stage.Sweep;
import yellowrail.core.stage.SweepPoint;

/** What a stage gives beside its picture: what changes, measured points, sweeps, netlist, JSON. */
class StageMoreIT extends StageAnswers {
    @Test
    void keptSettingsStandBesideWithWhatChanges() throws Exception {
        JsonNode p = json.readTree(mvc.perform(get("/stage/picture")
                        .param("idle", "80")
                        .param("keep", "idle=50", "idle=80&load=8k", "load=2k"))
                .andReturn()
                .getResponse()
                .getContentAsString());
        JsonNode settings = p.get("settings");
        assertThat(settings.size()).isEqualTo(3);
        assertThat(settings.get(1).get("label").asString()).isEqualTo("idle 50 %");
        assertThat(settings.get(1).get("changes").asString()).contains("hottest plate with signal rises from");
        assertThat(settings.get(2).get("label").asString()).isEqualTo("load 8k");
        // A kept setting that cannot be computed any more says so and costs the picture nothing.
        JsonNode broken = picture("keep=tube%3DKT150");
        assertThat(broken.get("settings").get(1).get("trouble").asString()).isNotEmpty();
        assertThat(broken.get("trouble").asString()).isEmpty();
    }

    @Test
    void measuredPointsThatAreNotUnderstoodLeaveThePicture() throws Exception {
        JsonNode good = picture("measured=1, 1000, 5, 0.8%0A2, 1000, 20, 2");
        assertThat(good.get("measured").size()).isEqualTo(2);
        assertThat(good.get("measured").get(1).get("distortion").asDouble()).isEqualTo(0.02);
        JsonNode bad = picture("measured=1, 1000, lots, 0.8");
        assertThat(bad.get("said").get("measured").get("sentence").asString()).contains("“lots” is no number");
        assertThat(bad.get("chart").isNull()).isFalse();
    }

    @Test
    void sweepsComeLineByLineAndAreWhatTheCoreComputes() throws Exception {
        List<JsonNode> pieces = pieces("load=5k");
        for (Sweep sweep : Sweep.values()) {
            assertThat(pieces.stream()
                            .filter(p -> sweep.name().equals(p.get("sweep").asString(""))))
                    .hasSize(sweep.places().size());
        }
        JsonNode point = pieces.stream()
                .filter(p -> "LOAD".equals(p.get("sweep").asString("")))
                .map(p -> p.get("point"))
                .filter(p -> p.get("at").asDouble() == 0.5)
                .findFirst()
                .orElseThrow();
        SweepPoint core = SweepPoint.of(Sweep.LOAD, read("load=5k").setting().orElseThrow(), 0.5);
        assertThat(point.get("watts").asDouble()).isEqualTo(core.watts());
        assertThat(point.get("plateWatts").asDouble()).isEqualTo(core.plateWatts());
        assertThat(Stream.of("TARGET", "CLEAN", "SCREENS"))
                .allMatch(kind -> pieces.stream()
                        .anyMatch(p -> kind.equals(p.get("kind").asString())
                                && !p.get("words").get(0).asString().isEmpty()));
        assertThat(pieces("load=0")).isEmpty();
    }

    @Test
    void theCacheIsBoundedAndAMovedSliderKeepsItsOwnSweep() throws Exception {
        var one = read("idle=61").setting().orElseThrow();
        var moved = read("idle=62").setting().orElseThrow();
        SweepPoint first = engine.point(Sweep.IDLE, one, 0.5).get();
        assertThat(engine.point(Sweep.IDLE, moved, 0.5).get()).isSameAs(first);
        assertThat(engine.point(Sweep.LOAD, one, 0.5).get())
                .isNotSameAs(engine.point(Sweep.LOAD, moved, 0.5).get());
        assertThat(engine.picture(one, 1.1)).isSameAs(engine.picture(one, 1.1));
        for (int i = 0; i < StageEngine.PICTURES + 40; i++) {
            engine.picture(one.idle(0.4 + i * 1e-4), 1.1);
        }
        assertThat(engine.sizes().get(0)).isLessThanOrEqualTo(StageEngine.PICTURES);
    }

    @Test
    void theNetlistIsOfTheStageAsShown() throws Exception {
        mvc.perform(get("/stage/netlist.cir").param("load", "8k"))
                .andExpect(status().isOk())
                .andExpect(content().string(Matchers.containsString("Rload xl z 8000")))
                .andExpect(content().string(Matchers.endsWith(".end\n")));
        mvc.perform(get("/stage/netlist.cir").param("load", "0")).andExpect(status().isNotFound());
        mvc.perform(get("/stage/netlist.cir").param("supply", "40 V").param("idle", "100"))
                .andExpect(status().isNotFound());
    }

    @Test
    void theInterfaceForProgramsAnswersWithTheSameFigures() throws Exception {
        JsonNode stage = call("/api/v1/stages", "{\"idle\":\"70\",\"load\":\"5k\"}", 200);
        StageEngine.Computed core =
                engine.picture(read("idle=70&load=5k").setting().orElseThrow(), 1.1);
        assertThat(stage.get("levels").size()).isEqualTo(StageEngine.LEVELS);
        assertThat(stage.get("levels").get(23).get("watts").asDouble())
                .isEqualTo(core.drive().full().watts());
        assertThat(stage.get("idle").get("tubes").get(0).get("plateWatts").asDouble())
                .isCloseTo(21, within(0.01));
        JsonNode sweeps = call("/api/v1/stages/sweeps", "{\"idle\":\"70\",\"load\":\"5k\",\"supply\":\"390\"}", 200);
        assertThat(sweeps.get("points").size())
                .isEqualTo(Stream.of(Sweep.values())
                        .mapToInt(s -> s.places().size())
                        .sum());
        assertThat(sweeps.get("target").get(0).asString()).contains("Hottest idle");
        JsonNode refused = call("/api/v1/stages", "{\"load\":\"0\"}", 422);
        assertThat(refused.get("errors").get(0).get("field").asString()).isEqualTo("load");
        assertThat(call("/api/v1/stages", "{\"lode\":\"5k\"}", 422).toString()).contains("no such part");
        assertThat(call("/api/v1/stages", "{\"supply\":\"40\",\"idle\":\"100\"}", 422)
                        .toString())
                .contains("No bias reaches");
    }

    private JsonNode call(String path, String body, int expected) throws Exception {
        return json.readTree(
                mvc.perform(post(path).contentType(MediaType.APPLICATION_JSON).content(body))
                        .andExpect(status().is(expected))
                        .andReturn()
                        .getResponse()
                        .getContentAsString());
    }
}
