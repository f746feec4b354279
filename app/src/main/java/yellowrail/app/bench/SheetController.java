package yellowrail.app.bench;

import java.time.Clock;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import yellowrail.app.store.IssuedSheet;
import yellowrail.app.web.NotThere;

/** Sheets as issued, and the files a session gives. */
@Controller
class SheetController {
    private final SessionStore sessions;
    private final SheetIssuer issuer;
    private final List<SessionFile> files;
    private final Clock clock;

    SheetController(SessionStore sessions, SheetIssuer issuer, List<SessionFile> files, Clock clock) {
        this.sessions = sessions;
        this.issuer = issuer;
        this.files = files.stream()
                .sorted(Comparator.comparingInt(SessionFile::place))
                .toList();
        this.clock = clock;
    }

    /** The sheet as issued, or, before it is signed, what it would say now. */
    @GetMapping("/bench/{id}/sheet")
    String sheet(@PathVariable UUID id, Model model) {
        var issued = sessions.issued(id);
        IssuedSheet today = sessions.look(
                id,
                s -> issuer.view(
                        s,
                        issued.map(i -> i.issuedAt().toInstant().toEpochMilli()).orElse(clock.millis())));
        model.addAttribute("id", id);
        model.addAttribute("signed", issued.isPresent());
        model.addAttribute("files", files);
        model.addAttribute(
                "closed",
                sessions.look(id, s -> s.state().closed().map(c -> c.reason()).orElse("")));
        model.addAttribute("amp", today.amp());
        model.addAttribute("ampId", sessions.look(id, BenchSession::ampId));
        model.addAttribute("html", sessions.issuedHtml(id).orElseGet(() -> issuer.html(today)));
        model.addAttribute(
                "differs",
                issued.map(i -> sessions.issuedSheet(id))
                        .filter(s -> !s.state().equals(today.state()))
                        .map(s -> s.stateWords() + " as issued, " + today.stateWords() + " by today's formulas")
                        .orElse(""));
        return "bench/sheet";
    }

    @GetMapping("/bench/{id}/{name:[a-z]+\\.[a-z]+}")
    ResponseEntity<byte[]> file(
            @PathVariable UUID id, @PathVariable String name, @RequestParam(defaultValue = "a4") String paper) {
        SessionFile file = files.stream()
                .filter(f -> f.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new NotThere("file " + name + " of a session"));
        byte[] bytes = file.of(id, paper);
        String saved = sessions.look(id, s -> BenchController.slug(s.state())) + "-" + file.name();
        return ResponseEntity.ok()
                .contentType(file.type())
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"" + saved + "\"")
                .body(bytes);
    }
}
