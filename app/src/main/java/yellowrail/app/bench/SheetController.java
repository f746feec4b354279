package yellowrail.app.bench;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;
import yellowrail.app.store.IssuedSheet;
import yellowrail.app.store.StoredShapes;

/** Sheets as issued, the card for inside the chassis, the calendar file and the readings as a table. */
@Controller
class SheetController {
    private final SessionStore sessions;
    private final SheetIssuer issuer;
    private final ITemplateEngine templates;
    private final Pdf pdf;
    private final Clock clock;

    SheetController(SessionStore sessions, SheetIssuer issuer, ITemplateEngine templates, Pdf pdf, Clock clock) {
        this.sessions = sessions;
        this.issuer = issuer;
        this.templates = templates;
        this.pdf = pdf;
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
        model.addAttribute(
                "closed",
                sessions.look(id, s -> s.state().closed().map(c -> c.reason()).orElse("")));
        model.addAttribute("amp", today.amp());
        model.addAttribute("ampId", sessions.look(id, BenchSession::ampId));
        model.addAttribute("html", sessions.issuedHtml(id).orElseGet(() -> issuer.html(today)));
        model.addAttribute(
                "differs",
                issued.map(i -> stored(i))
                        .filter(s -> !s.state().equals(today.state()))
                        .map(s -> s.stateWords() + " as issued, " + today.stateWords() + " by today's formulas")
                        .orElse(""));
        return "bench/sheet";
    }

    private IssuedSheet stored(IssuedRow row) {
        return StoredShapes.SHEET.read(row.data());
    }

    @GetMapping("/bench/{id}/sheet.pdf")
    ResponseEntity<byte[]> sheetPdf(@PathVariable UUID id, @RequestParam(defaultValue = "a4") String paper) {
        // On Letter the same issued page is laid out anew; on A4 the file is the one that was issued.
        byte[] bytes = (paper.equals("letter")
                        ? sessions.issuedHtml(id).map(html -> pdf.of(html, "letter"))
                        : sessions.issuedPdf(id))
                .orElseThrow(() -> BenchController.unsigned(id));
        return file(bytes, "sheet", id, "pdf", MediaType.APPLICATION_PDF);
    }

    @GetMapping("/bench/{id}/card.pdf")
    ResponseEntity<byte[]> cardPdf(@PathVariable UUID id) {
        Context context = new Context();
        context.setVariable("s", issued(id));
        return file(
                pdf.of(templates.process("bench/card-body", context), "A4"),
                "card",
                id,
                "pdf",
                MediaType.APPLICATION_PDF);
    }

    @GetMapping("/bench/{id}/recheck.ics")
    ResponseEntity<byte[]> recheck(@PathVariable UUID id) {
        IssuedSheet sheet = issued(id);
        byte[] bytes = RecheckFile.of(
                id,
                sheet.amp(),
                sheet.recheckOn(),
                "Last time " + sheet.stateWords() + " on " + sheet.day() + ", target " + sheet.target() + ".");
        return file(bytes, "recheck", id, "ics", MediaType.parseMediaType("text/calendar;charset=UTF-8"));
    }

    @GetMapping("/bench/{id}/readings.csv")
    ResponseEntity<byte[]> readings(@PathVariable UUID id) {
        String csv = sessions.look(id, ReadingsTable::of);
        return file(
                csv.getBytes(StandardCharsets.UTF_8),
                "readings",
                id,
                "csv",
                MediaType.parseMediaType("text/csv;charset=UTF-8"));
    }

    private IssuedSheet issued(UUID id) {
        return sessions.issued(id).map(this::stored).orElseThrow(() -> BenchController.unsigned(id));
    }

    private ResponseEntity<byte[]> file(byte[] bytes, String what, UUID id, String ending, MediaType type) {
        String name = sessions.look(id, s -> BenchController.slug(s.state())) + "-" + what + "." + ending;
        return ResponseEntity.ok()
                .contentType(type)
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"" + name + "\"")
                .body(bytes);
    }
}
