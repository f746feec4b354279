package yellowrail.app.api;

import io.swagger.v3.oas.annotations.Operation;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yellowrail.app.forms.CheckFields;
import yellowrail.app.forms.CheckForm;
import yellowrail.app.forms.CheckReader;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.forms.TubeName;
import yellowrail.app.settings.SettingStore;
import yellowrail.app.tubes.TubeStore;
import yellowrail.app.web.NotThere;
import yellowrail.core.idle.IdleAnswer;
import yellowrail.core.idle.IdleCheck;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Lookup;

/** Idle checks and the catalogue as JSON. */
@RestController
@RequestMapping("/api/v1")
class CheckApi implements TakesFields {
    private final TubeStore tubes;
    private final SettingStore settings;

    CheckApi(TubeStore tubes, SettingStore settings) {
        this.tubes = tubes;
        this.settings = settings;
    }

    @Operation(summary = "Check one idle point; nothing is stored")
    @PostMapping("/idle-checks")
    IdleResult check(@RequestBody Map<String, String> body) {
        ApiRefused.unlessKnown(body.keySet(), CheckForm.names(), what());
        CheckForm form = CheckForm.from(body::get);
        List<Window> windows = settings.windows();
        CheckReader.Read read = CheckReader.read(form, tubes.catalogueOrLastKnown(), windows, settings.meters());
        read.lookup()
                .flatMap(TubeName::notOne)
                .ifPresent(n -> read.complaints().add("tube", n.sentence(), n.designations()));
        IdleAnswer answer = IdleCheck.answer(read.question(), windows);
        read.ask(answer);
        ApiRefused.unlessClear(read.complaints());
        return IdleResult.of(answer);
    }

    @Operation(summary = "The whole catalogue, own entries included")
    @GetMapping("/tubes")
    List<TubeResult> all() {
        return tubes.catalogueOrLastKnown().types().stream().map(TubeResult::of).toList();
    }

    @Operation(summary = "One type by designation or alias")
    @GetMapping("/tubes/{name}")
    TubeResult one(@PathVariable String name) {
        if (tubes.catalogueOrLastKnown().find(name) instanceof Lookup.Found found) {
            return TubeResult.of(found.type());
        }
        throw new NotThere("tube type of that exact name");
    }

    @Override
    public String what() {
        return "An idle check";
    }

    @Override
    public List<FieldSpec<?>> fields() {
        return CheckFields.ALL;
    }

    @Override
    public List<String> paths() {
        return List.of("/api/v1/idle-checks");
    }
}
