package yellowrail.core.load;

import java.util.regex.Pattern;

/** What commas within the figures of a text are: decimal signs, or what parts thousands. A single figure may not tell. */
final class CommaSense {
    private static final Pattern THOUSANDS = Pattern.compile("[-+−]?[1-9]\\d{0,2}(?:,\\d{3})+(?:\\.\\d*)?");

    private boolean decimal;
    private boolean thousands;
    private String open = "";

    /** Looks at a figure. */
    void see(String cell) {
        int comma = cell.indexOf(',');
        if (comma < 0) {
            thousands |= cell.indexOf('.') >= 0;
        } else if (!THOUSANDS.matcher(cell).matches()) {
            decimal = true;
        } else if (cell.indexOf(',', comma + 1) >= 0 || cell.indexOf('.') >= 0) {
            thousands = true;
        } else {
            open = cell;
        }
    }

    /** Why they cannot be told apart; empty where they can, or where there are none. */
    String question() {
        if (open.isEmpty() && !(decimal && thousands)) {
            return "";
        }
        if (decimal && thousands) {
            return "Commas and points both stand as decimal signs in this text: write all decimals with a point.";
        }
        return decimal || thousands
                ? ""
                : "“" + open + "” can be " + open.replace(',', '.') + " or " + open.replace(",", "")
                        + ", and no other figure of this text tells which. Write decimals with a point, and thousands without a"
                        + " comma.";
    }

    /** The figure with a point as its decimal sign. */
    String plain(String cell) {
        return decimal ? cell.replace(',', '.') : cell.replace(",", "");
    }
}
