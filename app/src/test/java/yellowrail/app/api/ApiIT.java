package yellowrail.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.AppIT;

class ApiIT extends AppIT {
    private final JsonMapper json = JsonMapper.builder().build();

    private record Answer(int status, String type, JsonNode body) {}

    private Answer call(String path, String body) throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create("http://localhost:" + port + "/api/v1" + path));
        if (body != null) {
            request.header("Content-Type", "application/json").POST(HttpRequest.BodyPublishers.ofString(body));
        }
        HttpResponse<String> response =
                HttpClient.newHttpClient().send(request.build(), HttpResponse.BodyHandlers.ofString());
        return new Answer(
                response.statusCode(),
                response.headers().firstValue("Content-Type").orElse(""),
                json.readTree(response.body()));
    }

    /** Every method of taking current, with the plate current it must come to, mA; blank for those that give none. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            nullValues = "",
            value = {
                "'\"method\":\"own\",\"reading\":\"36.4 mV\",\"r\":\"1\"' | 34.47",
                "'\"method\":\"adaptor\",\"reading\":\"36.4\",\"mvma\":\"1\"' | 34.47",
                "'\"method\":\"shared\",\"n\":\"2\",\"reading\":\"72.8\",\"r\":\"1\"' | 34.47",
                "'\"method\":\"combined\",\"n\":\"2\",\"other\":\"7.2 mA\",\"reading\":\"80.0\",\"r\":\"1\"' | 34.47",
                "'\"method\":\"cathode\",\"n\":\"2\",\"reading\":\"18.2 V\",\"r\":\"250\",\"bias\":\"cathode\"' | 34.47",
                "'\"method\":\"half\",\"n\":\"1\",\"reading\":\"3.72\",\"r\":\"113\",\"warm\":\"25\"' | 30.00",
                "'\"method\":\"ma\",\"reading\":\"36.4\"' | 34.47",
                "'\"method\":\"maplate\",\"reading\":\"34.5\",\"ack\":\"yes\"' | 34.5",
                "'\"method\":\"maplate\",\"reading\":\"34.5\"' | ",
                "'\"method\":\"panel\",\"reading\":\"5\",\"caldiv\":\"5\",\"calma\":\"36.4\"' | 34.47",
                "'\"method\":\"panel\",\"reading\":\"5\"' | ",
                "'\"method\":\"supply\",\"reading\":\"9\",\"r\":\"100\"' | ",
                "'\"method\":\"grid\",\"reading\":\"-44.1\"' | "
            })
    void checksByEveryMethod(String fields, Double milliamperes) throws Exception {
        Answer answer = call("/idle-checks", "{\"tube\":\"6L6GC\",\"volts\":\"431 V\"," + fields + "}");
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        JsonNode plate = answer.body().get("plateCurrent");
        if (milliamperes == null) {
            assertThat(plate.isNull()).isTrue();
            assertThat(answer.body().get("plateDissipation").isNull()).isTrue();
            assertThat(answer.body().get("verdict").asString()).isEqualTo("UNKNOWN");
        } else {
            assertThat(1000 * plate.get("value").asDouble()).isCloseTo(milliamperes, within(0.01));
        }
        assertThat(answer.body().get("allClear").asBoolean()).isFalse();
    }

    @Test
    void saysAtEachFieldWhatWasNotUnderstood() throws Exception {
        Answer answer = call("/idle-checks", "{\"tube\":\"6L6\",\"volts\":\"1,234\",\"reading\":\"x\",\"r\":\"0\"}");
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.type()).startsWith("application/problem+json");
        List<String> fields = new ArrayList<>();
        answer.body().get("errors").forEach(e -> fields.add(e.get("field").asString()));
        assertThat(fields).contains("tube", "volts", "r");
        assertThat(answer.body().get("errors").toString()).contains("1.234 V").contains("6L6GC");
        assertThat(call("/idle-checks", "{nonsense").status()).isEqualTo(400);
        assertThat(call("/tubes/6L6", null).status()).isEqualTo(404);
        assertThat(call("/tubes/6BQ5", null).body().get("designation").asString())
                .isEqualTo("EL84");
    }

    @Test
    void writesAndReadsAmpsAndRounds() throws Exception {
        UUID amp = UUID.randomUUID();
        UUID version = UUID.randomUUID();
        String description =
                "{\"name\":\"Pipit 10\",\"bias\":\"tracking\",\"controls\":\"level\",\"socketName\":[\"V1\",\"V2\"],"
                        + "\"socketSide\":[\"A\",\"B\"],\"socketType\":[\"EL84\",\"EL84\"],\"method\":\"own\",\"r\":\"10\",\"rtol\":\"1\"}";
        String request = "{\"id\":\"" + amp + "\",\"versionId\":\"" + version + "\",\"seenVersion\":0,\"description\":"
                + description + "}";
        assertThat(call("/amps", request).status()).isEqualTo(201);
        assertThat(call("/amps", request).body().get("version").asInt()).isEqualTo(1);
        String stale = request.replace(version.toString(), UUID.randomUUID().toString());
        assertThat(call("/amps", stale).status()).isEqualTo(409);
        UUID id = UUID.randomUUID();
        String round = "{\"id\":\"" + id
                + "\",\"values\":{\"MAINS.\":\"230\",\"PLATE.V1\":\"300 V\",\"CURRENT.V1\":\"300 mV\","
                + "\"CURRENT.V2\":\"295 mV\"}}";
        Answer kept = call("/amps/" + amp + "/rounds", round);
        assertThat(kept.status()).as(kept.body().toString()).isEqualTo(201);
        assertThat(call("/amps/" + amp + "/rounds", round).status()).isEqualTo(201);
        assertThat(call("/amps/" + amp + "/rounds", round.replace("295", "395")).status())
                .isEqualTo(409);
        Answer noText = call("/amps/" + amp + "/rounds", "{\"id\": \"" + UUID.randomUUID() + "\", \"limiter\": true}");
        assertThat(noText.status()).isEqualTo(422);
        assertThat(noText.body().get("errors").toString()).contains("\"limiter\"", "A text is taken here");
        assertThat(call("/amps/" + amp + "/rounds", null).body()).hasSize(1);
        JsonNode first = kept.body().get("sockets").get(0).get("idle").get("plateDissipation");
        assertThat(first.get("value").asDouble()).isCloseTo((300 - 0.3) * 0.030 * 0.9, within(1e-6));
        String reading = kept.body().get("readings").get(1).get("id").asString();
        String correction = "{\"id\":\"" + UUID.randomUUID() + "\",\"text\":\"310 V\",\"reason\":\"misread\"}";
        Answer corrected = call("/rounds/" + id + "/readings/" + reading + "/corrections", correction);
        assertThat(corrected.status()).isEqualTo(201);
        assertThat(corrected.body().get("readings")).hasSize(5);
        Answer wrong = call(
                "/amps/" + amp + "/rounds",
                round.replace("PLATE.V1", "PLATE.V9")
                        .replace(id.toString(), UUID.randomUUID().toString()));
        assertThat(wrong.status()).isEqualTo(422);
    }

    @Test
    void describesEveryFieldWithItsUnit() throws Exception {
        JsonNode document = call("/openapi.json", null).body();
        assertThat(document.get("paths").propertyNames())
                .contains("/api/v1/idle-checks", "/api/v1/tubes", "/api/v1/amps", "/api/v1/amps/{ampId}/rounds");
        List<String> bare = new ArrayList<>();
        document.get("components").get("schemas").properties().forEach(schema -> {
            JsonNode properties = schema.getValue().get("properties");
            if (properties != null) {
                properties.properties().forEach(p -> {
                    boolean described =
                            p.getValue().has("description") || p.getValue().has("$ref");
                    if (!described) {
                        bare.add(schema.getKey() + "." + p.getKey());
                    }
                });
            }
        });
        // The core's own texts (formula, limit, slip) are words, not quantities.
        assertThat(bare).allMatch(f -> f.matches("(Formula|LimitCheck|Slip|FieldError|ProblemDetail)\\..*"));
    }
}
