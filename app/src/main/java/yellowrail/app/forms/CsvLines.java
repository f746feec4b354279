package yellowrail.app.forms;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** Typed or pasted lines of columns, separated by commas, or by semicolons or tabs, when commas may be decimal. */
public final class CsvLines {
    private static final int LONGEST_TEXT = 100_000;
    private static final int LONGEST_CELL = 200;

    private CsvLines() {}

    /** What is told beforehand of how much is taken. */
    public static String limits(int most) {
        return "At most " + most + " lines, " + LONGEST_CELL + " characters in a column, " + LONGEST_TEXT / 1000
                + " 000 characters in all.";
    }

    /**
     * @param most lines taken at once
     * @throws IllegalArgumentException in words
     */
    public static List<CSVRecord> of(String text, int most) {
        if (text.length() > LONGEST_TEXT) {
            throw new IllegalArgumentException(
                    "At most " + LONGEST_TEXT + " characters are taken at once; this has " + text.length() + ".");
        }
        char separator = text.indexOf('\t') >= 0 ? '\t' : text.indexOf(';') >= 0 ? ';' : ',';
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(separator)
                .setTrim(true)
                .setIgnoreEmptyLines(true)
                .get();
        try (CSVParser parser = CSVParser.parse(text, format)) {
            List<CSVRecord> lines = parser.stream().limit(most + 1L).toList();
            if (lines.size() > most) {
                throw new IllegalArgumentException("More than " + most + " lines are not taken at once.");
            }
            for (CSVRecord line : lines) {
                if (line.stream().anyMatch(c -> c.length() > LONGEST_CELL)) {
                    throw new IllegalArgumentException("Line " + line.getRecordNumber() + ": a column has at most "
                            + LONGEST_CELL + " characters.");
                }
            }
            return lines;
        } catch (IOException | UncheckedIOException broken) {
            throw new IllegalArgumentException("A quotation mark is not closed: the lines could not be told apart.");
        }
    }

    /** A cell without the unit at its end, in whichever letters it is written. */
    public static String without(String cell, String unit) {
        int end = cell.length() - unit.length();
        return end >= 0 && cell.regionMatches(true, end, unit, 0, unit.length())
                ? cell.substring(0, end).stripTrailing()
                : cell;
    }

    /**
     * A plain number with a decimal point or comma.
     *
     * @param where where it stands, as the sentence begins
     * @param what what it is, in words
     * @throws IllegalArgumentException in words
     */
    public static double number(String where, String what, String cell, String shown) {
        try {
            double value = Double.parseDouble(cell.replace('−', '-').replace(',', '.'));
            if (!Double.isFinite(value)) {
                throw new NumberFormatException(cell);
            }
            return value;
        } catch (NumberFormatException other) {
            throw new IllegalArgumentException(
                    where + "“" + FieldErrors.shorten(shown) + "” is no number for " + what + ".");
        }
    }
}
