package yellowrail.core.planted;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yellowrail.core.judging.Standing;
import yellowrail.core.stage.JudgedStage;
import yellowrail.core.stage.StageJudgement;

/** Planted stages: a limit that must not pass, and limits that an expert calls plainly kept. */
class PlantedStagesTest {
    /** One line. */
    record Planted(String fields, List<String> limits, String why) {
        @Override
        public String toString() {
            return why + ": " + fields;
        }
    }

    static List<Planted> read(String file) throws IOException {
        try (var in = PlantedStagesTest.class.getResourceAsStream("/planted/" + file)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(l -> !l.isBlank() && !l.startsWith("#"))
                    .map(l -> l.split("::"))
                    .map(p -> new Planted(
                            p[0].strip(),
                            Arrays.stream(p[1].split(",")).map(String::strip).toList(),
                            p[2].strip()))
                    .toList();
        }
    }

    static List<Planted> never() throws IOException {
        return read("judged-never.txt");
    }

    static List<Planted> fine() throws IOException {
        return read("judged-fine.txt");
    }

    private static List<StageJudgement> judged(Planted planted) {
        return JudgedStage.of(JudgedStage.fields(planted.fields())).judged();
    }

    private static List<StageJudgement> of(List<StageJudgement> judged, String limit) {
        List<StageJudgement> of = judged.stream()
                .filter(j -> (((Enum<?>) j.limit()).name() + " " + j.when()).equals(limit))
                .toList();
        assertThat(of).as(limit).isNotEmpty();
        return of;
    }

    @ParameterizedTest
    @MethodSource("never")
    void doesNotPass(Planted planted) {
        List<StageJudgement> judged = judged(planted);
        for (String limit : planted.limits()) {
            assertThat(of(judged, limit)).anyMatch(j -> !j.standing().passes());
        }
    }

    @ParameterizedTest
    @MethodSource("fine")
    void isInside(Planted planted) {
        List<StageJudgement> judged = judged(planted);
        for (String limit : planted.limits()) {
            assertThat(of(judged, limit)).allMatch(j -> j.standing() == Standing.INSIDE);
        }
    }

    @Test
    void thereAreEnoughOfBoth() throws IOException {
        assertThat(never()).hasSizeGreaterThanOrEqualTo(60);
        assertThat(fine()).hasSizeGreaterThanOrEqualTo(40);
    }
}
