package yellowrail.app.api;

import io.swagger.v3.oas.annotations.Operation;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.load.LoadAnswers;
import yellowrail.app.load.LoadFields;
import yellowrail.app.stage.OnStage;
import yellowrail.app.stage.StageFields;
import yellowrail.core.stage.NoSolution;

/** Taps by speakers on a stage as JSON; nothing is stored. */
@RestController
@RequestMapping("/api/v1/loads")
class LoadApi implements TakesFields {
    private final LoadAnswers answers;

    LoadApi(LoadAnswers answers) {
        this.answers = answers;
    }

    @Operation(summary = "Ratio, load map and what does not fit")
    @PostMapping
    LoadResult load(@RequestBody Map<String, String> body) {
        try {
            return LoadResult.of(answers.answered(OnStage.from(LoadFields.ALL, said(body))));
        } catch (LoadAnswers.Refused refused) {
            throw new ApiRefused(refused.complaints());
        }
    }

    @Operation(summary = "Heat over frequency into the open cell's speakers, which have a curve")
    @PostMapping("/heat")
    HeatResult heat(@RequestBody Map<String, String> body) {
        try {
            return answers.heated(OnStage.from(LoadFields.ALL, said(body)))
                    .map(HeatResult::of)
                    .orElseThrow(() -> ApiAdvice.at(
                            LoadFields.OPEN.name(),
                            "Heat over frequency takes speakers with a curve on a tap that is no stop."));
        } catch (LoadAnswers.Refused refused) {
            throw new ApiRefused(refused.complaints());
        } catch (NoSolution none) {
            throw ApiAdvice.at("stage", none.getMessage());
        }
    }

    @Override
    public String what() {
        return "A load";
    }

    @Override
    public List<FieldSpec<?>> fields() {
        return FieldSpec.all(LoadFields.ALL, StageFields.ALL);
    }

    @Override
    public List<String> paths() {
        return List.of("/api/v1/loads", "/api/v1/loads/heat");
    }
}
