package yellowrail.app.results;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.experiment.MeasuredPoint;

class MeasuredTextTest {
    @Test
    void takesCommasSemicolonsAndTabsWithAHeadingOrWithout() {
        MeasuredPoint one = new MeasuredPoint("200 mV", Optional.of(1000.0), 5.5, 0.008);
        assertThat(MeasuredText.read("level, frequency, watts, THD\n200 mV, 1000, 5.5, 0.8"))
                .containsExactly(one);
        assertThat(MeasuredText.read("200 mV; 1000 Hz; 5,5 W; 0,8 %\n\n")).containsExactly(one);
        assertThat(MeasuredText.read("\"200 mV\"\t1000\t5.5\t0.8")).containsExactly(one);
        assertThat(MeasuredText.read(", , 5, 1")).containsExactly(new MeasuredPoint("", Optional.empty(), 5, 0.01));
        assertThat(MeasuredText.read("")).isEmpty();
    }

    @Test
    void endlessBlanksAndColumnsAreRefusedAtOnce() {
        String blanks = "x, 1" + " ".repeat(60_000) + "Hz y, 5, 1";
        assertThatThrownBy(() -> MeasuredText.read(blanks)).hasMessageContaining("at most 200 characters");
        assertThatThrownBy(() -> MeasuredText.read("x".repeat(100_001))).hasMessageContaining("At most 100000");
        assertThat(MeasuredText.read("x, 1" + " ".repeat(150) + "hZ, 5, 1")
                        .get(0)
                        .hertz())
                .contains(1.0);
    }

    @Test
    void whatItWritesItReads() {
        List<MeasuredPoint> points = MeasuredText.read("200 mV, 1000, 5.52, 0.815\n, , 1, 0.04");
        assertThat(MeasuredText.read(ResultStore.text(points))).isEqualTo(points);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1, 1000, 5 | Line 1: there are 3 columns",
                "1, 1000, five, 1 | “five” is no number for watts",
                "1, 1000, 0, 1 | power of 0",
                "1, 1000, 5, 101 | distortion of 101",
                "1, -5, 5, 1 | frequency of -5",
                "1, 1000, NaN, 1 | no number for watts",
                "1, 1000, 1e999, 1 | no number for watts",
                "'\"1, 1000, 5, 1' | quotation mark"
            })
    void namesTheLineAndWhatWasNotUnderstood(String text, String said) {
        assertThatThrownBy(() -> MeasuredText.read(text)).hasMessageContaining(said);
    }
}
