package yellowrail.core.swap;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Duty;
import yellowrail.core.amp.Topology;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.GridSupply;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.stage.StageTube;
import yellowrail.core.swap.Chassis.BiasControl;
import yellowrail.core.swap.Chassis.HeaterWinding;
import yellowrail.core.swap.Chassis.HighTension;
import yellowrail.core.swap.Chassis.Output;
import yellowrail.core.swap.Chassis.SocketWiring;
import yellowrail.core.tube.Connection;

/** Every difference between a sheet and the amp it is to be accepted for is named; what differs by rounding is none. */
class MadeForTest {
    private static final Present AMP = Swaps.fixed("EL34", 2, 400, 4000, 0.6);
    private static final Chassis AROUND = Around.generous();

    private static Present with(Stage stage, double idle, BiasScheme scheme, double lowest, double highest) {
        return new Present(
                AMP.type(),
                AMP.ratings(),
                AMP.trust(),
                new StageSetting(stage, 25, idle, 1, 1, GridSupply.FOLLOWS, Duty.TONE),
                scheme,
                lowest,
                highest,
                1,
                List.of());
    }

    private static Present with(Stage stage) {
        return with(stage, 0.6, AMP.scheme(), 0.9, 1.1);
    }

    private static Stage stage() {
        return AMP.setting().described();
    }

    /** Supply volts and ohms, screen supply and feed, half primary and secondary, load. */
    private static Stage figures(double... f) {
        Stage s = stage();
        return new Stage(
                s.topology(),
                s.connection(),
                s.screenTap(),
                f[0],
                f[1],
                f[2],
                f[3],
                f[4],
                f[5],
                f[6],
                s.tubes(),
                s.biasing());
    }

    private static double[] own() {
        Stage s = stage();
        return new double[] {
            s.supplyVolts(),
            s.supplyOhms(),
            s.screenSupplyVolts(),
            s.screenFeedOhms(),
            s.halfPrimaryOhms(),
            s.secondaryOhms(),
            s.loadOhms()
        };
    }

    private static Stage with(int figure, double value) {
        double[] f = own();
        f[figure] = value;
        return figures(f);
    }

    private static Stage tube(StageTube second) {
        return stage().tubed(List.of(stage().tubes().get(0), second));
    }

    static Stream<Arguments> differences() {
        StageTube own = stage().tubes().get(1);
        return Stream.of(
                Arguments.of(with(with(0, 430)), "B+ without load: 400.0 V in the amp, 430.0 V on the sheet"),
                Arguments.of(with(with(1, 150)), "source resistance"),
                Arguments.of(with(with(2, 300)), "screen supply: none in the amp"),
                Arguments.of(with(with(3, 470)), "screen feed"),
                Arguments.of(with(with(4, 2 * stage().halfPrimaryOhms())), "half primary"),
                Arguments.of(with(with(5, 30)), "secondary's copper"),
                Arguments.of(with(with(6, 6600)), "load: 4000 Ω in the amp"),
                Arguments.of(with(stage().connected(Connection.TRIODE, 0)), "connection"),
                Arguments.of(
                        with(tube(new StageTube(own.model(), 1, 0.8, 470, 0))),
                        "strength of tube 2: 1 in the amp, 0.8"),
                Arguments.of(with(tube(new StageTube(own.model(), 1, 1, 1000, 0))), "screen resistor of tube 2"),
                Arguments.of(with(tube(new StageTube(own.model(), 1, 1, 470, 1))), "grid apart of tube 2"),
                Arguments.of(with(stage().biased(Biasing.cathode(220, true))), "cathode resistor"),
                Arguments.of(with(stage(), 0.5, AMP.scheme(), 0.9, 1.1), "present idle: 60.0 % in the amp, 50.0 %"),
                Arguments.of(with(stage(), 0.6, BiasScheme.FIXED_CONSTANT, 0.9, 1.1), "bias: "),
                Arguments.of(
                        AMP.playing(Duty.MUSIC), "what is played: test tone in the amp, music at home on the sheet"),
                Arguments.of(with(stage(), 0.6, AMP.scheme(), 0.8, 1.1), "lowest mains"),
                Arguments.of(with(stage(), 0.6, AMP.scheme(), 0.9, 1.02), "highest mains"),
                Arguments.of(Swaps.fixed("EL34", 4, 400, 4000, 0.6), "tubes in a channel: 2 in the amp, 4"),
                Arguments.of(Swaps.fixed("6L6GC", 2, 400, 4000, 0.6), "tubes: EL34 in the amp, 6L6GC on the sheet"),
                Arguments.of(Swaps.single("EL34", 400, 4000, 300), "topology"));
    }

