package yellowrail.app.forms;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;

/**
 * A field, and the only place where it exists: forms, addresses, JSON, its documentation and refusals are made from lists of
 * these.
 *
 * @param name in addresses, JSON and forms
 * @param label beside it, with its unit
 * @param hint an example of what may stand in it
 * @param choices what can be picked; empty for a text
 * @param reader what a text means; its name and the sentences about it go with it
 * @param show how a value stands in the field
 * @param <T> what it means; a field that may be left open means an {@link Optional}
 */
public record FieldSpec<T>(
        String name, String label, String hint, List<Choice> choices, Reader<T> reader, Function<T, String> show) {
    /** Digits that a value keeps in its field. */
    private static final int DIGITS = 4;

    /** A pick with its words. */
    public record Choice(String value, String words) {}

    /** Reads a field's text, or says at it what is not understood. */
    @FunctionalInterface
    public interface Reader<T> {
        T read(String name, String text, FieldErrors complaints);
    }

    private static final List<Choice> YES_NO =
            List.of(new Choice("", "not answered"), new Choice("yes", "yes"), new Choice("no", "no"));

    public FieldSpec {
        choices = List.copyOf(choices);
    }

    /** A text that means something of its own. */
    public static <T> FieldSpec<T> text(
            String name, String label, String hint, Reader<T> reader, Function<T, String> show) {
        return new FieldSpec<>(name, label, hint, List.of(), reader, show);
    }

    /** A quantity in the base of its unit; a blank is not answered. */
    public static FieldSpec<Optional<Double>> quantity(String name, String label, String hint, Field field) {
        return text(
                name,
                label,
                hint,
                (n, text, complaints) -> text.isBlank()
                        ? Optional.empty()
                        : complaints.quantity(n, text, field).map(Typed::value),
                value -> value.map(v -> Show.siPlain(v, field.unit(), DIGITS)).orElse(""));
    }

    /** A whole number; a blank is not answered. */
    public static FieldSpec<Optional<Integer>> count(String name, String label, String hint, int low, int high) {
        return text(
                name,
                label,
                hint,
                (n, text, complaints) -> Optional.of(complaints.count(n, text, low, high, low - 1))
                        .filter(v -> v >= low),
                value -> value.map(String::valueOf).orElse(""));
    }

    /** Yes, no, or not answered. */
    public static FieldSpec<Optional<Boolean>> yesNo(String name, String label) {
        return new FieldSpec<>(
                name,
                label,
                "",
                YES_NO,
                (n, text, complaints) -> complaints.yesNo(n, text),
                value -> value.map(v -> v ? "yes" : "no").orElse(""));
    }

    /** Yes; a blank is no. */
    public static FieldSpec<Boolean> yes(String name, String label) {
        return new FieldSpec<>(
                name,
                label,
                "",
                List.of(new Choice("", "no"), new Choice("yes", "yes")),
                (n, text, complaints) -> complaints.yes(n, text),
                value -> value ? "yes" : "");
    }

    /** What it says among these texts. */
    public T read(UnaryOperator<String> texts, FieldErrors complaints) {
        return reader.read(
                name, Optional.ofNullable(texts.apply(name)).orElse("").strip(), complaints);
    }

    /** How a value stands in it. */
    public String shown(T value) {
        return show.apply(value);
    }

    /** {@code winding (Winding gives, A)}, for who writes it by program. */
    public String documented() {
        String words = label
                + (choices.isEmpty()
                        ? ""
                        : ": "
                                + String.join(
                                        ", ",
                                        choices.stream()
                                                .map(Choice::value)
                                                .filter(v -> !v.isEmpty())
                                                .toList()));
        return name + " (" + words + ")";
    }
}
