package yellowrail.app.load;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.app.forms.FieldErrors;
import yellowrail.core.load.Speaker;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** A speaker described by its model, called A in the wiring. */
final class SpeakerFields {
    /** What stands for it in a wiring. */
    static final String NAME = "A";

    private static final Map<String, Field> FIELDS = new LinkedHashMap<>();

    static {
        FIELDS.put(
                "coilOhms",
                Field.of("the coil's resistance Re", Unit.OHM, Prefix.NONE, 0.5, 2000)
                        .aboveZero());
        FIELDS.put("coilHenries", Field.of("the coil's inductance Le", Unit.HENRY, Prefix.MILLI, 10e-6, 0.1));
        FIELDS.put(
                "eddyOhms",
                Field.of("the resistance beside Le", Unit.OHM, Prefix.NONE, 0.1, 1e5)
                        .aboveZero());
        FIELDS.put(
                "resonance",
                Field.of("the resonance", Unit.HERTZ, Prefix.NONE, 5, 5000).aboveZero());
        FIELDS.put(
                "peakOhms",
                Field.of("the peak at resonance", Unit.OHM, Prefix.NONE, 1, 1e4).aboveZero());
    }

    static final List<String> NAMES =
            List.of("coilOhms", "coilHenries", "eddyOhms", "resonance", "peakOhms", "quality");

    private SpeakerFields() {}

    /** The speaker, where all of it is typed; a sentence at what is missing where some of it is. */
    static Optional<Speaker> read(LoadForm form, FieldErrors complaints) {
        if (NAMES.stream().allMatch(form::blank)) {
            return Optional.empty();
        }
        Map<String, Double> values = new LinkedHashMap<>();
        for (String name : NAMES) {
            if (form.blank(name)) {
                complaints.add(name, "Speaker " + NAME + " needs all six figures: this one is missing.");
            } else if (name.equals("quality")) {
                quality(form.text(name), complaints).ifPresent(q -> values.put(name, q));
            } else {
                complaints
                        .quantity(name, form.text(name), FIELDS.get(name))
                        .map(Typed::value)
                        .ifPresent(v -> values.put(name, v));
            }
        }
        if (values.size() < NAMES.size()) {
            return Optional.empty();
        }
        try {
            return Optional.of(new Speaker.Modelled(
                    values.get("coilOhms"),
                    values.get("coilHenries"),
                    values.get("eddyOhms"),
                    values.get("resonance"),
                    values.get("peakOhms"),
                    values.get("quality")));
        } catch (IllegalArgumentException impossible) {
            complaints.add("coilOhms", "Speaker " + NAME + ": " + impossible.getMessage() + ".");
            return Optional.empty();
        }
    }

    private static Optional<Double> quality(String text, FieldErrors complaints) {
        String number = text.replace(',', '.');
        if (number.matches("\\d{1,3}(\\.\\d{1,4})?")) {
            return Optional.of(Double.parseDouble(number));
        }
        complaints.add(
                "quality", "The mechanical Q is a number from 0.2 to 50, not “" + FieldErrors.shorten(text) + "”.");
        return Optional.empty();
    }
}
