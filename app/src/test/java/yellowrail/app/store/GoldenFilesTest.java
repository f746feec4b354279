package yellowrail.app.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Events;

/**
 * What earlier versions stored stays readable, and nothing of it gets lost. The files are rows as a version wrote
 * them, in a folder for each; they are never written anew. What a later version reads in another way is listed here by its path.
 */
class GoldenFilesTest {
    private static final JsonMapper TREES = JsonMapper.builder().build();

    /** One stored document. */
    record Stored(Shape<?> shape, String file, int line, JsonNode document) {
        /** As it would be stored today. */
        JsonNode today() {
            return TREES.readTree(shape.same(document.toString()));
        }

        @Override
        public String toString() {
            return file + " line " + line;
        }
    }

    private static Stream<Stored> documents(String file, String field, Shape<?> shape) {
        return documents(file, field, row -> true, shape);
    }

    private static Stream<Stored> documents(String file, String field, Predicate<JsonNode> which, Shape<?> shape) {
        List<JsonNode> rows = rows(file);
        List<Stored> stored = new ArrayList<>();
        for (int i = 0; i < rows.size(); i++) {
            if (which.test(rows.get(i))) {
                stored.add(new Stored(shape, file, i + 1, rows.get(i).get(field)));
            }
        }
        assertThat(stored).as(file).isNotEmpty();
        return stored.stream();
    }

