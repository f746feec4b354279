package yellowrail.app.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.net.URI;
import java.util.List;
import java.util.stream.Stream;
import org.hamcrest.Matchers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.AppIT;
import yellowrail.core.stage.Sweep;
import yellowrail.core.stage.SweepPoint;

class StageAnswersIT extends AppIT {
    @Autowired
    private StageEngine engine;

    @Autowired
    private TubeFactsOf facts;

    private final JsonMapper json = JsonMapper.builder().build();

    private JsonNode picture(String query) throws Exception {
        return json.readTree(mvc.perform(get(
                        URI.create("/stage/picture?" + query.replace(" ", "%20").replace("−", "-"))))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsString());
    }

    private List<JsonNode> pieces(String query) throws Exception {
        return mvc.perform(get("/stage/sweeps?" + query))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsString()
                .lines()
                .map(json::readTree)
                .toList();
    }

    private StageReader.Read read(String query) {
        StageForm form = StageForm.from(query);
        return StageReader.read(form, facts.of(form));
    }

    @ParameterizedTest
    @CsvSource({
        "supply,5 kV,supply",
        "supply,-460,supply",
        "supply,'',supply",
        "load,0,load",
        "load,-4k,load",
        "load,101 k,load",
        "load,199,load",
        "source,-3,source",
        "source,'',source",
        "tap&connection=ul,120 %,tap",
        "tap&connection=ul,0,tap",
        "screens,0 V,screens",
        "screens,-300,screens",
        "tubes,3,tubes",
        "tubes,10,tubes",
        "rdc,abc,rdc",
        "rdc,-1,rdc",
        "rg2,-470,rg2",
        "feed,-1,feed",
        "scales,1 1 1,scales",
        "scales,0 1,scales",
        "scales,x,scales",
        "offsets,200 0,offsets",
        "at,+5,at",
        "at,-0.5,at",
        "at&bias=cathode,0,at",
        "cathode&bias=mixed,0,cathode",
        "highest,90 %,highest",
        "secondary,60 %,secondary",
        "clean,0,clean",
        "at&bias=cathode,300 k,at",
        "highest,130 %,highest",
        "margin,10 %,margin",
        "connection,ultralinear,connection",
        "topology,single,topology",
        "bias,fixed,bias",
        "shared,yes,shared",
        "judge,strict,judge",
        "idle,abc,idle",
        "idle,400,idle",
        "loadFactor,9,loadFactor",
        "mains,'',mains",
        "tube,KT150,tube",
        "tube,6L6,tube",
        "tube,'',tube"
    })
    void badInputIsNamedAtItsField(String name, String value, String field) throws Exception {
        String[] parts = name.split("&");
        var request = get("/stage/picture").param(parts[0], value);
        if (parts.length > 1) {
            String[] other = parts[1].split("=");
            request = request.param(other[0], other[1]);
        }
        mvc.perform(request)
                .andExpect(status().isOk())
                .andExpect(jsonPath("$.said." + field + ".sentence").value(Matchers.not(Matchers.emptyString())))
                .andExpect(jsonPath("$.said.*").value(Matchers.hasSize(1)))
                .andExpect(jsonPath("$.chart").value(Matchers.nullValue()));
    }

    @ParameterizedTest
    @CsvSource({
        "topology=se&tubes=1&tube=EL84&supply=300&load=5k",
        "connection=triode&supply=400",
        "connection=ul&tap=43",
        "bias=cathode&shared=own",
        "bias=cathode&at=250",
        "bias=mixed&cathode=100&shared=own",
        "bias=constant&at=-46",
        "tubes=8&load=1.2k&source=20",
        "scales=1.1 0.9&offsets=1 -1",
        "secondary=4",
        "screens=300"
    })
    void everyKindOfStageIsComputedAndNothingIsEverGreen(String query) throws Exception {
        JsonNode p = picture(query);
        assertThat(p.get("trouble").asString()).isEmpty();
        assertThat(p.get("tiles").valueStream().map(t -> t.get("tone").asString()))
                .isSubsetOf("over", "near", "unknown", "unpublished", "open");
        assertThat(p.get("tiles").valueStream().map(t -> t.get("formula").asString()))
                .allMatch(f -> f.matches("(?s).*\\d.*"));
        assertThat(p.get("limits")
                        .valueStream()
                        .filter(l -> l.get("name").asString().contains("peak"))
                        .map(l -> l.get("rating").asString()))
                .hasSize(2)
                .allMatch(r -> r.equals("no published limit"));
        assertThat(p.toString()).doesNotContain("NaN");
    }

