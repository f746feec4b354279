package yellowrail.app.api;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.http.MediaType;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.AppIT;
import yellowrail.app.forms.CheckForm;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.forms.GoldenAnswers;
import yellowrail.app.load.LoadFields;
import yellowrail.app.stage.StageFields;
import yellowrail.app.swap.SwapFields;

/**
 * What every field of the pages that compute takes, asks and refuses, text by text, and what is answered: written anew with
 * {@code -Dwrite.shapes=true} and read over where it changes on purpose.
 */
class FieldAnswersIT extends AppIT {
    private static final JsonMapper JSON =
            JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    /** A route with its fields, what is sent besides, and what of its answer tells how it was understood. */
    enum Route {
        STAGES(
                FieldSpec.names(StageFields.ALL),
                Map.of(),
                List.of(
                        "/idleShare",
                        "/gridVolts",
                        "/cathodeOhms",
                        "/oneWatt/driveVolts",
                        "/idle/screenVolts",
                        "/raised")),
        LOADS(
                FieldSpec.names(FieldSpec.all(LoadFields.ALL, StageFields.ALL)),
                Map.of("marked", "4.2 k"),
                List.of("/wantedOhms", "/taps", "/map/0/ohms", "/remarks")),
        SWAPS(
                FieldSpec.names(FieldSpec.all(SwapFields.ALL, StageFields.ALL)),
                Map.of("channels", "1", "to1", "6L6GC"),
                List.of(
                        "/sheets/0/overall",
                        "/sheets/0/deciding",
                        "/sheets/0/idleWattsBefore",
                        "/sheets/0/idleWattsAfter",
                        "/sheets/0/rows/0/reason",
                        "/sheets/0/rows/1/verdict")),
        IDLE_CHECKS(
                CheckForm.names(),
                Map.of("tube", "6L6GC", "volts", "431 V", "reading", "36.4 mV", "r", "1", "mains", "231"),
                List.of("/plateDissipation/value", "/plateToCathode/likely", "/words", "/judgedShare/value"));

        private final List<String> fields;
        private final Map<String, String> besides;
        private final List<String> told;

        Route(List<String> fields, Map<String, String> besides, List<String> told) {
            this.fields = fields;
            this.besides = besides;
            this.told = told;
        }

        String path() {
            return "/api/v1/" + name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        String file() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-') + ".txt";
        }
    }

    @ParameterizedTest
    @EnumSource
    void areWhatTheyWere(Route route) throws Exception {
        List<String> lines = new ArrayList<>();
        for (String field : route.fields) {
            for (String text : GoldenAnswers.TYPED) {
                lines.add(field + " “" + text + "”: " + answered(route, field, text));
            }
        }
        GoldenAnswers.same(route.file(), lines);
    }

    @ParameterizedTest
    @EnumSource
    void areAnsweredAsTheyWere(Route route) throws Exception {
        GoldenAnswers.same(
                "whole-" + route.file(),
                rounded(sent(route, route.besides)).toPrettyString().lines().toList());
    }

    private String answered(Route route, String field, String text) throws Exception {
        Map<String, String> body = new LinkedHashMap<>(route.besides);
        body.put(field, text);
        JsonNode answer = sent(route, body);
        if (answer.has("errors")) {
            return StreamSupport.stream(answer.get("errors").spliterator(), false)
                    .map(e ->
                            e.get("field").asString() + " → " + e.get("message").asString() + e.get("choices"))
                    .collect(Collectors.joining(" / "));
        }
        return route.told.stream()
                .map(pointer -> String.valueOf(rounded(answer.at(pointer))).replaceAll("\\s+", " "))
                .collect(Collectors.joining(" "));
    }

    private JsonNode sent(Route route, Map<String, String> body) throws Exception {
        return JSON.readTree(mvc.perform(post(route.path())
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(JSON.writeValueAsString(body)))
                .andReturn()
                .getResponse()
                .getContentAsString());
    }

    /** The last digits differ from one machine to another. */
    private static JsonNode rounded(JsonNode node) {
        return JSON.readTree(java.util.regex.Pattern.compile("-?\\d+\\.\\d+(?:E-?\\d+)?")
                .matcher(node.isMissingNode() ? "null" : node.toString())
                .replaceAll(m -> String.format(Locale.ROOT, "%.4e", Double.parseDouble(m.group()))));
    }

    @org.junit.jupiter.api.Test
    void areDescribedAsTheyWere() throws Exception {
        JsonNode api = JSON.readTree(mvc.perform(get("/api/v1/openapi.json"))
                .andReturn()
                .getResponse()
                .getContentAsString());
        GoldenAnswers.same(
                "openapi.txt",
                api.toPrettyString().replaceAll("http://[^\"]*", "").lines().toList());
    }
}
