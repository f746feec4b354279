package yellowrail.app.forms;

import io.swagger.v3.oas.models.media.StringSchema;
import java.util.List;
import java.util.stream.Stream;

/** How a field is described where the JSON interface is. */
public final class FieldSchema {
    private FieldSchema() {}

    public static StringSchema of(FieldSpec<?> field) {
        return of(field, field.choices().stream().map(FieldSpec.Choice::value).toList());
    }

    /** The same of a field whose blank stands for what is usual. */
    public static StringSchema orBlank(FieldSpec<?> field) {
        return of(
                field,
                field.choices().isEmpty()
                        ? List.of()
                        : Stream.concat(Stream.of(""), field.named().stream().map(FieldSpec.Choice::value))
                                .toList());
    }

    private static StringSchema of(FieldSpec<?> field, List<String> words) {
        StringSchema text = new StringSchema();
        text.setDescription(field.label());
        if (!words.isEmpty()) {
            text.setEnum(words);
        }
        if (!field.usual().isEmpty()) {
            text.setDefault(field.usual());
        }
        return text;
    }
}
