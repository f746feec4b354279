package yellowrail.core.load.columns;

import java.util.regex.Pattern;

/** {@code 20  7.1  12.5}. */
final class BlankColumns implements Columns {
    private static final Pattern APART = Pattern.compile("\\s+");

    @Override
    public String words() {
        return "apart by blanks";
    }

    @Override
    public boolean fits(String line) {
        return true;
    }

    @Override
    public String[] cells(String line) {
        return APART.split(line);
    }
}
