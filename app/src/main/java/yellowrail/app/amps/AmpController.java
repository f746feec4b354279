package yellowrail.app.amps;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.TransactionException;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.SensingFields;
import yellowrail.app.settings.SettingStore;
import yellowrail.app.tubes.TubeStore;
import yellowrail.app.web.ErrorTexts;
import yellowrail.core.amp.Socket;
import yellowrail.core.tube.Lookup;

/** Describing an amp, and following a description by a new version. */
@Controller
class AmpController {
    private final AmpStore amps;
    private final TubeStore tubes;
    private final SettingStore settings;

    AmpController(AmpStore amps, TubeStore tubes, SettingStore settings) {
        this.amps = amps;
        this.tubes = tubes;
        this.settings = settings;
    }

    /** What belongs to the form beside its fields: ids made once, so that a repeated request stores once. */
    record Envelope(UUID ampId, UUID versionId, int seenVersion, boolean fresh) {}

    @GetMapping("/amps/new")
    String fresh(Model model) {
        return form(
                AmpForms.empty(),
                new Envelope(UUID.randomUUID(), UUID.randomUUID(), 0, true),
                new FieldErrors(),
                model);
    }

    @GetMapping("/amps/{id}/edit")
    String edit(@PathVariable UUID id, Model model) {
        Amp amp = amps.amp(id);
        return form(
                AmpForms.of(amp.description()),
                new Envelope(id, UUID.randomUUID(), amp.version(), false),
                new FieldErrors(),
                model);
    }

    /** The part of the form that depends on how many tubes there are and what shares a sense point. */
    @PostMapping("/amps/rows")
    String rows(
            HttpServletRequest request,
            @RequestParam(defaultValue = "2") int tubes,
            @RequestParam(defaultValue = "1") int channels,
            Model model) {
        AmpForm form = AmpForm.of(request.getParameterMap());
        int count = Math.max(1, Math.min(8, tubes));
        AmpForm resized = AmpForms.resized(form, count, Math.max(1, Math.min(2, channels)));
        fill(resized, new FieldErrors(), model);
        return "amps/form :: rows";
    }

    @PostMapping("/amps/keep")
    String keep(
            HttpServletRequest request,
            @RequestParam UUID ampId,
            @RequestParam UUID versionId,
            @RequestParam(defaultValue = "0") int seenVersion,
            Model model,
            HttpServletResponse response) {
        AmpForm form = AmpForm.of(request.getParameterMap());
        List<String> targets = settings.targetNames();
        AmpReader.Read read = AmpReader.read(form, tubes.catalogueOrLastKnown(), targets);
        Envelope envelope = new Envelope(ampId, versionId, seenVersion, seenVersion == 0);
        if (read.description().isEmpty()) {
            response.setStatus(422);
            return form(form, envelope, read.complaints(), model);
        }
        try {
            amps.keep(versionId, ampId, seenVersion, read.description().get());
        } catch (AmpStore.ChangedMeanwhile changed) {
            response.setStatus(409);
            int newest = amps.amp(ampId).version();
            read.complaints()
                    .add(
                            "form",
                            changed.getMessage() + " What you typed is still here, nothing was saved. Look at"
                                    + " the other version first; saving again keeps yours as the newest.");
            return form(form, new Envelope(ampId, UUID.randomUUID(), newest, false), read.complaints(), model);
        } catch (DataAccessException | TransactionException away) {
            response.setStatus(503);
            read.complaints().add("form", ErrorTexts.DATABASE);
            return form(form, envelope, read.complaints(), model);
        }
        return "redirect:/amps/" + ampId + "?kept=" + versionId;
    }

    private String form(AmpForm form, Envelope envelope, FieldErrors complaints, Model model) {
        fill(form, complaints, model);
        model.addAttribute("envelope", envelope);
        model.addAttribute("filled", complaints.any());
        return "amps/form";
    }

    private void fill(AmpForm form, FieldErrors complaints, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("specs", AmpForm.byName());
        model.addAttribute("sensing", SensingFields.ofAmp());
        model.addAttribute("said", complaints.byField());
        model.addAttribute("types", tubes.catalogueOrLastKnown().types());
        model.addAttribute("noScreen", noScreen(form));
        model.addAttribute("targets", settings.targetNames());
        model.addAttribute("channels", AmpForms.channelsOf(form));
        model.addAttribute("points", pointNames(form));
        model.addAttribute("fits", HowItFits.sentences(form, pointNames(form)));
        model.addAttribute(
                "nodes", Math.min(12, Math.max(4, form.list("nodeLabel").size() + 1)));
    }

    /** Whether every tube that was typed is a triode. */
    private boolean noScreen(AmpForm form) {
        List<Lookup> typed = form.list("socketType").stream()
                .filter(t -> !t.isBlank())
                .map(tubes.catalogueOrLastKnown()::find)
                .toList();
        return !typed.isEmpty()
                && typed.stream()
                        .allMatch(l ->
                                l instanceof Lookup.Found found && !found.type().hasScreen());
    }

    /** Names of the sense points this form would make, for the fields with their measured ohms. */
    private static List<String> pointNames(AmpForm form) {
        List<Socket> sockets = new ArrayList<>();
        for (int i = 0; i < form.list("socketName").size(); i++) {
            String name = form.at("socketName", i).strip();
            boolean usable = !name.isEmpty() && name.length() <= 12;
            sockets.add(new Socket(
                    usable ? name : "V" + (i + 1),
                    form.at("socketChannel", i).equals("2") ? 2 : 1,
                    form.at("socketSide", i).equals("B") ? Socket.Side.B : Socket.Side.A,
                    "tube"));
        }
        Grouping grouping = Grouping.of(form, new PartReader(form, new FieldErrors()).read(SensingPart.GROUPING));
        return List.copyOf(grouping.points(sockets).keySet());
    }
}
