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
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.stage.StageEngine;
import yellowrail.app.stage.StageFields;
import yellowrail.app.stage.StageForm;
import yellowrail.app.stage.StageReader;
import yellowrail.app.stage.StageSweeps;
import yellowrail.app.stage.TubeFacts;
import yellowrail.app.stage.TubeFactsOf;
import yellowrail.core.stage.NoSolution;

/** A stage computed, and its sweeps, as JSON; nothing is stored. */
@RestController
@RequestMapping("/api/v1/stages")
class StageApi implements TakesFields {
    private final TubeFactsOf facts;
    private final StageEngine engine;
    private final StageSweeps sweeps;

    StageApi(TubeFactsOf facts, StageEngine engine, StageSweeps sweeps) {
        this.facts = facts;
        this.engine = engine;
        this.sweeps = sweeps;
    }

    private record Asked(StageReader.Read read, TubeFacts facts) {}

    @Operation(summary = "One stage from idle to full drive")
    @PostMapping
    StageResult stage(@RequestBody Map<String, String> body) {
        Asked asked = asked(body);
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

    @Operation(summary = "What a stage does over idle, load, mains and mismatch, and what follows from it")
    @PostMapping("/sweeps")
    SweepsResult sweeps(@RequestBody Map<String, String> body) throws IOException, InterruptedException {
        Asked asked = asked(body);
        List<StageSweeps.Piece> pieces = new ArrayList<>();
        sweeps.run(asked.read().setting().orElseThrow(), asked.read(), asked.facts(), pieces::add);
        if (pieces.stream().anyMatch(p -> p.kind() == StageSweeps.Kind.BUSY)) {
            throw new ResponseStatusException(
                    HttpStatus.TOO_MANY_REQUESTS, "Others are being served just now: ask again in a second.");
        }
        return SweepsResult.of(pieces);
    }

    @Override
    public String what() {
        return "A stage";
    }

    @Override
    public List<FieldSpec<?>> fields() {
        return StageFields.ALL;
    }

    @Override
    public List<String> paths() {
        return List.of("/api/v1/stages", "/api/v1/stages/sweeps");
    }

    private Asked asked(Map<String, String> body) {
        StageForm form = StageForm.from(said(body));
        TubeFactsOf.Answer tube = facts.of(form);
        StageReader.Read read = StageReader.read(form, tube);
        if (read.setting().isEmpty()) {
            throw new ApiRefused(read.complaints());
        }
        return new Asked(read, tube.facts().orElseThrow());
    }
}
