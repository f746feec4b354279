package yellowrail.app.stage;

import jakarta.servlet.http.HttpServletRequest;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.results.ResultStore;
import yellowrail.app.targets.Targets;

/** The stage of an amp: filled from its description and rounds; what the address says goes before. */
@Controller
class AmpStageController {
    private final AmpStore amps;
    private final FromAmp fromAmp;
    private final TubeFactsOf facts;
    private final Targets targets;
    private final ResultStore results;
    private final JsonMapper json;

    AmpStageController(
            AmpStore amps, FromAmp fromAmp, TubeFactsOf facts, Targets targets, ResultStore results, JsonMapper json) {
        this.amps = amps;
        this.fromAmp = fromAmp;
        this.facts = facts;
        this.targets = targets;
        this.results = results;
        this.json = json;
    }

    @GetMapping("/amps/{id}/stage")
    String page(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "1") int channel,
            HttpServletRequest request,
            Model model) {
        Amp amp = amps.amp(id);
        AmpStage stage = fromAmp.of(amp, channel);
        boolean moved = request.getParameter("tube") != null;
        StageController.fill(model, moved ? StageForm.from(request::getParameter) : stage.form(), request, facts);
        if (!moved) {
            model.addAttribute("measured", results.newestAsText(id));
        }
        model.addAttribute("amp", amp);
        model.addAttribute("stage", stage);
        model.addAttribute("channel", channel);
        model.addAttribute("moved", moved);
        model.addAttribute("points", json.writeValueAsString(stage.points()));
        model.addAttribute("target", targets.computed(amp));
        return "stage/page";
    }
}
