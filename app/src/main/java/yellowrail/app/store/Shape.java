package yellowrail.app.store;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.function.UnaryOperator;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import yellowrail.app.json.CleanStrings;
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
import yellowrail.core.session.Event;

/**
 * One kind of stored document in its present version, and how each earlier version becomes it. A document says its version;
 * one of the first does not. Reading is strict both ways: a document with a figure that the present version does not have, or
 * without one that it has, is refused, so that a renamed component needs an upgrade and never loses what was stored.
 *
 * @param <T> what a document is read as
 */
public final class Shape<T> {
    /** The property a document says its version in. */
    static final String VERSION = "shape";

    /** The document was stored by a later version of the application. */
    public static class StoredByLater extends RuntimeException {
        StoredByLater(String name, int version) {
            super("Stored by a later version of Yellow Rail (" + name + " in version " + version + ").");
        }
    }

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

    private static final JsonMapper MAPPER = JsonMapper.builder()
            .addMixIn(SensingMethod.class, MethodByName.class)
            .addMixIn(Event.class, EventByName.class)
            .addModule(CleanStrings.module())
            .enable(MapperFeature.SORT_PROPERTIES_ALPHABETICALLY)
            .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
            .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .enable(DeserializationFeature.FAIL_ON_MISSING_CREATOR_PROPERTIES)
            .build();

    private final String name;
    private final Class<T> type;
    private final List<UnaryOperator<ObjectNode>> upgrades;

    /** @param upgrades from the first version to the second, from that to the third, and so on */
    @SafeVarargs
    Shape(String name, Class<T> type, UnaryOperator<ObjectNode>... upgrades) {
        this.name = name;
        this.type = type;
        this.upgrades = List.of(upgrades);
    }

    public String name() {
        return name;
    }

    Class<T> type() {
        return type;
    }

    /** The present version, 1 or above. */
    int version() {
        return upgrades.size() + 1;
    }

    /** The document that is stored for a value. */
    public String write(T value) {
        ObjectNode document =
                (ObjectNode) MAPPER.readTree(MAPPER.writerFor(type).writeValueAsString(value));
        return document.put(VERSION, version()).toString();
    }

    /**
     * The value of a stored document of any version.
     *
     * @throws StoredByLater when the document's version is above the present one
     */
    public T read(String stored) {
        ObjectNode document = (ObjectNode) MAPPER.readTree(stored);
        var said = document.get(VERSION);
        int version = said != null && said.isInt() ? said.asInt() : 1;
        if (version > version()) {
            throw new StoredByLater(name, version);
        }
        if (version > 1) {
            document.remove(VERSION);
        }
        for (UnaryOperator<ObjectNode> upgrade : upgrades.subList(version - 1, upgrades.size())) {
            document = upgrade.apply(document);
        }
        return MAPPER.treeToValue(document, type);
    }

    /** A stored document of any version as it would be stored today, to be compared with another. */
    public String same(String stored) {
        return write(read(stored));
    }

    /** A short name for the document of a value: the first 16 hex digits of its SHA-256. */
    public String hash(T value) {
        try {
            byte[] digest =
                    MessageDigest.getInstance("SHA-256").digest(write(value).getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest, 0, 8);
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    @Override
    public String toString() {
        return name + " in version " + version();
    }
}
