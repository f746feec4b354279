package yellowrail.app.forms;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
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
 * @param usual what stands for nothing said
 * @param choices what can be picked; empty for a text
 * @param reader what a text means; its name and the sentences about it go with it
 * @param show how a value stands in the field
 * @param <T> what it means; a field that may be left open means an {@link Optional}
 */
public record FieldSpec<T>(
        String name,
        String label,
        String hint,
        String usual,
        List<Choice> choices,
        Reader<T> reader,
        Function<T, String> show) {
    /** Digits that a value keeps in its field. */
    private static final int DIGITS = 4;

    /** A pick with its words. */
    public record Choice(String value, String words) {}

    /** A pick with its words and what it means. */
    public record Pick<T>(String value, String words, T means) {}

    /** Reads a field's text, or says at it what is not understood. */
    @FunctionalInterface
    public interface Reader<T> {
        T read(String name, String text, FieldErrors complaints);
    }

    public FieldSpec {
        choices = List.copyOf(choices);
    }

    /** A text that means something of its own. */
    public static <T> FieldSpec<T> text(
            String name, String label, String hint, Reader<T> reader, Function<T, String> show) {
        return new FieldSpec<>(name, label, hint, "", List.of(), reader, show);
    }

    /** A text that stands for itself. */
    public static FieldSpec<String> plain(String name, String label) {
        return text(name, label, "", (n, text, complaints) -> text, value -> value);
    }

    /** A quantity in the base of its unit, within its range; a blank is not answered. */
    public static FieldSpec<Optional<Double>> quantity(String name, String label, String hint, Field field) {
        return text(
                name,
                label,
                hint,
                (n, text, complaints) -> text.isEmpty()
                        ? Optional.empty()
                        : complaints.ranged(n, text, text, field).map(Typed::value),
                value -> value.map(v -> Show.siPlain(v, field.unit(), DIGITS)).orElse(""));
    }

    /**
     * A quantity in the base of its unit, within its range, that nothing stands in for: a blank is refused.
     *
     * @param usual what stands there where nothing was said
     * @param digits of a value in its field
     */
    public static FieldSpec<Double> needed(String name, String label, String usual, Field field, int digits) {
        FieldErrors none = new FieldErrors();
        double otherwise = none.ranged(name, usual, usual, field).orElseThrow().value();
        return FieldSpec.<Double>text(
                        name,
                        label,
                        usual,
                        (n, text, complaints) -> {
                            if (text.isEmpty()) {
                                complaints.add(n, "Type " + field.name() + ": nothing stands in for it.");
                                return otherwise;
                            }
                            return complaints
                                    .ranged(n, text, text, field)
                                    .map(Typed::value)
                                    .orElse(otherwise);
                        },
                        value -> Show.plain(value, digits) + " " + field.unit().symbol())
                .usually(usual);
    }

    /** A place on a slider. */
    public static FieldSpec<Double> slider(String name, String label, String usual, double low, double high) {
        return FieldSpec.<Double>text(
                        name,
                        label,
                        usual,
                        (n, text, complaints) -> {
                            try {
                                double value = Double.parseDouble(
                                        CsvLines.without(text, "%").replace(',', '.'));
                                if (value >= low && value <= high) {
                                    return value;
                                }
                            } catch (NumberFormatException other) {
                                // said below, with what was typed
                            }
                            complaints.add(
                                    n,
                                    "“" + FieldErrors.shorten(text) + "” is no number from " + Show.plain(low, 3)
                                            + " to " + Show.plain(high, 3) + ".");
                            return low;
                        },
                        value -> Show.fixed(value, 1))
                .usually(usual);
    }

    /** A reading with its last digit, of whatever size: what is unusual is asked about with what else was typed. */
    public static FieldSpec<Optional<Typed>> reading(String name, String label, Field field) {
        return text(
                name,
                label,
                "",
                (n, text, complaints) -> complaints.quantity(n, text, field),
                value -> value.map(Typed::echo).orElse(""));
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

    /** One of these; the first stands for nothing said. A blank that is none of them is refused like any other word. */
    @SafeVarargs
    public static <T> FieldSpec<T> pick(String name, String label, Pick<T>... picks) {
        return pick(name, label, List.of(picks));
    }

    /** The same of a list that several fields have in common. */
    public static <T> FieldSpec<T> pick(String name, String label, List<Pick<T>> all) {
        return new FieldSpec<>(
                name,
                label,
                "",
                all.get(0).value(),
                all.stream().map(p -> new Choice(p.value(), p.words())).toList(),
                (n, text, complaints) -> all.stream()
                        .filter(p -> p.value().equals(text))
                        .findFirst()
                        .orElseGet(() -> {
                            List<String> words = all.stream()
                                    .map(Pick::value)
                                    .filter(v -> !v.isEmpty())
                                    .toList();
                            complaints.add(
                                    n,
                                    "“" + FieldErrors.shorten(text) + "” is none of " + String.join(", ", words) + ".",
                                    words);
                            return all.get(0);
                        })
                        .means(),
                value -> all.stream()
                        .filter(p -> p.means().equals(value))
                        .findFirst()
                        .orElseThrow()
                        .value());
    }

    /** One of these, or nothing said, which means one of its own. */
    public static <T> FieldSpec<T> pickOr(String name, String label, Pick<T> nothing, List<Pick<T>> picks) {
        return pick(
                name, label, Stream.concat(Stream.of(nothing), picks.stream()).toList());
    }

    /** Yes, no, or not answered. */
    public static FieldSpec<Optional<Boolean>> yesNo(String name, String label) {
        return pick(
                name,
                label,
                new Pick<>("", "not answered", Optional.empty()),
                new Pick<>("yes", "yes", Optional.of(true)),
                new Pick<>("no", "no", Optional.of(false)));
    }

    /** Yes; a blank is no. */
    public static FieldSpec<Boolean> yes(String name, String label) {
        FieldSpec<Boolean> words = pick(
                name,
                label,
                new Pick<>("", "no", false),
                new Pick<>("yes", "yes", true),
                new Pick<>("no", "no", false));
        return new FieldSpec<>(name, label, "", "", words.choices.subList(0, 2), words.reader, words.show);
    }

    /** The same with what stands for nothing said. */
    public FieldSpec<T> usually(String text) {
        return new FieldSpec<>(name, label, hint, text, choices, reader, show);
    }

    /** The same with its values shown otherwise. */
    public FieldSpec<T> showing(Function<T, String> shown) {
        return new FieldSpec<>(name, label, hint, usual, choices, reader, shown);
    }

    /** The same with another example in it. */
    public FieldSpec<T> hinting(String example) {
        return new FieldSpec<>(name, label, example, usual, choices, reader, show);
    }

    /** The same meaning something that is made of its value. */
    public <U> FieldSpec<U> as(Function<T, U> of, Function<U, T> back) {
        return new FieldSpec<>(
                name,
                label,
                hint,
                usual,
                choices,
                (n, text, complaints) -> of.apply(reader.read(n, text, complaints)),
                show.compose(back));
    }

    /** Per cent as typed, a share as meant. */
    public static FieldSpec<Double> share(FieldSpec<Double> percent) {
        return percent.as(p -> p / 100, s -> 100 * s);
    }

    /** What can be picked where nothing said is no choice of its own. */
    public List<Choice> named() {
        return choices.stream().filter(c -> !c.value().isEmpty()).toList();
    }

    /** What a text means in it. */
    public T read(String text, FieldErrors complaints) {
        return reader.read(name, text, complaints);
    }

    /** How a value stands in it. */
    public String shown(T value) {
        return show.apply(value);
    }

    /** Its label in a line of text, without unit and explanation. */
    public String word() {
        String word = label.split("[,;:]")[0];
        return Character.isLowerCase(word.charAt(1)) ? Character.toLowerCase(word.charAt(0)) + word.substring(1) : word;
    }

    /** The names of fields, in order. */
    public static List<String> names(List<FieldSpec<?>> fields) {
        return fields.stream().map(FieldSpec::name).toList();
    }

    /** Several lists one behind the other. */
    @SafeVarargs
    public static List<FieldSpec<?>> all(List<FieldSpec<?>>... lists) {
        List<FieldSpec<?>> all = new ArrayList<>();
        Arrays.stream(lists).forEach(all::addAll);
        return List.copyOf(all);
    }
}
