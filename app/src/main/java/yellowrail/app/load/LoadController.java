package yellowrail.app.load;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.forms.Answers;
import yellowrail.app.settings.SettingStore;
import yellowrail.app.stage.AmpStage;
import yellowrail.app.stage.FromAmp;
import yellowrail.app.stage.OnStage;
import yellowrail.app.stage.StageFields;
import yellowrail.app.stage.StageForm;
import yellowrail.app.transformers.KeptTransformer;
import yellowrail.app.transformers.TransformerStore;
import yellowrail.app.web.NotThere;
import yellowrail.core.amp.Topology;
import yellowrail.core.load.Lead;
import yellowrail.core.load.TransformerDescription;
import yellowrail.core.stage.NoSolution;

/** The load: transformer, taps and speakers, and what they do to a stage. Its whole state is in the address. */
@Controller
class LoadController {
    /** Stands in an amp's address beside what is typed. */
    private static final String CHANNEL = "channel";

    private final LoadPages pages;
    private final LoadQuestions questions;
    private final LoadAnswers answers;
    private final SettingStore settings;
    private final AmpStore amps;
    private final FromAmp fromAmp;
    private final TransformerStore transformers;

    LoadController(
            LoadPages pages,
            LoadQuestions questions,
            LoadAnswers answers,
            SettingStore settings,
            AmpStore amps,
            FromAmp fromAmp,
            TransformerStore transformers) {
        this.transformers = transformers;
        this.pages = pages;
        this.questions = questions;
        this.answers = answers;
        this.settings = settings;
        this.amps = amps;
        this.fromAmp = fromAmp;
    }

    @GetMapping("/load")
    String page(HttpServletRequest request, HttpServletResponse response, Model model) {
        model.addAttribute("action", "/load");
        Optional<KeptTransformer> kept = kept(request);
        return shown(
                new OnStage(filled(kept).said(request::getParameter), StageForm.from(request::getParameter)),
                kept,
                null,
                request,
                response,
                model);
    }

    /** The transformer that the address names. */
    private Optional<KeptTransformer> kept(HttpServletRequest request) {
        return questions.kept(form(request));
    }

    private static OnStage form(HttpServletRequest request) {
        return OnStage.from(LoadFields.ALL, request::getParameter);
    }

    /** The page's fields as a kept transformer fills them. */
    private static Answers filled(Optional<KeptTransformer> kept) {
        Answers usual = Answers.usual(LoadFields.ALL);
        if (kept.isEmpty()) {
            return usual;
        }
        TransformerDescription d = kept.get().description();
        return usual.known(LoadFields.TRANSFORMER, Optional.of(kept.get().id()))
                .known(LoadFields.TAPS, Optional.of(d.taps()))
                .known(LoadFields.MARKED, d.markedOhms())
                .known(LoadFields.HALF_A, d.windings().halfA())
                .known(LoadFields.HALF_B, d.windings().halfB())
                .known(LoadFields.SECONDARY_DC, d.windings().secondary())
                .known(LoadFields.HENRIES, d.henries())
                .known(LoadFields.CORE_DC, d.coreAmperes())
                .known(LoadFields.RATED_WATTS, d.ratedWatts())
                .known(LoadFields.RATED_HERTZ, d.ratedHertz());
    }

    /** Heat over frequency of the open cell, asked for once the rest is there: it takes longest. */
    @GetMapping("/load/heat")
    String heat(HttpServletRequest request, HttpServletResponse response, Model model) {
        OnStage form = form(request);
        response.setHeader("Cache-Control", "no-store");
        try {
            model.addAttribute("heat", pages.heat(form).orElse(null));
            model.addAttribute("trouble", "");
        } catch (NoSolution none) {
            model.addAttribute("trouble", none.getMessage());
        }
        return "load/frequencies :: heat";
    }

    /** Which load these tubes would like, asked for when it is unfolded. */
    @GetMapping("/load/choice")
    String choice(HttpServletRequest request, HttpServletResponse response, Model model) {
        OnStage form = form(request);
        response.setHeader("Cache-Control", "no-store");
        model.addAttribute("choice", pages.choice(form).orElse(null));
        return "load/choice :: choice";
    }

