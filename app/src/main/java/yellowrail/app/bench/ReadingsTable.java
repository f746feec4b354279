package yellowrail.app.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Arrays;
import java.util.Map;
import java.util.UUID;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import yellowrail.app.forms.CsvCells;
import yellowrail.core.session.RecordedReading;

/** A session's readings as a table (RFC 4180), superseded ones included. */
@Component
final class ReadingsTable implements SessionFile {
    private static final CSVFormat FORMAT = CSVFormat.RFC4180
            .builder()
            .setHeader(
                    "time",
                    "quantity",
                    "point",
                    "typed",
                    "value",
                    "unit",
                    "stop",
                    "state",
                    "limiter",
                    "holds",
                    "supersedes",
                    "reason",
                    "id")
            .get();

    private final SessionStore sessions;

    ReadingsTable(SessionStore sessions) {
        this.sessions = sessions;
    }

    @Override
    public String name() {
        return "readings.csv";
    }

    @Override
    public int place() {
        return 4;
    }

    @Override
    public MediaType type() {
        return MediaType.parseMediaType("text/csv;charset=UTF-8");
    }

    @Override
    public Map<String, String> links() {
        return Map.of("", "Readings as a table");
    }

    @Override
    public byte[] of(UUID session, String paper) {
        return sessions.look(session, ReadingsTable::table).getBytes(StandardCharsets.UTF_8);
    }

    private static String table(BenchSession bench) {
        StringBuilder text = new StringBuilder();
        try (CSVPrinter out = new CSVPrinter(text, FORMAT)) {
            for (RecordedReading r : bench.state().readings()) {
                out.printRecord(CsvCells.safe(Arrays.asList(
                        Instant.ofEpochMilli(r.at()),
                        r.quantity(),
                        r.point().name(),
                        r.typed().raw(),
                        r.typed().value(),
                        r.typed().unit().symbol(),
                        r.stop(),
                        r.context().power(),
                        r.context().limiter() ? "yes" : "no",
                        bench.state().superseded(r.id()) ? "no" : "yes",
                        r.supersedes(),
                        r.reason(),
                        r.id())));
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        return text.toString();
    }
}
