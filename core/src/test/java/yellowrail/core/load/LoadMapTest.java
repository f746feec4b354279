package yellowrail.core.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LoadMapTest {
    private static final Transformer MARKED =
            new Transformer(Optional.of(5440.0), List.of(4.0, 8.0, 16.0), MeasuredTransformer.of(List.of()));

    private static LoadMap.Cell cell(Transformer transformer, String speakers, double tap, double wanted) {
        Wiring wiring = WiringText.read(speakers, Map.of()).wiring().orElseThrow();
        return LoadMap.of(transformer, List.of(new LoadMap.Set(speakers, wiring)), wanted)
                .rows()
                .get(0)
                .cells()
                .stream()
                .filter(c -> c.tap() == tap)
                .findFirst()
                .orElseThrow();
    }

    /** Two mistakes multiply. */
    @ParameterizedTest
    @CsvSource({
        "16 | 16, 8, 5440, 1.0, ''",
        "16 | 16 | 8, 8, 2720, 0.5, ''",
        "16 | 16 | 8, 4, 5440, 1.0, ''",
        "8, 4, 10880, 2.0, ''",
        "15, 4, 20400, 3.75, ''",
        "16, 4, 21760, 4.0, OPEN_LOAD",
        "5, 16, 1700, 0.3125, ''",
        "4, 16, 1360, 0.25, SHORTED_LOAD",
        "2, 16, 680, 0.125, SHORTED_LOAD",
        "32, 4, 43520, 8.0, OPEN_LOAD",
        "16+16+16, 4, 65280, 12.0, OPEN_LOAD",
    })
    void tapBySpeakers(String speakers, double tap, double ohms, double factor, String stop) {
        LoadMap.Cell cell = cell(MARKED, speakers, tap, 5440);
        assertThat(cell.reflected().value()).isCloseTo(ohms, within(1e-6 * ohms));
        assertThat(cell.factor()).isCloseTo(factor, within(1e-9));
        assertThat(cell.stop().map(s -> s.code().name()).orElse("")).isEqualTo(stop);
    }

    /** The error of the ratio, and of a coil taken for a marking, reach the factor and the stops. */
    @Test
    void theErrorOfTheLoadIsInTheFactor() {
        LoadMap.Cell marked = cell(MARKED, "8", 8, 5440);
        assertThat(marked.leastFactor()).isEqualTo(marked.factor()).isEqualTo(marked.mostFactor());
        LoadMap.Cell coil = cell(MARKED, "dc 6.4", 8, 5440);
        assertThat(coil.leastFactor()).isBetween(0.84, 0.87);
        assertThat(coil.mostFactor()).isBetween(1.13, 1.16);
        Transformer measured = new Transformer(
                Optional.empty(),
                List.of(8.0),
                MeasuredTransformer.of(List.of(LoadBench.read("primary", "30.00", "tap-8", "1.151"))));
        LoadMap.Cell read = cell(measured, "8", 8, 5440);
        assertThat(read.mostFactor() / read.leastFactor()).isBetween(1.03, 1.2);
        // Below the line by its value, beyond it by its error: a stop.
        assertThat(cell(MARKED, "dc 24", 8, 5440).factor()).isLessThan(LoadMap.OPEN);
        assertThat(cell(MARKED, "dc 24", 8, 5440).stop()).isPresent();
        assertThat(cell(MARKED, "30", 8, 5440).stop()).isEmpty();
    }

    /** From twice and half on both schools are said; a stop needs none, and nearer to the wanted load there is nothing to say. */
    @ParameterizedTest
    @CsvSource({
        "16, 8, higher",
        "15, 8, ''",
        "4, 8, lower",
        "4.5, 8, ''",
        "8, 8, ''",
        "31, 8, higher",
        "32, 8, ''",
        "2, 8, ''",
        "2.2, 8, lower",
        // By the error of a coil taken for a marking.
        "dc 12, 8, higher",
    })
    void bothSchoolsOfALoadFarAway(String speakers, double tap, String said) {
        LoadMap.Cell cell = cell(MARKED, speakers, tap, 5440);
        if (said.isEmpty()) {
            assertThat(cell.twofold()).isEmpty();
        } else {
            assertThat(cell.twofold().orElseThrow().sentence())
                    .contains("times the wanted load", "Some builders hold that a " + said, "others that it");
        }
    }

    /** What is compared with one another as a choice is an operation, never a stop. */
    @Test
    void noChoiceIsAStop() {
        assertThat(LoadChoice.PLACES).allSatisfy(place -> assertThat(place).isBetween(0.26, 3.9));
    }

    @Test
    void theNearestTapIsFound() {
        Wiring three = WiringText.read("16 | 16 | 8", Map.of()).wiring().orElseThrow();
        LoadMap map = LoadMap.of(MARKED, List.of(new LoadMap.Set("three", three)), 5440);
        assertThat(map.rows().get(0).nearest().orElseThrow().tap()).isEqualTo(4);
        // A stage that wants another load wants another tap.
        LoadMap other = LoadMap.of(MARKED, List.of(new LoadMap.Set("three", three)), 2700);
        assertThat(other.rows().get(0).nearest().orElseThrow().tap()).isEqualTo(8);
    }

    @Test
    void withoutARatioThereIsNoCell() {
        Transformer unknown = new Transformer(Optional.empty(), List.of(8.0), MeasuredTransformer.of(List.of()));
        assertThat(unknown.source(8)).isEqualTo(Transformer.Source.UNKNOWN);
        Wiring one = WiringText.read("8", Map.of()).wiring().orElseThrow();
        assertThat(LoadMap.of(unknown, List.of(new LoadMap.Set("8", one)), 5000)
                        .rows()
                        .get(0)
                        .cells())
                .isEmpty();
        MeasuredTransformer apart = MeasuredTransformer.of(List.of(
                LoadBench.read("tap-8", "0.1828", "primary", "4.766"),
                LoadBench.read("primary", "30.00", "tap-8", "1.250")));
        // What contradicts itself is not replaced by the marking.
        Transformer contradicted = new Transformer(Optional.of(5440.0), List.of(8.0), apart);
        assertThat(contradicted.turns(8)).isEmpty();
    }

    @Test
    void tapsRise() {
        assertThatThrownBy(
                        () -> new Transformer(Optional.empty(), List.of(8.0, 4.0), MeasuredTransformer.of(List.of())))
                .hasMessageContaining("rise");
        assertThatThrownBy(() -> new Transformer(Optional.of(50.0), List.of(8.0), MeasuredTransformer.of(List.of())))
                .hasMessageContaining("200");
    }

    @Test
    void wordsSayWhichWay() {
        assertThat(LoadWords.factor(1.0)).isEqualTo("× 1.0, matched");
        assertThat(LoadWords.factor(0.5)).isEqualTo("× 0.50, lower than wanted");
        assertThat(LoadWords.factor(2)).isEqualTo("× 2.0, higher than wanted");
    }
}
