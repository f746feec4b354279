package yellowrail.app.curves;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.TransactionException;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.util.UriComponentsBuilder;
import yellowrail.app.forms.CsvLines;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.tubes.TubeStore;
import yellowrail.app.web.ErrorTexts;
import yellowrail.app.web.NotThere;
import yellowrail.core.fit.OwnFit;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.TubeType;
import yellowrail.core.tube.TypeCurves;

/** Curves of a type: what the shipped ones are worth, and a builder's own fit to published points. */
@Controller
class CurvesController {
    private final CurvesStore store;
    private final TubeStore tubes;

    CurvesController(CurvesStore store, TubeStore tubes) {
        this.store = store;
        this.tubes = tubes;
    }

    @GetMapping("/tubes/{name}/curves")
    String page(@PathVariable String name, @RequestParam(defaultValue = "") String kept, Model model) {
        TubeType type = type(name);
        String points = store.of(type.designation()).map(TypeCurves::points).orElse("");
        model.addAttribute("kept", !kept.isEmpty());
        return show(type, points, UUID.randomUUID(), new FieldErrors(), Optional.empty(), model);
    }

    /** Fits and shows; keeps only when asked to, so that the residuals are seen first. */
    @PostMapping("/tubes/{name}/curves")
    String fit(
            @PathVariable String name,
            @RequestParam UUID id,
            @RequestParam(defaultValue = "") String points,
            @RequestParam(defaultValue = "") String keep,
            Model model,
            HttpServletResponse response) {
        TubeType type = type(name);
        FieldErrors complaints = new FieldErrors();
        OwnFit fit;
        try {
            fit = OwnFit.of(PointsText.read(type.designation(), points));
        } catch (IllegalArgumentException refused) {
            response.setStatus(422);
            complaints.add("points", refused.getMessage());
            return show(type, points, id, complaints, Optional.empty(), model);
        }
        if (!keep.isEmpty()) {
            try {
                store.keep(id, type.designation(), new TypeCurves(fit.fitted().model(), fit.trust(), points, true));
                return "redirect:"
                        + UriComponentsBuilder.fromPath("/tubes/{name}/curves")
                                .queryParam("kept", "yes")
                                .build(type.designation().replace('/', '-'));
            } catch (StoredDifferently stored) {
                response.setStatus(409);
                complaints.add("form", stored.getMessage());
                return show(type, points, UUID.randomUUID(), complaints, Optional.of(FitView.of(fit)), model);
            } catch (DataAccessException | TransactionException away) {
                response.setStatus(503);
                complaints.add("form", ErrorTexts.DATABASE);
            }
        }
        return show(type, points, id, complaints, Optional.of(FitView.of(fit)), model);
    }

    private String show(
            TubeType type, String points, UUID id, FieldErrors complaints, Optional<FitView> fit, Model model) {
        Optional<TypeCurves> present = store.of(type.designation());
        model.addAttribute("type", type.designation());
        model.addAttribute("rated", type.strictest().isPresent());
        model.addAttribute("present", present.orElse(null));
        model.addAttribute(
                "parameters", present.map(c -> FitView.parameters(c.model())).orElse(null));
        model.addAttribute("points", points);
        model.addAttribute("id", id);
        model.addAttribute("limits", CsvLines.limits(PointsText.MOST));
        model.addAttribute("said", complaints.byField());
        model.addAttribute("fit", fit.orElse(null));
        return "curves/curves";
    }

    private TubeType type(String name) {
        if (tubes.catalogueOrLastKnown().find(name) instanceof Lookup.Found found) {
            return found.type();
        }
        throw new NotThere("tube type " + name);
    }
}
