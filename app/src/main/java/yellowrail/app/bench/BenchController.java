package yellowrail.app.bench;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.rounds.RoundStore;
import yellowrail.app.settings.SettingStore;
import yellowrail.app.web.NotThere;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Purpose;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionAssessment;

/** The bench: what is on it, a session begun, and the session's page. */
@Controller
class BenchController {
    private final SessionStore sessions;
    private final PanelPages panels;
    private final AmpStore amps;
    private final SettingStore settings;
    private final HomeView home;
    private final SessionBroadcaster broadcaster;
    private final SheetIssuer issuer;
    private final RoundStore rounds;

    BenchController(
            SessionStore sessions,
            PanelPages panels,
            AmpStore amps,
            SettingStore settings,
            HomeView home,
            SessionBroadcaster broadcaster,
            SheetIssuer issuer,
            RoundStore rounds) {
        this.sessions = sessions;
        this.panels = panels;
        this.amps = amps;
        this.settings = settings;
        this.home = home;
        this.broadcaster = broadcaster;
        this.issuer = issuer;
        this.rounds = rounds;
    }

    @GetMapping("/bench")
    String home(Model model) {
        model.addAttribute("home", home.now());
        return "bench/home";
    }

    @GetMapping("/bench/new")
    String begin(
            @RequestParam(defaultValue = "") String amp,
            @RequestParam(defaultValue = "false") boolean newTubes,
            Model model) {
        String id = UUID.randomUUID().toString();
        Optional<UUID> last = uuid(amp).flatMap(a -> sessions.ofAmp(a).stream().findFirst());
        last.ifPresent(l -> model.addAttribute("last", sessions.look(l, this::lastTime)));
        BenchForm form = last.map(l -> sessions.look(
                        l, b -> BenchForm.asBefore(id, amp, b.state().plan())))
                .orElseGet(() -> BenchForm.usual(id, amp));
        boolean never = uuid(amp).filter(this::neverMeasured).isPresent();
        model.addAttribute("neverMeasured", never);
        return form(newTubes ? form.forNewTubes() : never ? form.strange() : form, Map.of(), model);
    }

    /** Whether no current of this amp was ever read: nobody knows what its tubes draw. */
    private boolean neverMeasured(UUID amp) {
        return rounds.countReadings(amp) == 0
                && sessions.ofAmp(amp).stream()
                        .findFirst()
                        .filter(s -> sessions.look(
                                s, b -> b.state().holding().stream().anyMatch(r -> r.quantity() == Quantity.CURRENT)))
                        .isEmpty();
    }

    private LastTime lastTime(BenchSession bench) {
        SheetIssuer.Basis basis = issuer.basis(bench);
        return LastTime.of(bench, SessionAssessment.of(basis.bench().state(), basis.standards()));
    }

    @PostMapping("/bench")
    String begin(BenchForm form, Model model, HttpServletResponse response) {
        Optional<Amp> amp = uuid(form.amp())
                .flatMap(
                        id -> amps.all().stream().filter(a -> a.id().equals(id)).findFirst());
        PlanReader.Read read = PlanReader.read(form, amp.map(Amp::description), settings.meters());
        if (read.plan().isEmpty()) {
            response.setStatus(422);
            return form(form, read.complaints().byField(), model);
        }
        UUID id = sessions.begin(
                uuid(form.id()).orElseGet(UUID::randomUUID),
                amp.orElseThrow(),
                read.plan().get());
        return "redirect:/bench/" + id;
    }

    private String form(BenchForm form, Map<String, ?> said, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("said", said);
        model.addAttribute("amps", amps.all());
        model.addAttribute("purposes", Purpose.values());
        model.addAttribute("meters", settings.meters());
        return "bench/new";
    }

    private static Optional<UUID> uuid(String text) {
        try {
            return Optional.of(UUID.fromString(text));
        } catch (IllegalArgumentException | NullPointerException bad) {
            return Optional.empty();
        }
    }

    @GetMapping("/bench/{id}")
    String session(@PathVariable UUID id, Model model) {
        if (over(id)) {
            return "redirect:/bench/" + id + "/sheet";
        }
        model.addAttribute("p", panels.panel(id, PanelPages.Readings.NEWEST));
        return "bench/session";
    }

    /**
     * @param parts names of the parts of it that the page has, with blanks between them
     * @param readings every one, or the newest alone
     */
    @GetMapping(path = "/bench/{id}/panel", produces = "text/html;charset=UTF-8")
    @ResponseBody
    ResponseEntity<String> panel(
            @PathVariable UUID id,
            @RequestHeader(name = "X-Parts", defaultValue = "") String parts,
            @RequestParam(defaultValue = "NEWEST") PanelPages.Readings readings) {
        if (over(id)) {
            return ResponseEntity.status(302)
                    .location(URI.create("/bench/" + id + "/sheet"))
                    .build();
        }
        return ResponseEntity.ok(panels.html(id, readings, new HashSet<>(List.of(parts.split(" ")))));
    }

    private boolean over(UUID id) {
        return sessions.look(id, s -> s.state().over());
    }

    @GetMapping("/bench/stream")
    void stream(HttpServletRequest request, HttpServletResponse response) throws IOException {
        broadcaster.open(request, response);
    }

    /** A browser still listens to its stream; 404 when that is not open here. */
    @GetMapping("/bench/stream/{stream}")
    ResponseEntity<Void> listening(@PathVariable UUID stream) {
        return ResponseEntity.status(broadcaster.heard(stream) ? 204 : 404).build();
    }

    @GetMapping("/bench/amp/{ampId}")
    String ofAmp(@PathVariable UUID ampId, Model model) {
        model.addAttribute("amp", amps.amp(ampId));
        var past = home.ofAmp(ampId);
        model.addAttribute("rows", past.shown());
        model.addAttribute("broken", past.broken());
        return "bench/of-amp";
    }

    static String slug(Session session) {
        return session.plan().amp().name().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
    }

    static NotThere unsigned(UUID id) {
        return new NotThere("sheet of session " + id);
    }
}
