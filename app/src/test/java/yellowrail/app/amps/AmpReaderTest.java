package yellowrail.app.amps;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.sensing.CathodeResistor;
import yellowrail.core.amp.sensing.Ways;
import yellowrail.core.tube.Catalogue;

class AmpReaderTest {
    private static AmpReader.Read read(AmpForm form) {
        return AmpReader.read(form, Catalogue.shipped(), List.of("middle", "cool"));
    }

    /** A quad on two channels with the fields that a test varies. */
    private static AmpForm quad(String method, String grouping, String r, String rtol, List<String> rm) {
        AmpForm e = AmpForms.resized(AmpForms.empty(), 4, 2);
        return TypedAmp.with(
                e,
                Map.ofEntries(
                        Map.entry("name", "Plover 80"),
                        Map.entry("bias", "tracking"),
                        Map.entry("controls", "level"),
                        Map.entry("socketType", List.of("EL34", "", "", "")),
                        Map.entry("method", method),
                        Map.entry("grouping", grouping),
                        Map.entry("rm", asks(method, "rm") ? rm : List.of()),
                        // Only what belongs to a way of taking current is typed beside it.
                        Map.entry(
                                "sensing",
                                Map.of(
                                        "r", asks(method, "r") ? r : "",
                                        "rtol", asks(method, "rtol") ? rtol : "",
                                        "mvma", asks(method, "mvma") ? "1" : "")),
                        Map.entry("screenOhms", "1k"),
                        Map.entry("nodeLabel", List.of("reservoir")),
                        Map.entry("nodeFarads", List.of("220")),
                        Map.entry("nodeVolts", List.of("500")),
                        Map.entry("zaa", "3.4k"),
                        Map.entry("heaterVolts", "6.3"),
                        Map.entry("heaterAmperes", "6"),
                        Map.entry("supplyAmperes", "300"),
                        Map.entry("target", "middle"),
                        Map.entry("ceiling", "75")));
    }

    private static boolean asks(String method, String parameter) {
        return Ways.of(method).orElseThrow().asks(parameter);
    }

    @ParameterizedTest
    @CsvSource({
        "own, tube, 4, V1", "own, all, 4, V1", "shared, side, 4, side A channel 1", "shared, channel, 2, channel 1",
        "combined, all, 1, all", "cathode, channel, 2, channel 1", "half, side, 4, side A channel 1",
                "adaptor, all, 4, V1",
        "ma, tube, 4, V1", "panel, all, 1, all", "grid, all, 4, V1"
    })
    void groupsSocketsBehindSensePoints(String method, String grouping, int points, String first) {
        AmpReader.Read read = read(quad(method, grouping, "100", "5", List.of()));
        assertThat(read.complaints().byField()).isEmpty();
        AmpDescription amp = read.description().orElseThrow();
        assertThat(amp.groups()).hasSize(points);
        assertThat(amp.groups().get(0).name()).isEqualTo(first);
        assertThat(amp.groups().stream().mapToInt(g -> g.sockets().size()).sum())
                .isEqualTo(4);
    }

    /** What is shown in the form describes the same amp, for every method. */
    @ParameterizedTest
    @ValueSource(strings = {"own", "shared", "combined", "cathode", "half", "adaptor", "ma", "panel", "grid"})
    void aDescriptionSurvivesItsForm(String method) {
        AmpDescription before = read(quad(method, "channel", "100", "5", List.of("99.1", "101")))
                .description()
                .orElseThrow();
        AmpReader.Read again = read(AmpForms.of(before));
        assertThat(again.complaints().byField()).isEmpty();
        assertThat(again.description().orElseThrow()).isEqualTo(before);
    }

