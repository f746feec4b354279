package yellowrail.core.load.columns;

import java.util.regex.Pattern;

/** {@code 20,7.1,12.5}, or with blanks after the commas. */
final class CommaColumns implements Columns {
    private static final Pattern APART = Pattern.compile("\\s*,\\s*");
    private static final Pattern BLANK = Pattern.compile("\\s");
    private static final Pattern COMMA_BLANK = Pattern.compile(",\\s");

    @Override
    public String words() {
        return "apart by commas";
    }

    @Override
    public boolean fits(String line) {
        return line.indexOf(',') >= 0
                && (!BLANK.matcher(line).find() || COMMA_BLANK.matcher(line).find());
    }

    @Override
    public String[] cells(String line) {
        return APART.split(line);
    }

    @Override
    public boolean commaInFigures() {
        return false;
    }
}
