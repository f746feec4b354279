package yellowrail.core.load.columns;

import java.util.regex.Pattern;

/** {@code 20;7,1;12,5}. */
final class SemicolonColumns implements Columns {
    private static final Pattern APART = Pattern.compile("\\s*;\\s*");

    @Override
    public String words() {
        return "apart by semicolons";
    }

    @Override
    public boolean fits(String line) {
        return line.indexOf(';') >= 0;
    }

    @Override
    public String[] cells(String line) {
        return APART.split(line);
    }
}
