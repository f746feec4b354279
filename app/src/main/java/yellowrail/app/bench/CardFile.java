package yellowrail.app.bench;

import java.util.Map;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/** A card of the sheet for inside the chassis. */
@Component
final class CardFile implements SessionFile {
    private final SessionStore sessions;
    private final ITemplateEngine templates;
    private final Pdf pdf;

    CardFile(SessionStore sessions, ITemplateEngine templates, Pdf pdf) {
        this.sessions = sessions;
        this.templates = templates;
        this.pdf = pdf;
    }

    @Override
    public String name() {
        return "card.pdf";
    }

    @Override
    public int place() {
        return 2;
    }

    @Override
    public MediaType type() {
        return MediaType.APPLICATION_PDF;
    }

    @Override
    public Map<String, String> links() {
        return Map.of("", "Card for the chassis");
    }

    @Override
    public byte[] of(UUID session, String paper) {
        Context context = new Context();
        context.setVariable("s", sessions.issuedSheet(session));
        return pdf.of(templates.process("bench/card-body", context), "A4");
    }
}
