package yellowrail.app.json;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.bench.SheetView;
import yellowrail.app.curves.Curves;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.reading.Meter;
import yellowrail.core.session.Event;
import yellowrail.core.session.Plan;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.TubeType;

/**
 * What earlier versions stored stays readable, and nothing of it gets lost. The files are rows as a version wrote
 * them, in a folder for each; they are never written anew. What a later version reads in another way is listed here by its path.
 */
class GoldenFilesTest {
    private static final JsonMapper TREES = JsonMapper.builder().build();
    private static final CoreJson JSON = new CoreJson();

    /** One stored document. */
    record Stored(String file, int line, JsonNode document) {
        @Override
        public String toString() {
            return file + " line " + line;
        }
    }

    private static List<JsonNode> lines(String file) {
        return lines("v1", file);
    }

    private static List<JsonNode> lines(String version, String file) {
        try (var in = GoldenFilesTest.class.getResourceAsStream("/golden/" + version + "/" + file + ".jsonl")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .map(TREES::readTree)
                    .toList();
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    private static Stream<Stored> documents(String file, String field) {
        return documents("v1", file, field);
    }

    private static Stream<Stored> documents(String version, String file, String field) {
        List<JsonNode> lines = lines(version, file);
        List<Stored> stored = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            stored.add(new Stored(file, i + 1, lines.get(i).get(field)));
        }
        return stored.stream();
    }

    private static final Map<String, Class<?>> BODIES = Map.of(
            "amps", AmpDescription.class,
            "plans", Plan.class,
            "own-types", TubeType.class,
            "type-snapshots", TubeType.class,
            "curves", Curves.class,
            "sheets", SheetView.class);

    static Stream<Stored> everything() {
        return Stream.of(
                        documents("amps", "description"),
                        documents("plans", "plan"),
                        documents("own-types", "body"),
                        documents("type-snapshots", "body"),
                        documents("curves", "body"),
                        documents("sheets", "data"))
                .flatMap(s -> s);
    }

    @ParameterizedTest
    @MethodSource("everything")
    void isReadWithAllThatWasInIt(Stored stored) {
        Object value = JSON.read(stored.document().toString(), BODIES.get(stored.file()));
        assertKept(stored, TREES.readTree(JSON.write(value)));
    }

    static Stream<Stored> events() {
        return Stream.concat(documents("events", "body"), documents("v2", "events", "body"));
    }

    @ParameterizedTest
    @MethodSource("events")
    void everyEventIsRead(Stored stored) {
        Event event = JSON.readEvent(stored.document().toString());
        assertKept(stored, TREES.readTree(JSON.writeEvent(event)));
    }

    @Test
    void theEventsAreOfEveryKind() {
        assertThat(events().map(s -> s.document().get("event").asString()).distinct())
                .containsExactlyInAnyOrderElementsOf(Stream.of(Event.class.getPermittedSubclasses())
                        .map(Class::getSimpleName)
                        .toList());
    }

    static Stream<Stored> settings() {
        List<JsonNode> lines = lines("settings");
        List<Stored> stored = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            stored.add(new Stored(
                    lines.get(i).get("kind").asString(), i + 1, lines.get(i).get("body")));
        }
        return stored.stream();
    }

    @ParameterizedTest
    @MethodSource("settings")
    void everySettingIsRead(Stored stored) {
        Class<?> type = stored.file().equals("meter") ? Meter.class : Window.class;
        Object value = JSON.read(stored.document().toString(), type);
        assertKept(stored, TREES.readTree(JSON.write(value)));
    }

    /** Every figure and word of the stored document is in what it was read as. */
    static void assertKept(Stored stored, JsonNode now) {
        assertThat(lost("", stored.document(), now)).as(stored.toString()).isEmpty();
    }

    /** Dissipation over the mains was one figure on a sheet and is a band now, with that figure in it. */
    private static final Pattern FAN = Pattern.compile("/outcome/fans/\\d+/(lowest|nominal|highest|highestShare)");

    private static List<String> lost(String path, JsonNode was, JsonNode now) {
        List<String> lost = new ArrayList<>();
        if (FAN.matcher(path).matches() && !was.isNull()) {
            return lost(path + "/mid", was.isObject() ? was.get("value") : was, now.get("mid"));
        }
        if (was.isObject()) {
            was.properties()
                    .forEach(p -> lost.addAll(
                            lost(path + "/" + p.getKey(), p.getValue(), now == null ? null : now.get(p.getKey()))));
        } else if (was.isArray()) {
            if (now == null || now.size() != was.size()) {
                lost.add(path + ": another number of entries");
            } else {
                for (int i = 0; i < was.size(); i++) {
                    lost.addAll(lost(path + "/" + i, was.get(i), now.get(i)));
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
