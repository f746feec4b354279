package yellowrail.app.forms;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import yellowrail.core.amp.sensing.Parameter;
import yellowrail.core.amp.sensing.Ways;

/** What is typed for the ways of taking current, by the names of their parameters. */
public final class SensingTexts {
    private SensingTexts() {}

    /** The names of the fields, in the order they are asked. */
    public static List<String> names() {
        return Ways.parameters().stream().map(Parameter::name).toList();
    }

    /** Those a request holds. */
    public static Map<String, String> from(UnaryOperator<String> parameter) {
        Map<String, String> texts = new LinkedHashMap<>();
        for (String name : names()) {
            String text = parameter.apply(name);
            if (text != null) {
                texts.put(name, text);
            }
        }
        return texts;
    }

    /** A form's texts, never null; JSON may hold nulls. */
    public static Map<String, String> of(Map<String, String> sent) {
        Map<String, String> texts = new LinkedHashMap<>();
        if (sent != null) {
            sent.forEach((name, text) -> texts.put(name, text == null ? "" : text));
        }
        return texts;
    }

    /**
     * Names that the form does not have, sent as JSON where these texts stand, are refused like any unknown field.
     *
     * @param fields the names that are known
     */
    public static void refuseUnknown(Map<String, String> texts, List<String> fields, FieldErrors complaints) {
        for (String name : texts.keySet()) {
            if (!fields.contains(name)) {
                List<String> known = fields.stream().sorted().toList();
                complaints.add(
                        name,
                        "There is no field called “" + FieldErrors.shorten(name) + "”; known are "
                                + String.join(", ", known) + ".",
                        known);
            }
        }
    }
}
