package yellowrail.app.speakers;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.TransactionException;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import yellowrail.app.forms.Answers;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.web.ErrorTexts;
import yellowrail.app.web.NotThere;
import yellowrail.core.load.CurveText;

/** Speakers with a measured impedance: all of them, one with its curve, and a new one from text. */
@Controller
class SpeakersController {
    private static final int REMEMBERED = 1000;

    private static final Logger log = LoggerFactory.getLogger(SpeakersController.class);

    private final SpeakerStore speakers;
    private final Cache<UUID, SpeakerView> views =
            Caffeine.newBuilder().maximumSize(REMEMBERED).build();

    SpeakersController(SpeakerStore speakers) {
        this.speakers = speakers;
    }

    @GetMapping("/speakers")
    String all(@RequestParam(defaultValue = "") String kept, Model model) {
        model.addAttribute("kept", kept);
        return page(UUID.randomUUID(), Answers.usual(SpeakerFields.ALL), new FieldErrors(), model);
    }

    /** The page asks the database for names alone: each curve comes when it is scrolled to. */
    private String page(UUID id, Answers answers, FieldErrors complaints, Model model) {
        if (!Boolean.TRUE.equals(model.getAttribute("away"))) {
            model.addAttribute("items", speakers.named());
        }
        model.addAttribute("id", id);
        model.addAttribute("specs", answers.byName());
        model.addAttribute("f", answers.texts());
        model.addAttribute("said", complaints.byField());
        return "speakers/all";
    }

    /** One speaker's words and its drawing, which never change; a sentence where what is stored is not understood. */
    @GetMapping("/speakers/{id}/curve")
    String curve(
            @PathVariable UUID id,
            @RequestHeader(name = "HX-Request", defaultValue = "") String within,
            HttpServletResponse response,
            Model model) {
        try {
            model.addAttribute("s", views.get(id, k -> SpeakerView.of(speakers.speaker(k))));
        } catch (NotThere | DataAccessException | TransactionException told) {
            throw told;
        } catch (RuntimeException broken) {
            log.warn("The speaker {} cannot be shown: {}", id, broken.toString());
        }
        response.addHeader("Vary", "HX-Request");
        return within.isEmpty() ? "speakers/curve" : "speakers/curve :: curve";
    }

    @PostMapping("/speakers")
    String keep(
            @RequestParam UUID id, @RequestParam Map<String, String> sent, HttpServletResponse response, Model model) {
        FieldErrors complaints = new FieldErrors();
        Answers answers = Answers.usual(SpeakerFields.ALL).said(sent::get);
        String name = answers.read(SpeakerFields.NAME, complaints);
        Optional<Double> ohms = answers.read(SpeakerFields.MARKED, complaints);
        answers.read(SpeakerFields.CURVE, complaints);
        if (complaints.any()) {
            response.setStatus(422);
            return page(id, answers, complaints, model);
        }
        try {
            speakers.keep(id, name, ohms, sent.get(SpeakerFields.CURVE.name()));
        } catch (StoredDifferently stored) {
            response.setStatus(409);
            complaints.add("curve", stored.getMessage());
            return page(UUID.randomUUID(), answers, complaints, model);
        } catch (DataAccessException | TransactionException down) {
            response.setStatus(503);
            complaints.add("curve", ErrorTexts.DATABASE);
            model.addAttribute("away", true);
            return page(id, answers, complaints, model);
        }
        return "redirect:/speakers?kept=" + id;
    }

    /** The curve as text again, with the phase that was measured or computed. */
    @GetMapping("/speakers/{id}.csv")
    ResponseEntity<byte[]> text(@PathVariable UUID id) {
        KeptSpeaker speaker = speakers.speaker(id);
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("text/csv;charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"impedance.csv\"")
                .body(CurveText.write(speaker.speaker().curve()).getBytes(StandardCharsets.UTF_8));
    }
}
