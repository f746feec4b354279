package yellowrail.core.load.columns;

import java.util.regex.Pattern;

/** {@code 20→7,1→12,5}, with tabs. */
final class TabColumns implements Columns {
    private static final Pattern APART = Pattern.compile("\\s*\\t\\s*");

    @Override
    public String words() {
        return "apart by tabs";
    }

    @Override
    public boolean fits(String line) {
        return line.indexOf('\t') >= 0;
    }

    @Override
    public String[] cells(String line) {
        return APART.split(line);
    }
}
