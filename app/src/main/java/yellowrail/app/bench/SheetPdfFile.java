package yellowrail.app.bench;

import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;

/** The sheet as issued; on Letter the same issued page is laid out anew. */
@Component
final class SheetPdfFile implements SessionFile {
    private final SessionStore sessions;
    private final Pdf pdf;

    SheetPdfFile(SessionStore sessions, Pdf pdf) {
        this.sessions = sessions;
        this.pdf = pdf;
    }

    @Override
    public String name() {
        return "sheet.pdf";
    }

    @Override
    public int place() {
        return 1;
    }

    @Override
    public MediaType type() {
        return MediaType.APPLICATION_PDF;
    }

    @Override
    public Map<String, String> links() {
        return new TreeMap<>(Map.of("", "Sheet as PDF", "?paper=letter", "on Letter paper"));
    }

    @Override
    public byte[] of(UUID session, String paper) {
        return (paper.equals("letter")
                        ? sessions.issuedHtml(session).map(html -> pdf.of(html, "letter"))
                        : sessions.issuedPdf(session))
                .orElseThrow(() -> BenchController.unsigned(session));
    }
}
