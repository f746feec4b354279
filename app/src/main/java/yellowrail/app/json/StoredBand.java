package yellowrail.app.json;

import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ValueDeserializer;
import yellowrail.core.reading.Band;

/**
 * A band as stored. Where there is one now, sheets issued before held one number, or an estimate whose errors went beside
 * it: they are read as that number.
 */
final class StoredBand extends ValueDeserializer<Band> {
    @Override
    public Band deserialize(JsonParser parser, DeserializationContext context) {
        JsonNode stored = context.readTree(parser);
        if (stored.isNumber()) {
            return Band.exactly(stored.asDouble());
        }
        return stored.has("value")
                ? Band.exactly(stored.get("value").asDouble())
                : new Band(
                        stored.get("low").asDouble(),
                        stored.get("mid").asDouble(),
                        stored.get("high").asDouble());
    }
}
