package yellowrail.app.amps;

import static yellowrail.app.forms.CheckForm.or;

import java.math.BigDecimal;
import java.math.MathContext;
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
