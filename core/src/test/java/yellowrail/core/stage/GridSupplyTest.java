package yellowrail.core.stage;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Standing;

/** A grid supply of which nobody says what it does: judged for both, and open where they differ. */
class GridSupplyTest {
    private static List<Standing> plates(String fields, String bias) {
        return JudgedStage.of(JudgedStage.fields(fields + "; bias=" + bias)).judged().stream()
                .filter(j -> j.at() == At.HIGHEST)
                .map(StageJudgement::standing)
                .toList();
    }

    /** Limit by limit the word of both, or the open question: over random idles and volts. */
    @Test
    void unknownIsWhatBothAreOrOpen() {
        Random random = new Random(25);
        int open = 0;
        for (int i = 0; i < 25; i++) {
            String type = List.of("6V6GT", "EL84", "EL34", "6L6GC").get(i % 4);
            String fields = "tube=" + type + "; supply=" + (240 + random.nextInt(120)) + "; screens="
                    + (190 + random.nextInt(90)) + "; idle=" + (35 + random.nextInt(60));
            List<Standing> held = plates(fields, "constant");
            List<Standing> follows = plates(fields, "tracking");
            List<Standing> unknown = plates(fields, "unknown");
            assertThat(unknown).hasSameSizeAs(held);
            for (int l = 0; l < unknown.size(); l++) {
                assertThat(unknown.get(l))
                        .as(fields)
                        .isEqualTo(held.get(l) == follows.get(l) ? held.get(l) : Standing.OPEN_QUESTION);
                open += unknown.get(l) == Standing.OPEN_QUESTION ? 1 : 0;
            }
        }
        assertThat(open).isGreaterThan(5);
    }

    @Test
    void atNominalMainsBothStandAlike() {
        JudgedStage stage = JudgedStage.of(Map.of("bias", "unknown", "idle", "75", "supply", "400", "screens", "300"));
        assertThat(stage.setting().outcomes())
                .extracting(StageSetting::grid)
                .containsExactly(GridSupply.HELD, GridSupply.FOLLOWS);
        assertThat(stage.judged().stream().filter(j -> j.at() == At.NOW))
                .noneMatch(j -> j.standing() == Standing.OPEN_QUESTION);
    }
}
