package yellowrail.core.amp.sensing;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.reading.Typed;

/** The parameters of a described method as they would be typed, by name: given again they make the same method. */
final class Described {
    /** Hides what binary fractions add and gives every typed figure back. */
    private static final MathContext AS_TYPED = new MathContext(12);

    private final Map<String, String> texts = new LinkedHashMap<>();

    Described number(Parameter parameter, double value) {
        texts.put(parameter.name(), digits(value));
        return this;
    }

    /** A value in the base unit, typed in thousandths of it with its symbol. */
    Described milli(Parameter parameter, double value, String symbol) {
        if (value != 0) {
            texts.put(parameter.name(), digits(1000 * value) + " m" + symbol);
        }
        return this;
    }

    Described typed(Parameter parameter, Typed value) {
        texts.put(parameter.name(), value.raw());
        return this;
    }

    Described numberOf(Parameter parameter, Optional<Double> value) {
        value.ifPresent(v -> number(parameter, v));
        return this;
    }

    Described yes(Parameter parameter, boolean yes) {
        if (yes) {
            texts.put(parameter.name(), "yes");
        }
        return this;
    }

    Described resistor(SenseResistor resistor) {
        number(ResistorParameters.MARKED, resistor.markedOhms());
        number(ResistorParameters.TOLERANCE, resistor.tolerancePercent());
        resistor.measured().ifPresent(m -> typed(ResistorParameters.MEASURED, m));
        return yes(ResistorParameters.INSIST, resistor.insist());
    }

    Described tubes(int tubes) {
        texts.put(ResistorParameters.TUBES.name(), String.valueOf(tubes));
        return this;
    }

    Map<String, String> texts() {
        return texts;
    }

    private static String digits(double value) {
        return BigDecimal.valueOf(value).round(AS_TYPED).stripTrailingZeros().toPlainString();
    }
}
