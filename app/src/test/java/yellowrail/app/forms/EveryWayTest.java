package yellowrail.app.forms;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.amps.AmpForm;
import yellowrail.app.amps.AmpForms;
import yellowrail.app.amps.AmpReader;
import yellowrail.app.amps.TypedAmp;
import yellowrail.app.store.StoredShapes;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.sensing.Parameter;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.amp.sensing.Way;
import yellowrail.core.amp.sensing.Ways;
import yellowrail.core.reading.Field;
import yellowrail.core.target.Profiles;
import yellowrail.core.tube.Catalogue;

/** Every way of taking current, with every parameter it asks for, through form, JSON and storage and back. */
class EveryWayTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    static Stream<Way<?>> ways() {
        return Ways.ALL.stream();
    }

    static Stream<Way<?>> kept() {
        return Ways.kept().stream();
    }

    /** A plausible answer: a figure between the ends of its field. */
    private static String answer(Parameter parameter) {
        return switch (parameter.kind()) {
            case TICK -> "yes";
            case TUBES -> "2";
            case QUANTITY, QUANTITY_OF_POINT -> {
                Field field = parameter.field().orElseThrow();
                double middle = Math.sqrt(field.low() * field.high())
                        / Math.pow(10, field.shown().power());
                yield String.valueOf(Math.round(100 * middle) / 100.0);
            }
        };
    }

    private static Map<String, String> answers(Way<?> way) {
        Map<String, String> all = new LinkedHashMap<>();
        way.parameters().forEach(p -> all.put(p.name(), answer(p)));
        return all;
    }

    private static SensingMethod read(CheckForm form) {
        CheckReader.Read read = CheckReader.read(form, Catalogue.shipped(), Profiles.SHIPPED, List.of());
        assertThat(read.complaints().byField()).isEmpty();
        assertThat(read.methodKnown()).isTrue();
        return read.question().method();
    }

    private static SensingMethod read(Way<?> way) {
        Map<String, String> all = answers(way);
        all.put("method", way.id());
        return read(CheckForm.from(all::get));
    }

    private static AmpForm amp(Way<?> way) {
        Map<String, String> all = answers(way);
        Map<String, String> sensing = new LinkedHashMap<>();
        way.parameters().stream()
                .filter(p -> p.kind() == Parameter.Kind.QUANTITY || p.kind() == Parameter.Kind.TICK)
                .forEach(p -> sensing.put(p.name(), all.get(p.name())));
        return TypedAmp.with(
                AmpForms.resized(AmpForms.empty(), 2, 1),
                Map.of(
                        "name",
                        "Godwit 40",
                        "socketType",
                        List.of("EL34", ""),
                        "method",
                        way.id(),
                        "grouping",
                        "all",
                        "rm",
                        way.asks("rm") ? List.of(all.get("rm"), all.get("rm")) : List.of(),
                        "sensing",
                        sensing));
    }

    private static AmpDescription read(AmpForm form) {
        AmpReader.Read read = AmpReader.read(form, Catalogue.shipped(), List.of());
        assertThat(read.complaints().byField()).isEmpty();
        return read.description().orElseThrow();
    }

    @ParameterizedTest
    @MethodSource("ways")
    void isReadFromACheckWithAllThatWasTyped(Way<?> way) {
        SensingMethod method = read(way);
        assertThat(method).isInstanceOf(way.type());
        assertThat(method.way()).isSameAs(way);
        assertThat(method.parameters().keySet())
                .containsExactlyInAnyOrderElementsOf(
                        way.parameters().stream().map(Parameter::name).collect(Collectors.toSet()));
        Map<String, String> again = new LinkedHashMap<>(method.parameters());
        again.put("method", way.id());
        assertThat(read(CheckForm.from(again::get))).isEqualTo(method);
    }

    @ParameterizedTest
    @MethodSource("kept")
    void isKeptWithAnAmpAndComesBackIntoItsForm(Way<?> way) {
        AmpDescription described = read(amp(way));
        assertThat(described.groups()).allMatch(g -> g.method().way() == way);
        AmpForm back = AmpForms.of(described);
        assertThat(back.text("method")).isEqualTo(way.id());
        assertThat(read(back)).isEqualTo(described);
    }

    @ParameterizedTest
    @MethodSource("kept")
    void isStoredAndRead(Way<?> way) {
        AmpDescription described = read(amp(way));
        assertThat(StoredShapes.AMP.read(StoredShapes.AMP.write(described))).isEqualTo(described);
    }

    @ParameterizedTest
    @MethodSource("kept")
    void anAmpsJsonIsReadBack(Way<?> way) {
        AmpDescription described = read(amp(way));
        AmpForm sent = JSON.readValue(JSON.writeValueAsString(AmpForms.of(described)), AmpForm.class);
        assertThat(read(sent)).isEqualTo(described);
    }

    @ParameterizedTest
    @MethodSource("ways")
    void refusesWhatAnotherWayAsksFor(Way<?> way) {
        for (Parameter p : Ways.parameters()) {
            if (!way.asks(p.name())) {
                Map<String, String> all = answers(way);
                all.put("method", way.id());
                all.put(p.name(), answer(p));
                CheckReader.Read read =
                        CheckReader.read(CheckForm.from(all::get), Catalogue.shipped(), Profiles.SHIPPED, List.of());
                assertThat(read.complaints().byField().get(p.name()).sentence()).contains("counts only with");
            }
        }
    }

    /** How many tubes share a point the sockets tell: a count sent beside them would be ignored. */
    @ParameterizedTest
    @ValueSource(strings = {"n", "rmeter", "ack", "mvnma"})
    void anAmpRefusesWhatItDoesNotAsk(String name) {
        AmpForm form = amp(Ways.of("shared").orElseThrow());
        Map<String, String> sensing = new LinkedHashMap<>(form.sensing());
        sensing.put(name, "3");
        AmpReader.Read read =
                AmpReader.read(TypedAmp.with(form, Map.of("sensing", sensing)), Catalogue.shipped(), List.of());
        assertThat(read.description()).isEmpty();
        assertThat(read.complaints().byField().get(name).sentence()).contains("no field called");
    }

    @Test
    void anEarlierWordStillReads() {
        Map<String, String> all = answers(Ways.of("plate-ma").orElseThrow());
        all.put("method", "maplate");
        assertThat(read(CheckForm.from(all::get)).way().id()).isEqualTo("plate-ma");
    }

    @Test
    void noTwoWaysShareAWord() {
        assertThat(Ways.ids()).doesNotHaveDuplicates();
    }
}
