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
import yellowrail.app.forms.Texts;
import yellowrail.app.stage.OnStage;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.store.StoredSwap;
import yellowrail.app.web.ErrorTexts;
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
    private static final int LONGEST_DEVICE = 60;

    private final SwapReader reader;
    private final SwapSheets sheets;
    private final SwapsOfAmp swaps;
    private final AmpStore amps;
    private final AcceptedSwaps accepted;

    AcceptSwapController(
            SwapReader reader, SwapSheets sheets, SwapsOfAmp swaps, AmpStore amps, AcceptedSwaps accepted) {
        this.reader = reader;
        this.sheets = sheets;
        this.swaps = swaps;
        this.amps = amps;
        this.accepted = accepted;
    }

    @PostMapping("/amps/{id}/swap")
    String accept(
            @PathVariable UUID id,
            @RequestParam UUID versionId,
            @RequestParam int seen,
            @RequestParam int place,
            @RequestParam(defaultValue = "1") int channel,
            @RequestParam(defaultValue = "") String device,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Amp before = amps.amp(id, seen);
        OnStage form = OnStage.from(SwapFields.ALL, request::getParameter);
        model.addAttribute("amp", before);
        model.addAttribute("query", form.query());
        SwapReader.Read read = reader.read(form);
        SwapQuestion question = read.asked().get(place);
        if (question == null) {
            String why = read.said().values().stream()
                    .findFirst()
                    .map(FieldErrors.Complaint::sentence)
                    .orElse("No candidate stands at place " + place + " of this sheet.");
            return refused(422, List.of(why), response, model);
        }
        SwapSheet sheet = sheets.of(question);
        List<String> refusals = refusal(sheet)
                .map(List::of)
                .orElseGet(() -> others(swaps.differences(before, channel, form, question)));
        if (!refusals.isEmpty()) {
            return refused(422, refusals, response, model);
        }
        StoredSwap swap = stored(sheet, seen, form, place);
        try {
            accepted.accept(versionId, id, swapped(before.description(), question), swap, named(device));
            return work(id, versionId);
        } catch (AcceptedSwaps.Refused on) {
            return refused(409, List.of(on.getMessage()), response, model);
        } catch (AmpStore.ChangedMeanwhile | StoredDifferently changed) {
            // A second press can meet a page that was just written anew: the same swap is accepted already.
            return accepted.newestOf(id)
                    .filter(s ->
                            s.swap().equals(swap) && s.version() == amps.amp(id).version())
                    .map(s -> work(id, s.id()))
                    .orElseGet(() ->
                            refused(409, List.of(changed.getMessage() + " Nothing was changed."), response, model));
        } catch (DataAccessException | TransactionException away) {
            return refused(503, List.of(ErrorTexts.DATABASE), response, model);
        }
    }

    private static String work(UUID amp, UUID swap) {
        return "redirect:/amps/" + amp + "/swap/accepted/" + swap;
    }

    /** As it can be stored. */
    static String named(String device) {
        String line = Texts.line(device);
        return line.length() > LONGEST_DEVICE ? line.substring(0, LONGEST_DEVICE) : line;
    }

    /** The sheet as it was accepted, its work as far as it is done, and the way back while nothing was described since. */
    @GetMapping("/amps/{id}/swap/accepted/{swapId}")
    String accepted(@PathVariable UUID id, @PathVariable UUID swapId, Model model) {
        return shown(accepted.of(id, swapId), List.of(), model);
    }

    private String shown(AcceptedSwap swap, List<String> refusals, Model model) {
        Amp amp = amps.amp(swap.ampId());
        model.addAttribute("amp", amp);
        model.addAttribute("swap", swap);
        model.addAttribute("newest", amp.version() == swap.version());
        model.addAttribute("backId", UUID.randomUUID());
        model.addAttribute(
                "stepIds", swap.steps().stream().map(s -> UUID.randomUUID()).toList());
        model.addAttribute("refusals", refusals);
        return "swap/accepted";
    }

    /** A step was done, or was not after all. */
    @PostMapping("/amps/{id}/swap/accepted/{swapId}/steps")
    String step(
            @PathVariable UUID id,
            @PathVariable UUID swapId,
            @RequestParam UUID entry,
            @RequestParam int step,
            @RequestParam boolean done,
            @RequestParam(defaultValue = "") String device,
            HttpServletResponse response,
            Model model) {
        AcceptedSwap swap = accepted.of(id, swapId);
        try {
            accepted.say(entry, swap, step, done, named(device));
            return work(id, swapId) + "#step-" + step;
        } catch (StoredDifferently other) {
            response.setStatus(409);
            return shown(swap, List.of(other.getMessage()), model);
        } catch (DataAccessException | TransactionException away) {
            response.setStatus(503);
            return shown(swap, List.of(ErrorTexts.DATABASE), model);
        }
    }

    /** Which tubes are in the sockets now, as somebody looks. */
    private enum InSockets {
        BEFORE,
        AFTER,
        NONE
    }

    /** Back to the description before: a further version, nothing is taken away. */
    @PostMapping("/amps/{id}/swap/accepted/{swapId}/back")
    String back(
            @PathVariable UUID id,
            @PathVariable UUID swapId,
            @RequestParam UUID versionId,
            @RequestParam Optional<InSockets> now,
            @RequestParam(defaultValue = "") String device,
            HttpServletResponse response,
            Model model) {
        AcceptedSwap swap = accepted.of(id, swapId);
        if (now.isEmpty() || now.get() == InSockets.AFTER) {
            response.setStatus(422);
            return shown(
                    swap,
                    List.of(
                            now.isEmpty()
                                    ? "Say first which tubes are in the sockets now."
                                    : "With " + swap.swap().to() + " in the sockets the amp is not described with "
                                            + swap.swap().from()
                                            + ": take them out first, amp off, unplugged, drained and cool."),
                    model);
        }
        try {
            accepted.goBack(versionId, swap, now.get().name(), named(device));
            return "redirect:/amps/" + id;
        } catch (AcceptedSwaps.Refused on) {
            response.setStatus(409);
            return shown(swap, List.of(on.getMessage()), model);
        } catch (AmpStore.ChangedMeanwhile | StoredDifferently changed) {
            response.setStatus(409);
            return shown(swap, List.of(changed.getMessage() + " Nothing was changed."), model);
        } catch (DataAccessException | TransactionException away) {
            response.setStatus(503);
            return shown(swap, List.of(ErrorTexts.DATABASE), model);
        }
    }

    static String refused(int status, List<String> why, HttpServletResponse response, Model model) {
        response.setStatus(status);
        model.addAttribute("refusals", why);
        return "swap/refused";
    }

    private static Optional<String> refusal(SwapSheet sheet) {
        SwapCandidate candidate = sheet.question().candidate();
        SwapVerdict overall = sheet.overall();
        if (overall == SwapVerdict.FAIL || overall == SwapVerdict.UNKNOWN) {
            return Optional.of("The sheet of " + candidate.words() + " does not pass: "
                    + sheet.deciding().reason()
                    + (overall == SwapVerdict.UNKNOWN ? " What is unknown is no pass: answer it first." : ""));
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

    /** Each difference is a change of its own. */
    private static List<String> others(List<String> differences) {
        return differences.stream()
                .map(d -> "This sheet was made for another amp. "
                        + d.substring(0, 1).toUpperCase(java.util.Locale.ROOT)
                        + d.substring(1)
                        + ". Describe that in the amp's form first, or fill the sheet in again from the amp.")
                .toList();
    }

    private static StoredSwap stored(SwapSheet sheet, int seen, OnStage form, int place) {
        return new StoredSwap(
                sheet.question().present().words(),
                sheet.question().candidate().words(),
                sheet.question().candidate().type().designation(),
                seen,
                sheet.overall().overall(),
                sheet.rows().stream()
                        .map(r -> new StoredSwap.Row(
                                r.criterion().title(), r.verdict().words(), r.value(), r.limit(), r.reason(), r.mend()))
                        .toList(),
                sheet.power(),
                WorkList.of(sheet),
                form.query(),
                place);
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
