package yellowrail.app.load;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import yellowrail.app.AppIT;
import yellowrail.app.stage.StageForm;
import yellowrail.app.stage.StageReader;
import yellowrail.app.stage.TubeFactsOf;
import yellowrail.core.load.LoadMap;
import yellowrail.core.reading.ErrorBudget;
import yellowrail.core.reading.Estimate;

/** A limit inside the error of the load is never below its rating, and one passed at the likely ohms stays passed. */
class LoadEffectsIT extends AppIT {
    private static final double ERROR = 0.15;

    @Autowired
    private LoadEffects effects;

    @Autowired
    private TubeFactsOf facts;

    private LoadEffects.Judge judge(String duty) {
        StageForm form = StageForm.from(Map.of("idle", "45", "supply", "420 V", "screens", "330 V", "duty", duty)::get);
        TubeFactsOf.Answer tube = facts.of(form);
        StageReader.Read read = StageReader.read(form, tube);
        return new LoadEffects.Judge(read.setting(), tube.facts(), read.highest(), Optional.empty());
    }

    private static LoadMap.Cell cell(double factor, double error) {
        return new LoadMap.Cell(
                8,
                new Estimate(4200 * factor, ErrorBudget.exact().and("load", error)),
                factor,
                factor * (1 - error),
                factor * (1 + error),
                Optional.empty(),
                Optional.empty());
    }

    /** Whatever is played: where that is not said, what passes only for some of it passes at no end of the error. */
    @ParameterizedTest
    @ValueSource(strings = {"unsaid", "hard", "tone"})
    void theErrorOfTheLoadReachesTheVerdict(String duty) {
        LoadEffects.Judge judge = judge(duty);
        int onlyByItsError = 0;
        for (double factor = 0.4; factor < 4; factor *= 1.07) {
            String likely = effects.worst(cell(factor, 0), judge).tone();
            String least = effects.worst(cell(factor * (1 - ERROR), 0), judge).tone();
            String most = effects.worst(cell(factor * (1 + ERROR), 0), judge).tone();
            LoadEffects.Worst told = effects.worst(cell(factor, ERROR), judge);
            if (likely.equals("over")) {
                assertThat(told.tone()).isEqualTo("over");
            } else if (!likely.equals("unknown")
                    && (least.equals("over")
                            || most.equals("over")
                            || likely.equals("open") && !(least + most).equals("openopen"))) {
                onlyByItsError++;
                assertThat(told.tone()).as("× " + factor).isEqualTo("near");
            } else {
                assertThat(told.tone()).isEqualTo(likely);
            }
        }
        assertThat(onlyByItsError).isPositive();
    }

    @Test
    void withoutAStageNothingIsTold() {
        LoadEffects.Judge none = new LoadEffects.Judge(Optional.empty(), Optional.empty(), 1.1, Optional.empty());
        assertThat(effects.worst(cell(1, 0), none).tone()).isEqualTo("unknown");
        assertThat(effects.atAnyLoad(none)).isEmpty();
    }
}
