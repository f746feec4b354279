package yellowrail.app.forms;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/** What is typed on a page whose whole state stands in its address: texts by name, each with what stands for nothing typed. */
public final class AddressTexts {
    private final Map<String, String> usual;
    private final Map<String, String> texts = new LinkedHashMap<>();

    /**
     * @param usual names in the order they are asked, each with its usual answer
     * @param said what the address says of a name; null where it says nothing
     */
    public AddressTexts(Map<String, String> usual, UnaryOperator<String> said) {
        this.usual = usual;
        usual.forEach((name, answer) -> {
            String text = said.apply(name);
            texts.put(name, text == null ? answer : text.strip());
        });
    }

    public String text(String name) {
        return texts.get(name);
    }

    public boolean blank(String name) {
        return texts.get(name).isEmpty();
    }

    public Map<String, String> all() {
        return Collections.unmodifiableMap(texts);
    }

    public AddressTexts with(String name, String text) {
        return new AddressTexts(usual, n -> n.equals(name) ? text : texts.get(n));
    }

    /** Names whose texts differ. */
    public List<String> differing(AddressTexts other) {
        return texts.keySet().stream()
                .filter(name -> !Objects.equals(texts.get(name), other.texts.get(name)))
                .toList();
    }

    /** Only what differs from the usual answers. */
    public String query() {
        return texts.entrySet().stream()
                .filter(e -> !e.getValue().equals(usual.get(e.getKey())))
                .map(e -> e.getKey() + "=" + URLEncoder.encode(e.getValue(), StandardCharsets.UTF_8))
                .collect(Collectors.joining("&"));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof AddressTexts form && texts.equals(form.texts);
    }

    @Override
    public int hashCode() {
        return texts.hashCode();
    }
}
