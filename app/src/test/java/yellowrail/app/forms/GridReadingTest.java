package yellowrail.app.forms;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.reading.Meter;
import yellowrail.core.target.Profiles;
import yellowrail.core.tube.Catalogue;

/** Grid volts typed where a current belongs: what they tell is said at once, and nothing is made of them. */
class GridReadingTest {
    private static CheckReader.Read read(String... pairs) {
        Map<String, String> fields = new HashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            fields.put(pairs[i], pairs[i + 1]);
        }
        return CheckReader.read(
                CheckForm.from(fields::get), Catalogue.shipped(), Profiles.SHIPPED, List.of(Meter.HANDHELD));
    }

    @ParameterizedTest
    @CsvSource({"-38 V,10", "−44.1,10", "-38,''", "-12.5 V,1"})
    void whatTheyTellIsSaidAtOnce(String text, String ohms) {
        CheckReader.Read read = read("tube", "6L6GC", "volts", "431", "r", ohms, "reading", text);
        assertThat(read.question().reading()).isEmpty();
        assertThat(read.complaints().byField().get("reading").sentence())
                .contains("looks like grid volts")
                .contains("never what the tube draws");
    }

    @ParameterizedTest
    @CsvSource({"36.4 mV", "-1 mV", "0.364", "36.4 mA"})
    void aCurrentIsNone(String text) {
        var said = read("tube", "6L6GC", "volts", "431", "r", "1", "reading", text)
                .complaints()
                .byField()
                .get("reading");
        assertThat(said == null ? "" : said.sentence()).doesNotContain("grid volts");
    }

    @Test
    void theWayForGridVoltsTakesThem() {
        CheckReader.Read read = read("tube", "6L6GC", "volts", "431", "method", "grid", "reading", "-38 V");
        assertThat(read.complaints().byField()).doesNotContainKey("reading");
        assertThat(read.question().reading()).isPresent();
        assertThat(read.readingTyped()).isTrue();
    }
}
