package yellowrail.app.forms;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/**
 * What is answered to a list of fields, and the whole state of a page: each a text as typed, or a value that is known to more
 * digits than its text shows and is never read from it again.
 */
public final class Answers {
    private final List<FieldSpec<?>> fields;
    private final Map<String, String> texts;
    private final Map<String, Known<?>> known;

    /** A value with the field that it was given for. */
    private record Known<T>(FieldSpec<T> field, T value) {}

    private Answers(List<FieldSpec<?>> fields, Map<String, String> texts, Map<String, Known<?>> known) {
        this.fields = fields;
        this.texts = texts;
        this.known = known;
    }

    /** With what is usual in every field. */
    public static Answers usual(List<FieldSpec<?>> fields) {
        Map<String, String> texts = new LinkedHashMap<>();
        fields.forEach(f -> texts.put(f.name(), f.usual()));
        return new Answers(fields, texts, Map.of());
    }

    /** The same with what is said of these fields; null says nothing of one. */
    public Answers said(UnaryOperator<String> said) {
        Map<String, String> all = new LinkedHashMap<>(texts);
        Map<String, Known<?>> values = new HashMap<>(known);
        fields.forEach(f -> {
            String text = said.apply(f.name());
            if (text != null) {
                all.put(f.name(), text.strip());
                values.remove(f.name());
            }
        });
        return new Answers(fields, all, values);
    }

    /** The same with one text. */
    public Answers said(FieldSpec<?> field, String text) {
        return said(name -> name.equals(field.name()) ? text : null);
    }

    /** The same with a value that is known. */
    public <T> Answers known(FieldSpec<T> field, T value) {
        Map<String, String> all = new LinkedHashMap<>(texts);
        if (all.replace(field.name(), field.shown(value)) == null) {
            throw new IllegalArgumentException("no field " + field.name() + " among " + all.keySet());
        }
        Map<String, Known<?>> values = new HashMap<>(known);
        values.put(field.name(), new Known<>(field, value));
        return new Answers(fields, all, values);
    }

    /** The same with a value, where there is one. */
    public <T> Answers knownIfAny(FieldSpec<Optional<T>> field, Optional<T> value) {
        return value.isPresent() ? known(field, value) : this;
    }

    /** What a field's answer means; a sentence at it where it is not understood. */
    @SuppressWarnings("unchecked")
    public <T> T read(FieldSpec<T> field, FieldErrors complaints) {
        Known<?> value = known.get(field.name());
        return value != null && value.field() == field
                ? (T) value.value()
                : field.read(texts.get(field.name()), complaints);
    }

    public List<FieldSpec<?>> fields() {
        return fields;
    }

    /** The fields by their names. */
    public Map<String, FieldSpec<?>> byName() {
        return fields.stream().collect(Collectors.toMap(FieldSpec::name, f -> f));
    }

    public String text(String name) {
        return texts.get(name);
    }

    public String text(FieldSpec<?> field) {
        return texts.get(field.name());
    }

    public boolean blank(String name) {
        return texts.get(name).isEmpty();
    }

    public boolean blank(FieldSpec<?> field) {
        return blank(field.name());
    }

    /** Whether nothing is answered to any of these. */
    public boolean blank(List<FieldSpec<?>> these) {
        return these.stream().allMatch(this::blank);
    }

    /** The texts by name, in order. */
    public Map<String, String> texts() {
        return Collections.unmodifiableMap(texts);
    }

    /** Names whose texts differ. */
    public List<String> differing(Answers other) {
        return texts.keySet().stream()
                .filter(name -> !Objects.equals(texts.get(name), other.texts.get(name)))
                .toList();
    }

    /** Only what differs from the usual answers, as an address says it. */
    public String query() {
        return fields.stream()
                .filter(f -> !text(f).equals(f.usual()))
                .map(f -> f.name() + "=" + URLEncoder.encode(text(f), StandardCharsets.UTF_8))
                .collect(Collectors.joining("&"));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Answers answers && texts.equals(answers.texts);
    }

    @Override
    public int hashCode() {
        return texts.hashCode();
    }
}
