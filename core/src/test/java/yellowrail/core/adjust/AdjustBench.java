package yellowrail.core.adjust;

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
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.Windings;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Connection;

/** What the tests of this kind share. */
abstract class AdjustBench {
    static final Window AT_62 = new Window("story", 0.60, 0.64, "");
    static final double OHMS = 9.94;

    static AmpDescription amp(ControlLayout layout, int tubes) {
        List<Socket> sockets = java.util.stream.IntStream.rangeClosed(1, tubes)
                .mapToObj(i -> new Socket("V" + i, 1, i <= tubes / 2 ? Side.A : Side.B, "X19"))
                .toList();
        return new AmpDescription(
                "Bench-1",
                new StageLayout(Topology.PUSH_PULL, Connection.PENTODE, 0, sockets, Optional.empty()),
                new Bias(BiasScheme.FIXED_TRACKING, layout),
                sockets.stream()
                        .map(s -> new SenseGroup(
                                s.name(), List.of(s.name()), new OwnResistor(SenseResistor.marked(OHMS, 1))))
                        .toList(),
                new Supply(Mains.around(230, Optional.empty()), List.of(), Optional.empty(), Windings.UNKNOWN),
                OutputTransformer.UNKNOWN,
                new Judging("story", Optional.empty(), "", ""),
                "");
    }

    /** A tube with this cathode current, a 6 % screen share and 19 W. */
    static TubeNow tube(AmpDescription amp, int index, double cathode, double volts) {
        Socket socket = amp.sockets().get(index);
        return new TubeNow(
                socket,
                cathode * 0.94,
                cathode * 0.06,
                volts,
                0.03,
                19,
                socket.name(),
                amp.groups().get(index).method(),
                true,
                List.of());
    }

    static final SupplySag SAG = SupplySag.between(
            new SupplySag.Load(0.0516, 406.8, 0.0001, 0.1, Optional.of(230.0), 0),
            new SupplySag.Load(0.0658, 396.5, 0.0001, 0.1, Optional.of(230.0), 0));

    static MainsExponent.Reading at(double watts, double mains) {
        return new MainsExponent.Reading(watts, 0.002, mains, 0.001);
    }
}
