package yellowrail.app.tubes;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.TransactionException;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import yellowrail.app.forms.Answers;
import yellowrail.app.pictures.PinFinder;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.web.ErrorTexts;
import yellowrail.app.web.NotThere;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.TubeType;

/** The catalogue: what is known of each type, and the builder's own and corrected entries. */
@Controller
class TubeController {
    private final TubeStore store;

    TubeController(TubeStore store) {
        this.store = store;
    }

    @GetMapping("/tubes")
    String all(Model model) {
        model.addAttribute(
                "types",
                store.catalogueOrLastKnown().types().stream().map(TypeView::of).toList());
        model.addAttribute(
                "broken",
                store.broken().stream()
                        .map(d -> "your own " + d + "; it counts as unknown")
                        .toList());
        return "tubes/tubes";
    }

    @GetMapping("/tubes/{name}")
    String one(
            @PathVariable String name,
            @RequestParam(defaultValue = "below") String view,
            @RequestParam(defaultValue = "") String kept,
            Model model) {
        TubeType type = type(name);
        boolean fromBelow = !view.equals("above");
        model.addAttribute("type", TypeView.of(type));
        model.addAttribute("fromBelow", fromBelow);
        model.addAttribute("kept", !kept.isEmpty());
        model.addAttribute("pins", PinFinder.of(type, new OwnResistor(SenseResistor.marked(1, 1)), fromBelow));
        return "tubes/tube";
    }

    @GetMapping("/tubes/new")
    String fresh(Model model) {
        return form(Answers.usual(TypeFields.ALL), UUID.randomUUID(), "", Map.of(), model);
    }

    @GetMapping("/tubes/{name}/correct")
    String correct(@PathVariable String name, Model model) {
        TubeType type = type(name);
        return form(TypeFields.of(type), UUID.randomUUID(), type.designation(), Map.of(), model);
    }

    @PostMapping("/tubes/keep")
    String keep(
            @RequestParam MultiValueMap<String, String> sent,
            @RequestParam UUID id,
            @RequestParam(defaultValue = "") String before,
            Model model,
            HttpServletResponse response) {
        Answers form = Answers.usual(TypeFields.ALL)
                .said(name -> sent.containsKey(name) ? String.join(" ", sent.get(name)) : "");
        TypeReader.Read read = TypeReader.read(
                form, store.catalogueOrLastKnown(), before.isEmpty() ? Optional.empty() : Optional.of(type(before)));
        if (read.type().isEmpty()) {
            response.setStatus(422);
            return form(form, id, before, read.complaints().byField(), model);
        }
        try {
            store.keep(id, read.type().get());
        } catch (StoredDifferently stored) {
            response.setStatus(409);
            read.complaints().add("form", stored.getMessage());
            return form(form, UUID.randomUUID(), before, read.complaints().byField(), model);
        } catch (DataAccessException | TransactionException away) {
            response.setStatus(503);
            read.complaints().add("form", ErrorTexts.DATABASE);
            return form(form, id, before, read.complaints().byField(), model);
        }
        return "redirect:"
                + org.springframework.web.util.UriComponentsBuilder.fromPath("/tubes/{name}")
                        .queryParam("kept", "yes")
                        .build(read.type().get().designation().replace('/', '-'));
    }

    private String form(Answers form, UUID id, String before, Map<String, ?> said, Model model) {
        model.addAttribute("f", form.texts());
        model.addAttribute("specs", form.byName());
        model.addAttribute("id", id);
        model.addAttribute("before", before);
        model.addAttribute("said", said);
        model.addAttribute("limits", TypeFields.LIMITS.values());
        model.addAttribute("declared", TypeFields.DECLARED);
        model.addAttribute("none", List.of(form.text(TypeFields.NONE).split(" ")));
        return "tubes/form";
    }

    private TubeType type(String name) {
        if (store.catalogueOrLastKnown().find(name) instanceof Lookup.Found found) {
            return found.type();
        }
        throw new NotThere("tube type " + name);
    }
}