    @Test
    void aFamilyNameAsksWhichAndAnUnratedTypeIsToldApartFromOneWithoutCurves() {
        assertThat(facts.of(StageForm.from("tube=6L6")).near()).contains("6L6GC", "6L6GB");
        assertThat(facts.of(StageForm.from("tube=6L6")).missing()).contains("Which one is fitted?");
        assertThat(facts.of(StageForm.from("tube=KT150")).missing()).contains("no curves for the KT150");
        assertThat(facts.of(StageForm.from("tube=ZZ9")).missing()).contains("not in the catalogue");
        assertThat(facts.of(StageForm.from("tube=EL34")).facts()).isPresent();
    }

    @Test
    void copperOfASecondaryIsTakenAtAnyLoad() {
        assertThat(read("load=100k&secondary=5 %")
                        .setting()
                        .orElseThrow()
                        .described()
                        .secondaryOhms())
                .isEqualTo(5_000);
        assertThat(read("idle=62,5 %").setting().orElseThrow().idleShare()).isEqualTo(0.625);
    }

    @Test
    void aLimitInsideTheModelsBandIsNotTold() throws Exception {
        assertThat(tile(picture("idle=97"), "Hottest plate").get("tone").asString())
                .isEqualTo("near");
        assertThat(tile(picture("idle=97"), "Hottest plate").get("under").asString())
                .contains("too close to call: inside the model's");
        assertThat(tile(picture("idle=60"), "Hottest plate").get("tone").asString())
                .isEqualTo("open");
        assertThat(tile(picture("idle=105"), "Hottest plate").get("tone").asString())
                .isEqualTo("over");
        // DC volts against a DC rating; the peak is more than twice that and is no violation.
        JsonNode limits = picture("supply=520").get("limits");
        assertThat(limits.get(0).get("tone").asString()).isEqualTo("over");
        assertThat(limits.get(8).get("tone").asString()).isEqualTo("unpublished");
    }

