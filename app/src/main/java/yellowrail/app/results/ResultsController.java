package yellowrail.app.results;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.TransactionException;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.forms.CsvCells;
import yellowrail.app.forms.CsvLines;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.web.ErrorTexts;
import yellowrail.app.web.NotThere;
import yellowrail.core.experiment.MeasuredPoint;
import yellowrail.core.reading.Show;

/** Measured tables of an amp, side by side. */
@Controller
class ResultsController {
    private final AmpStore amps;
    private final ResultStore results;
    private final Clock clock;

    ResultsController(AmpStore amps, ResultStore results, Clock clock) {
        this.clock = clock;
        this.amps = amps;
        this.results = results;
    }

    @GetMapping("/amps/{ampId}/results")
    String all(
            @PathVariable UUID ampId,
            @RequestParam(required = false) UUID correct,
            @RequestParam(defaultValue = "") String kept,
            Model model) {
        ResultForm form = correct == null
                ? ResultForm.after(results.holding(ampId))
                : ResultForm.correcting(ofAmp(correct, ampId));
        model.addAttribute("kept", kept);
        return page(ampId, form, new FieldErrors(), model);
    }

    private BenchResult ofAmp(UUID id, UUID ampId) {
        BenchResult result = results.one(id);
        if (!result.ampId().equals(ampId)) {
            throw new NotThere("result " + id + " of this amp");
        }
        return result;
    }

    @PostMapping("/amps/{ampId}/results")
    String keep(
            @PathVariable UUID ampId,
            @RequestParam UUID id,
            @RequestParam(required = false) UUID supersedes,
            @RequestParam Map<String, String> said,
            Model model,
            HttpServletResponse response) {
        amps.amp(ampId);
        ResultForm form = ResultForm.typed(id, said);
        FieldErrors complaints = new FieldErrors();
        BenchResult result = form.read(
                ampId,
                supersedes == null
                        ? ResultForm.now(clock)
                        : ofAmp(supersedes, ampId).takenAt(),
                supersedes,
                complaints);
        if (complaints.any()) {
            response.setStatus(422);
            return page(ampId, form, complaints, model);
        }
        try {
            results.keep(result);
        } catch (StoredDifferently stored) {
            response.setStatus(409);
            complaints.add("form", stored.getMessage());
            return page(ampId, form.withId(UUID.randomUUID()), complaints, model);
        } catch (DataAccessException | TransactionException away) {
            response.setStatus(503);
            complaints.add("form", ErrorTexts.DATABASE);
            model.addAttribute("away", true);
            return page(ampId, form, complaints, model);
        }
        return "redirect:/amps/" + ampId + "/results?kept=" + id;
    }

    private String page(UUID ampId, ResultForm form, FieldErrors complaints, Model model) {
        boolean away = Boolean.TRUE.equals(model.getAttribute("away"));
        List<BenchResult> holding = away ? List.of() : results.holding(ampId);
        model.addAttribute("ampId", ampId);
        model.addAttribute(
                "ampName", away ? "An amp" : amps.amp(ampId).description().name());
        model.addAttribute("form", form);
        model.addAttribute("f", form.answers().texts());
        model.addAttribute("factors", ResultFields.FACTORS.values());
        model.addAttribute("limits", CsvLines.limits(MeasuredText.MOST));
        model.addAttribute("said", complaints.byField());
        model.addAttribute("table", ResultsView.of(holding));
        return "results/results";
    }

    /** Every result that holds, a line for each point (RFC 4180). */
    @GetMapping("/amps/{ampId}/results.csv")
    ResponseEntity<byte[]> table(@PathVariable UUID ampId) {
        amps.amp(ampId);
        List<String> header = new ArrayList<>(List.of("taken", "level", "frequency Hz", "watts", "THD %"));
        header.addAll(BenchResult.FACTORS);
        header.addAll(List.of("note", "id", "supersedes"));
        StringBuilder text = new StringBuilder();
        try (CSVPrinter out = new CSVPrinter(
                text,
                CSVFormat.RFC4180
                        .builder()
                        .setHeader(header.toArray(String[]::new))
                        .get())) {
            for (BenchResult r : results.holding(ampId)) {
                for (MeasuredPoint p : r.points()) {
                    List<Object> cells = new ArrayList<>();
                    cells.add(r.takenAt());
                    cells.add(p.level());
                    cells.add(p.hertz().orElse(null));
                    cells.add(p.watts());
                    cells.add(Show.plain(100 * p.distortion(), ResultStore.AS_TYPED));
                    BenchResult.FACTORS.forEach(f -> cells.add(r.factors().getOrDefault(f, "")));
                    cells.add(r.note());
                    cells.add(r.id());
                    cells.add(r.supersedes());
                    out.printRecord(CsvCells.safe(cells));
                }
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("text/csv;charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"results.csv\"")
                .body(text.toString().getBytes(StandardCharsets.UTF_8));
    }
}
