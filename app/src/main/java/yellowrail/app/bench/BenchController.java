package yellowrail.app.bench;

import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.settings.SettingStore;
import yellowrail.app.web.NotThere;
import yellowrail.core.session.Purpose;
import yellowrail.core.session.Session;

/** The bench: what is on it, a session begun, and the session's page. */
@Controller
class BenchController {
    private final SessionStore sessions;
    private final SheetIssuer issuer;
    private final AmpStore amps;
    private final SettingStore settings;
    private final HomeView home;
    private final Hub hub;
    private final Clock clock;

    BenchController(
            SessionStore sessions,
            SheetIssuer issuer,
            AmpStore amps,
            SettingStore settings,
            HomeView home,
            Hub hub,
            Clock clock) {
        this.sessions = sessions;
        this.issuer = issuer;
        this.amps = amps;
        this.settings = settings;
        this.home = home;
        this.hub = hub;
        this.clock = clock;
    }

    @GetMapping("/bench")
    String home(Model model) {
        model.addAttribute("home", home.now());
        return "bench/home";
    }

    @GetMapping("/bench/new")
    String begin(@RequestParam(defaultValue = "") String amp, Model model) {
        return form(BenchForm.usual(UUID.randomUUID().toString(), amp), Map.of(), model);
    }

    @PostMapping("/bench")
    String begin(BenchForm form, Model model, jakarta.servlet.http.HttpServletResponse response) {
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
        model.addAttribute("p", panel(id));
        return "bench/session";
    }

    @GetMapping("/bench/{id}/panel")
    String panel(@PathVariable UUID id, Model model) {
        if (over(id)) {
            return "redirect:/bench/" + id + "/sheet";
        }
        model.addAttribute("p", panel(id));
        return "bench/panel :: panel";
    }

    private boolean over(UUID id) {
        return sessions.look(id, s -> s.state().over());
    }

    private Panel panel(UUID id) {
        Map<String, String> before = before(id);
        return sessions.look(id, s -> {
            SheetIssuer.Basis basis = issuer.basis(s);
            return Panels.of(basis.bench(), basis.standards(), before, clock.millis());
        });
    }

    /** What the session before this one read last at each point. */
    private Map<String, String> before(UUID id) {
        List<UUID> earlier = sessions.look(id, sessions::before);
        Map<String, String> echoes = new HashMap<>();
        earlier.stream()
                .findFirst()
                .ifPresent(last -> sessions.look(last, s -> {
                    s.state()
                            .holding()
                            .forEach(r -> echoes.put(
                                    Asks.key(r.quantity(), r.point()), r.typed().echo()));
                    return null;
                }));
        return echoes;
    }

    @GetMapping(path = "/bench/{id}/stream", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter stream(@PathVariable UUID id) {
        return hub.listen(id, sessions.look(id, BenchSession::seq));
    }

    @GetMapping("/bench/amp/{ampId}")
    String ofAmp(@PathVariable UUID ampId, Model model) {
        model.addAttribute("amp", amps.amp(ampId));
        model.addAttribute("rows", home.ofAmp(ampId));
        return "bench/of-amp";
    }

    static String slug(Session session) {
        return session.plan().amp().name().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
    }

    static NotThere unsigned(UUID id) {
        return new NotThere("sheet of session " + id);
    }
}
