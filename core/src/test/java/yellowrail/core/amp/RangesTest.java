package yellowrail.core.amp;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleFunction;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yellowrail.core.amp.sensing.CombinedPoint;
import yellowrail.core.amp.sensing.GridVoltsOnly;
import yellowrail.core.amp.sensing.HalfPrimary;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.PanelMeter;
import yellowrail.core.amp.sensing.PlateMilliamps;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.amp.sensing.SharedResistor;
import yellowrail.core.amp.sensing.SocketAdaptor;
import yellowrail.core.amp.sensing.TubeCurrents;
import yellowrail.core.idle.Circumstances;
import yellowrail.core.idle.IdleQuestion;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.idle.ScreenCurrent;
import yellowrail.core.idle.StageFacts;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.target.Target;
import yellowrail.core.tube.Connection;

/** What a description may hold: the last value that is taken, and the first that is refused. */
class RangesTest {
    /** A component with its ends; an end that belongs to the range is taken, one that does not is refused. */
    record Range(
            String name, double low, boolean lowTaken, double high, boolean highTaken, DoubleFunction<Object> make) {
        @Override
        public String toString() {
            return name;
        }
    }

    private static Range closed(String name, double low, double high, DoubleFunction<Object> make) {
        return new Range(name, low, true, high, true, make);
    }

    private static Range above(String name, double low, double high, DoubleFunction<Object> make) {
        return new Range(name, low, false, high, true, make);
    }

    private static Typed ohms(double value) {
        return new Typed(value + " Ω", value, Unit.OHM, 0.1);
    }

    private static SenseResistor one() {
        return SenseResistor.marked(1, 1);
    }

    private static HalfPrimary half(double ohms, Optional<Double> warmer, double tap) {
        return new HalfPrimary(ohms(ohms), warmer, 1, Connection.PENTODE, tap);
    }

    private static IdleQuestion ceiling(double share) {
        return IdleQuestion.of(
                        new StageFacts(
                                Optional.empty(),
                                Optional.empty(),
                                Topology.PUSH_PULL,
                                Connection.PENTODE,
                                BiasScheme.CATHODE),
                        new GridVoltsOnly(),
                        new Typed("1 V", 1, Unit.VOLT, 0.1),
                        PlateVolts.none())
                .under(share);
    }

    static Stream<Range> ranges() {
        return Stream.of(
                closed("other loads, A", 0, 1, v -> new CombinedPoint(one(), 2, v)),
                closed("bridging meter, Ω", 0, 1e4, v -> new PlateMilliamps.Bridge(v, 90)),
                above("bridged winding, Ω", 0, 1e4, v -> new PlateMilliamps.Bridge(8, v)),
                above("half primary, Ω", 0, 10e3, v -> half(v, Optional.empty(), 0)),
                closed("tap", 0, 1, v -> half(90, Optional.empty(), v)),
                closed("warmer by, K", -20, 120, v -> half(90, Optional.of(v), 0)),
                closed("nominal mains, V", 80, 260, v -> new Mains(Optional.empty(), v, Math.min(v, 80), 300)),
                above("lowest mains, V", 0, 230, v -> new Mains(Optional.empty(), 230, v, 253)),
                closed("highest mains, V", 230, 300, v -> new Mains(Optional.empty(), 230, 207, v)),
                above("divisions", 0, 1000, v -> new PanelMeter.Calibration(v, 0.03, 0.01)),
                above("current at calibration, A", 0, 1, v -> new PanelMeter.Calibration(4, v, 0.01)),
                closed("calibration's limit", 0, 1, v -> new PanelMeter.Calibration(4, 0.03, v)),
                above("sense resistor, Ω", 0, 1e6, v -> SenseResistor.marked(v, 1)),
                closed("tolerance, %", 0, 50, v -> SenseResistor.marked(1, v)),
                above("adaptor, V/A", 0, 1e4, v -> new SocketAdaptor(v, 1, 0)),
                closed("adaptor's tolerance, %", 0, 50, v -> new SocketAdaptor(1, v, 0)),
                closed("adaptor's zero, V", -10, 10, v -> new SocketAdaptor(1, 1, v)),
                closed("spread", 0, 1, v -> Circumstances.unknown().withSpread(v)),
                above("ceiling", 0, 1.5, RangesTest::ceiling),
                above("window's low end", 0, 0.6 - 1e-12, v -> new Target.Window("w", v, 0.6, "")),
                closed("window's high end", 0.6 + 1e-12, 1.5, v -> new Target.Window("w", 0.6, v, "")),
                closed("plate current, A", 0, 1e9, v -> new TubeCurrents(v, 0)),
                closed("screen current, A", 0, 1e9, v -> new TubeCurrents(0, v)));
    }

