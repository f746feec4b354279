package yellowrail.app.api;

import io.swagger.v3.oas.annotations.Operation;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.server.ResponseStatusException;
import yellowrail.app.stage.StageEngine;
import yellowrail.app.stage.StageForm;
import yellowrail.app.stage.StageReader;
import yellowrail.app.stage.StageSweeps;
import yellowrail.app.stage.TubeFacts;
import yellowrail.app.stage.TubeFactsOf;
import yellowrail.core.stage.NoSolution;

/** A stage computed, and its sweeps, as JSON; nothing is stored. */
@RestController
@RequestMapping("/api/v1/stages")
class StageApi {
    private static final String NAMES =
            "Texts by name, as in the address of the stage's page; what is left out takes the page's usual answer:"
                    + " tube, judge (DESIGN_CENTRE, DESIGN_MAXIMUM, ABSOLUTE; empty: the lowest plate rating), topology (pp, se), connection (pentode, ul, triode), tap, tubes, bias (tracking, constant,"
                    + " cathode, mixed), at (grid volts or cathode ohms; empty: idle sets it), cathode, shared (shared,"
                    + " own), supply, source, screens (empty: B+), feed, rg2 (one for all tubes, or one for each,"
                    + " apart by semicolons), rdc, secondary, load, scales, offsets,"
                    + " idle (% of the plate rating), loadFactor, mains (%), highest, margin, clean.";

    private final TubeFactsOf facts;
    private final StageEngine engine;
    private final StageSweeps sweeps;

    StageApi(TubeFactsOf facts, StageEngine engine, StageSweeps sweeps) {
        this.facts = facts;
        this.engine = engine;
        this.sweeps = sweeps;
    }

    private record Asked(StageReader.Read read, TubeFacts facts) {}

    @Operation(summary = "One stage from idle to full drive", description = NAMES)
    @PostMapping
    StageResult stage(@RequestBody Map<String, String> texts) {
        Asked asked = asked(texts);
        try {
            return StageResult.of(
                    asked.read().setting().orElseThrow(),
                    engine.picture(asked.read().setting().get(), asked.read().highest()),
                    asked.read().highest(),
                    asked.facts());
        } catch (NoSolution none) {
            throw ApiAdvice.at("stage", none.getMessage());
        }
    }

    @Operation(
            summary = "What a stage does over idle, load, mains and mismatch, and what follows from it",
            description = NAMES)
    @PostMapping("/sweeps")
    SweepsResult sweeps(@RequestBody Map<String, String> texts) throws IOException, InterruptedException {
        Asked asked = asked(texts);
        List<StageSweeps.Piece> pieces = new ArrayList<>();
        sweeps.run(asked.read().setting().orElseThrow(), asked.read(), asked.facts(), pieces::add);
        if (pieces.stream().anyMatch(p -> p.kind() == StageSweeps.Kind.BUSY)) {
            throw new ResponseStatusException(
                    HttpStatus.TOO_MANY_REQUESTS, "Others are being served just now: ask again in a second.");
        }
        return SweepsResult.of(pieces);
    }

    private Asked asked(Map<String, String> texts) {
        List<ApiRefused.FieldError> unknown = texts.keySet().stream()
                .filter(name -> !StageForm.names().contains(name))
                .map(name -> new ApiRefused.FieldError(
                        name,
                        "A stage has no such part; it has " + String.join(", ", StageForm.names()) + ".",
                        List.copyOf(StageForm.names())))
                .toList();
        if (!unknown.isEmpty()) {
            throw new ApiRefused(unknown);
        }
        StageForm form = StageForm.from(texts::get);
        TubeFactsOf.Answer tube = facts.of(form);
        StageReader.Read read = StageReader.read(form, tube);
        if (read.setting().isEmpty()) {
            throw new ApiRefused(read.complaints());
        }
        return new Asked(read, tube.facts().orElseThrow());
    }
}
