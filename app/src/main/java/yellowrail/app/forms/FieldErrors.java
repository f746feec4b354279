package yellowrail.app.forms;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import yellowrail.core.idle.Slip;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.MeterText;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Understanding;

/** Reads typed fields and keeps, for each field, the sentence about what was not understood. */
public final class FieldErrors {
    /**
     * A sentence at a field, with texts that would settle it.
     *
     * @param asked whether the value was understood and is only unusual: confirmed, it is taken
     * @param dangerous whether the value, if it is real, asks for power off
     * @param right what the field of confirmations holds once the value is confirmed; empty where it is not asked for there
     */
    public record Complaint(String sentence, List<String> choices, boolean asked, boolean dangerous, String right) {
        public Complaint(String sentence, List<String> choices, boolean asked, boolean dangerous) {
            this(sentence, choices, asked, dangerous, "");
        }
    }

    /** What is said of a number, a list or anything else sent where a text belongs. */
    public static final String TEXT_TAKEN =
            "A text is taken here, in quotation marks, as in \"4.2 k\"; what was sent is a number, a list, an object, or"
                    + " true or false.";

    /** The same where a list of texts belongs. */
    public static final String TEXTS_TAKEN =
            "A list of texts is taken here, as in [\"V1\", \"V2\"]; what was sent is none.";

    private final Map<String, Complaint> byField = new LinkedHashMap<>();
    private final Map<String, Typed> understood = new LinkedHashMap<>();

    /** The value of a quantity, if it was understood. */
    public Optional<Typed> quantity(String name, String text, Field field) {
        Understanding made = MeterText.understand(text, field);
        made.complaint().ifPresent(sentence -> byField.put(name, new Complaint(sentence, choices(made), false, false)));
        made.value().ifPresent(typed -> understood.put(name, typed));
        return made.value();
    }

    /**
     * The value of a quantity that lies within the field's range; outside it the sentence says the range and what was
     * understood.
     *
     * @param typed all that stands in the field, of which the text may be a part
     */
    public Optional<Typed> ranged(String name, String text, String typed, Field field) {
        return quantity(name, text, field).filter(read -> {
            boolean within = field.within(read.value());
            if (!within) {
                add(
                        name,
                        range(field) + "; “" + shorten(typed) + "” was understood as "
                                + Show.siPlain(read.value(), field.unit(), 4) + ".");
            }
            return within;
        });
    }

    private static String range(Field field) {
        String high = Show.siPlain(field.high(), field.unit(), 4);
        String low = field.sign() == Field.Sign.EITHER
                ? "−" + high
                : Show.siPlain(field.sign() == Field.Sign.ABOVE_ZERO ? field.low() : 0, field.unit(), 4);
        return Character.toUpperCase(field.name().charAt(0)) + field.name().substring(1) + ": " + low + " to " + high
                + " is taken here";
    }

    private static List<String> choices(Understanding made) {
        return made instanceof Understanding.Ask ask
                ? ask.choices().stream().map(Typed::echo).toList()
                : List.of();
    }

    /** A whole number within limits, or the fallback when blank. */
    public int count(String name, String text, int low, int high, int fallback) {
        if (text == null || text.isBlank()) {
            return fallback;
        }
        OptionalInt value = wholeNumber(text);
        if (value.isEmpty() || value.getAsInt() < low || value.getAsInt() > high) {
            add(name, "“" + shorten(text) + "” is not a whole number from " + low + " to " + high + ".");
            return fallback;
        }
        return value.getAsInt();
    }

    private static OptionalInt wholeNumber(String text) {
        return text.strip().matches("\\d{1,6}") ? OptionalInt.of(Integer.parseInt(text.strip())) : OptionalInt.empty();
    }

    /** One of an enumeration's words, or the fallback when blank. */
    public <T> T pick(String name, String text, Map<String, T> words, T fallback) {
        if (text == null || text.isBlank()) {
            return fallback;
        }
        T picked = words.get(text.strip());
        if (picked == null) {
            add(
                    name,
                    "“" + shorten(text) + "” is none of " + String.join(", ", words.keySet()) + ".",
                    List.copyOf(words.keySet()));
            return fallback;
        }
        return picked;
    }

    /** Yes, no, or not asked when blank; any other word is refused. */
    public Optional<Boolean> yesNo(String name, String text) {
        return Optional.ofNullable(pick(name, text, Words.YES_NO, null));
    }

    /** Whether it was answered yes; blank is no, any other word is refused. */
    public boolean yes(String name, String text) {
        return yesNo(name, text).orElse(false);
    }

    /** A figure that counts only beside a pick: without it, it is refused instead of ignored. */
    public void counts(String name, String text, boolean does, String when) {
        if (!does && text != null && !text.isBlank()) {
            add(name, "“" + shorten(text) + "” counts only " + when + ": remove it, or change that pick.");
        }
    }

    /** The same of a field's answer. */
    void counts(FieldSpec<?> field, CheckForm form, boolean does, String when) {
        counts(field.name(), form.text(field), does, when);
    }

    public void add(String name, String sentence) {
        add(name, sentence, List.of());
    }

    /** @param choices texts that would settle it */
    public void add(String name, String sentence, List<String> choices) {
        byField.putIfAbsent(name, new Complaint(sentence, choices, false, false));
    }

    /** A question about a value that was understood and is unusual; it yields to anything that was not understood. */
    public void ask(String name, Slip slip) {
        byField.putIfAbsent(
                name,
                new Complaint(
                        slip.question(),
                        slip.choices().stream().map(Typed::echo).toList(),
                        true,
                        slip.dangerous()));
    }

    /**
     * A question about a value that was understood and is unusual, which one press confirms.
     *
     * @param text as it is typed
     * @param before what was confirmed so far
     */
    public void askUnusual(String name, String sentence, String text, Confirmed before) {
        ask(name, new Complaint(sentence, List.of(), true, false, before.with(name, text)));
    }

    /** The same question at another field. */
    public void ask(String name, Complaint question) {
        byField.putIfAbsent(name, question);
    }

    /** Whether something was not understood, questions about unusual values left out. */
    public boolean refused() {
        return byField.values().stream().anyMatch(c -> !c.asked());
    }

    /** The questions about unusual values, by field. */
    public Map<String, Complaint> questions() {
        Map<String, Complaint> asked = new LinkedHashMap<>();
        byField.forEach((name, c) -> {
            if (c.asked()) {
                asked.put(name, c);
            }
        });
        return asked;
    }

    public boolean any() {
        return !byField.isEmpty();
    }

    public boolean has(String name) {
        return byField.containsKey(name);
    }

    public Map<String, Complaint> byField() {
        return byField;
    }

    /** How each typed quantity was understood, by field. */
    public Map<String, Typed> understood() {
        return understood;
    }

    public static String shorten(String text) {
        return text.length() <= 40 ? text : text.substring(0, 37) + "…";
    }

    /** What a value refused of itself, as a sentence. */
    public static String sentence(IllegalArgumentException refused) {
        String text = refused.getMessage();
        return Character.toUpperCase(text.charAt(0)) + text.substring(1) + ".";
    }
}
