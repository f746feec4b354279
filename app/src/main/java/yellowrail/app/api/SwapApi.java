package yellowrail.app.api;

import io.swagger.v3.oas.annotations.Operation;
import java.util.Map;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yellowrail.app.swap.SwapAnswers;
import yellowrail.app.swap.SwapForm;

/** Whether other tubes may go into a stage, as JSON; nothing is stored. */
@RestController
@RequestMapping("/api/v1/swaps")
class SwapApi {
    private static final String NAMES =
            "Texts by name, as in the address of the page of swaps: up to four candidates (to1, count1, wired1, bias1, ohms1,"
                    + " sleeve1 …), wanted, lowest, channels, what is around the tubes, and all parts of a stage. What is left"
                    + " out takes the page's usual answer; what is left out of what is around the tubes is not answered.";

    private final SwapAnswers answers;

    SwapApi(SwapAnswers answers) {
        this.answers = answers;
    }

    @Operation(summary = "The sheet of each candidate: every limit with its verdict", description = NAMES)
    @PostMapping
    SwapResult swap(@RequestBody Map<String, String> texts) {
        ApiRefused.unlessKnown(texts.keySet(), SwapForm.names(), "A swap");
        try {
            return SwapResult.of(answers.answered(SwapForm.from(texts::get)));
        } catch (SwapAnswers.Refused refused) {
            throw new ApiRefused(refused.said().entrySet().stream()
                    .map(e -> new ApiRefused.FieldError(
                            e.getKey(), e.getValue().sentence(), e.getValue().choices()))
                    .toList());
        }
    }
}
