package yellowrail.app.api;

import io.swagger.v3.oas.annotations.Operation;
import java.util.Map;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yellowrail.app.load.LoadAnswers;
import yellowrail.app.load.LoadForm;

/** Taps by speakers on a stage as JSON; nothing is stored. */
@RestController
@RequestMapping("/api/v1/loads")
class LoadApi {
    private static final String NAMES =
            "Texts by name, as in the address of the load's page: taps, marked, meter, up to six"
                    + " AC readings (driven1, drive1, other1, volts1 …), up to four sets of speakers (set1 …), a speaker called A"
                    + " (coilOhms, coilHenries, eddyOhms, resonance, peakOhms, quality), copper and core (halfA, halfB,"
                    + " secondaryDc, henries, coreDc, ratedWatts, ratedHertz), band, open; and all parts of a stage. What is left"
                    + " out takes the page's usual answer.";

    private final LoadAnswers answers;

    LoadApi(LoadAnswers answers) {
        this.answers = answers;
    }

    @Operation(summary = "Ratio, load map and what does not fit", description = NAMES)
    @PostMapping
    LoadResult load(@RequestBody Map<String, String> texts) {
        ApiRefused.unlessKnown(texts.keySet(), LoadForm.names(), "A load");
        try {
            return LoadResult.of(answers.answered(LoadForm.from(texts::get)));
        } catch (LoadAnswers.Refused refused) {
            throw new ApiRefused(refused.complaints());
        }
    }
}
