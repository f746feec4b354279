package yellowrail.app.forms;

import java.util.List;

/**
 * Text as a cell that a spreadsheet shows and does not run: what begins like a formula gets an apostrophe before it, which
 * spreadsheets hide. Numbers stay as they are, negative ones too.
 */
public final class CsvCells {
    private static final String BEGINNINGS = "=+@-\t\r\n";

    private CsvCells() {}

    /** The cells of a line, texts made safe. */
    public static List<Object> safe(List<?> cells) {
        return cells.stream()
                .map(cell -> cell instanceof String text ? (Object) safe(text) : cell == null ? "" : cell)
                .toList();
    }

    /** A text as it is written. */
    public static String safe(String text) {
        return begins(text) && !number(text) ? "'" + text : text;
    }

    /** A text as it was before {@link #safe(String)}. */
    public static String plain(String cell) {
        boolean marked = cell.startsWith("'") && begins(cell.substring(1)) && !number(cell.substring(1));
        return marked ? cell.substring(1) : cell;
    }

    /** Apostrophes before it belong to the text and hide nothing. */
    private static boolean begins(String text) {
        int at = 0;
        while (at < text.length() && text.charAt(at) == '\'') {
            at++;
        }
        return at < text.length() && BEGINNINGS.indexOf(text.charAt(at)) >= 0;
    }

    private static boolean number(String text) {
        if (text.isEmpty() || text.length() > 30 || text.charAt(0) != '-') {
            return false;
        }
        return text.chars().skip(1).allMatch(c -> c >= '0' && c <= '9' || c == '.')
                && text.chars().skip(1).anyMatch(c -> c >= '0' && c <= '9')
                && text.chars().filter(c -> c == '.').count() <= 1;
    }
}
