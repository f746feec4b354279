package yellowrail.app.forms;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/**
 * Fields whose unusual value a builder said is right, each with the text it was said of; a text of nothing counts for
 * whatever stands in the field.
 */
public record Confirmed(Map<String, String> texts) {
    private static final String ANY = "";

    /** Understands {@code name:text; name:text}. */
    public static Confirmed read(String typed) {
        Map<String, String> texts = new LinkedHashMap<>();
        for (String entry : typed.split(";")) {
            String[] parts = entry.strip().split(":", 2);
            if (!parts[0].isEmpty()) {
                texts.put(parts[0], parts.length == 1 ? ANY : parts[1].strip());
            }
        }
        return new Confirmed(texts);
    }

    /** Whether this field's text is the one that was confirmed. */
    public boolean holds(String name, String text) {
        return texts.containsKey(name)
                && (texts.get(name).equals(ANY) || texts.get(name).equals(text.strip()));
    }

    /** What the field of confirmations holds once this text is confirmed too. */
    public String with(String name, String text) {
        Map<String, String> all = new LinkedHashMap<>(texts);
        all.put(name, text.strip());
        return new Confirmed(all).text();
    }

    /** As it is typed. */
    public String text() {
        return texts.entrySet().stream()
                .map(e -> e.getKey() + (e.getValue().equals(ANY) ? "" : ":" + e.getValue()))
                .collect(Collectors.joining(";"));
    }

    /** The names of those that hold, by the text that stands in each field. */
    Set<String> holding(UnaryOperator<String> text) {
        return texts.keySet().stream()
                .filter(name -> holds(name, text.apply(name)))
                .collect(Collectors.toSet());
    }
}
