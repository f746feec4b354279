package yellowrail.app.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.core.JacksonException;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.amp.sensing.Way;
import yellowrail.core.amp.sensing.Ways;
import yellowrail.core.reading.Meter;
import yellowrail.core.session.Check;
import yellowrail.core.session.Event;
import yellowrail.core.session.Stop;
import yellowrail.core.session.events.Events;
import yellowrail.core.session.events.Kind;

/**
 * What every kind of stored document is made of, pinned for each of its versions. A changed record fails here until its
 * shape has a new version and an upgrade: write its file with {@code -Dwrite.shapes=true}, never change one that is there.
 */
class StoredShapesTest {
    private static final Path PINNED = Path.of("src/test/resources/golden/shapes");

    static Stream<Shape<?>> shapes() {
        return StoredShapes.ALL.stream();
    }

    @ParameterizedTest
    @MethodSource("shapes")
    void isWhatItsVersionSays(Shape<?> shape) throws IOException {
        Path file = PINNED.resolve(shape.name().replace(' ', '-') + "." + shape.version() + ".txt");
        Map<String, String> types = new TreeMap<>();
        describe(shape.type(), types);
        String now = types.entrySet().stream()
                        .map(t -> t.getKey() + ": " + t.getValue())
                        .collect(Collectors.joining("\n"))
                + "\n";
        if (Boolean.getBoolean("write.shapes") && Files.notExists(file)) {
            Files.writeString(file, now);
        }
        List<String> changed = new ArrayList<>();
        for (String line : Files.readAllLines(file)) {
            String type = line.substring(0, line.indexOf(':'));
            if (!reads(types.get(type), line.substring(type.length() + 2))) {
                changed.add(line);
            }
        }
        assertThat(changed)
                .as(shape + " is made of something else than its version was: raise it and write the upgrade")
                .isEmpty();
    }

    /** Whether what was stored by the pinned make-up is read by the present one: words may be added, nothing else. */
    private static boolean reads(String now, String pinned) {
        return now != null
                && (now.equals(pinned)
                        || pinned.contains(" | ")
                                && List.of(now.split(" [|] ")).containsAll(List.of(pinned.split(" [|] "))));
    }

    @Test
    void wordsMayBeAddedAndNothingElse() {
        assertThat(reads("A | B | C", "A | B")).isTrue();
        assertThat(reads("A | C", "A | B")).isFalse();
        assertThat(reads("ohms double, volts double", "ohms double")).isFalse();
        assertThat(reads(null, "ohms double")).isFalse();
    }

    /** What a type is made of, and all types in it: components of records, words of enumerations, kinds of an interface. */
    private static void describe(Type type, Map<String, String> into) {
        if (type instanceof ParameterizedType of) {
            Arrays.stream(of.getActualTypeArguments()).forEach(t -> describe(t, into));
            return;
        }
        Class<?> made = (Class<?>) type;
        if (into.containsKey(name(made)) || !made.getName().startsWith("yellowrail")) {
            return;
        }
        List<Type> in = new ArrayList<>();
        if (made.isEnum()) {
            into.put(
                    name(made),
                    Arrays.stream(made.getEnumConstants())
                            .map(e -> ((Enum<?>) e).name())
                            .collect(Collectors.joining(" | ")));
        } else if (made.isRecord()) {
            into.put(
                    name(made),
                    Arrays.stream(made.getRecordComponents())
                            .sorted(Comparator.comparing(RecordComponent::getName))
                            .map(c -> c.getName() + " " + words(c.getGenericType()))
                            .collect(Collectors.joining(", ")));
            Arrays.stream(made.getRecordComponents())
                    .map(RecordComponent::getGenericType)
                    .forEach(in::add);
        } else if (made == Stop.class || made == Check.class) {
            into.put(name(made), "a word of the rail");
        } else if (made == Event.class) {
            in.addAll(Events.KINDS.stream().map(Kind::type).toList());
            into.put(name(made), in.stream().map(StoredShapesTest::words).collect(Collectors.joining(" | ")));
        } else if (made == SensingMethod.class) {
            in.addAll(Ways.ALL.stream().map(Way::type).toList());
            into.put(
                    name(made),
                    Ways.ALL.stream().map(w -> w.id() + " " + name(w.type())).collect(Collectors.joining(" | ")));
        } else {
            assertThat(made.isSealed()).as(made + " can be stored").isTrue();
            in.addAll(List.of(made.getPermittedSubclasses()));
            into.put(name(made), in.stream().map(StoredShapesTest::words).collect(Collectors.joining(" | ")));
        }
        in.forEach(t -> describe(t, into));
    }

    private static String name(Class<?> type) {
        return type.getName().replaceAll(".*[.]", "").replace('$', '.');
    }

    private static String words(Type type) {
        return type instanceof ParameterizedType of
                ? words(of.getRawType())
                        + Arrays.stream(of.getActualTypeArguments())
                                .map(StoredShapesTest::words)
                                .collect(Collectors.joining(", ", "<", ">"))
                : name((Class<?>) type);
    }

    @Test
    void everyShapeIsListed() throws IllegalAccessException {
        List<Object> fields = new ArrayList<>();
        for (var field : StoredShapes.class.getFields()) {
            fields.add(field.get(null));
        }
        assertThat(StoredShapes.ALL)
                .containsExactlyInAnyOrderElementsOf(
                        fields.stream().map(f -> (Shape<?>) f).collect(Collectors.toList()));
    }

    @Test
    void aFigureThatTheVersionDoesNotHaveIsRefused() {
        String stored = StoredShapes.METER.write(Meter.CLASSES.get(0));
        assertThat(StoredShapes.METER.read(stored)).isEqualTo(Meter.CLASSES.get(0));
        assertThatThrownBy(() -> StoredShapes.METER.read(stored.replace("\"ohms\"", "\"ohmz\"")))
                .isInstanceOf(JacksonException.class)
                .hasMessageContaining("ohm");
    }

    @Test
    void aMissingFigureIsRefused() {
        String stored = StoredShapes.METER.write(Meter.CLASSES.get(0));
        String without = stored.replaceFirst("\"ohms\":\\{[^}]*},", "");
        assertThat(without).isNotEqualTo(stored);
        assertThatThrownBy(() -> StoredShapes.METER.read(without))
                .isInstanceOf(JacksonException.class)
                .hasMessageContaining("ohms");
    }

    @Test
    void aDocumentOfALaterVersionIsRefused() {
        String stored = StoredShapes.METER.write(Meter.CLASSES.get(0)).replaceFirst("\"shape\":\\d+", "\"shape\":99");
        assertThatThrownBy(() -> StoredShapes.METER.read(stored))
                .isInstanceOf(Shape.StoredByLater.class)
                .hasMessageContaining("meter in version 99");
    }
}
