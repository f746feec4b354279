package yellowrail.app.forms;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/** One idle check as it is asked, in words as typed. The same names serve the page's address and the JSON interface. */
public record CheckForm(Answers answers) {
    private static final List<String> NAMES = FieldSpec.names(CheckFields.ALL);
    private static final Answers USUAL = Answers.usual(CheckFields.ALL);

    /** What is said; null says nothing. */
    public static CheckForm from(UnaryOperator<String> said) {
        return new CheckForm(USUAL.said(said));
    }

    /** The value, or the default when it is blank. */
    public static String or(String value, String fallback) {
        return value == null || value.isBlank() ? fallback : value.strip();
    }

    /** The names of the fields, in order. */
    public static List<String> names() {
        return NAMES;
    }

    public String text(FieldSpec<?> field) {
        return answers.text(field);
    }

    /** What a field's answer means; a sentence at it where it is not understood. */
    public <T> T read(FieldSpec<T> field, FieldErrors complaints) {
        return answers.read(field, complaints);
    }

    /** What is typed for the ways of taking current, by the names of their parameters. */
    public Map<String, String> sensing() {
        Map<String, String> texts = new LinkedHashMap<>();
        CheckFields.SENSING.stream().filter(f -> !answers.blank(f)).forEach(f -> texts.put(f.name(), answers.text(f)));
        return texts;
    }
}
