package yellowrail.core.load.columns;

import java.util.List;

/** How columns of figures stand apart on a line of text. */
public interface Columns {
    /** All ways, in the order in which a first line is held against them. */
    List<Columns> ALL = List.of(new TabColumns(), new SemicolonColumns(), new CommaColumns(), new BlankColumns());

    /** In words, for example {@code apart by tabs}. */
    String words();

    /** Whether a first line with figures is written so. */
    boolean fits(String line);

    /** The cells of a line, without blanks around them. */
    String[] cells(String line);

    /** Whether a comma may stand within a figure: it then is a decimal sign, or parts thousands. */
    default boolean commaInFigures() {
        return true;
    }

    /** The way in which a text is written whose first line with figures this is. */
    static Columns of(String line) {
        return ALL.stream().filter(c -> c.fits(line)).findFirst().orElseThrow();
    }
}
