package yellowrail.app.text;

import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.deser.std.StdScalarDeserializer;
import tools.jackson.databind.module.SimpleModule;

/** Texts of JSON, sent or stored, without what cannot be stored, printed or shown. */
public final class CleanStrings extends StdScalarDeserializer<String> {
    private CleanStrings() {
        super(String.class);
    }

    public static SimpleModule module() {
        return new SimpleModule("clean strings").addDeserializer(String.class, new CleanStrings());
    }

    @Override
    public String deserialize(JsonParser parser, DeserializationContext context) {
        String text = parser.getValueAsString();
        return text == null ? (String) context.handleUnexpectedToken(String.class, parser) : CleanText.of(text);
    }
}
