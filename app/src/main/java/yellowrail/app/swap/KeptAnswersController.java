package yellowrail.app.swap;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.TransactionException;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.stage.OnStage;
import yellowrail.app.stage.StageFields;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.web.ErrorTexts;

/** Keeps what was answered around an amp's tubes with the amp. */
@Controller
class KeptAnswersController {
    private final AmpStore amps;
    private final KeptAnswers kept;

    KeptAnswersController(AmpStore amps, KeptAnswers kept) {
        this.amps = amps;
        this.kept = kept;
    }

    @PostMapping("/amps/{id}/swap/kept")
    String keep(
            @PathVariable UUID id,
            @RequestParam UUID answersId,
            @RequestParam(defaultValue = "1") int channel,
            @RequestParam(defaultValue = "") String device,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Amp amp = amps.amp(id);
        OnStage form = OnStage.from(SwapFields.ALL, request::getParameter);
        model.addAttribute("amp", amp);
        model.addAttribute("query", form.query());
        List<String> refusals = refusals(amp, channel, form);
        if (!refusals.isEmpty()) {
            return AcceptSwapController.refused(422, refusals, response, model);
        }
        try {
            kept.keep(answersId, id, channel, amp.version(), form, AcceptSwapController.named(device));
            return "redirect:/amps/" + id + "/swap?channel=" + channel + "&" + form.query() + "#criteria";
        } catch (StoredDifferently other) {
            return AcceptSwapController.refused(409, List.of(other.getMessage()), response, model);
        } catch (DataAccessException | TransactionException away) {
            return AcceptSwapController.refused(503, List.of(ErrorTexts.DATABASE), response, model);
        }
    }

    private static List<String> refusals(Amp amp, int channel, OnStage form) {
        FieldErrors complaints = new FieldErrors();
        SwapFields.read(form, complaints);
        List<String> refusals = new ArrayList<>();
        complaints.byField().values().forEach(c -> refusals.add(c.sentence()));
        String type = amp.description().stage().tubeTypes().get(0);
        if (!form.stage().text(StageFields.TUBE).equalsIgnoreCase(type)) {
            refusals.add("These answers were given beside " + form.stage().text(StageFields.TUBE)
                    + ", the amp is described with " + type + ": fill the sheet in again from the amp.");
        }
        if (amp.description().stage().sockets().stream().noneMatch(s -> s.channel() == channel)) {
            refusals.add("The amp has no channel " + channel + ".");
        }
        return refusals;
    }
}
