package yellowrail.app.amps;

import static yellowrail.app.forms.CheckForm.or;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import java.util.Optional;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSpec;
import yellowrail.core.reading.Field;

/** What the parts of a description have in common when they are read from a form, and written into one. */
record PartReader(AmpForm form, FieldErrors complaints) {
    /** A field's answer; a blank is the usual one. */
    <T> T read(FieldSpec<T> field) {
        return field.read(or(form.text(field.name()), field.usual()), complaints);
    }

    /** The answer for one of those that the field is asked for. */
    <T> T read(FieldSpec<T> field, int index) {
        return field.reader().read(at(field, index), or(form.at(field.name(), index), field.usual()), complaints);
    }

    /**
     * What is asked for each of several counts only beside that one: more texts than there are are refused.
     *
     * @param what it would be asked of
     */
    void noneBeyond(List<FieldSpec<?>> fields, int count, String what) {
        for (FieldSpec<?> field : fields) {
            List<String> texts = form.list(field.name());
            for (int i = count; i < texts.size(); i++) {
                beside(field, i, what);
            }
        }
    }

    /** A text that stands beside nothing is refused; a pick is made by the form itself and says nothing alone. */
    void beside(FieldSpec<?> field, int index, String what) {
        String text = form.at(field.name(), index);
        if (!text.isBlank() && field.choices().isEmpty()) {
            complaints.add(
                    at(field, index),
                    "“" + FieldErrors.shorten(text) + "” stands beside no " + what + ": name one, or remove it.");
        }
    }

    /** Where a sentence about one of them stands. */
    static String at(FieldSpec<?> field, int index) {
        return field.name() + index;
    }

    /** A quantity without its unit, which the label says. */
    static FieldSpec<Optional<Double>> quantity(String name, String label, String hint, Field field) {
        return FieldSpec.quantity(name, label, hint, field)
                .showing(value -> value.map(PartReader::number).orElse(""));
    }

    static String number(double value) {
        return BigDecimal.valueOf(value)
                .round(new MathContext(6))
                .stripTrailingZeros()
                .toPlainString();
    }
}
