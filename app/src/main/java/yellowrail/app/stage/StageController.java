package yellowrail.app.stage;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ResponseBody;
import yellowrail.app.tubes.TubeStore;
import yellowrail.app.web.NotThere;
import yellowrail.core.stage.DriveSweep;
import yellowrail.core.stage.Netlist;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageIdle;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeModels;
import yellowrail.core.tube.TubeType;

/** The stage: what it will do before a control is turned. Its whole state is in the address. */
@Controller
class StageController {
    private final TubeStore tubes;

    StageController(TubeStore tubes) {
        this.tubes = tubes;
    }

    @GetMapping("/stage")
    String page(HttpServletRequest request, Model model) {
        model.addAttribute("form", StageForm.from(request::getParameter));
        model.addAttribute(
                "types",
                tubes.catalogueOrLastKnown().types().stream()
                        .map(TubeType::designation)
                        .filter(t -> TubeModels.of(t).isPresent())
                        .toList());
        return "stage/page";
    }

    @GetMapping(path = "/stage/picture", produces = MediaType.APPLICATION_JSON_VALUE)
    @ResponseBody
    StagePicture picture(HttpServletRequest request) {
        StageForm form = StageForm.from(request::getParameter);
        StageReader.Read read = StageReader.read(form);
        Ratings ratings = ratings(form.tube());
        if (read.stage().isEmpty() || ratings == null) {
            return StagePicture.refused("", read.complaints().byField());
        }
        try {
            return StagePicture.of(
                    read,
                    ratings.plateWatts().orElseThrow().value(),
                    ratings.screenWatts().map(Figure::value).orElse(Double.NaN),
                    ratings.plateVolts().map(Figure::value).orElse(Double.NaN));
        } catch (NoSolution | IllegalArgumentException none) {
            return StagePicture.refused(none.getMessage(), read.complaints().byField());
        }
    }

    @GetMapping("/stage/netlist.cir")
    ResponseEntity<String> netlist(HttpServletRequest request) {
        StageForm form = StageForm.from(request::getParameter);
        StageReader.Read read = StageReader.read(form);
        Ratings ratings = ratings(form.tube());
        if (read.stage().isEmpty() || ratings == null) {
            throw new NotThere("netlist of a stage that is not understood");
        }
        double rated = ratings.plateWatts().orElseThrow().value();
        Stage set = StageIdle.at(read.stage().get(), read.idleShare() * rated);
        Stage stage = set.withLoad(set.loadOhms() * read.loadFactor()).atMains(read.mains(), read.biasFollows());
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("text/plain;charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"stage.cir\"")
                .body(Netlist.of(stage, DriveSweep.of(stage, 8).full()));
    }

    /** The strictest publication of a type with a plate rating; null when there is none. */
    private Ratings ratings(String designation) {
        Catalogue catalogue = tubes.catalogueOrLastKnown();
        return catalogue.find(designation) instanceof Lookup.Found found
                ? found.type()
                        .strictest()
                        .filter(r -> r.plateWatts().isPresent())
                        .orElse(null)
                : null;
    }
}
