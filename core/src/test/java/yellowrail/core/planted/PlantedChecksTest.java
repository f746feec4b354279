package yellowrail.core.planted;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yellowrail.core.idle.IdleAnswer;
import yellowrail.core.idle.IdleCheck;
import yellowrail.core.idle.Slip;
import yellowrail.core.idle.Verdict;
import yellowrail.core.target.Profiles;

/** Planted idle checks: what must not be green, and what an expert calls plainly fine. */
class PlantedChecksTest {
    static List<PlantedCases.Case> never() {
        return PlantedCases.of("never-green.txt");
    }

    static List<PlantedCases.Case> fine() {
        return PlantedCases.of("plainly-fine.txt");
    }

    private static IdleAnswer answer(PlantedCases.Case asked) {
        return IdleCheck.answer(PlantedQuestion.of(asked), Profiles.SHIPPED);
    }

    @ParameterizedTest
    @MethodSource("never")
    void isNotGreen(PlantedCases.Case asked) {
        IdleAnswer answer = answer(asked);
        boolean clear = answer.verdict().allClear() && answer.slips().stream().noneMatch(Slip::asks);
        assertThat(clear).as("%s: %s", asked, answer.verdict()).isFalse();
    }

    @ParameterizedTest
    @MethodSource("fine")
    void isGreen(PlantedCases.Case asked) {
        IdleAnswer answer = answer(asked);
        assertThat(answer.verdict().allClear())
                .as(
                        "%s: %s %s",
                        asked, answer.verdict().words(), answer.verdict().sentences())
                .isTrue();
        assertThat(answer.slips().stream().filter(Slip::asks)).isEmpty();
        if (!asked.get("vg2").isBlank()) {
            assertThat(answer.permitted().orElseThrow().limit()).doesNotContain("not read");
        }
    }

    @Test
    void aboveTheRatingAtRaisedMainsItSaysWhatItWouldBeAtNominal() {
        IdleAnswer answer = answer(never().stream()
                .filter(c -> c.why().contains("88 % at nominal"))
                .findFirst()
                .orElseThrow());
        assertThat(answer.verdict().place()).isEqualTo(Verdict.Place.ABOVE_RATING);
        assertThat(answer.notes())
                .anyMatch(n -> n.matches("At the nominal 230 V it would be (87 to )?88 % of the rating.*"));
    }

    static List<PlantedCases.Case> edges() {
        return PlantedCases.of("edges.txt");
    }

    @ParameterizedTest
    @MethodSource("edges")
    void twoSourcesContradictOnlyBeyondTheirErrors(PlantedCases.Case asked) {
        assertThat(answer(asked).verdict().qualifiers().contains(Verdict.Qualifier.CONTRADICTED))
                .as(asked + " " + asked.fields())
                .isEqualTo(asked.why().equals("contradicts"));
    }

    @Test
    void whatIsPassedAtNominalIsToldThoughTheHighestLiesOutOfReach() {
        IdleAnswer answer = answer(never().stream()
                .filter(c -> c.why().contains("lies out of reach"))
                .findFirst()
                .orElseThrow());
        assertThat(answer.verdict().place()).isEqualTo(Verdict.Place.LIMIT_PASSED);
        assertThat(answer.verdict().raised().sentence()).contains("Plate volts 328 V at nominal mains, 230 V");
    }

    @Test
    void thereAreEnoughOfBoth() {
        assertThat(never()).hasSizeGreaterThanOrEqualTo(200);
        assertThat(fine()).hasSizeGreaterThanOrEqualTo(100);
        assertThat(never().stream().map(PlantedCases.Case::fields).distinct()).hasSameSizeAs(never());
        assertThat(fine().stream().map(PlantedCases.Case::fields).distinct()).hasSameSizeAs(fine());
    }
}
