package yellowrail.app.amps;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import io.swagger.v3.oas.models.media.ArraySchema;
import io.swagger.v3.oas.models.media.ObjectSchema;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import yellowrail.app.forms.CheckFields;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSchema;
import yellowrail.app.forms.FieldSpec;
import yellowrail.core.amp.sensing.Parameter;
import yellowrail.core.amp.sensing.Ways;

/**
 * An amp's description as typed: a text for each field, or a list of texts with one for each socket, point or node. Blank is
 * not known. Which fields there are say the parts of the description.
 */
public final class AmpForm {
    static final FieldSpec<String> NAME = FieldSpec.plain("name", "Name").hinting("Bittern 50");
    static final FieldSpec<String> QUIRKS = FieldSpec.plain("quirks", "What to know before the first reading")
            .hinting("Plug in a lead, else it stays muted");

    /** Fields that are asked for each of several. */
    record Each(String of, List<FieldSpec<?>> fields) {}

    /** Every field that is asked once, part by part. */
    static final List<FieldSpec<?>> FIELDS = FieldSpec.all(
            List.of(NAME),
            StagePart.FIELDS,
            BiasPart.FIELDS,
            SensingPart.FIELDS,
            SupplyPart.FIELDS,
            OutputPart.FIELDS,
            JudgingPart.FIELDS,
            List.of(QUIRKS));

    private static final List<Each> EACH = List.of(
            new Each("socket, in measuring order", StagePart.OF_SOCKET),
            new Each("sense point, in their order", SensingPart.OF_POINT),
            new Each("node of the supply", SupplyPart.OF_NODE));

    /** What the ways of taking current ask for. */
    private static final List<FieldSpec<?>> SENSING = CheckFields.sensing(
            Ways.kept(), p -> p.kind() == Parameter.Kind.QUANTITY || p.kind() == Parameter.Kind.TICK);

    private static final List<FieldSpec<?>> LISTS =
            EACH.stream().flatMap(e -> e.fields().stream()).toList();

    private static final List<String> NAMES = FieldSpec.names(FieldSpec.all(FIELDS, LISTS, SENSING));

    private final Map<String, String> texts = new LinkedHashMap<>();
    private final Map<String, List<String>> lists = new LinkedHashMap<>();
    private final Map<String, String> noTexts = new LinkedHashMap<>();

    private AmpForm() {
        FIELDS.forEach(f -> texts.put(f.name(), ""));
        LISTS.forEach(f -> lists.put(f.name(), List.of()));
    }

    /** Nothing typed. */
    static AmpForm blank() {
        return new AmpForm();
    }

    /**
     * As sent in JSON: a text for each field, a list of texts where one is asked for each. What is none, and a name that is no
     * field, is kept for the reader to refuse by its name.
     */
    @JsonCreator
    public static AmpForm sent(Map<String, Object> sent) {
        AmpForm form = new AmpForm();
        sent.forEach((name, value) -> {
            boolean list = form.lists.containsKey(name);
            if (list && value instanceof List<?> texts && texts.stream().allMatch(AmpForm::text)) {
                form.lists.put(
                        name,
                        texts.stream().map(t -> t == null ? "" : (String) t).toList());
            } else if (!list && text(value)) {
                form.texts.put(name, value == null ? "" : (String) value);
            } else if (value != null) {
                form.noTexts.put(name, list ? FieldErrors.TEXTS_TAKEN : FieldErrors.TEXT_TAKEN);
            }
        });
        return form;
    }

    private static boolean text(Object value) {
        return value == null || value instanceof String;
    }

    /** What was sent that is no text, by the names of the fields, each with what is said of it. */
    Map<String, String> noTexts() {
        return noTexts;
    }

    /** As a page sends it; parameters that are no field of an amp belong to the page. */
    static AmpForm of(Map<String, String[]> parameters) {
        AmpForm form = new AmpForm();
        parameters.forEach((name, values) -> {
            if (form.lists.containsKey(name)) {
                form.lists.put(name, List.copyOf(Arrays.asList(values)));
            } else if (NAMES.contains(name)) {
                form.texts.put(name, values[0]);
            }
        });
        return form;
    }

    /** What goes out as JSON: every field by its name. */
    @JsonValue
    Map<String, Object> all() {
        Map<String, Object> all = new LinkedHashMap<>(texts);
        all.putAll(lists);
        return all;
    }

    /** The fields of a description that is sent, each with what it takes. */
    public static ObjectSchema schema() {
        ObjectSchema schema = new ObjectSchema();
        schema.setDescription(
                "An output stage as typed. Quantities are texts with or without a unit; blank means not known.");
        schema.setAdditionalProperties(false);
        FieldSpec.all(FIELDS, SENSING).forEach(f -> schema.addProperty(f.name(), FieldSchema.orBlank(f)));
        EACH.forEach(each -> each.fields()
                .forEach(f -> schema.addProperty(
                        f.name(),
                        new ArraySchema()
                                .items(FieldSchema.orBlank(f))
                                .description(f.label() + ", one for each " + each.of()))));
        return schema;
    }

    /** The fields by their names. */
    static Map<String, FieldSpec<?>> byName() {
        return FieldSpec.all(FIELDS, LISTS).stream().collect(Collectors.toMap(FieldSpec::name, f -> f));
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

    /** The same with a field's answer. */
    <T> AmpForm with(FieldSpec<T> field, T value) {
        return with(field.name(), field.shown(value));
    }

    /** The same with the answer for each. */
    <E, T> AmpForm with(FieldSpec<T> field, List<E> each, Function<E, T> of) {
        return with(field.name(), each.stream().map(of).map(field::shown).toList());
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
        copy.noTexts.putAll(noTexts);
        return copy;
    }
}
