package yellowrail.app.results;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.json.CoreJson;

/** Measured tables as the first version stored them. */
class GoldenResultsTest {
    @Test
    void everyTableIsReadWithItsPoints() throws Exception {
        JsonMapper trees = JsonMapper.builder().build();
        CoreJson json = new CoreJson();
        try (var in = getClass().getResourceAsStream("/golden/v1/results.jsonl")) {
            for (String line : new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .toList()) {
                JsonNode stored = trees.readTree(line).get("body");
                JsonNode now = trees.readTree(json.write(json.read(stored.toString(), ResultStore.Body.class)));
                assertThat(now).isEqualTo(trees.readTree(json.write(trees.treeToValue(stored, Object.class))));
            }
        }
    }
}
