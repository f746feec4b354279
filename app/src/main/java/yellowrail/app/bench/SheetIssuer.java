package yellowrail.app.bench;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;
import yellowrail.app.amps.Amp;
import yellowrail.app.json.CoreJson;
import yellowrail.app.rounds.RoundStore;
import yellowrail.app.targets.Targets;
import yellowrail.core.reading.MeterText;
import yellowrail.core.session.Proof;
import yellowrail.core.session.Session;
import yellowrail.core.session.Standards;
import yellowrail.core.target.Target;

/** Issues the sheet of a signed session: its figures, its page and its PDF, kept as they are from then on. */
@Component
class SheetIssuer {
    private final SessionMapper mapper;
    private final Targets targets;
    private final CoreJson json;
    private final ITemplateEngine templates;
    private final Pdf pdf;
    private final FinalRound finalRound;

    SheetIssuer(
            SessionMapper mapper,
            Targets targets,
            CoreJson json,
            ITemplateEngine templates,
            Pdf pdf,
            RoundStore rounds) {
        this.mapper = mapper;
        this.targets = targets;
        this.json = json;
        this.templates = templates;
        this.pdf = pdf;
        this.finalRound = new FinalRound(rounds);
    }

    /** What a session's readings are judged by, with its own types and today's windows. */
    Standards standards(BenchSession bench) {
        Session session = bench.state();
        Amp amp = new Amp(bench.ampId(), bench.ampVersion(), session.plan().amp());
        Optional<Target> maker = MeterText.understand(
                        session.plan().amp().makersFigure(),
                        session.plan().amp().groups().get(0).method().field())
                .value()
                .map(Target.MakersFigure::new);
        return new Standards(bench.types(), targets.windows(amp), maker);
    }

    SheetView view(BenchSession bench, long at) {
        return Sheets.of(bench, standards(bench), provenBefore(bench), at);
    }

    private int provenBefore(BenchSession bench) {
        int count = 0;
        List<IssuedRow> issued = mapper.issuedOfAmp(bench.ampId());
        for (IssuedRow row : issued) {
            if (!row.state().equals(Proof.State.PROVEN.name())) {
                break;
            }
            count++;
        }
        return count;
    }

    /** Within the transaction that stores the signature: all of it is kept, or nothing. */
    void issue(BenchSession signed, UUID eventId, long at) {
        SheetView sheet = view(signed, at);
        String html = html(sheet);
        mapper.insertIssued(
                signed.id(), eventId, sheet.state(), sheet.recheckOn(), json.write(sheet), html, pdf.of(html, "A4"));
        finalRound.keep(signed, at);
    }

    String html(SheetView sheet) {
        Context context = new Context();
        context.setVariable("s", sheet);
        return templates.process("bench/sheet-body", context);
    }
}
