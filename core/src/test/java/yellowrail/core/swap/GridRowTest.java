package yellowrail.core.swap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.swap.Chassis.GridCircuit;

/** Resistance in the grid circuit, times the tubes on it, against the limit of the bias there will be. */
class GridRowTest {
    @ParameterizedTest(name = "{0}, {1} tubes, cathode bias {2}, {3} kohm for {4}: {5}")
    @CsvSource(
            nullValues = "?",
            delimiter = '|',
            value = {
                "6L6GC | 2 | false | 100 | 1 | PASS    | 1.0 | 100 kΩ of 100 kΩ with fixed bias.",
                "6L6GC | 2 | false | 101 | 1 | FAIL    | 1.01 | 101 kΩ of 100 kΩ with fixed bias.",
                "6L6GC | 2 | true  | 500 | 1 | PASS    | 1.0 | with cathode bias",
                "6L6GC | 2 | true  | 501 | 1 | FAIL    | 1.002 | with cathode bias",
                "6L6GC | 2 | false | 100 | ? | PASS    | 1.0 | 100 kΩ of 100 kΩ",
                "6L6GC | 2 | false | ?   | 1 | UNKNOWN | ?   | The grid resistor is not answered",
                "6L6GC | 4 | false | 50  | 2 | PASS    | 1.0 | 2 tubes flows in one resistor, which counts as 2 times its ohms",
                "6L6GC | 4 | false | 51  | 2 | FAIL    | 1.02 | 102 kΩ of 100 kΩ",
                "6L6GC | 4 | false | 50  | ? | UNKNOWN | ?   | shared by two it counts twice",
                "KT66  | 2 | false | 100 | 1 | UNKNOWN | ?   | is not known here",
            })
    void againstTheLimit(
            String type,
            int tubes,
            boolean cathode,
            Double kiloOhms,
            Integer sharing,
            SwapVerdict verdict,
            Double share,
            String said) {
        Present present =
                cathode ? Swaps.cathode("6L6GC", tubes, 360, 6600, 250) : Swaps.fixed("6L6GC", tubes, 360, 6600, 0.6);
        Chassis chassis = Around.with(
                new GridCircuit(Optional.ofNullable(kiloOhms).map(k -> 1e3 * k), Optional.ofNullable(sharing)));
        SwapRow row = GridRow.of(new SwapQuestion(present, chassis, Swaps.candidate(present, type)), Optional.empty());
        assertThat(row.reason()).contains(said);
        assertThat(row.verdict()).isEqualTo(verdict);
        if (share == null) {
            assertThat(row.share()).isNaN();
            assertThat(row.mend()).isNotEmpty();
        } else {
            assertThat(row.share()).isCloseTo(share, within(1e-9));
            assertThat(row.mend().isEmpty()).isEqualTo(verdict == SwapVerdict.PASS);
            assertThat(row.formula().isEmpty()).isEqualTo(tubes == 2);
        }
        if (verdict == SwapVerdict.FAIL) {
            assertThat(row.mend()).startsWith("At most " + (tubes == 4 ? "50" : cathode ? "500" : "100") + " kΩ there");
        }
    }
}
