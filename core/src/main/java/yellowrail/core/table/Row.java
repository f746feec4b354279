package yellowrail.core.table;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.apache.commons.csv.CSVRecord;

/** One row of a table; what is wrong in it is told with its place. */
public final class Row {
    private final String place;
    private final CSVRecord cells;

    Row(String place, CSVRecord cells) {
        this.place = place;
        this.cells = cells;
        if (!cells.isConsistent()) {
            throw wrong("it has " + cells.size() + " cells, another number than the table has columns");
        }
    }

    /** What stands in a column, blank where nothing does. */
    public String text(String column) {
        return cells.get(column).strip();
    }

    /** What stands in a column that may not be blank. */
    public String needed(String column) {
        if (text(column).isEmpty()) {
            throw wrong(column + " is blank");
        }
        return text(column);
    }

    /** Parts of a cell, set apart by |. */
    public List<String> parts(String column) {
        return Arrays.stream(text(column).split("\\|"))
                .map(String::strip)
                .filter(p -> !p.isEmpty())
                .toList();
    }

    public Optional<Double> number(String column) {
        return text(column).isEmpty() ? Optional.empty() : Optional.of(parsed(column, text(column)));
    }

    /** NaN where nothing stands. */
    public double orNaN(String column) {
        return number(column).orElse(Double.NaN);
    }

    public double neededNumber(String column) {
        return parsed(column, needed(column));
    }

    public double parsed(String column, String text) {
        try {
            return Double.parseDouble(text);
        } catch (NumberFormatException wrong) {
            throw wrong(column + ": “" + text + "” is no number");
        }
    }

    /** What a word of a column stands for. */
    public <T> T word(String column, Map<String, T> words) {
        T meant = words.get(text(column));
        if (meant == null) {
            throw wrong(column + ": “" + text(column) + "” is none of " + words.keySet());
        }
        return meant;
    }

    /** What is made of this row, refused with its place when it cannot be. */
    public <T> T made(Supplier<T> maker) {
        try {
            return maker.get();
        } catch (IllegalArgumentException refused) {
            throw wrong(refused.getMessage());
        }
    }

    public IllegalStateException wrong(String what) {
        return new IllegalStateException(place + ": " + what);
    }
}