    private static List<JsonNode> rows(String file) {
        try (var in = GoldenFilesTest.class.getResourceAsStream("/golden/" + file + ".jsonl")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .map(TREES::readTree)
                    .toList();
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    private static Predicate<JsonNode> kind(String kind) {
        return row -> row.get("kind").asString().equals(kind);
    }

    static Stream<Stored> everything() {
        return Stream.of(
                        documents("v0/amps", "description", StoredShapes.AMP),
                        documents("v1/amps", "description", StoredShapes.AMP),
                        documents("v1/plans", "plan", StoredShapes.PLAN),
                        documents("v1/own-types", "body", StoredShapes.TUBE_TYPE),
                        documents("v1/type-snapshots", "body", StoredShapes.TUBE_TYPE),
                        documents("v1/curves", "body", StoredShapes.CURVES),
                        documents("v1/sheets", "data", StoredShapes.SHEET),
                        documents("v1/rounds", "state", StoredShapes.ROUND_STATE),
                        documents("v1/rounds", "types", StoredShapes.TYPE_HASHES),
                        documents("v1/results", "body", StoredShapes.RESULT),
                        documents("v1/settings", "body", kind("meter"), StoredShapes.METER),
                        documents("v1/settings", "body", kind("target"), StoredShapes.WINDOW),
                        documents("v1/events", "body", StoredShapes.EVENT),
                        documents("v2/events", "body", StoredShapes.EVENT),
                        documents("v3/amps", "description", StoredShapes.AMP),
                        documents("v3/plans", "plan", StoredShapes.PLAN),
                        documents("v3/plans", "types", StoredShapes.TYPE_HASHES),
                        documents("v3/events", "body", StoredShapes.EVENT),
                        documents("v3/sheets", "data", StoredShapes.SHEET),
                        documents("v3/rounds", "state", StoredShapes.ROUND_STATE),
                        documents("v3/rounds", "types", StoredShapes.TYPE_HASHES),
                        documents("v3/type-snapshots", "body", StoredShapes.TUBE_TYPE),
                        documents("v3/results", "body", StoredShapes.RESULT),
                        documents("v4/plans", "plan", StoredShapes.PLAN),
                        documents("v4/events", "body", StoredShapes.EVENT),
                        documents("v5/amps", "description", StoredShapes.AMP),
                        documents("v5/plans", "plan", StoredShapes.PLAN),
                        documents("v5/type-snapshots", "body", StoredShapes.TUBE_TYPE),
                        documents("v6/plans", "plan", StoredShapes.PLAN),
                        documents("v6/rounds", "state", StoredShapes.ROUND_STATE),
                        documents("v6/settings", "body", kind("meter"), StoredShapes.METER),
                        documents("v7/transformers", "description", StoredShapes.TRANSFORMER),
                        documents("v7/ac-readings", "reading", StoredShapes.AC_READING),
                        documents("v7/speakers", "body", StoredShapes.SPEAKER),
                        documents("v8/type-snapshots", "body", StoredShapes.TUBE_TYPE))
                .flatMap(s -> s);
    }

    @ParameterizedTest
    @MethodSource("everything")
    void isReadWithAllThatWasInIt(Stored stored) {
        assertThat(lost("", stored, stored.document(), stored.today()))
                .as(stored.toString())
                .isEmpty();
    }

    @Test
    void theEventsAreOfEveryKind() {
        assertThat(everything()
                        .filter(s -> s.shape() == StoredShapes.EVENT)
                        .map(s -> s.document().get("event").asString())
                        .distinct())
                .containsExactlyInAnyOrderElementsOf(
                        Events.KINDS.stream().map(k -> k.type().getSimpleName()).toList());
    }

    static Stream<JsonNode> readings() {
        return rows("v1/readings").stream();
    }

    @ParameterizedTest
    @MethodSource("readings")
    void aReadingIsRead(JsonNode stored) {
        Typed typed = new Typed(
                stored.get("raw").asString(),
                stored.get("value").asDouble(),
                Unit.valueOf(stored.get("unit").asString()),
                stored.get("lastDigit").asDouble());
        assertThat(Quantity.valueOf(stored.get("quantity").asString()).words()).isNotBlank();
        assertThat(typed.echo()).isNotBlank();
    }

    /** Dissipation over the mains was one figure on a sheet and is a band now, with that figure in it. */
    private static final Pattern FAN = Pattern.compile("/outcome/fans/\\d+/(lowest|nominal|highest|highestShare)");

    /** Milliamperes of the cathode are a way of their own now: what told them from the plate's is said by its word. */
    private static final Pattern CATHODE_MILLIAMPS = Pattern.compile("(/amp)?/groups/\\d+/method/(where|acknowledged)");

    /** Where the figures of an amp stand since it is parts. */
    private static final Map<String, String> PARTS = Map.ofEntries(
            Map.entry("topology", "stage/topology"),
            Map.entry("connection", "stage/connection"),
            Map.entry("tap", "stage/tap"),
            Map.entry("sockets", "stage/sockets"),
            Map.entry("screenOhms", "stage/screenOhms"),
            Map.entry("bias", "bias/scheme"),
            Map.entry("controls", "bias/controls"),
            Map.entry("mains", "supply/mains"),
            Map.entry("nodes", "supply/nodes"),
            Map.entry("chokeOhms", "supply/chokeOhms"),
            Map.entry("target", "judging/target"),
            Map.entry("ceiling", "judging/ceiling"),
            Map.entry("judgeBy", "judging/system"),
            Map.entry("makersFigure", "judging/makersFigure"),
            Map.entry("plateToPlateOhms", "output/plateToPlateOhms"),
            Map.entry("heaterVolts", "supply/windings/heater/volts"),
            Map.entry("heaterAmperes", "supply/windings/heater/amperes"),
            Map.entry("supplyAmperes", "supply/windings/highTension/amperes"));

    /** A flat amp laid out in its parts. */
    private static JsonNode inParts(JsonNode flat) {
        ObjectNode parts = JsonNodeFactory.instance.objectNode();
        flat.properties().forEach(p -> {
            if (p.getKey().equals("transformers")) {
                p.getValue().properties().forEach(t -> put(parts, PARTS.get(t.getKey()), t.getValue()));
            } else {
                put(parts, PARTS.getOrDefault(p.getKey(), p.getKey()), p.getValue());
            }
        });
        return parts;
    }

    private static void put(ObjectNode into, String path, JsonNode value) {
        String[] names = path.split("/");
        for (int i = 0; i < names.length - 1; i++) {
            into = into.has(names[i]) ? (ObjectNode) into.get(names[i]) : into.putObject(names[i]);
        }
        into.set(names[names.length - 1], value);
    }

    private static boolean flatAmp(String path, Stored in, JsonNode was) {
        return (in.shape() == StoredShapes.AMP
                        ? path.isEmpty()
                        : in.shape() == StoredShapes.PLAN && path.equals("/amp"))
                && was.has("topology");
    }

    /** A publication each of whose limits had a property of its own, with its figures by key. */
    private static JsonNode byKey(JsonNode rating) {
        ObjectNode now = (ObjectNode) rating.deepCopy();
        ObjectNode figures = JsonNodeFactory.instance.objectNode();
        for (String key : List.of(
                "plateWatts",
                "screenWatts",
                "combinedWatts",
                "plateVolts",
                "screenVolts",
                "cathodeAmperes",
                "gridOhmsFixedBias",
                "gridOhmsCathodeBias")) {
            JsonNode figure = now.remove(key);
            if (figure != null) {
                figures.set(key, figure);
            }
        }
        if (now.remove("withSignal") instanceof ObjectNode signal) {
            figures.set("peakPlateVolts", signal.get("peakPlateVolts"));
            figures.set("signalScreenWatts", signal.get("screenWatts"));
        }
        if (now.path("nonePublished").isArray()) {
            Map<String, String> keys = Map.of(
                    "SCREEN_WATTS", "screenWatts",
                    "COMBINED_WATTS", "combinedWatts",
                    "PLATE_VOLTS", "plateVolts",
                    "SCREEN_VOLTS", "screenVolts",
                    "CATHODE_AMPERES", "cathodeAmperes");
            var none = JsonNodeFactory.instance.arrayNode();
            now.get("nonePublished").forEach(n -> none.add(keys.get(n.asString())));
            now.set("nonePublished", none);
        }
        now.set("figures", figures);
        return now;
    }

    /** Every figure and word of the stored document that is not in what it was read as. */
    private static List<String> lost(String path, Stored in, JsonNode was, JsonNode now) {
        List<String> lost = new ArrayList<>();
        if (flatAmp(path, in, was)) {
            return lost(path, in, inParts(was), now);
        }
        if (path.equals("/shape")) {
            // An upgraded document says the version it is in now.
            return was.asInt() <= now.asInt() ? lost : List.of(path + " became " + now);
        }
        if (in.shape() == StoredShapes.ROUND_STATE && was.isBoolean()) {
            // False stood for every word but “yes”: it tells nothing.
            return now.asString().equals(was.asBoolean() ? "YES" : "NOT_ASKED")
                    ? lost
                    : List.of(path + " became " + now);
        }
        if (CATHODE_MILLIAMPS.matcher(path).matches() && now == null) {
            return was.equals(TREES.readTree("\"CATHODE\"")) || was.isBoolean() ? lost : List.of(path);
        }
        if (in.shape() == StoredShapes.TYPE_HASHES && path.isEmpty() && !was.has("byDesignation")) {
            return lost("/", in, was, now.get("byDesignation"));
        }
        if (in.shape() == StoredShapes.TUBE_TYPE && was.has("plateWatts") && was.has("edition")) {
            return lost(path, in, byKey(was), now);
        }
        if (FAN.matcher(path).matches() && (was.isNumber() || was.has("value"))) {
            return lost(path + "/mid", in, was.isObject() ? was.get("value") : was, now.get("mid"));
        }
        if (was.isObject()) {
            was.properties()
                    .forEach(p -> lost.addAll(
                            lost(path + "/" + p.getKey(), in, p.getValue(), now == null ? null : now.get(p.getKey()))));
        } else if (was.isArray()) {
            if (now == null || now.size() != was.size()) {
                lost.add(path + ": another number of entries");
            } else {
                for (int i = 0; i < was.size(); i++) {
                    lost.addAll(lost(path + "/" + i, in, was.get(i), now.get(i)));
                }
            }
        } else if (!was.isNull() && !same(was, now)) {
            lost.add(path + ": " + was + " became " + now);
        }
        return lost;
    }

    private static boolean same(JsonNode was, JsonNode now) {
        return now != null && (was.isNumber() && now.isNumber() ? was.asDouble() == now.asDouble() : was.equals(now));
    }
}
