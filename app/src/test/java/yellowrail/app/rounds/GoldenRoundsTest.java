package yellowrail.app.rounds;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.json.CoreJson;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;

/** The state and the readings of rounds as the first version stored them. */
class GoldenRoundsTest {
    private static final JsonMapper TREES = JsonMapper.builder().build();

    private static Stream<JsonNode> lines(String file) {
        try (var in = GoldenRoundsTest.class.getResourceAsStream("/golden/v1/" + file)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().map(TREES::readTree);
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    static Stream<JsonNode> states() {
        return lines("rounds.jsonl").map(l -> l.get("state"));
    }

    @ParameterizedTest
    @MethodSource("states")
    void aStateIsRead(JsonNode stored) {
        RoundState state = new CoreJson().read(stored.toString(), RoundState.class);
        assertThat(state.meter().name()).isEqualTo(stored.at("/meter/name").asString());
        assertThat(state.meter().volts().percentOfReading())
                .isEqualTo(stored.at("/meter/volts/percentOfReading").asDouble());
        assertThat(state.reference().name()).isEqualTo(stored.get("reference").asString());
        // False stood for every word but “yes”: it tells nothing.
        assertThat(state.limiter()).isEqualTo(answered(stored.get("limiter")));
        assertThat(state.reduced()).isEqualTo(answered(stored.get("reduced")));
        assertThat(state.apart()).isEqualTo(answered(stored.get("apart")));
        assertThat(state.spread().isPresent()).isEqualTo(!stored.get("spread").isNull());
    }

    private static Answered answered(JsonNode stored) {
        return stored.asBoolean() ? Answered.YES : Answered.NOT_ASKED;
    }

    static Stream<JsonNode> readings() {
        return lines("readings.jsonl");
    }

    @ParameterizedTest
    @MethodSource("readings")
    void aReadingIsRead(JsonNode stored) {
        Typed typed = new Typed(
                stored.get("raw").asString(),
                stored.get("value").asDouble(),
                Unit.valueOf(stored.get("unit").asString()),
                stored.get("lastDigit").asDouble());
        assertThat(Quantity.valueOf(stored.get("quantity").asString()).words()).isNotBlank();
        assertThat(typed.echo()).isNotBlank();
    }
}
