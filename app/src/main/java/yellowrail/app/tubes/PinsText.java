package yellowrail.app.tubes;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import yellowrail.app.forms.Answers;
import yellowrail.app.forms.FieldErrors;
import yellowrail.core.tube.Base;
import yellowrail.core.tube.PinFunction;
import yellowrail.core.tube.Pinout;

/** A base with its pins as typed: {@code 2 heater, 3 plate}; a pin that is left out is not known. */
final class PinsText {
    static final Map<String, Base> BASES = words(Base.values());
    static final Map<String, PinFunction> FUNCTIONS = words(PinFunction.values());

    private PinsText() {}

    private static <T extends Enum<T>> Map<String, T> words(T[] values) {
        Map<String, T> words = new LinkedHashMap<>();
        for (T value : values) {
            words.put(word(value), value);
        }
        return words;
    }

    static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT);
    }

    static String of(Pinout pinout) {
        return pinout.pins().entrySet().stream()
                .map(e -> e.getKey() + " " + word(e.getValue()))
                .collect(Collectors.joining(", "));
    }

    /**
     * @param before what stands in the catalogue already: its basing, note and mark go on while nothing is changed
     * @return empty where no base is named, or with a sentence at its field
     */
    static Optional<Pinout> read(Answers form, Optional<Pinout> before, FieldErrors complaints) {
        Base base = form.read(TypeFields.BASE, complaints).orElse(null);
        PinFunction cap = form.read(TypeFields.CAP, complaints).orElse(null);
        Map<Integer, PinFunction> pins = new TreeMap<>();
        String text = form.text(TypeFields.PINS);
        complaints.counts("pins", text, base != null, "with a base");
        complaints.counts("cap", form.text(TypeFields.CAP), base != null, "with a base");
        for (String part : Arrays.stream(text.split("[,;]")).map(String::strip).toList()) {
            if (!part.isEmpty() && base != null && !put(part, base, pins)) {
                complaints.add(
                        "pins",
                        "“" + FieldErrors.shorten(part) + "” was not understood. Write each pin once, 1 to "
                                + base.pins() + ", with one of " + String.join(", ", FUNCTIONS.keySet())
                                + ": 2 heater, 3 plate.");
            }
        }
        if (base == null) {
            return Optional.empty();
        }
        Pinout typed = new Pinout(base, "", pins, Optional.ofNullable(cap), false, "");
        return before.filter(b -> b.base() == base
                        && b.pins().equals(typed.pins())
                        && b.cap().equals(typed.cap()))
                .or(() -> Optional.of(typed));
    }

    private static boolean put(String part, Base base, Map<Integer, PinFunction> pins) {
        String[] words = part.split("\\s+", 2);
        PinFunction function = words.length == 2 ? FUNCTIONS.get(words[1].toLowerCase(Locale.ROOT)) : null;
        boolean number = words[0].matches("\\d{1,2}");
        int pin = number ? Integer.parseInt(words[0]) : 0;
        return function != null && pin >= 1 && pin <= base.pins() && pins.put(pin, function) == null;
    }
}
