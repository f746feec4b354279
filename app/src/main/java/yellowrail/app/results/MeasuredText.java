package yellowrail.app.results;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.apache.commons.csv.CSVRecord;
import yellowrail.app.forms.CsvCells;
import yellowrail.app.forms.CsvLines;
import yellowrail.core.experiment.MeasuredPoint;

/**
 * Measured points as text: a line for each, level, frequency (Hz), watts, THD (%). Columns are separated by commas, or by
 * semicolons or tabs, when commas may be decimal.
 */
public final class MeasuredText {
    static final int MOST = 500;
    private static final int COLUMNS = 4;

    private MeasuredText() {}

    /** @throws IllegalArgumentException in words, naming the line */
    public static List<MeasuredPoint> read(String text) {
        List<MeasuredPoint> points = new ArrayList<>();
        for (CSVRecord line : CsvLines.of(text, MOST)) {
            if (!heading(line)) {
                points.add(point(line));
            }
        }
        return List.copyOf(points);
    }

    private static boolean heading(CSVRecord line) {
        return line.getRecordNumber() == 1
                && line.stream().noneMatch(cell -> cell.matches(".*\\d.*"))
                && line.stream()
                        .anyMatch(
                                cell -> cell.toLowerCase(Locale.ROOT).matches("level|frequency.*|watts|power.*|thd.*"));
    }

    private static MeasuredPoint point(CSVRecord line) {
        String where = "Line " + line.getRecordNumber() + ": ";
        if (line.size() != COLUMNS) {
            throw new IllegalArgumentException(where + "there are " + line.size()
                    + " columns; level, frequency, watts, THD are " + COLUMNS
                    + ". With decimal commas separate the columns by semicolons.");
        }
        Optional<Double> hertz =
                line.get(1).isEmpty() ? Optional.empty() : Optional.of(number(where, "frequency", line.get(1), "Hz"));
        try {
            return new MeasuredPoint(
                    CsvCells.plain(line.get(0)),
                    hertz,
                    number(where, "watts", line.get(2), "W"),
                    number(where, "THD", line.get(3), "%") / 100);
        } catch (IllegalArgumentException refused) {
            String said = refused.getMessage();
            throw new IllegalArgumentException(said.startsWith(where) ? said : where + said + ".");
        }
    }

    private static double number(String where, String what, String cell, String unit) {
        return CsvLines.number(where, what, CsvLines.without(cell, unit), cell);
    }
}
