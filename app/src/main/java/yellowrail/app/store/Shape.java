package yellowrail.app.store;

import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.KeyDeserializer;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.annotation.JsonSerialize;
import tools.jackson.databind.deser.std.StdScalarDeserializer;
import tools.jackson.databind.exc.InvalidFormatException;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.jsontype.NamedType;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.databind.ser.std.StdScalarSerializer;
import tools.jackson.databind.ser.std.ToStringSerializer;
import tools.jackson.databind.util.StdConverter;
import yellowrail.app.text.CleanStrings;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.amp.sensing.Ways;
import yellowrail.core.session.Check;
import yellowrail.core.session.Event;
import yellowrail.core.session.Stop;
import yellowrail.core.session.events.Events;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.PublishedLimit;
import yellowrail.core.tube.PublishedLimits;
import yellowrail.core.tube.Ratings;

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
    private interface MethodByName {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.SIMPLE_NAME, property = "event")
    private interface EventByName {}

    /** Limits are of several kinds, which do not compare: they are ordered by their keys. */
    private static final class ByKey extends StdConverter<Map<PublishedLimit, Figure>, Map<String, Figure>> {
        @Override
        public Map<String, Figure> convert(Map<PublishedLimit, Figure> figures) {
            Map<String, Figure> byKey = new TreeMap<>();
            figures.forEach((limit, figure) -> byKey.put(limit.printed().key(), figure));
            return byKey;
        }
    }

    private interface FiguresByKey {
        @JsonSerialize(converter = ByKey.class)
        Map<PublishedLimit, Figure> figures();
    }

    private static final JsonMapper MAPPER = JsonMapper.builder()
            .addMixIn(Ratings.class, FiguresByKey.class)
            .addMixIn(SensingMethod.class, MethodByName.class)
            .addMixIn(Event.class, EventByName.class)
            .addModule(CleanStrings.module())
            .addModule(wordsOfTheRail())
            .addModule(keysOfLimits())
            .registerSubtypes(
                    Ways.ALL.stream().map(w -> new NamedType(w.type(), w.id())).toArray(NamedType[]::new))
            .registerSubtypes(
                    Events.KINDS.stream().map(k -> new NamedType(k.type())).toArray(NamedType[]::new))
            .enable(MapperFeature.SORT_PROPERTIES_ALPHABETICALLY)
            .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
            .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .enable(DeserializationFeature.FAIL_ON_MISSING_CREATOR_PROPERTIES)
            .build();

    /** Stops and confirmations are stored by their words. */
    private static SimpleModule wordsOfTheRail() {
        return new SimpleModule("rail")
                .addSerializer(Stop.class, ToStringSerializer.instance)
                .addSerializer(Check.class, ToStringSerializer.instance)
                .addDeserializer(Stop.class, new Word<>(Stop.class, Stops.RAIL::stop))
                .addDeserializer(Check.class, new Word<>(Check.class, Stops.RAIL::check));
    }

    /** Published limits are stored by their keys. */
    private static SimpleModule keysOfLimits() {
        return new SimpleModule("limits")
                .addSerializer(PublishedLimit.class, new StdScalarSerializer<>(PublishedLimit.class) {
                    @Override
                    public void serialize(PublishedLimit limit, JsonGenerator out, SerializationContext context) {
                        out.writeString(limit.printed().key());
                    }
                })
                .addDeserializer(PublishedLimit.class, new Word<>(PublishedLimit.class, PublishedLimits::of))
                .addKeyDeserializer(PublishedLimit.class, new KeyDeserializer() {
                    @Override
                    public Object deserializeKey(String key, DeserializationContext context) {
                        return PublishedLimits.of(key)
                                .orElseThrow(() -> new IllegalStateException("no published limit " + key));
                    }
                });
    }

    private static final class Word<W> extends StdScalarDeserializer<W> {
        private final Function<String, Optional<W>> known;

        Word(Class<W> type, Function<String, Optional<W>> known) {
            super(type);
            this.known = known;
        }

        @Override
        public W deserialize(JsonParser parser, DeserializationContext context) {
            String word = parser.getString();
            return known.apply(word)
                    .orElseThrow(() -> InvalidFormatException.from(
                            parser, "no " + handledType().getSimpleName() + " of this word", word, handledType()));
        }
    }

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
        if (said != null && said.isInt()) {
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
