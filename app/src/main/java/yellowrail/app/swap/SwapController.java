package yellowrail.app.swap;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.stage.OnStage;

/** May other tubes go in here? Its whole state is in the address. */
@Controller
class SwapController {
    /** Stands in an amp's address beside what is typed. */
    private static final String CHANNEL = "channel";

    private final SwapPages pages;
    private final AmpStore amps;
    private final SwapsOfAmp swaps;

    SwapController(SwapPages pages, AmpStore amps, SwapsOfAmp swaps) {
        this.pages = pages;
        this.amps = amps;
        this.swaps = swaps;
    }

    @GetMapping("/swap")
    String page(HttpServletRequest request, HttpServletResponse response, Model model) {
        model.addAttribute("action", "/swap");
        return shown(form(request), request, response, model);
    }

    private static OnStage form(HttpServletRequest request) {
        return OnStage.from(SwapFields.ALL, request::getParameter);
    }

    /** All types ranked for this stage, asked for when it is unfolded. */
    @GetMapping("/swap/every-type")
    String everyType(HttpServletRequest request, HttpServletResponse response, Model model) {
        response.setHeader("Cache-Control", "no-store");
        OnStage form = form(request);
        model.addAttribute("ranked", pages.everyType(form));
        model.addAttribute("free", CandidateFields.freePlace(form));
        return "swap/every-type :: ranked";
    }

    /** The tubes of an amp: its stage as its description and rounds tell it; what the address says goes before. */
    @GetMapping("/amps/{id}/swap")
    String ofAmp(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "1") int channel,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Amp amp = amps.amp(id);
        boolean moved = request.getParameter("tube") != null;
        OnStage form = moved ? form(request) : swaps.form(amp, channel, request::getParameter);
        model.addAttribute("action", "/amps/" + id + "/swap");
        model.addAttribute("amp", amp);
        model.addAttribute("ofAmp", swaps.stage(amp, channel));
        model.addAttribute(CHANNEL, channel);
        model.addAttribute("kept", swaps.kept(amp, channel).orElse(null));
        return shown(form, request, response, model);
    }

    /** The same for paper: every reason is told. */
    @GetMapping("/swap/sheet")
    String sheet(HttpServletRequest request, HttpServletResponse response, Model model) {
        OnStage form = form(request);
        response.setHeader("Cache-Control", "no-store");
        model.addAttribute("v", pages.of(form));
        model.addAttribute("stage", pages.stage(form));
        model.addAttribute("query", form.query());
        return "swap/sheet";
    }

    private String shown(OnStage form, HttpServletRequest request, HttpServletResponse response, Model model) {
        form.into(model, request.getParameterMap().keySet(), CHANNEL);
        model.addAttribute("v", pages.of(form));
        model.addAttribute("versionId", UUID.randomUUID());
        model.addAttribute("answersId", UUID.randomUUID());
        model.addAttribute("criteria", AskedOf.all());
        model.addAttribute("candidates", CandidateFields.CANDIDATES);
        response.setHeader("Cache-Control", "no-store");
        response.addHeader("Vary", "HX-Request");
        return request.getHeader("HX-Request") != null ? "swap/answer :: swap" : "swap/page";
    }
}
