package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import yellowrail.core.amp.BiasScheme;

/**
 * A field of an entry, and the only place where it exists.
 *
 * @param name under which it is sent
 * @param label what it says
 * @param longest how much it holds
 * @param words what it can be; empty for a text
 * @param reader what it means
 */
public record EntryField<T>(
        String name, String label, Longest longest, Supplier<List<String>> words, Function<Said, T> reader) {
    /** How much a text holds. */
    public enum Longest {
        NAME,
        SENTENCE,
        NOTE
    }

    /** What was sent in it, as it is meant. */
    T of(Said said) {
        return reader.apply(said);
    }

    static EntryField<String> name(String name, String label) {
        return text(name, label, Longest.NAME);
    }

    static EntryField<String> sentence(String name, String label) {
        return text(name, label, Longest.SENTENCE);
    }

    static EntryField<String> note(String name, String label) {
        return text(name, label, Longest.NOTE);
    }

    /** A reading as typed: what it means hangs on its quantity and point. */
    static EntryField<String> reading(String name, String label) {
        return text(name, label, Longest.SENTENCE);
    }

    private static EntryField<String> text(String name, String label, Longest longest) {
        return new EntryField<>(name, label, longest, List::of, s -> s.text(name));
    }

    static <E extends Enum<E>> EntryField<E> one(String name, String label, Class<E> type) {
        return one(name, label, () -> List.of(type.getEnumConstants()), Enum::name);
    }

    /** @param values what it can be, asked for when it is needed */
    static <E> EntryField<E> one(String name, String label, Supplier<List<E>> values, Function<E, String> word) {
        return new EntryField<>(
                name,
                label,
                Longest.SENTENCE,
                () -> values.get().stream().map(word).toList(),
                s -> s.one(name, values.get(), word));
    }

    /** One of these, or not said. */
    static <E extends Enum<E>> EntryField<Optional<E>> maybe(String name, String label, Class<E> type) {
        EntryField<E> one = one(name, label, type);
        return new EntryField<>(
                name,
                label,
                Longest.SENTENCE,
                one.words(),
                s -> s.text(name).isEmpty() ? Optional.empty() : Optional.of(one.of(s)));
    }

    /** Yes, no, or not said. */
    static EntryField<Optional<Boolean>> yesNo(String name, String label) {
        return new EntryField<>(name, label, Longest.SENTENCE, EntryField::yesAndNo, s -> s.yesNo(name));
    }

    /** Yes or no, which has to be said. */
    static EntryField<Boolean> yesOrNo(String name, String label) {
        return new EntryField<>(name, label, Longest.SENTENCE, EntryField::yesAndNo, s -> s.yesOrNo(name));
    }

    private static List<String> yesAndNo() {
        return List.of("yes", "no");
    }

    static EntryField<BiasScheme> bias(String name, String label) {
        return new EntryField<>(
                name, label, Longest.SENTENCE, () -> List.of("tracking", "constant"), s -> s.bias(name));
    }

    /** Ohms parted by blanks or semicolons, at most so many. */
    static EntryField<List<Double>> ohms(String name, String label, int most) {
        return new EntryField<>(name, label, Longest.NOTE, List::of, s -> s.ohms(name, most));
    }
}
