package yellowrail.app.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.Arrays;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import yellowrail.app.forms.CsvCells;
import yellowrail.core.session.RecordedReading;

/** A session's readings as a table (RFC 4180), superseded ones included. */
final class ReadingsTable {
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

    private ReadingsTable() {}

    static String of(BenchSession bench) {
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
