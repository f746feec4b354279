package yellowrail.app.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import org.hamcrest.Matchers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

class StageAnswersIT extends StageAnswers {
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
        assertThat(limit(limits, "Plate volts, DC, at idle").get("standing").asString())
                .isEqualTo("OVER");
        assertThat(limit(limits, "Plate volts, peak").get("standing").asString())
                .isEqualTo("NONE_PUBLISHED");
    }

    private static JsonNode limit(JsonNode limits, String name) {
        return limits.valueStream()
                .filter(l -> l.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow();
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
        JsonNode over = picture("supply=900&screens=600&idle=115&load=3k&duty=tone");
        assertThat(over.get("limits")
                        .valueStream()
                        .map(l -> l.get("tone").asString())
                        .filter("over"::equals))
                .hasSizeGreaterThanOrEqualTo(6);
        assertThat(tile(over, "Hottest plate").get("tone").asString()).isEqualTo("over");
    }
}
