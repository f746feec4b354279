package yellowrail.app.stage;

import java.util.function.UnaryOperator;

/** A stage as typed: every part a text, with the usual answers where nothing was typed. */
public record StageForm(
        String tube,
        String topology,
        String connection,
        String tap,
        String tubes,
        String bias,
        String supply,
        String source,
        String screens,
        String feed,
        String rg2,
        String rdc,
        String load,
        String idle,
        String loadFactor,
        String mains) {
    public static StageForm from(UnaryOperator<String> said) {
        return new StageForm(
                or(said.apply("tube"), "6L6GC"),
                or(said.apply("topology"), "pp"),
                or(said.apply("connection"), "pentode"),
                or(said.apply("tap"), "43 %"),
                or(said.apply("tubes"), "2"),
                or(said.apply("bias"), "tracking"),
                or(said.apply("supply"), "460 V"),
                or(said.apply("source"), "90 Ω"),
                said.apply("screens") == null ? "" : said.apply("screens").strip(),
                or(said.apply("feed"), "200 Ω"),
                or(said.apply("rg2"), "470 Ω"),
                or(said.apply("rdc"), "70 Ω"),
                or(said.apply("load"), "4.2 k"),
                or(said.apply("idle"), "65"),
                or(said.apply("loadFactor"), "1"),
                or(said.apply("mains"), "100"));
    }

    private static String or(String text, String usual) {
        return text == null || text.isBlank() ? usual : text.strip();
    }
}
