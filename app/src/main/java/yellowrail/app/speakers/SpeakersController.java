package yellowrail.app.speakers;

import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Pattern;
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
import org.springframework.web.bind.annotation.RequestParam;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.web.EachShown;
import yellowrail.app.web.ErrorTexts;
import yellowrail.core.load.CurveText;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** Speakers with a measured impedance: all of them, one with its curve, and a new one from text. */
@Controller
class SpeakersController {
    /** A word of a wiring, and not one that stands for something else there. */
    private static final Pattern NAME = Pattern.compile("(?!(?i)dc\\d)\\p{L}[\\p{L}\\d_-]{1,30}");

    private static final Field MARKED =
            Field.of("the marking", Unit.OHM, Prefix.NONE, 0.5, 2000).aboveZero();

    private final SpeakerStore speakers;

    SpeakersController(SpeakerStore speakers) {
        this.speakers = speakers;
    }

    @GetMapping("/speakers")
    String all(@RequestParam(defaultValue = "") String kept, Model model) {
        model.addAttribute("kept", kept);
        return page(UUID.randomUUID(), "", "", "", new FieldErrors(), model);
    }

    private String page(UUID id, String name, String marked, String curve, FieldErrors complaints, Model model) {
        boolean away = Boolean.TRUE.equals(model.getAttribute("away"));
        if (!away) {
            EachShown<KeptSpeaker> all = speakers.all();
            model.addAttribute(
                    "items", all.shown().stream().map(SpeakerView::of).toList());
            model.addAttribute("broken", all.broken());
        }
        model.addAttribute("id", id);
        model.addAttribute("name", name);
        model.addAttribute("marked", marked);
        model.addAttribute("curve", curve);
        model.addAttribute("said", complaints.byField());
        return "speakers/all";
    }

    @PostMapping("/speakers")
    String keep(
            @RequestParam UUID id,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String marked,
            @RequestParam(defaultValue = "") String curve,
            HttpServletResponse response,
            Model model) {
        FieldErrors complaints = new FieldErrors();
        String called = name.strip();
        if (!NAME.matcher(called).matches()) {
            complaints.add(
                    "name",
                    "A short name that stands for it in a wiring, such as barn12: letters first, then letters, digits, _"
                            + " or -, 2 to 31 in all"
                            + (called.isEmpty() ? "." : "; not “" + FieldErrors.shorten(called) + "”."));
        }
        Optional<Double> ohms = marked.isBlank()
                ? Optional.empty()
                : complaints.quantity("marked", marked, MARKED).map(Typed::value);
        CurveText.Read read = CurveText.read(curve);
        if (read.curve().isEmpty()) {
            complaints.add("curve", read.complaint());
        }
        if (complaints.any()) {
            response.setStatus(422);
            return page(id, name, marked, curve, complaints, model);
        }
        try {
            speakers.keep(id, called, ohms, curve);
        } catch (StoredDifferently stored) {
            response.setStatus(409);
            complaints.add("curve", stored.getMessage());
            return page(UUID.randomUUID(), name, marked, curve, complaints, model);
        } catch (DataAccessException | TransactionException down) {
            response.setStatus(503);
            complaints.add("curve", ErrorTexts.DATABASE);
            model.addAttribute("away", true);
            return page(id, name, marked, curve, complaints, model);
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
