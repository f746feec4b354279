package yellowrail.app.swap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.web.util.HtmlUtils;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.stage.OnStage;
import yellowrail.core.swap.Criterion;
import yellowrail.core.swap.SwapRow;
import yellowrail.core.swap.SwapSheet;
import yellowrail.core.swap.SwapVerdict;

/** What an expert would not let pass is neither pass nor note on any route, and what nobody would stop passes on all. */
class PlantedSwapsIT extends yellowrail.app.AppIT {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Pattern HEAD = Pattern.compile("<article class=\"head head-(\\w+)");
    private static final Map<String, String> BASE = Map.ofEntries(
            Map.entry("tube", "6L6GC"),
            Map.entry("supply", "400"),
            Map.entry("source", "60"),
            Map.entry("load", "6.6k"),
            Map.entry("idle", "60"),
            Map.entry("rg2", "2.2k"),
            Map.entry("to1", "6L6GC"),
            Map.entry("lowest", "94 %"),
            Map.entry("highest", "106 %"),
            Map.entry("tied", "none"),
            Map.entry("oneToEight", "no"),
            Map.entry("oneToChassis", "no"),
            Map.entry("senseOhms", "1"),
            Map.entry("winding", "6"),
            Map.entry("others", "0.6"),
            Map.entry("screenWatts", "7"),
            Map.entry("leak", "100k"),
            Map.entry("coldest", "-90"),
            Map.entry("hottest", "-5"),
            Map.entry("resistorWatts", "25"),
            Map.entry("bypassVolts", "160"),
            Map.entry("htDc", "400"),
            Map.entry("chokeDc", "0"),
            Map.entry("htOthers", "20"),
            Map.entry("firstCapacitor", "47"),
            Map.entry("windingOhms", "100"),
            Map.entry("diameter", "60"),
            Map.entry("height", "160"),
            Map.entry("tried", "yes"));

    @Autowired
    private SwapReader reader;

    /** @param about the row or the field; empty for the whole sheet */
    record Planted(Map<String, String> fields, String word, String about, String why) {
        @Override
        public String toString() {
            return word + " " + about + ": " + why;
        }
    }

    static List<Planted> planted() throws IOException {
        try (var in = PlantedSwapsIT.class.getResourceAsStream("/planted/swaps.txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(l -> !l.isBlank() && !l.startsWith("#"))
                    .map(PlantedSwapsIT::planted)
                    .toList();
        }
    }

    private static Planted planted(String line) {
        String[] parts = line.split("::", 3);
        Map<String, String> fields = new HashMap<>(BASE);
        for (String field : parts[0].split(";")) {
            if (field.contains("=")) {
                String[] pair = field.strip().split("=", 2);
                fields.put(pair[0], pair[1].strip().replace('|', ';'));
            }
        }
        String[] said = parts[1].strip().split(" ");
        return new Planted(fields, said[0], said.length > 1 ? said[1] : "", parts[2].strip());
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("planted")
    void comesOutAsAnExpertSays(Planted planted) throws Exception {
        if (planted.word().equals("refused")) {
            refused(planted);
            return;
        }
        SwapReader.Read read = reader.read(OnStage.from(SwapFields.ALL, planted.fields()::get));
        assertThat(read.said()).isEmpty();
        SwapSheet sheet = SwapSheet.of(read.asked().get(1));
        List<SwapRow> rows = planted.about().isEmpty()
                ? sheet.rows()
                : sheet.rows().stream()
                        .filter(r -> r.criterion().name().equals(planted.about()))
                        .toList();
        assertThat(rows).isNotEmpty();
        SwapVerdict verdict = rows.stream().map(SwapRow::verdict).reduce(SwapVerdict.PASS, SwapVerdict::worse);
        String said = rows.stream()
                .filter(r -> r.verdict() == verdict)
                .map(r -> r.criterion() + " " + r.reason())
                .toList()
                .toString();
        switch (planted.word()) {
            case "fail" -> assertThat(verdict).as(said).isEqualTo(SwapVerdict.FAIL);
            case "never" -> assertThat(verdict).as(said).isIn(SwapVerdict.FAIL, SwapVerdict.UNKNOWN);
            case "noted" -> assertThat(verdict).as(said).isEqualTo(SwapVerdict.NOTE);
            case "fine" -> assertThat(verdict).as(said).isIn(SwapVerdict.PASS, SwapVerdict.NOTE);
            default -> throw new AssertionError("no such word: " + planted.word());
        }
        everyRouteSays(planted, sheet);
    }

    private void everyRouteSays(Planted planted, SwapSheet sheet) throws Exception {
        JsonNode json = JSON.readTree(
                mvc.perform(json(planted)).andReturn().getResponse().getContentAsString());
        JsonNode told = json.get("sheets").get(0);
        assertThat(told.get("overall").asString()).isEqualTo(sheet.overall().name());
        String page = page("/swap", planted);
        String paper = page("/swap/sheet", planted);
        assertThat(first(HEAD, page)).isEqualTo(word(sheet.overall()));
        for (SwapRow row : sheet.rows()) {
            String id = row.criterion().name().toLowerCase(Locale.ROOT).replace('_', '-');
            assertThat(first(
                            Pattern.compile("id=\"cells-" + id + "\"[^>]*>\\s*<div class=\"swap-cell is-(\\w+)"), page))
                    .isEqualTo(word(row.verdict()));
            assertThat(told.get("rows").valueStream())
                    .anyMatch(r -> r.get("criterion")
                                    .asString()
                                    .equals(row.criterion().name())
                            && r.get("verdict").asString().equals(row.verdict().name()));
            assertThat(paper).contains(row.reason());
        }
    }

    private void refused(Planted planted) throws Exception {
        var answer = mvc.perform(json(planted)).andReturn().getResponse();
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(422);
        assertThat(answer.getContentAsString()).contains("\"" + planted.about() + "\"");
        assertThat(HEAD.matcher(page("/swap", planted)).find()).isFalse();
    }

    private MockHttpServletRequestBuilder json(Planted planted) {
        return post("/api/v1/swaps")
                .contentType(MediaType.APPLICATION_JSON)
                .content(JSON.writeValueAsString(planted.fields()));
    }

    private String page(String path, Planted planted) throws Exception {
        MockHttpServletRequestBuilder request = get(path);
        planted.fields().forEach(request::param);
        return HtmlUtils.htmlUnescape(
                mvc.perform(request).andReturn().getResponse().getContentAsString(StandardCharsets.UTF_8));
    }

    private static String first(Pattern pattern, String page) {
        Matcher found = pattern.matcher(page);
        assertThat(found.find()).as(pattern.pattern()).isTrue();
        return found.group(1);
    }

    private static String word(SwapVerdict verdict) {
        return verdict.name().toLowerCase(Locale.ROOT);
    }

    @Test
    void thereAreEnough() throws IOException {
        List<Planted> all = planted();
        assertThat(all.stream().filter(p -> !p.word().equals("fine"))).hasSizeGreaterThan(100);
        assertThat(all.stream().filter(p -> p.word().equals("fine"))).hasSizeGreaterThan(55);
        assertThat(all.stream().filter(p -> p.about().equals(Criterion.PINS.name())))
                .hasSizeGreaterThan(80);
    }
}
