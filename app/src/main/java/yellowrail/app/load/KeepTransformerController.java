package yellowrail.app.load;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.TransactionException;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.stage.OnStage;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.transformers.KeptTransformer;
import yellowrail.app.transformers.TransformerStore;
import yellowrail.app.web.ErrorTexts;
import yellowrail.core.load.AcReading;

/** What is typed of a transformer on the load page is kept: a new one, or the next version of one, with its readings. */
@Controller
class KeepTransformerController {
    private final LoadQuestions questions;
    private final TransformerStore transformers;
    private final LoadOff loadOff;

    KeepTransformerController(LoadQuestions questions, TransformerStore transformers, LoadOff loadOff) {
        this.questions = questions;
        this.transformers = transformers;
        this.loadOff = loadOff;
    }

    @PostMapping("/load/keep")
    String keep(
            @RequestParam UUID keepId,
            @RequestParam(defaultValue = "0") int seen,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(required = false) UUID amp,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        OnStage form = OnStage.from(LoadFields.ALL, request::getParameter);
        FieldErrors complaints = new FieldErrors();
        Optional<KeptTransformer> known = questions.kept(form);
        UUID id = known.map(KeptTransformer::id)
                .orElseGet(() -> UUID.nameUUIDFromBytes((keepId + "/transformer").getBytes()));
        Keeping keeping = Keeping.of(form, questions.ask(form).read(), name, complaints);
        Optional<UUID> ampId = known.flatMap(KeptTransformer::fitted)
                .map(KeptTransformer.Fitted::ampId)
                .or(() -> Optional.ofNullable(amp));
        if (!keeping.readings().isEmpty()) {
            ampId.flatMap(loadOff::refusal).ifPresent(why -> complaints.add("keep", why));
        }
        if (complaints.any()) {
            return refused(422, complaints, keepId, seen, name, amp, known, response, model);
        }
        try {
            transformers.keep(keepId, id, seen, keeping.description().orElseThrow(), named(keepId, keeping.readings()));
            if (!keeping.readings().isEmpty()) {
                ampId.ifPresent(of -> loadOff.takenOff(of, keepId));
            }
        } catch (StoredDifferently stored) {
            complaints.add("keep", stored.getMessage());
            return refused(409, complaints, keepId, seen, name, amp, known, response, model);
        } catch (DataAccessException | TransactionException away) {
            complaints.add("keep", ErrorTexts.DATABASE);
            return refused(503, complaints, keepId, seen, name, amp, known, response, model);
        }
        String there = "/transformers/" + id + "?kept=yes";
        if (request.getHeader("HX-Request") == null) {
            return "redirect:" + there;
        }
        // A redirect would be followed unseen: htmx goes where this header says.
        response.setHeader("HX-Redirect", there);
        model.addAttribute("keep", new LoadView.Keep(keepId, seen, name, amp, true));
        return "load/keep :: keep";
    }

    /** Each reading by an id that the same press makes again. */
    private static Map<UUID, AcReading> named(UUID keepId, List<AcReading> readings) {
        Map<UUID, AcReading> named = new LinkedHashMap<>();
        for (int i = 0; i < readings.size(); i++) {
            named.put(UUID.nameUUIDFromBytes((keepId + "/reading " + i).getBytes()), readings.get(i));
        }
        return named;
    }

    private static String refused(
            int status,
            FieldErrors complaints,
            UUID keepId,
            int seen,
            String name,
            UUID amp,
            Optional<KeptTransformer> known,
            HttpServletResponse response,
            Model model) {
        // htmx exchanges what answers 422; the status of the rest is told in words.
        response.setStatus(status == 422 ? 422 : 200);
        model.addAttribute("keep", new LoadView.Keep(keepId, seen, name, amp, known.isPresent()));
        model.addAttribute(
                "refusals",
                complaints.byField().values().stream()
                        .map(FieldErrors.Complaint::sentence)
                        .toList());
        return "load/keep :: keep";
    }
}
