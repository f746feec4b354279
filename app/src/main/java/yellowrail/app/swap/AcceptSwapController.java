package yellowrail.app.swap;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
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
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.web.ErrorTexts;
import yellowrail.app.web.NotThere;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.StageLayout;
import yellowrail.core.swap.BiasChange;
import yellowrail.core.swap.SwapCandidate;
import yellowrail.core.swap.SwapQuestion;
import yellowrail.core.swap.SwapSheet;
import yellowrail.core.swap.SwapVerdict;
import yellowrail.core.swap.WorkList;

/** Accepting a candidate: a new version of the amp's description, the work it asks for, and the way back. */
@Controller
class AcceptSwapController {
    private final SwapReader reader;
    private final SwapSheets sheets;
    private final AmpStore amps;

    AcceptSwapController(SwapReader reader, SwapSheets sheets, AmpStore amps) {
        this.reader = reader;
        this.sheets = sheets;
        this.amps = amps;
    }

    @PostMapping("/amps/{id}/swap")
    String accept(
            @PathVariable UUID id,
            @RequestParam UUID versionId,
            @RequestParam int seen,
            @RequestParam int place,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Amp amp = amps.amp(id);
        SwapForm form = SwapForm.from(request::getParameter);
        model.addAttribute("amp", amp);
        model.addAttribute("query", form.query());
        SwapReader.Read read = reader.read(form);
        SwapQuestion question = read.asked().get(place);
        if (question == null) {
            String why = read.said().values().stream()
                    .findFirst()
                    .map(FieldErrors.Complaint::sentence)
                    .orElse("No candidate stands at place " + place + " of this sheet.");
            return refused(422, why, response, model);
        }
        SwapSheet sheet = sheets.of(question);
        Optional<String> refusal = refusal(sheet, amps.amp(id, seen).description());
        if (refusal.isPresent()) {
            return refused(422, refusal.get(), response, model);
        }
        try {
            AmpDescription before = amps.amp(id, seen).description();
            amps.keep(versionId, id, seen, swapped(before, question));
            return "redirect:/amps/" + id + "/swap/work?place=" + place + "&before=" + seen + "&" + form.query();
        } catch (AmpStore.ChangedMeanwhile changed) {
            return refused(409, changed.getMessage() + " Nothing was changed.", response, model);
        } catch (DataAccessException | TransactionException away) {
            return refused(503, ErrorTexts.DATABASE, response, model);
        }
    }

    /** The work that an accepted swap asks for, and the way back while nothing else was described since. */
    @GetMapping("/amps/{id}/swap/work")
    String work(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "0") int place,
            @RequestParam(defaultValue = "0") int before,
            HttpServletRequest request,
            Model model) {
        SwapForm form = SwapForm.from(request::getParameter);
        SwapQuestion question = Optional.ofNullable(reader.read(form).asked().get(place))
                .orElseThrow(() -> new NotThere("candidate " + place + " of this swap"));
        SwapSheet sheet = sheets.of(question);
        Amp amp = amps.amp(id, before + 1);
        boolean described = amp.description()
                .stage()
                .tubeTypes()
                .equals(List.of(question.candidate().type().designation()));
        if (!described || refusal(sheet, amps.amp(id, before).description()).isPresent()) {
            throw new NotThere("a swap to " + question.candidate().words() + " that was accepted");
        }
        model.addAttribute("amp", amp);
        model.addAttribute("back", before);
        model.addAttribute("newest", amps.amp(id).version() == amp.version());
        model.addAttribute("undoId", UUID.randomUUID());
        model.addAttribute("candidate", question.candidate().words());
        model.addAttribute("work", WorkList.of(sheet));
        model.addAttribute("refusals", List.of());
        return "swap/accepted";
    }

    /** Back to the description before: a further version, nothing is taken away. */
    @PostMapping("/amps/{id}/swap/undo")
    String undo(
            @PathVariable UUID id,
            @RequestParam UUID versionId,
            @RequestParam int seen,
            @RequestParam int back,
            HttpServletResponse response,
            Model model) {
        try {
            amps.keep(versionId, id, seen, amps.amp(id, back).description());
            return "redirect:/amps/" + id;
        } catch (AmpStore.ChangedMeanwhile changed) {
            model.addAttribute("amp", amps.amp(id));
            return refused(409, changed.getMessage() + " Nothing was changed.", response, model);
        } catch (DataAccessException | TransactionException away) {
            model.addAttribute("amp", amps.amp(id));
            return refused(503, ErrorTexts.DATABASE, response, model);
        }
    }

    private static String refused(int status, String why, HttpServletResponse response, Model model) {
        response.setStatus(status);
        model.addAttribute("refusals", List.of(why));
        return "swap/accepted";
    }

    private static Optional<String> refusal(SwapSheet sheet, AmpDescription amp) {
        SwapCandidate candidate = sheet.question().candidate();
        String present = sheet.question().present().type().designation();
        SwapVerdict overall = sheet.overall();
        if (overall == SwapVerdict.FAIL || overall == SwapVerdict.UNKNOWN) {
            return Optional.of("The sheet of " + candidate.words() + " does not pass: "
                    + sheet.deciding().reason()
                    + (overall == SwapVerdict.UNKNOWN ? " What is unknown is no pass: answer it first." : ""));
        }
        if (!amp.stage().tubeTypes().equals(List.of(present))) {
            return Optional.of("This amp is described with "
                    + String.join(", ", amp.stage().tubeTypes()) + ", the sheet begins with " + present
                    + ": only what is described can be exchanged.");
        }
        if (candidate.tubes()
                != sheet.question().present().setting().described().tubes().size()) {
            return Optional.of(
                    "Another number of tubes changes the sockets and what senses them: describe that in the amp's"
                            + " form, then look at the sheet again.");
        }
        if (candidate.bias() != BiasChange.AS_NOW) {
            return Optional.of(
                    "Another bias changes what is sensed and turned: describe that in the amp's form, then look at the"
                            + " sheet again.");
        }
        return Optional.empty();
    }

    private static AmpDescription swapped(AmpDescription amp, SwapQuestion question) {
        StageLayout stage = amp.stage();
        SwapCandidate candidate = question.candidate();
        List<Socket> seated = stage.sockets().stream()
                .map(s -> new Socket(
                        s.name(), s.channel(), s.side(), candidate.type().designation()))
                .toList();
        return amp.wired(new StageLayout(
                stage.topology(),
                candidate.connection(),
                candidate.connection() == stage.connection() ? stage.tap() : candidate.tap(),
                seated,
                stage.screenOhms()));
    }
}
