package yellowrail.app.api;

import io.swagger.v3.oas.annotations.Operation;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.stage.OnStage;
import yellowrail.app.stage.StageFields;
import yellowrail.app.swap.SwapAnswers;
import yellowrail.app.swap.SwapFields;

/** Whether other tubes may go into a stage, as JSON; nothing is stored. */
@RestController
@RequestMapping("/api/v1/swaps")
class SwapApi implements TakesFields {
    private final SwapAnswers answers;

    SwapApi(SwapAnswers answers) {
        this.answers = answers;
    }

    @Operation(summary = "The sheet of each candidate: every limit with its verdict")
    @PostMapping
    SwapResult swap(@RequestBody Map<String, String> body) {
        try {
            return SwapResult.of(answers.answered(OnStage.from(SwapFields.ALL, said(body))));
        } catch (SwapAnswers.Refused refused) {
            throw new ApiRefused(refused.said().entrySet().stream()
                    .map(e -> new ApiRefused.FieldError(
                            e.getKey(), e.getValue().sentence(), e.getValue().choices()))
                    .toList());
        }
    }

    @Override
    public String what() {
        return "A swap";
    }

    @Override
    public List<FieldSpec<?>> fields() {
        return FieldSpec.all(SwapFields.ALL, StageFields.ALL);
    }

    @Override
    public List<String> paths() {
        return List.of("/api/v1/swaps");
    }
}
