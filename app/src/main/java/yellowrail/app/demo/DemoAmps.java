package yellowrail.app.demo;

import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Bias;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.amp.Judging;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.OutputTransformer;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.Socket.Side;
import yellowrail.core.amp.StageLayout;
import yellowrail.core.amp.Supply;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.Windings;
import yellowrail.core.amp.sensing.CathodeResistor;
import yellowrail.core.amp.sensing.CombinedPoint;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.amp.sensing.SocketAdaptor;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.TubeModel;
import yellowrail.core.tube.TubeModels;

/** The descriptions of the three demo amps, named after marsh birds. */
final class DemoAmps {
    static final double[] BITTERN_OHMS = {9.94, 10.02};
    static final double REEDLING_OHMS = 110;
    static final double AVOCET_OHMS = 1.0;

    private static final Mains MAINS = new Mains(Optional.empty(), 230, 216, 244);

    private DemoAmps() {}

    static TubeModel model(String type) {
        return TubeModels.of(type).orElseThrow();
    }

    static AmpDescription bittern() {
        return new AmpDescription(
                "Bittern 60",
                new StageLayout(
                        Topology.PUSH_PULL,
                        Connection.PENTODE,
                        0,
                        List.of(new Socket("V4", 1, Side.A, "6550"), new Socket("V5", 1, Side.B, "6550")),
                        Optional.of(470.0)),
                new Bias(BiasScheme.FIXED_TRACKING, ControlLayout.PER_TUBE),
                List.of(
                        new SenseGroup("V4", List.of("V4"), new OwnResistor(tenOhm(BITTERN_OHMS[0]))),
                        new SenseGroup("V5", List.of("V5"), new OwnResistor(tenOhm(BITTERN_OHMS[1])))),
                new Supply(
                        MAINS,
                        List.of(
                                SupplyNode.single("reservoir", Optional.of(220e-6), Optional.of(500.0)),
                                SupplyNode.single("screens", Optional.of(47e-6), Optional.of(450.0)),
                                SupplyNode.single("bias supply", Optional.of(47e-6), Optional.of(100.0))
                                        .belowChassis()),
                        Optional.empty(),
                        new Windings(
                                new Windings.Heater(Optional.of(6.3), Optional.of(5.0)),
                                new Windings.HighTension(Optional.of(0.25)),
                                new Windings.BiasSupply(Optional.empty()))),
                new OutputTransformer(Optional.of(4200.0)),
                new Judging("middle", Optional.empty(), "", ""),
                "Plug in a lead, else the output tubes stay muted.");
    }

    private static SenseResistor tenOhm(double measured) {
        Typed typed = new Typed(String.valueOf(measured), measured, Unit.OHM, 0.01);
        return new SenseResistor(10, 1, Optional.of(typed), false);
    }

    static AmpDescription reedling() {
        return new AmpDescription(
                "Reedling 30",
                new StageLayout(
                        Topology.PUSH_PULL,
                        Connection.PENTODE,
                        0,
                        List.of(
                                new Socket("V3", 1, Side.A, "6V6GT"),
                                new Socket("V4", 1, Side.A, "6V6GT"),
                                new Socket("V5", 1, Side.B, "6V6GT"),
                                new Socket("V6", 1, Side.B, "6V6GT")),
                        Optional.empty()),
                new Bias(BiasScheme.CATHODE, ControlLayout.CATHODE_SHARED),
                List.of(new SenseGroup(
                        "all",
                        List.of("V3", "V4", "V5", "V6"),
                        new CathodeResistor(SenseResistor.marked(REEDLING_OHMS, 2), 4))),
                new Supply(
                        MAINS,
                        List.of(SupplyNode.single("reservoir", Optional.of(100e-6), Optional.of(450.0))),
                        Optional.empty(),
                        Windings.UNKNOWN),
                new OutputTransformer(Optional.of(4000.0)),
                new Judging("cathode-bias usual", Optional.empty(), "", ""),
                "Tremolo at zero, else the readings pulse.");
    }

    /** Four tubes read with the one adaptor there is. */
    static AmpDescription curlew() {
        List<Socket> sockets = List.of(
                new Socket("V3", 1, Side.A, "EL34"),
                new Socket("V4", 1, Side.A, "EL34"),
                new Socket("V5", 1, Side.B, "EL34"),
                new Socket("V6", 1, Side.B, "EL34"));
        return new AmpDescription(
                "Curlew 100",
                new StageLayout(Topology.PUSH_PULL, Connection.PENTODE, 0, sockets, Optional.empty()),
                new Bias(BiasScheme.FIXED_TRACKING, ControlLayout.LEVEL),
                sockets.stream()
                        .map(s -> new SenseGroup(s.name(), List.of(s.name()), new SocketAdaptor(1, 1, 0)))
                        .toList(),
                new Supply(
                        MAINS,
                        List.of(SupplyNode.single("reservoir", Optional.of(100e-6), Optional.of(500.0))),
                        Optional.empty(),
                        new Windings(
                                new Windings.Heater(Optional.of(6.3), Optional.of(7.0)),
                                Windings.UNKNOWN.highTension(),
                                Windings.UNKNOWN.bias())),
                new OutputTransformer(Optional.of(1900.0)),
                new Judging("middle", Optional.empty(), "", ""),
                "");
    }

    static AmpDescription avocet() {
        return new AmpDescription(
                "Avocet Stereo",
                new StageLayout(
                        Topology.PUSH_PULL,
                        Connection.PENTODE,
                        0,
                        List.of(
                                new Socket("V5", 1, Side.A, "7591"),
                                new Socket("V6", 1, Side.B, "7591"),
                                new Socket("V7", 2, Side.A, "7591"),
                                new Socket("V8", 2, Side.B, "7591")),
                        Optional.empty()),
                new Bias(BiasScheme.FIXED_TRACKING, ControlLayout.PER_SIDE),
                List.of(
                        new SenseGroup(
                                "channel 1",
                                List.of("V5", "V6"),
                                new CombinedPoint(SenseResistor.marked(AVOCET_OHMS, 1), 2, 0)),
                        new SenseGroup(
                                "channel 2",
                                List.of("V7", "V8"),
                                new CombinedPoint(SenseResistor.marked(AVOCET_OHMS, 1), 2, 0))),
                new Supply(
                        MAINS,
                        List.of(SupplyNode.single("reservoir", Optional.of(150e-6), Optional.of(500.0))),
                        Optional.empty(),
                        Windings.heater(6.3)),
                new OutputTransformer(Optional.of(6600.0)),
                new Judging("middle", Optional.empty(), "", "62 mV"),
                "");
    }
}
