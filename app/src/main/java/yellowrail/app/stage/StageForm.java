package yellowrail.app.stage;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import yellowrail.app.forms.AddressTexts;

/** A stage as typed: every part a text under its name, with the usual answer where nothing was typed. */
public final class StageForm {
    /** Names in the order they are asked, each with what stands for nothing typed. */
    static final Map<String, String> USUAL = new LinkedHashMap<>();

    static {
        USUAL.put("tube", "6L6GC");
        USUAL.put("judge", "");
        USUAL.put("topology", "pp");
        USUAL.put("connection", "pentode");
        USUAL.put("tap", "43 %");
        USUAL.put("tubes", "2");
        USUAL.put("bias", "tracking");
        USUAL.put("at", "");
        USUAL.put("cathode", "100 Ω");
        USUAL.put("shared", "shared");
        USUAL.put("supply", "460 V");
        USUAL.put("source", "90 Ω");
        USUAL.put("screens", "");
        USUAL.put("feed", "200 Ω");
        USUAL.put("rg2", "470 Ω");
        USUAL.put("rdc", "70 Ω");
        USUAL.put("secondary", "0 %");
        USUAL.put("load", "4.2 k");
        USUAL.put("scales", "");
        USUAL.put("offsets", "");
        USUAL.put("idle", "65");
        USUAL.put("loadFactor", "1");
        USUAL.put("mains", "100");
        USUAL.put("highest", "110 %");
        USUAL.put("margin", "100 %");
        USUAL.put("clean", "0.5 %");
        // Whose readings stand for its idle while it is that amp's.
        USUAL.put("readings", "");
    }

    private final AddressTexts texts;
    /** What a text was made of, where it was made of figures: they are not read from it again. */
    private final Map<String, List<Double>> figures;

    private StageForm(AddressTexts texts, Map<String, List<Double>> figures) {
        this.texts = texts;
        this.figures = Map.copyOf(figures);
    }

    public static StageForm from(UnaryOperator<String> said) {
        return new StageForm(new AddressTexts(USUAL, said), Map.of());
    }

    /**
     * The same, some of whose texts show figures in fewer digits than they are known to.
     *
     * @param known figures in SI base units (a slider's in its own) by the names of their fields
     */
    StageForm of(Map<String, List<Double>> known) {
        return new StageForm(texts, known);
    }

    /** The figures a text was made of; empty where it was typed. */
    List<Double> figures(String name) {
        return figures.getOrDefault(name, List.of());
    }

    /** From a query string, as a kept setting is one. */
    public static StageForm from(String query) {
        Map<String, String> said = new LinkedHashMap<>();
        for (String pair : query.split("&")) {
            int equals = pair.indexOf('=');
            if (equals > 0) {
                said.put(decoded(pair.substring(0, equals)), decoded(pair.substring(equals + 1)));
            }
        }
        return from(said::get);
    }

    private static String decoded(String text) {
        try {
            return java.net.URLDecoder.decode(text, StandardCharsets.UTF_8);
        } catch (IllegalArgumentException broken) {
            return text;
        }
    }

    /** Names of all parts, in the order they are asked. */
    public static java.util.Set<String> names() {
        return java.util.Collections.unmodifiableSet(USUAL.keySet());
    }

    public String text(String name) {
        return texts.text(name);
    }

    /** All texts, for the page. */
    public Map<String, String> texts() {
        return texts.all();
    }

    public StageForm with(String name, String text) {
        Map<String, List<Double>> known = new LinkedHashMap<>(figures);
        known.remove(name);
        return new StageForm(texts.with(name, text), known);
    }

    /** Only what differs from the usual answers. */
    public String query() {
        return texts.query();
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof StageForm form && texts.equals(form.texts);
    }

    @Override
    public int hashCode() {
        return texts.hashCode();
    }

    /** Names whose texts differ between two stages. */
    public List<String> differing(StageForm other) {
        return texts.differing(other.texts);
    }
}
