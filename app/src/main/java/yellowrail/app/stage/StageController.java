package yellowrail.app.stage;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.OutputStream;
import java.util.List;
import java.util.Set;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.web.NotThere;
import yellowrail.core.stage.DriveSweep;
import yellowrail.core.stage.Netlist;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.Stage;

/** The stage: what it will do before a control is turned. Its whole state is in the address. */
@Controller
class StageController {
    private static final int NETLIST_LEVELS = 8;

    private final TubeFactsOf facts;
    private final StagePictures pictures;
    private final StageSweeps sweeps;
    private final JsonMapper json;

    StageController(TubeFactsOf facts, StagePictures pictures, StageSweeps sweeps, JsonMapper json) {
        this.facts = facts;
        this.pictures = pictures;
        this.sweeps = sweeps;
        this.json = json;
    }

    @GetMapping("/stage")
    String page(HttpServletRequest request, Model model) {
        fill(model, StageForm.from(request::getParameter), request, facts);
        return "stage/page";
    }

    static void fill(Model model, StageForm form, HttpServletRequest request, TubeFactsOf facts) {
        String[] keep = request.getParameterValues("keep");
        String measured = request.getParameter("measured");
        model.addAttribute("f", form.texts());
        model.addAttribute("specs", form.answers().byName());
        model.addAttribute("types", facts.known());
        model.addAttribute("keep", keep == null ? List.of() : List.of(keep));
        model.addAttribute("measured", measured == null ? "" : measured);
        model.addAttribute(
                "unknown",
                request.getParameterMap().keySet().stream()
                        .filter(name -> !FieldSpec.names(StageFields.ALL).contains(name) && !BESIDE.contains(name))
                        .sorted()
                        .toList());
    }

    /** What stands in the address beside the parts of a stage. */
    private static final Set<String> BESIDE = Set.of("keep", "measured", "channel");

    @GetMapping(path = "/stage/picture", produces = MediaType.APPLICATION_JSON_VALUE)
    @ResponseBody
    StagePicture picture(HttpServletRequest request, @RequestParam(defaultValue = "") String measured) {
        String[] keep = request.getParameterValues("keep");
        return pictures.of(StageForm.from(request::getParameter), keep == null ? List.of() : List.of(keep), measured);
    }

    /** One piece of JSON a line, as they are computed. */
    @GetMapping("/stage/sweeps")
    void sweeps(HttpServletRequest request, HttpServletResponse response) throws IOException, InterruptedException {
        StageForm form = StageForm.from(request::getParameter);
        TubeFactsOf.Answer tube = facts.of(form);
        StageReader.Read read = StageReader.read(form, tube);
        response.setContentType("application/x-ndjson;charset=UTF-8");
        OutputStream out = response.getOutputStream();
        if (read.setting().isEmpty()) {
            return;
        }
        sweeps.run(read.setting().get(), read, tube.facts().orElseThrow(), piece -> {
            out.write(json.writeValueAsBytes(piece));
            out.write('\n');
            out.flush();
        });
    }

    @GetMapping("/stage/netlist.cir")
    ResponseEntity<String> netlist(HttpServletRequest request) {
        StageForm form = StageForm.from(request::getParameter);
        StageReader.Read read = StageReader.read(form, facts.of(form));
        try {
            Stage stage = read.setting()
                    .orElseThrow(() -> new NotThere("netlist of a stage that is not understood"))
                    .stage();
            return ResponseEntity.ok()
                    .contentType(MediaType.parseMediaType("text/plain;charset=UTF-8"))
                    .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"stage.cir\"")
                    .body(Netlist.of(stage, DriveSweep.of(stage, NETLIST_LEVELS).full()));
        } catch (NoSolution none) {
            throw new NotThere("netlist: " + none.getMessage());
        }
    }
}
