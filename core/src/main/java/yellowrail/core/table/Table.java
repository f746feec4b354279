package yellowrail.core.table;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;

/** Reads a table that lies beside a class: a line with # is a comment, the first other one names the columns. */
public final class Table {
    private static final CSVFormat FORMAT = CSVFormat.DEFAULT
            .builder()
            .setCommentMarker('#')
            .setHeader()
            .setSkipHeaderRecord(true)
            .get();

    private Table() {}

    /**
     * @param columns every column the table has, in order: another one would be ignored
     * @throws IllegalStateException when the file is not there, or its columns are others
     */
    public static List<Row> beside(Class<?> owner, String name, List<String> columns) {
        try (var in = owner.getResourceAsStream(name)) {
            if (in == null) {
                throw new IllegalStateException("there is no table " + name + " beside " + owner.getName());
            }
            CSVParser parser = FORMAT.parse(new InputStreamReader(in, StandardCharsets.UTF_8));
            if (!parser.getHeaderNames().equals(columns)) {
                throw new IllegalStateException(
                        name + " has the columns " + parser.getHeaderNames() + ", not " + columns);
            }
            return parser.getRecords().stream()
                    .map(r -> new Row(name + ", line " + (r.getRecordNumber() + 1) + " (" + r.get(0) + ")", r))
                    .toList();
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }
}