    /** The stage and its speakers for a circuit simulator. */
    @GetMapping("/load/netlist.cir")
    ResponseEntity<String> netlist(@RequestParam(defaultValue = "1000") double hertz, HttpServletRequest request) {
        if (!(hertz >= 10 && hertz <= 20_000)) {
            throw new NotThere("netlist at " + hertz + " Hz; 10 to 20000 Hz");
        }
        OnStage form = form(request);
        try {
            return ResponseEntity.ok()
                    .contentType(MediaType.parseMediaType("text/plain;charset=UTF-8"))
                    .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"load.cir\"")
                    .body(answers.netlist(form, hertz)
                            .orElseThrow(() -> new NotThere("netlist of a load that is not understood")));
        } catch (NoSolution none) {
            throw new NotThere("netlist: " + none.getMessage());
        }
    }

    /** The load of an amp: its stage as its description and rounds tell it; what the address says goes before. */
    @GetMapping("/amps/{id}/load")
    String ofAmp(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "1") int channel,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Amp amp = amps.amp(id);
        AmpStage stage = fromAmp.of(amp, channel);
        boolean moved = request.getParameter("tube") != null;
        StageForm of = moved ? StageForm.from(request::getParameter) : stage.form();
        Optional<KeptTransformer> kept =
                moved ? kept(request) : kept(request).or(() -> transformers.fittedTo(id, channel));
        Answers filled = filled(kept);
        if (!moved && kept.isEmpty() && !of.text(StageFields.LOAD).isEmpty()) {
            filled = filled.known(LoadFields.MARKED, Optional.of(of.picked(StageFields.LOAD)));
        }
        OnStage form = new OnStage(filled.said(request::getParameter), of);
        model.addAttribute("action", "/amps/" + id + "/load");
        model.addAttribute("amp", amp);
        model.addAttribute("ofAmp", stage);
        model.addAttribute(CHANNEL, channel);
        return shown(form, kept, id, request, response, model);
    }

    private String shown(
            OnStage form,
            Optional<KeptTransformer> kept,
            UUID ampId,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        model.addAttribute("kept", kept.orElse(null));
        model.addAttribute(
                "keep",
                new LoadView.Keep(
                        UUID.randomUUID(),
                        kept.map(KeptTransformer::version).orElse(0),
                        kept.map(k -> k.description().name()).orElse(""),
                        ampId,
                        kept.isPresent()));
        form.into(model, request.getParameterMap().keySet(), CHANNEL);
        model.addAttribute("v", pages.of(form));
        model.addAttribute("leads", leads(form));
        model.addAttribute("readings", LoadFields.READINGS);
        model.addAttribute("describes", !form.own().blank(LoadFields.SPEAKER));
        model.addAttribute("windings", !form.own().blank(LoadFields.WINDINGS));
        model.addAttribute(
                "more",
                LoadFields.ROWS.stream().skip(2).anyMatch(row -> !form.own().blank(row.fields())));
        model.addAttribute("sets", LoadFields.SETS);
        model.addAttribute("meters", settings.meters());
        response.setHeader("Cache-Control", "no-store");
        response.addHeader("Vary", "HX-Request");
        return request.getHeader("HX-Request") != null ? "load/answer :: swap" : "load/page";
    }

    /** Pairs of leads to pick from, with the taps as typed. */
    private static Map<String, String> leads(OnStage form) {
        Map<String, String> leads = new LinkedHashMap<>();
        for (Lead.Part part : Lead.Part.values()) {
            // A single-ended primary has no centre tap.
            boolean there =
                    part == Lead.Part.PRIMARY || form.stage().picked(StageFields.TOPOLOGY) == Topology.PUSH_PULL;
            if (part != Lead.Part.SECONDARY && there) {
                Lead lead = new Lead(part, 0);
                leads.put(lead.id(), lead.words());
            }
        }
        for (String word : LoadFields.tapWords(form.text(LoadFields.TAPS))) {
            Lead.of("tap-" + word).ifPresent(tap -> leads.put(tap.id(), tap.words()));
        }
        return leads;
    }
}
