package yellowrail.core.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.TubeModels;

/** What is said of the models' accuracy is what the published operations say. */
class AccuracyTest {
    private static final Path DOCUMENT = Path.of("../docs/calculations.md");
    private static final String BEGIN = "<!-- table of operations, written by the build -->\n";
    private static final String END = "<!-- end of table -->\n";

    static List<String> types() {
        return Operations.all().stream().map(Operation::type).distinct().toList();
    }

    @ParameterizedTest
    @MethodSource("types")
    void theTrustKeptWithAModelIsItsAccuracy(String type) {
        List<Operation> operations = Operations.of(type);
        Accuracy accuracy = Accuracy.of(Accuracy.lines(TubeModels.of(type).orElseThrow(), operations));
        ModelTrust trust = ModelTrust.of(type).orElseThrow();
        same(trust.idlePlate(), accuracy.idlePlate());
        same(trust.idleScreen(), accuracy.idleScreen());
        same(trust.watts(), accuracy.watts());
        same(trust.fullPlate(), accuracy.fullPlate());
        same(trust.fullScreen(), accuracy.fullScreen());
        same(trust.distortion(), accuracy.distortion());
        assertThat(trust.operations()).isEqualTo(operations.size());
        assertThat(operations)
                .allSatisfy(o -> assertThat(trust.covers(
                                o.plateVolts(), Double.isNaN(o.screenVolts()) ? o.plateVolts() : o.screenVolts()))
                        .isTrue());
        assertThat(trust.covers(trust.plateTo() + 1, trust.screenTo())).isFalse();
        assertThat(trust.plateBand()).isGreaterThanOrEqualTo(2 * trust.idlePlate());
    }

    private static void same(double kept, double computed) {
        if (Double.isNaN(kept)) {
            assertThat(computed).isNaN();
        } else {
            assertThat(kept).isCloseTo(computed, within(0.0006));
        }
    }

    /** Run with {@code -Dwrite.tables=true} to write the table anew. */
    @Test
    void theTableInTheDocumentsIsTheOneComputed() throws IOException {
        String table = AccuracyTable.markdown(types());
        String document = Files.readString(DOCUMENT);
        int from = document.indexOf(BEGIN) + BEGIN.length();
        int to = document.indexOf(END);
        if (Boolean.getBoolean("write.tables")) {
            document = document.substring(0, from) + table + document.substring(to);
            Files.writeString(DOCUMENT, document);
            to = document.indexOf(END);
        }
        assertThat(document.substring(from, to)).isEqualTo(table);
    }
}
