package yellowrail.app.amps;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import io.swagger.v3.oas.models.media.ArraySchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import yellowrail.app.forms.SensingTexts;
import yellowrail.core.amp.sensing.Parameter;
import yellowrail.core.amp.sensing.Ways;

/**
 * An amp's description as typed: a text for each field, or a list of texts with one for each socket, point or node. Blank is
 * not known. Which fields there are say the parts of the description.
 */
public final class AmpForm {
    /** Every field, part by part, but for what the ways of taking current ask for. */
    static final List<AmpField> FIELDS = Stream.of(
                    List.of(AmpField.text("name", "Name, 1 to 60 characters")),
                    StagePart.FIELDS,
                    BiasPart.FIELDS,
                    SensingPart.FIELDS,
                    SupplyPart.FIELDS,
                    OutputPart.FIELDS,
                    JudgingPart.FIELDS,
                    List.of(AmpField.text("quirks", "What to know before the first reading")))
            .flatMap(List::stream)
            .toList();

    private static final List<String> NAMES =
            Stream.concat(FIELDS.stream().map(AmpField::name), sensingNames()).toList();

    private final Map<String, String> texts = new LinkedHashMap<>();
    private final Map<String, List<String>> lists = new LinkedHashMap<>();

    private AmpForm() {
        for (AmpField field : FIELDS) {
            if (field.each()) {
                lists.put(field.name(), List.of());
            } else {
                texts.put(field.name(), "");
            }
        }
    }

    private static Stream<String> sensingNames() {
        return Ways.kept().stream()
                .flatMap(w -> w.parameters().stream())
                .filter(p -> p.kind() == Parameter.Kind.QUANTITY || p.kind() == Parameter.Kind.TICK)
                .map(Parameter::name)
                .distinct();
    }

    /** Nothing typed. */
    static AmpForm blank() {
        return new AmpForm();
    }

    /**
     * As sent in JSON: texts and numbers, lists of them, nothing deeper. A name that is no field is kept, for the reader to
     * refuse it.
     */
    @JsonCreator
    public static AmpForm sent(Map<String, Object> sent) {
        AmpForm form = new AmpForm();
        sent.forEach((name, value) -> {
            if (form.lists.containsKey(name)) {
                form.lists.put(name, value == null ? List.of() : listed(name, value));
            } else {
                form.texts.put(name, scalar(name, value));
            }
        });
        return form;
    }

    private static List<String> listed(String name, Object value) {
        if (!(value instanceof List<?> list)) {
            throw new IllegalArgumentException(name + " is a list, one text for each");
        }
        return list.stream().map(v -> scalar(name, v)).toList();
    }

    private static String scalar(String name, Object value) {
        if (value instanceof Map || value instanceof List) {
            throw new IllegalArgumentException(name + " is one text");
        }
        return value == null ? "" : value.toString();
    }

    /** As a page sends it; parameters that are no field of an amp belong to the page. */
    static AmpForm of(Map<String, String[]> parameters) {
        AmpForm form = new AmpForm();
        parameters.forEach((name, values) -> {
            if (form.lists.containsKey(name)) {
                form.lists.put(name, List.copyOf(Arrays.asList(values)));
            } else if (form.texts.containsKey(name)) {
                form.texts.put(name, values[0]);
            }
        });
        form.texts.putAll(
                SensingTexts.from(n -> parameters.containsKey(n) ? parameters.get(n)[0] : null));
        // Measured at each point, these have a list of their own.
        Ways.parameters().stream()
                .filter(p -> p.kind() == Parameter.Kind.QUANTITY_OF_POINT)
                .forEach(p -> form.texts.remove(p.name()));
        return form;
    }

    /** What goes out as JSON: every field by its name. */
    @JsonValue
    Map<String, Object> all() {
        Map<String, Object> all = new LinkedHashMap<>(texts);
        all.putAll(lists);
        return all;
    }

    /** How each field is described where the JSON interface is. */
    public static Map<String, Schema<?>> fields() {
        Map<String, Schema<?>> fields = new LinkedHashMap<>();
        for (AmpField field : FIELDS) {
            StringSchema text = new StringSchema();
            if (!field.words().isEmpty()) {
                text.setEnum(field.words());
            }
            Schema<?> schema = field.each() ? new ArraySchema().items(text) : text;
            schema.setDescription(field.means());
            fields.put(field.name(), schema);
        }
        return fields;
    }

    /**
     * The names of the fields, in order. What only one check is asked is none of them, nor how many tubes stand behind a point:
     * the sockets tell it.
     */
    public static List<String> names() {
        return NAMES;
    }

    /** What is typed in the field of this name; blank where nothing is. */
    public String text(String name) {
        return texts.getOrDefault(name, "");
    }

    /** What is typed in a field with one text for each. */
    public List<String> list(String name) {
        return lists.get(name);
    }

    /** One text of a list; blank beyond its end. */
    public String at(String name, int index) {
        List<String> list = list(name);
        return index < list.size() ? list.get(index) : "";
    }

    /** What is typed for the way of taking current, and whatever else is no field of an amp. */
    public Map<String, String> sensing() {
        Map<String, String> sensing = new LinkedHashMap<>(texts);
        FIELDS.forEach(f -> sensing.remove(f.name()));
        return sensing;
    }

    /** The same with another text in one field. */
    public AmpForm with(String name, String text) {
        AmpForm changed = copy();
        changed.texts.put(name, text);
        return changed;
    }

    /** The same with other texts in one field. */
    public AmpForm with(String name, List<String> list) {
        if (!lists.containsKey(name)) {
            throw new IllegalArgumentException("“" + name + "” is no list");
        }
        AmpForm changed = copy();
        changed.lists.put(name, List.copyOf(list));
        return changed;
    }

    /** The same with these texts for the way of taking current, and no others. */
    public AmpForm sensing(Map<String, String> sensing) {
        AmpForm changed = copy();
        sensing().keySet().forEach(changed.texts::remove);
        changed.texts.putAll(sensing);
        return changed;
    }

    private AmpForm copy() {
        AmpForm copy = new AmpForm();
        copy.texts.putAll(texts);
        copy.lists.putAll(lists);
        return copy;
    }
}
