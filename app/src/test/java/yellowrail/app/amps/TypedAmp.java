package yellowrail.app.amps;

import java.util.List;
import java.util.Map;

/** An amp's form with other texts in some of its fields. */
public final class TypedAmp {
    private TypedAmp() {}

    /**
     * @param changed texts and lists by the names of their fields; under “sensing” a map of all that is typed for the way of
     *     taking current
     */
    @SuppressWarnings("unchecked")
    public static AmpForm with(AmpForm form, Map<String, Object> changed) {
        for (Map.Entry<String, Object> field : changed.entrySet()) {
            Object value = field.getValue();
            form = value instanceof Map
                    ? form.sensing((Map<String, String>) value)
                    : value instanceof List
                            ? form.with(field.getKey(), (List<String>) value)
                            : form.with(field.getKey(), (String) value);
        }
        return form;
    }
}
