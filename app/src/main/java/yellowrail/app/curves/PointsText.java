package yellowrail.app.curves;

import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVRecord;
import yellowrail.app.forms.CsvLines;
import yellowrail.core.fit.Operation;

/**
 * Published points of a tube as text, a line each: plate volts, screen volts, grid volts, plate mA, screen mA, gm in mA/V,
 * rp in kΩ. What is not published is left empty.
 */
final class PointsText {
    static final int MOST = 60;
    private static final int COLUMNS = 7;
    private static final int LEAST_COLUMNS = 5;
    private static final double MILLI = 1e-3;
    private static final double KILO = 1e3;
    private static final List<String> NAMES =
            List.of("plate volts", "screen volts", "grid volts", "plate mA", "screen mA", "gm", "rp");

    private PointsText() {}

    /** @throws IllegalArgumentException in words, naming the line */
    static List<Operation> read(String type, String text) {
        List<Operation> points = new ArrayList<>();
        for (CSVRecord line : CsvLines.of(text, MOST)) {
            boolean heading = line.getRecordNumber() == 1 && line.stream().noneMatch(c -> c.matches("[-−]?\\d.*"));
            if (!heading) {
                points.add(point(type, line));
            }
        }
        if (points.isEmpty()) {
            throw new IllegalArgumentException("Type at least three lines of published points.");
        }
        return points;
    }

    private static Operation point(String type, CSVRecord line) {
        String where = "Line " + line.getRecordNumber() + ": ";
        if (line.size() < LEAST_COLUMNS || line.size() > COLUMNS) {
            throw new IllegalArgumentException(where + "there are " + line.size() + " columns; they are "
                    + String.join(", ", NAMES) + ", the last two may be left out."
                    + " With decimal commas separate the columns by semicolons.");
        }
        double[] cells = new double[COLUMNS];
        for (int i = 0; i < COLUMNS; i++) {
            cells[i] = i < line.size() && !line.get(i).isEmpty()
                    ? CsvLines.number(where, NAMES.get(i), line.get(i), line.get(i))
                    : Double.NaN;
        }
        for (int i = 0; i < 3; i++) {
            if (Double.isNaN(cells[i])) {
                throw new IllegalArgumentException(where + NAMES.get(i) + " are missing.");
            }
        }
        for (int i = 3; i < COLUMNS; i++) {
            if (cells[i] <= 0) {
                throw new IllegalArgumentException(
                        where + NAMES.get(i) + " of " + line.get(i) + "; above zero, or left empty.");
            }
        }
        try {
            return Operation.point(
                    type,
                    cells[0],
                    cells[1],
                    // Tables print it with or without its sign.
                    -Math.abs(cells[2]),
                    new Operation.Currents(cells[3] * MILLI, cells[4] * MILLI, Double.NaN),
                    cells[5],
                    cells[6] * KILO);
        } catch (IllegalArgumentException refused) {
            throw new IllegalArgumentException(where + refused.getMessage() + ".");
        }
    }
}
