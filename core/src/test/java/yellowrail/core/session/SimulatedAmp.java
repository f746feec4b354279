package yellowrail.core.session;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Bias;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.amp.Judging;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.OutputTransformer;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.StageLayout;
import yellowrail.core.amp.Supply;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.Windings;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.tube.Connection;

/** A push-pull stage with a sense resistor at each tube, for turns that are simulated. */
final class SimulatedAmp {
    private SimulatedAmp() {}

    static AmpDescription of(String type, boolean held, int tubes, ControlLayout layout) {
        List<Socket> sockets = IntStream.rangeClosed(1, tubes)
                .mapToObj(i -> new Socket("V" + i, 1, i <= tubes / 2 ? Socket.Side.A : Socket.Side.B, type))
                .toList();
        return new AmpDescription(
                "Simulated",
                new StageLayout(Topology.PUSH_PULL, Connection.PENTODE, 0, sockets, Optional.empty()),
                new Bias(held ? BiasScheme.FIXED_CONSTANT : BiasScheme.FIXED_TRACKING, layout),
                sockets.stream()
                        .map(s -> new SenseGroup(
                                s.name(), List.of(s.name()), new OwnResistor(SenseResistor.marked(10, 1))))
                        .toList(),
                new Supply(new Mains(Optional.empty(), 230, 218, 236), List.of(), Optional.empty(), Windings.UNKNOWN),
                OutputTransformer.UNKNOWN,
                new Judging("middle", Optional.empty(), "", ""),
                "");
    }
}
