package yellowrail.app.amps;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.Map;
import java.util.Optional;
import yellowrail.app.forms.FieldErrors;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Typed;

/** What the parts of a description have in common when they are read from a form, and written into one. */
record PartReader(AmpForm form, FieldErrors complaints) {
    Optional<Double> value(String field, Field expected) {
        return value(field, form.text(field), expected);
    }

    Optional<Double> value(String field, String text, Field expected) {
        return complaints.quantity(field, text, expected).map(Typed::value);
    }

    <T> T pick(String field, Map<String, T> words, T usual) {
        return complaints.pick(field, form.text(field), words, usual);
    }

    static <T> String word(Map<String, T> words, T value) {
        return words.entrySet().stream()
                .filter(e -> e.getValue().equals(value))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElseThrow();
    }

    static String number(Optional<Double> value) {
        return value.map(PartReader::number).orElse("");
    }

    static String number(double value) {
        return BigDecimal.valueOf(value)
                .round(new MathContext(6))
                .stripTrailingZeros()
                .toPlainString();
    }
}
