package yellowrail.app.text;

import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.deser.std.StdScalarDeserializer;
import tools.jackson.databind.module.SimpleModule;

/** Texts of JSON, sent or stored, without what cannot be stored, printed or shown; what is no text is none. */
public final class CleanStrings extends StdScalarDeserializer<String> {
    private CleanStrings() {
        super(String.class);
    }

    public static SimpleModule module() {
        return new SimpleModule("clean strings").addDeserializer(String.class, new CleanStrings());
    }

    @Override
    public String deserialize(JsonParser parser, DeserializationContext context) {
        return parser.currentToken() == JsonToken.VALUE_STRING
                ? CleanText.of(parser.getString())
                : (String) context.handleUnexpectedToken(String.class, parser);
    }
}