    @Test
    void readsUnitsAndKeepsWhatIsBlankUnknown() {
        AmpDescription amp = read(quad("own", "tube", "10", "1", List.of("9.94")))
                .description()
                .orElseThrow();
        assertThat(amp.output().plateToPlateOhms()).contains(3400.0);
        assertThat(amp.supply().windings().highTension().amperes()).contains(0.3);
        assertThat(amp.stage().screenOhms()).contains(1000.0);
        assertThat(amp.supply().chokeOhms()).isEmpty();
        assertThat(amp.supply().nodes().get(0).farads()).contains(220e-6);
        assertThat(amp.ceilingShare()).isEqualTo(0.75);
        assertThat(amp.mains().highest()).isEqualTo(253);
        assertThat(amp.stage().tubeTypes()).containsExactly("EL34");
        assertThat(amp.stage().tubesOnSideOf(amp.sockets().get(0))).isEqualTo(1);
    }

    @ParameterizedTest
    @ValueSource(strings = {"maplate", "supply"})
    void aWayOfOneOccasionIsNoAmpsAndTurnsIntoNoOther(String method) {
        AmpForm form = quad(method, "tube", "10", "1", List.of());
        assertThat(read(form).description()).isEmpty();
        assertThat(read(form).complaints().byField().get("method").sentence()).contains("one occasion");
    }

    @Test
    void saysAtEachFieldWhatIsWrong() {
        AmpForm wrong = TypedAmp.with(
                AmpForms.empty(),
                Map.ofEntries(
                        Map.entry("topology", "xx"),
                        Map.entry("bias", "tracking"),
                        Map.entry("controls", "nonsense"),
                        Map.entry("socketName", List.of("V1", "V1")),
                        Map.entry("socketChannel", List.of("1", "3")),
                        Map.entry("socketType", List.of("6L6", "NOSUCH")),
                        Map.entry("sensing", Map.of("r", "ten", "rtol", "99")),
                        Map.entry("nominal", "5"),
                        Map.entry("nodeLabel", List.of("n".repeat(50))),
                        Map.entry("quirks", "q".repeat(3000)),
                        Map.entry("target", "nowhere"),
                        Map.entry("judgeBy", "RIGHT"),
                        Map.entry("ceiling", "900")));
        AmpReader.Read read = read(wrong);
        assertThat(read.description()).isEmpty();
        assertThat(read.complaints().byField().keySet())
                .contains(
                        "name",
                        "topology",
                        "controls",
                        "socketType0",
                        "socketType1",
                        "socketChannel1",
                        "r",
                        "rtol",
                        "nominal",
                        "nodeLabel0",
                        "quirks",
                        "target",
                        "judgeBy",
                        "ceiling");
        assertThat(read.complaints().byField().get("socketType0").choices())
                .containsExactly("6L6 metal", "6L6GB", "6L6GC", "6L6WGC", "5881");
    }

    @Test
    void asksForTheFigureWhenItIsTheTarget() {
        AmpForm f = quad("own", "tube", "10", "1", List.of());
        AmpForm chosen = TypedAmp.with(f, Map.of("target", "maker's figure"));
        assertThat(read(chosen).complaints().byField().get("maker").sentence())
                .contains("what shall the test point show");
    }

    @Test
    void resizingKeepsWhatWasTyped() {
        AmpForm two = AmpForms.of(read(quad("own", "tube", "10", "1", List.of("9.9")))
                .description()
                .orElseThrow());
        AmpForm six = AmpForms.resized(two, 6, 1);
        assertThat(six.list("socketName")).containsExactly("V1", "V2", "V3", "V4", "V5", "V6");
        assertThat(six.list("socketSide")).containsExactly("A", "A", "A", "B", "B", "B");
        assertThat(six.list("socketType").subList(0, 4)).containsOnly("EL34");
        assertThat(six.list("rm")).isEqualTo(two.list("rm"));
        assertThat(AmpForms.resized(two, 1, 1).list("socketName")).containsExactly("V1");
    }

    @Test
    void aSharedCathodeResistorKnowsItsTubes() {
        SenseGroup group = read(quad("cathode", "channel", "130", "2", List.of()))
                .description()
                .orElseThrow()
                .groups()
                .get(0);
        assertThat(((CathodeResistor) group.method()).tubes()).isEqualTo(2);
        assertThat(group.shared()).isTrue();
    }
}
