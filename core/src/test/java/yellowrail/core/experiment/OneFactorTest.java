package yellowrail.core.experiment;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class OneFactorTest {
    private static final List<String> FACTORS = List.of("idle", "load", "feedback");
    private static final Map<String, String> FIRST = Map.of("idle", "60 %", "load", "8 Ω", "feedback", "none");

    @Test
    void oneChangeWithAllElseSaidMayBeCredited() {
        OneFactor since =
                OneFactor.between(FACTORS, FIRST, Map.of("idle", "75 %", "load", "8 ω", "feedback", " none "));
        assertThat(since.creditable()).isTrue();
        assertThat(since.sentence()).isEqualTo("Since the last result only idle (“60 %”, then “75 %”) changed.");
    }

    @Test
    void twoChangesAreNamedWithTheControlThatWouldTellThemApart() {
        OneFactor since = OneFactor.between(FACTORS, FIRST, Map.of("idle", "75 %", "load", "16 Ω", "feedback", "none"));
        assertThat(since.creditable()).isFalse();
        assertThat(since.sentence())
                .startsWith("2 things changed since the last result: idle (“60 %”, then “75 %”), load (“8 Ω”,")
                .endsWith("The control: one more result with only idle changed.");
    }

    @Test
    void whatIsNotSaidCannotBeRuledOut() {
        OneFactor since = OneFactor.between(FACTORS, FIRST, Map.of("idle", "75 %", "load", "8 Ω"));
        assertThat(since.creditable()).isFalse();
        assertThat(since.sentence()).contains("as far as is said").endsWith("Not said on both sides: feedback.");
        assertThat(OneFactor.between(FACTORS, FIRST, Map.of()).sentence()).contains("not everything is said");
        assertThat(OneFactor.between(FACTORS, FIRST, FIRST).sentence()).contains("a repeat");
    }

    private static MeasuredPoint point(String level, double hertz, double thd) {
        return new MeasuredPoint(level, Optional.of(hertz), 5, thd);
    }

    @Test
    void theLowestDistortionOfAColumnIsMarkedOnlyWhenItIsTold() {
        Matrix matrix = Matrix.of(List.of(
                List.of(point("1", 1000, 0.010), point("2", 1000, 0.020)),
                List.of(point("1", 1000, 0.005), point("2", 1000, 0.0195)),
                List.of(point("3", 1000, 0.001))));
        assertThat(matrix.columns()).extracting(Matrix.Column::level).containsExactly("1", "2", "3");
        assertThat(matrix.rows().get(1).cells().get(0).orElseThrow().best()).isTrue();
        assertThat(matrix.rows().get(0).cells().get(0).orElseThrow().best()).isFalse();
        // 2 % apart is no difference, and a column with one result has no best.
        assertThat(matrix.rows().get(1).cells().get(1).orElseThrow().best()).isFalse();
        assertThat(matrix.rows().get(2).cells().get(2).orElseThrow().best()).isFalse();
        assertThat(matrix.rows().get(2).cells().get(0)).isEmpty();
    }

    @Test
    void figuresThatCannotBeAreRefused() {
        assertThatThrownBy(() -> new MeasuredPoint("", Optional.empty(), 0, 0.01))
                .hasMessageContaining("power of 0");
        assertThatThrownBy(() -> new MeasuredPoint("", Optional.empty(), 5, 1.2))
                .hasMessageContaining("120");
        assertThatThrownBy(() -> new MeasuredPoint("", Optional.of(-1.0), 5, 0.1))
                .hasMessageContaining("frequency");
        assertThatThrownBy(() -> new MeasuredPoint("x".repeat(41), Optional.empty(), 5, 0.1))
                .hasMessageContaining("40 characters");
    }
}
