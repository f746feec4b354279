package yellowrail.app.forms;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.sensing.CombinedPoint;
import yellowrail.core.amp.sensing.HalfPrimary;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.PanelMeter;
import yellowrail.core.amp.sensing.PlateMilliamps;
import yellowrail.core.amp.sensing.SocketAdaptor;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.idle.ScreenCurrent;
import yellowrail.core.reading.Accuracy;
import yellowrail.core.reading.Meter;
import yellowrail.core.target.Profiles;
import yellowrail.core.target.Target;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Lookup;

class CheckReaderTest {
    private static final Meter KEPT =
            new Meter("my meter", new Accuracy(0.2, 1), new Accuracy(0.5, 2), new Accuracy(0.4, 1));

    private static CheckReader.Read read(String... pairs) {
        Map<String, String> fields = new HashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            fields.put(pairs[i], pairs[i + 1]);
        }
        return CheckReader.read(
                CheckForm.from(fields::get), Catalogue.shipped(), Profiles.SHIPPED, List.of(Meter.HANDHELD, KEPT));
    }

    @Test
    void anEmptyFormIsAQuestionWithNothingKnown() {
        CheckReader.Read read = read();
        assertThat(read.question().reading()).isEmpty();
        assertThat(read.question().plate().volts()).isEmpty();
        assertThat(read.question().target()).isEmpty();
        assertThat(read.question().stage().bias()).isEqualTo(BiasScheme.FIXED_UNKNOWN);
        assertThat(read.question().circumstances().mains().orElseThrow().now()).isEmpty();
        assertThat(read.complaints().byField()).containsOnlyKeys("r");
    }

    @Test
    void readsEveryPart() {
        CheckReader.Read read = read(
                "tube",
                "6bq5",
                "topology",
                "se",
                "connection",
                "ul",
                "tap",
                "43",
                "bias",
                "cathode",
                "volts",
                "312,5",
                "ref",
                "node",
                "rhalf",
                "113",
                "side",
                "2",
                "vk",
                "11.2",
                "method",
                "combined",
                "n",
                "2",
                "other",
                "3 mA",
                "reading",
                "64",
                "r",
                "0.5",
                "rtol",
                "2",
                "screen",
                "measured",
                "g2drop",
                "1.02",
                "g2r",
                "470",
                "g2n",
                "2",
                "vg2",
                "300",
                "meter",
                "my meter",
                "mains",
                "231",
                "nominal",
                "230",
                "highest",
                "244",
                "limiter",
                "yes",
                "spread",
                "10",
                "target",
                "cool",
                "ceiling",
                "90");
        assertThat(read.complaints().byField()).isEmpty();
        var q = read.question();
        assertThat(q.stage().type().orElseThrow().designation()).isEqualTo("EL84");
        assertThat(q.method()).isInstanceOf(CombinedPoint.class);
        assertThat(((CombinedPoint) q.method()).otherAmperes()).isEqualTo(0.003);
        assertThat(q.plate().reference()).isEqualTo(PlateVolts.Reference.SUPPLY_NODE);
        assertThat(q.plate().tubesOnSide()).isEqualTo(2);
        assertThat(q.screen()).isInstanceOf(ScreenCurrent.Measured.class);
        assertThat(q.meter()).isEqualTo(KEPT);
        assertThat(q.circumstances().limiter()).isTrue();
        assertThat(q.circumstances().spread()).contains(0.1);
        assertThat(q.circumstances().mains().orElseThrow().highest()).isEqualTo(244);
        assertThat(q.target().orElseThrow().name()).isEqualTo("cool");
        assertThat(q.ceiling()).isEqualTo(0.9);
    }

    @ParameterizedTest
    @CsvSource({
        "method, nonsense",
        "r, 0",
        "r, -5",
        "rtol, 80",
        "n, 0",
        "n, nine",
        "tap, 140",
        "tap, 61",
        "tap, 9",
        "bias, none",
        "ref, moon",
        "screen, blue",
        "meter, unknown thing",
        "target, nowhere",
        "ceiling, 400",
        "nominal, 12",
        "highest, 100",
        "spread, 300",
        "volts, 1e400",
        "reading, --5",
        "mains, abc",
        "side, 9"
    })
    void complainsAtTheFieldThatIsWrong(String field, String text) {
        CheckReader.Read read = read(
                "tube",
                "6L6GC",
                "connection",
                "ul",
                "method",
                "shared",
                "n",
                "2",
                "r",
                "1",
                "reading",
                "36",
                "volts",
                "400",
                "target",
                "cool",
                field,
                text);
        assertThat(read.complaints().byField())
                .containsKey(field.equals("highest") ? "highest" : field.equals("nominal") ? "highest" : field);
    }

    @Test
    void readsTheMethodsThatNeedMore() {
        assertThat(read("method", "adaptor", "mvma", "10", "zero", "0.4 mV")
                        .question()
                        .method())
                .isEqualTo(new SocketAdaptor(10, 1, 0.0004));
        assertThat(((HalfPrimary) read("method", "half", "r", "113", "n", "2", "warm", "25")
                                .question()
                                .method())
                        .tubes())
                .isEqualTo(2);
        PlateMilliamps bridged = (PlateMilliamps) read("method", "maplate", "rmeter", "8", "r", "92", "ack", "yes")
                .question()
                .method();
        assertThat(bridged.across().orElseThrow().windingOhms()).isEqualTo(92);
        assertThat(bridged.acknowledged()).isTrue();
        assertThat(((PanelMeter) read("method", "panel", "caldiv", "5", "calma", "35")
                                .question()
                                .method())
                        .calibration())
                .isPresent();
        assertThat(((PanelMeter) read("method", "panel").question().method()).calibration())
                .isEmpty();
        assertThat(((OwnResistor) read("r", "10", "rm", "9.94").question().method())
                        .resistor()
                        .ohms())
                .isEqualTo(9.94);
        assertThat(read("method", "shared", "r", "1").complaints().byField()).containsKey("n");
    }

    @Test
    void readsOwnAccuracyAndOwnWindow() {
        CheckReader.Read read = read(
                "meter",
                "own",
                "accv",
                "±(0,05 % + 3 counts)",
                "acca",
                "1+2",
                "acco",
                "0.3+1",
                "target",
                "own",
                "lo",
                "58",
                "hi",
                "63");
        assertThat(read.question().meter().volts()).isEqualTo(new Accuracy(0.05, 3));
        assertThat(read.question().target().orElseThrow())
                .isEqualTo(new Target.Window("own", 0.58, 0.63, "your own window"));
        assertThat(read("target", "own", "lo", "63", "hi", "58").complaints().byField())
                .containsKey("hi");
        assertThat(read("meter", "own", "accv", "good").complaints().byField()).containsKey("accv");
        assertThat(read("method", "own", "r", "1", "target", "maker", "maker", "35 mV")
                        .question()
                        .target()
                        .orElseThrow())
                .isInstanceOf(Target.MakersFigure.class);
    }

    /** What is typed of a screen that the tube has not is refused, so that its field stays in sight; blank asks nothing. */
    @Test
    void aTriodeHasNoScreenToTypeOf() {
        assertThat(read("tube", "2A3", "vg2", "250")
                        .complaints()
                        .byField()
                        .get("vg2")
                        .sentence())
                .contains("with a tube that has a screen");
        assertThat(read("tube", "2A3", "screen", "measured", "g2drop", "1", "g2r", "470")
                        .complaints()
                        .byField())
                .containsKey("screen");
        assertThat(read("tube", "2A3", "vg2", "250").asksNothingOfScreens()).isFalse();
        assertThat(read("tube", "2A3").asksNothingOfScreens()).isTrue();
        assertThat(read("tube", "EL34").asksNothingOfScreens()).isFalse();
        assertThat(read("tube", "EL34", "vg2", "250").complaints().byField()).doesNotContainKey("vg2");
    }

    @Test
    void tellsWhatATubeNameLedTo() {
        assertThat(read("tube", "6L6").lookup().orElseThrow()).isInstanceOf(Lookup.WhichVariant.class);
        assertThat(read("tube", "6AQ5A").lookup().orElseThrow()).isInstanceOf(Lookup.Relative.class);
        assertThat(read("tube", "x".repeat(60)).complaints().byField()).containsKey("tube");
        assertThat(read("tube", "6V6GT", "edition", "design maximum, 1960s revision")
                        .question()
                        .stage()
                        .ratings()
                        .orElseThrow()
                        .plateWatts()
                        .orElseThrow()
                        .value())
                .isEqualTo(14);
    }

    @Test
    void voltsTakenEarlierAreStaleUnlessBothDistancesAreSmall() {
        assertThat(read("pair", "before").question().circumstances().pairing().stale())
                .isPresent();
        assertThat(read("pair", "before", "minutes", "3")
                        .question()
                        .circumstances()
                        .pairing()
                        .stale())
                .isPresent();
        assertThat(read("pair", "before", "minutes", "3", "moved", "-2")
                        .question()
                        .circumstances()
                        .pairing()
                        .stale())
                .isEmpty();
        assertThat(read("pair", "before", "minutes", "30", "moved", "0")
                        .question()
                        .circumstances()
                        .pairing()
                        .stale())
                .isPresent();
    }
}