    private static JsonNode tile(JsonNode picture, String name) {
        return picture.get("tiles")
                .valueStream()
                .filter(t -> t.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void bothStatementsStandOnTheStageAndNoneIsAnAllClear() throws Exception {
        for (String query : new String[] {"idle=60", "idle=97", "idle=105", "tube=EL84&supply=1500&screens=300"}) {
            JsonNode statements = picture(query).get("statements");
            assertThat(statements).hasSize(2);
            assertThat(statements.valueStream().map(l -> l.get("tone").asString()))
                    .isSubsetOf("over", "warm", "unknown", "unpublished", "open");
        }
        assertThat(picture("supply=430&idle=60")
                        .get("statements")
                        .get(0)
                        .get("text")
                        .asString())
                .contains("60 % as computed at 100 % of nominal mains");
        assertThat(picture("supply=430&idle=97")
                        .get("statements")
                        .get(0)
                        .get("tone")
                        .asString())
                .isEqualTo("warm");
        assertThat(picture("supply=430&idle=105")
                        .get("statements")
                        .get(0)
                        .get("tone")
                        .asString())
                .isEqualTo("over");
    }

    @Test
    void aNameThatNoStageHasIsSaid() throws Exception {
        mvc.perform(get("/stage").param("tubee", "EL34"))
                .andExpect(content().string(containsString("The address names “tubee”")));
        mvc.perform(get("/stage").param("tube", "EL34"))
                .andExpect(content().string(not(containsString("data-unknown"))));
    }

    @Test
    void farOutsideTheFitNoBandIsPrintedAndNothingIsTold() throws Exception {
        JsonNode far = picture("tube=EL84&supply=1500&screens=300&idle=30&load=20k");
        assertThat(far.get("trouble").asString()).isEmpty();
        assertThat(far.get("accuracy").asString())
                .contains("lie outside what it was fitted on")
                .contains("no band holds")
                .doesNotContain("± ");
        assertThat(far.get("idleBand").isNull()).isTrue();
        assertThat(far.get("tiles").valueStream().map(t -> t.get("formula").asString()))
                .noneMatch(f -> f.contains("±"));
        assertThat(tile(far, "Hottest plate").get("tone").asString()).isIn("over", "near");
        assertThat(far.toString()).doesNotContain("Infinity");
    }

    @Test
    void outsideWhatTheModelWasFittedOnIsSaid() throws Exception {
        assertThat(picture("supply=620&screens=300").get("accuracy").asString())
                .contains("lie outside what it was fitted on");
        assertThat(picture("supply=400&screens=300").get("accuracy").asString()).doesNotContain("outside");
    }

    @Test
    void theRatingSystemAskedForJudges() throws Exception {
        String stage = "tube=6V6GT&supply=320&load=8k&idle=95";
        JsonNode centre = picture(stage);
        JsonNode maximum = picture(stage + "&judge=DESIGN_MAXIMUM");
        assertThat(centre.get("ratedWatts").asDouble()).isEqualTo(12);
        assertThat(maximum.get("ratedWatts").asDouble()).isEqualTo(14);
        assertThat(maximum.get("accuracy").asString()).contains("Ratings: design maximum");
        // A system nobody published falls back to the strictest.
        assertThat(picture(stage + "&judge=ABSOLUTE").get("ratedWatts").asDouble())
                .isEqualTo(12);
        assertThat(maximum.get("limits").valueStream().map(l -> l.get("formula").asString()))
                .allMatch(f -> f.length() > 20);
    }

    @Test
    void aTypedBiasMovesTheIdleToWhatItGives() throws Exception {
        JsonNode set = picture("idle=70");
        String grid = tile(set, "Idle").get("under").asString().replaceAll(".*grid −([0-9.]+) V.*", "$1");
        JsonNode typed = picture("idle=20&at=-" + grid);
        assertThat(typed.get("idleShare").asDouble()).isCloseTo(70, within(0.5));
    }

    @Test
    void anImpossibleStageIsExplained() throws Exception {
        assertThat(picture("supply=40 V&idle=100").get("trouble").asString()).contains("No bias reaches");
        assertThat(picture("at=-200").get("said").get("at").get("sentence").asString())
                .contains("no tube conducts");
        assertThat(picture("at=-5").get("said").get("at").get("sentence").asString())
                .contains("twice its rating");
        // Nominal mains can be computed, highest mains no more.
        assertThat(picture("screens=1000").get("trouble").asString())
                .contains("screen supply volts of 1100 V; 20 to 1000 V can be computed");
        // The sweeps say it in their place too, and go on.
        List<JsonNode> pieces = pieces("screens=1000");
        assertThat(pieces.stream()
                        .filter(piece -> piece.get("kind").asString().equals("TARGET"))
                        .map(piece -> piece.get("words").get(0).asString()))
                .singleElement()
                .asString()
                .contains("screen supply volts of 1100 V");
        assertThat(pieces.get(pieces.size() - 1).get("kind").asString()).isEqualTo("SCREENS");
        // Over all limits: computed, and every limit says so.
        JsonNode over = picture("supply=900&screens=600&idle=115&load=3k");
        assertThat(over.get("limits")
                        .valueStream()
                        .map(l -> l.get("tone").asString())
                        .filter("over"::equals))
                .hasSizeGreaterThanOrEqualTo(6);
        assertThat(tile(over, "Hottest plate").get("tone").asString()).isEqualTo("over");
    }

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
        assertThat(settings.get(1).get("changes").asString()).contains("hottest plate over the drive rises from");
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
                .andExpect(content().string(Matchers.containsString("Rload x0 z 8000")))
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
        JsonNode sweeps = call("/api/v1/stages/sweeps", "{\"idle\":\"70\",\"load\":\"5k\"}", 200);
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
