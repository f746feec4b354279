package yellowrail.app.demo;

import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.Socket.Side;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.Transformers;
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
                Topology.PUSH_PULL,
                Connection.PENTODE,
                0,
                BiasScheme.FIXED_TRACKING,
                ControlLayout.PER_TUBE,
                List.of(new Socket("V4", 1, Side.A, "6550"), new Socket("V5", 1, Side.B, "6550")),
                List.of(
                        new SenseGroup("V4", List.of("V4"), new OwnResistor(tenOhm(BITTERN_OHMS[0]))),
                        new SenseGroup("V5", List.of("V5"), new OwnResistor(tenOhm(BITTERN_OHMS[1])))),
                Optional.of(470.0),
                Optional.empty(),
                MAINS,
                List.of(
                        SupplyNode.single("reservoir", Optional.of(220e-6), Optional.of(500.0)),
                        SupplyNode.single("screens", Optional.of(47e-6), Optional.of(450.0)),
                        SupplyNode.single("bias supply", Optional.of(47e-6), Optional.of(100.0))),
                new Transformers(Optional.of(4200.0), Optional.of(6.3), Optional.of(5.0), Optional.of(0.25)),
                "Plug in a lead, else the output tubes stay muted.",
                "",
                "middle",
                "",
                Optional.empty());
    }

    private static SenseResistor tenOhm(double measured) {
        Typed typed = new Typed(String.valueOf(measured), measured, Unit.OHM, 0.01);
        return new SenseResistor(10, 1, Optional.of(typed), false);
    }

    static AmpDescription reedling() {
        return new AmpDescription(
                "Reedling 30",
                Topology.PUSH_PULL,
                Connection.PENTODE,
                0,
                BiasScheme.CATHODE,
                ControlLayout.CATHODE_SHARED,
                List.of(
                        new Socket("V3", 1, Side.A, "6V6GT"),
                        new Socket("V4", 1, Side.A, "6V6GT"),
                        new Socket("V5", 1, Side.B, "6V6GT"),
                        new Socket("V6", 1, Side.B, "6V6GT")),
                List.of(new SenseGroup(
                        "all",
                        List.of("V3", "V4", "V5", "V6"),
                        new CathodeResistor(SenseResistor.marked(REEDLING_OHMS, 2), 4))),
                Optional.empty(),
                Optional.empty(),
                MAINS,
                List.of(SupplyNode.single("reservoir", Optional.of(100e-6), Optional.of(450.0))),
                new Transformers(Optional.of(4000.0), Optional.empty(), Optional.empty(), Optional.empty()),
                "Tremolo at zero, else the readings pulse.",
                "",
                "cathode-bias usual",
                "",
                Optional.empty());
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
                Topology.PUSH_PULL,
                Connection.PENTODE,
                0,
                BiasScheme.FIXED_TRACKING,
                ControlLayout.LEVEL,
                sockets,
                sockets.stream()
                        .map(s -> new SenseGroup(s.name(), List.of(s.name()), new SocketAdaptor(1, 1, 0)))
                        .toList(),
                Optional.empty(),
                Optional.empty(),
                MAINS,
                List.of(SupplyNode.single("reservoir", Optional.of(100e-6), Optional.of(500.0))),
                new Transformers(Optional.of(1900.0), Optional.of(6.3), Optional.of(7.0), Optional.empty()),
                "",
                "",
                "middle",
                "",
                Optional.empty());
    }

    static AmpDescription avocet() {
        return new AmpDescription(
                "Avocet Stereo",
                Topology.PUSH_PULL,
                Connection.PENTODE,
                0,
                BiasScheme.FIXED_TRACKING,
                ControlLayout.PER_SIDE,
                List.of(
                        new Socket("V5", 1, Side.A, "7591"),
                        new Socket("V6", 1, Side.B, "7591"),
                        new Socket("V7", 2, Side.A, "7591"),
                        new Socket("V8", 2, Side.B, "7591")),
                List.of(
                        new SenseGroup(
                                "channel 1",
                                List.of("V5", "V6"),
                                new CombinedPoint(SenseResistor.marked(AVOCET_OHMS, 1), 2, 0)),
                        new SenseGroup(
                                "channel 2",
                                List.of("V7", "V8"),
                                new CombinedPoint(SenseResistor.marked(AVOCET_OHMS, 1), 2, 0))),
                Optional.empty(),
                Optional.empty(),
                MAINS,
                List.of(SupplyNode.single("reservoir", Optional.of(150e-6), Optional.of(500.0))),
                new Transformers(Optional.of(6600.0), Optional.of(6.3), Optional.empty(), Optional.empty()),
                "",
                "62 mV",
                "middle",
                "",
                Optional.empty());
    }
}
