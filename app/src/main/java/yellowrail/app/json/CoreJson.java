package yellowrail.app.json;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;
import yellowrail.core.amp.CathodeResistor;
import yellowrail.core.amp.CombinedPoint;
import yellowrail.core.amp.DirectMilliamps;
import yellowrail.core.amp.GridVoltsOnly;
import yellowrail.core.amp.HalfPrimary;
import yellowrail.core.amp.OwnResistor;
import yellowrail.core.amp.PanelMeter;
import yellowrail.core.amp.SensingMethod;
import yellowrail.core.amp.SharedResistor;
import yellowrail.core.amp.SocketAdaptor;
import yellowrail.core.amp.SupplyResistor;
import yellowrail.core.reading.Band;
import yellowrail.core.session.Event;

/** The core's records as JSON, for the columns that hold a whole description. */
@Component
public class CoreJson {
    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "method")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = OwnResistor.class, name = "own"),
        @JsonSubTypes.Type(value = SocketAdaptor.class, name = "adaptor"),
        @JsonSubTypes.Type(value = SharedResistor.class, name = "shared"),
        @JsonSubTypes.Type(value = CombinedPoint.class, name = "combined"),
        @JsonSubTypes.Type(value = CathodeResistor.class, name = "cathode"),
        @JsonSubTypes.Type(value = HalfPrimary.class, name = "half"),
        @JsonSubTypes.Type(value = DirectMilliamps.class, name = "ma"),
        @JsonSubTypes.Type(value = PanelMeter.class, name = "panel"),
        @JsonSubTypes.Type(value = SupplyResistor.class, name = "supply"),
        @JsonSubTypes.Type(value = GridVoltsOnly.class, name = "grid")
    })
    private interface MethodByName {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.SIMPLE_NAME, property = "event")
    private interface EventByName {}

    private final JsonMapper mapper = JsonMapper.builder()
            .addMixIn(SensingMethod.class, MethodByName.class)
            .addMixIn(Event.class, EventByName.class)
            .addModule(CleanStrings.module())
            .addModule(new SimpleModule().addDeserializer(Band.class, new StoredBand()))
            .enable(MapperFeature.SORT_PROPERTIES_ALPHABETICALLY)
            .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .build();

    public String write(Object value) {
        return mapper.writeValueAsString(value);
    }

    public <T> T read(String json, Class<T> type) {
        return mapper.readValue(json, type);
    }

    public <T> T read(String json, TypeReference<T> type) {
        return mapper.readValue(json, type);
    }

    /** Whether stored JSON is what this value would be stored as. */
    public <T> boolean holds(String stored, T value, Class<T> type) {
        return write(read(stored, type)).equals(write(value));
    }

    /** An event of a session with the name of its kind in it. */
    public String writeEvent(Event event) {
        return mapper.writerFor(Event.class).writeValueAsString(event);
    }

    public Event readEvent(String json) {
        return mapper.readValue(json, Event.class);
    }

    /** A short name for some content: the first 16 hex digits of its SHA-256. */
    public static String hash(String content) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(content.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest, 0, 8);
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
    }
}
