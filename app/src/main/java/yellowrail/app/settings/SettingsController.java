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
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.Fields;
import yellowrail.app.forms.Texts;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.web.ErrorTexts;
import yellowrail.core.reading.Accuracy;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;
import yellowrail.core.stage.ComputedTarget;
import yellowrail.core.target.Target;
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
            @RequestParam UUID id,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String lo,
            @RequestParam(defaultValue = "") String hi,
            @RequestParam(defaultValue = "") String why,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        FieldErrors complaints = new FieldErrors();
        var low = complaints.quantity("lo", lo, Fields.PERCENT).map(Typed::value);
        var high = complaints.quantity("hi", hi, Fields.PERCENT).map(Typed::value);
        if (low.isEmpty() || high.isEmpty()) {
            complaints.add("lo", "A window needs both edges, in per cent of the plate rating.");
        }
        if (Texts.line(name).equalsIgnoreCase(ComputedTarget.NAME)
                || Texts.line(name).equalsIgnoreCase(Target.MakersFigure.NAME)) {
            complaints.add("name", "“" + Texts.line(name) + "” is taken: choose another name for this window.");
        }
        if (why.length() > Texts.SENTENCE) {
            complaints.add("why", Texts.tooLong(Texts.SENTENCE, why));
        }
        return keep(
                complaints,
                typed,
                model,
                response,
                () -> store.keep(
                        id,
                        new Window(
                                Texts.line(name), low.orElseThrow() / 100, high.orElseThrow() / 100, Texts.line(why))));
    }

    @PostMapping("/settings/meters")
    String meter(
            @RequestParam UUID id,
            @RequestParam(defaultValue = "") String meterName,
            @RequestParam(defaultValue = "") String vPercent,
            @RequestParam(defaultValue = "") String vCounts,
            @RequestParam(defaultValue = "") String aPercent,
            @RequestParam(defaultValue = "") String aCounts,
            @RequestParam(defaultValue = "") String oPercent,
            @RequestParam(defaultValue = "") String oCounts,
            @RequestParam(defaultValue = "") String acPercent,
            @RequestParam(defaultValue = "") String acCounts,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        FieldErrors complaints = new FieldErrors();
        if (meterName.isBlank() || meterName.length() > Texts.NAME) {
            complaints.add("meterName", "A meter's name has 1 to 60 characters.");
        }
        Accuracy volts = accuracy("v", vPercent, vCounts, complaints);
        Accuracy amperes = accuracy("a", aPercent, aCounts, complaints);
        Accuracy ohms = accuracy("o", oPercent, oCounts, complaints);
        // Blank is not known: few look it up before they measure a transformer.
        Optional<Accuracy> alternating = acPercent.isBlank() && acCounts.isBlank()
                ? Optional.empty()
                : Optional.of(accuracy("ac", acPercent, acCounts, complaints));
        return keep(
                complaints,
                typed,
                model,
                response,
                () -> store.keep(id, new Meter(Texts.line(meterName), volts, amperes, ohms, alternating)));
    }

    private static Accuracy accuracy(String name, String percent, String counts, FieldErrors complaints) {
        var share =
                complaints.quantity(name + "Percent", percent, Fields.PERCENT).map(Typed::value);
        int count = complaints.count(name + "Counts", counts, 0, 1000, 0);
        if (share.isEmpty() || share.get() > 100) {
            complaints.add(name + "Percent", "Per cent of reading, 0 to 100, from the meter's specification.");
            return new Accuracy(0, 0);
        }
        return new Accuracy(share.get(), count);
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