    @ParameterizedTest
    @MethodSource("ranges")
    void endsWhereItSays(Range range) {
        double step = Math.max(1e-6, Math.abs(range.high()) * 1e-6);
        for (double end : List.of(range.low(), range.high())) {
            boolean taken = end == range.low() ? range.lowTaken() : range.highTaken();
            if (taken) {
                assertThat(range.make().apply(end)).isNotNull();
            } else {
                assertThatThrownBy(() -> range.make().apply(end)).isInstanceOf(IllegalArgumentException.class);
            }
        }
        assertThatThrownBy(() -> range.make().apply(range.low() - step)).isInstanceOf(IllegalArgumentException.class);
        if (range.high() < 1e9) {
            assertThatThrownBy(() -> range.make().apply(range.high() + step))
                    .isInstanceOf(IllegalArgumentException.class);
        }
        assertThatThrownBy(() -> range.make().apply(Double.NaN)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void whatIsRefusedIsSaidInTheUnitItWasTypedIn() {
        assertThatThrownBy(() -> half(90, Optional.empty(), 1.25)).hasMessageContaining("125.0 %");
        assertThatThrownBy(() -> ceiling(1.6)).hasMessageContaining("160.0 %");
        assertThatThrownBy(() -> Circumstances.unknown().withSpread(1.5)).hasMessageContaining("150.0 %");
        assertThatThrownBy(() -> new Target.Window("w", 0.7, 0.65, ""))
                .hasMessageContaining("from 70")
                .hasMessageContaining("65");
    }

    @Test
    void aMeasuredResistanceIsAboveZeroOhms() {
        assertThatThrownBy(() -> new SenseResistor(10, 1, Optional.of(ohms(0)), false))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new SenseResistor(10, 1, Optional.of(new Typed("1 V", 1, Unit.VOLT, 0.1)), false))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /** A whole number with its ends. */
    record Count(String name, int low, int high, java.util.function.IntFunction<Object> make) {
        @Override
        public String toString() {
            return name;
        }
    }

    private static String letters(int n) {
        return "x".repeat(n);
    }

    private static List<Socket> sockets(int n) {
        return IntStream.range(0, n)
                .mapToObj(i -> new Socket("V" + i, 1, Socket.Side.A, "EL34"))
                .toList();
    }

    private static AmpDescription amp(String name, int tubes) {
        List<Socket> sockets = sockets(tubes);
        List<SenseGroup> groups = new ArrayList<>();
        sockets.forEach(s -> groups.add(new SenseGroup(s.name(), List.of(s.name()), new OwnResistor(one()))));
        return new AmpDescription(
                name,
                new StageLayout(Topology.PUSH_PULL, Connection.PENTODE, 0, sockets, Optional.empty()),
                new Bias(BiasScheme.FIXED_TRACKING, ControlLayout.LEVEL),
                groups,
                new Supply(new Mains(Optional.empty(), 230, 207, 253), List.of(), Optional.empty(), Windings.UNKNOWN),
                OutputTransformer.UNKNOWN,
                new Judging("", Optional.empty(), "", ""),
                "");
    }

    static Stream<Count> counts() {
        return Stream.of(
                new Count("amp's name", 1, 60, n -> amp(letters(n), 2)),
                new Count("sockets", 1, 8, n -> amp("Bittern", n)),
                new Count("socket's name", 1, 12, n -> new Socket(letters(n), 1, Socket.Side.A, "EL34")),
                new Count("channel", 1, 2, n -> new Socket("V1", n, Socket.Side.A, "EL34")),
                new Count("type's name", 1, 40, n -> new Socket("V1", 1, Socket.Side.A, letters(n))),
                new Count("node's name", 1, 40, n -> SupplyNode.single(letters(n), Optional.empty(), Optional.empty())),
                new Count("tubes on a point", 1, 8, n -> new SharedResistor(one(), n)),
                new Count("tubes on a side", 1, 4, n -> PlateVolts.none().withHalfPrimary(ohms(90), n)),
                new Count(
                        "screens on a resistor",
                        1,
                        8,
                        n -> new ScreenCurrent.Measured(new Typed("1 V", 1, Unit.VOLT, 0.1), one(), n)),
                new Count("target's name", 1, 60, n -> new Target.Window(letters(n), 0.5, 0.6, "")));
    }

    @ParameterizedTest
    @MethodSource("counts")
    void countsEndWhereTheySay(Count count) {
        assertThat(count.make().apply(count.low())).isNotNull();
        assertThat(count.make().apply(count.high())).isNotNull();
        assertThatThrownBy(() -> count.make().apply(count.low() - 1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> count.make().apply(count.high() + 1)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aPossibleMainsIsAboveZeroAndAtMostThreeHundred() {
        assertThat(Mains.possible(0)).isFalse();
        assertThat(Mains.possible(300)).isTrue();
        assertThat(Mains.possible(300.01)).isFalse();
    }
}