    @ParameterizedTest(name = "{1}")
    @MethodSource("differences")
    void isNamed(Present sheet, String said) {
        assertThat(MadeFor.differences(AMP, AROUND, sheet, AROUND)).anyMatch(d -> d.startsWith(said));
    }

    static Stream<Arguments> around() {
        return Stream.of(
                Arguments.of(new HeaterWinding(Optional.of(9.0), Optional.of(0.6), 0), "heater winding"),
                Arguments.of(
                        new HeaterWinding(Optional.empty(), Optional.of(0.6), 0),
                        "heater winding: 20.00 A in the amp, none"),
                Arguments.of(
                        new HighTension(Optional.of(0.2), Optional.of(0.0), Optional.of(0.02)), "high-tension winding"),
                Arguments.of(new Output(Optional.of(0.1), Optional.of(true)), "core current"),
                Arguments.of(new BiasControl(Optional.of(-70.0), Optional.of(-5.0)), "coldest end of the bias"),
                Arguments.of(new BiasControl(Optional.of(-90.0), Optional.of(-15.0)), "hottest end of the bias"),
                Arguments.of(
                        new SocketWiring(
                                Optional.empty(),
                                Optional.empty(),
                                Optional.empty(),
                                false,
                                Optional.of(10.0),
                                Optional.empty()),
                        "resistor from a cathode to the chassis"));
    }

    @ParameterizedTest(name = "{1}")
    @MethodSource("around")
    void whatTheAmpTellsAroundItsTubes(Chassis.Part part, String said) {
        assertThat(MadeFor.differences(AMP, AROUND, AMP, Around.with(part)))
                .singleElement()
                .asString()
                .startsWith(said);
        assertThat(MadeFor.differences(AMP, AROUND, AMP, AROUND.channels(2)))
                .containsExactly("channels on one supply: 1 in the amp, 2 on the sheet");
    }

    /** Shown in three or four digits, a figure differs by less than one per cent from itself. */
    @Test
    void roundingIsNoDifference() {
        double[] f = own();
        for (int i = 0; i < f.length; i++) {
            f[i] *= 1.004;
        }
        assertThat(MadeFor.differences(AMP, AROUND, AMP, AROUND)).isEmpty();
        assertThat(MadeFor.differences(AMP, AROUND, with(figures(f), 0.604, AMP.scheme(), 0.905, 1.104), AROUND))
                .isEmpty();
        StageTube own = stage().tubes().get(1);
        assertThat(MadeFor.differences(AMP, AROUND, with(tube(new StageTube(own.model(), 1, 1.004, 472, 0.1))), AROUND))
                .isEmpty();
        assertThat(AMP.stage().topology()).isEqualTo(Topology.PUSH_PULL);
        // A resistor at the cathodes that the sheet leaves open is the stricter, and no other amp's.
        assertThat(MadeFor.differences(
                        AMP,
                        AROUND,
                        AMP,
                        Around.with(new SocketWiring(
                                Optional.empty(),
                                Optional.empty(),
                                Optional.empty(),
                                false,
                                Optional.empty(),
                                Optional.empty()))))
                .isEmpty();
    }

    /** One resistor for all cathodes is another stage than one at each, of the same ohms. */
    @Test
    void cathodeResistors() {
        Present shared = with(stage().biased(Biasing.cathode(220, true)));
        Present each = with(stage().biased(Biasing.cathode(220, false)));
        assertThat(MadeFor.differences(shared, AROUND, shared, AROUND)).isEmpty();
        assertThat(MadeFor.differences(shared, AROUND, each, AROUND))
                .containsExactly("cathode resistor: one for all in the amp, one at each tube on the sheet");
        assertThat(MadeFor.differences(each, AROUND, shared, AROUND))
                .containsExactly("cathode resistor: one at each tube in the amp, one for all on the sheet");
        assertThat(MadeFor.differences(shared, AROUND, AMP, AROUND))
                .singleElement()
                .asString()
                .startsWith("cathode resistor: 220");
    }

    /** A tap counts where screens are at taps, and there alone. */
    @Test
    void screenTaps() {
        Present low = with(stage().connected(Connection.ULTRALINEAR, 0.4));
        Present high = with(stage().connected(Connection.ULTRALINEAR, 0.43));
        assertThat(MadeFor.differences(low, AROUND, low, AROUND)).isEmpty();
        assertThat(MadeFor.differences(low, AROUND, high, AROUND))
                .containsExactly("screen tap: 40.0 % in the amp, 43.0 % on the sheet");
        assertThat(MadeFor.differences(low, AROUND, AMP, AROUND))
                .singleElement()
                .asString()
                .startsWith("connection");
    }
}
