package yellowrail.app.settings;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.TransactionException;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import yellowrail.app.forms.Answers;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.web.ErrorTexts;
import yellowrail.core.reading.Accuracy;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;
import yellowrail.core.target.Target.Window;

/** Target windows and meters, all editable; a name that exists is changed, a new one is added. */
@Controller
class SettingsController {
    private final SettingStore store;

    SettingsController(SettingStore store) {
        this.store = store;
    }

    @GetMapping("/settings")
    String page(@RequestParam(defaultValue = "") String kept, Model model) {
        return page(new FieldErrors(), kept, Map.of(), model);
    }

    private String page(FieldErrors complaints, String kept, Map<String, String> typed, Model model) {
        model.addAttribute("typed", typed);
        model.addAttribute("name", SettingFields.NAME);
        model.addAttribute("window", SettingFields.WINDOW.subList(1, SettingFields.WINDOW.size()));
        model.addAttribute("meter", SettingFields.METER_NAME);
        model.addAttribute("exactness", SettingFields.EXACTNESS);
        model.addAttribute("windows", store.windows());
        model.addAttribute("meters", store.meters());
        model.addAttribute("broken", store.broken());
        model.addAttribute("said", complaints.byField());
        model.addAttribute("kept", !kept.isEmpty());
        model.addAttribute("windowId", UUID.randomUUID());
        model.addAttribute("meterId", UUID.randomUUID());
        return "settings/settings";
    }

    @PostMapping("/settings/targets")
    String target(
            @RequestParam UUID id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        FieldErrors complaints = new FieldErrors();
        Answers answers = Answers.usual(SettingFields.WINDOW).said(typed::get);
        String name = answers.read(SettingFields.NAME, complaints);
        Optional<Typed> low = answers.read(SettingFields.LOW, complaints);
        Optional<Typed> high = answers.read(SettingFields.HIGH, complaints);
        if (low.isEmpty() || high.isEmpty()) {
            complaints.add(SettingFields.LOW.name(), "A window needs both edges, in per cent of the plate rating.");
        }
        String why = answers.read(SettingFields.WHY, complaints);
        return keep(
                complaints,
                typed,
                model,
                response,
                () -> store.keep(
                        id,
                        new Window(
                                name,
                                low.orElseThrow().value() / 100,
                                high.orElseThrow().value() / 100,
                                why)));
    }

    @PostMapping("/settings/meters")
    String meter(
            @RequestParam UUID id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        FieldErrors complaints = new FieldErrors();
        Answers answers = Answers.usual(SettingFields.METER).said(typed::get);
        String name = answers.read(SettingFields.METER_NAME, complaints);
        Accuracy volts = SettingFields.VOLTS.read(answers, complaints);
        Accuracy amperes = SettingFields.AMPERES.read(answers, complaints);
        Accuracy ohms = SettingFields.OHMS.read(answers, complaints);
        Optional<Accuracy> alternating = SettingFields.AC_VOLTS.ifKnown(answers, complaints);
        return keep(
                complaints,
                typed,
                model,
                response,
                () -> store.keep(id, new Meter(name, volts, amperes, ohms, alternating)));
    }

    private String keep(
            FieldErrors complaints,
            Map<String, String> typed,
            Model model,
            HttpServletResponse response,
            Runnable store) {
        if (!complaints.any()) {
            try {
                store.run();
                return "redirect:/settings?kept=yes";
            } catch (IllegalArgumentException refused) {
                complaints.add("lo", FieldErrors.sentence(refused));
            } catch (StoredDifferently stored) {
                response.setStatus(409);
                complaints.add("form", stored.getMessage());
                return page(complaints, "", typed, model);
            } catch (DataAccessException | TransactionException away) {
                response.setStatus(503);
                complaints.add("form", ErrorTexts.DATABASE);
                return page(complaints, "", typed, model);
            }
        }
        response.setStatus(422);
        return page(complaints, "", typed, model);
    }
}
