package yellowrail.planted;

import yellowrail.core.amp.OutputTransformer;
import yellowrail.core.amp.Windings;
import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Judging;
import yellowrail.core.amp.Supply;
import yellowrail.core.amp.Bias;
import yellowrail.core.amp.StageLayout;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.tube.Connection;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.amp.sensing.SharedResistor;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.amp.Topology;

/** The amps of the planted evenings: pairs on 230 V with a resistor of 10 Ω in each cathode, two nodes and 6.3 V heaters. */
public final class PlantedAmps {
    private PlantedAmps() {}

    public static AmpDescription of(String name) {
        return switch (name) {
            case "pair" -> pair(name, "EL34", BiasScheme.FIXED_TRACKING, "middle", false);
            case "held" -> pair(name, "EL34", BiasScheme.FIXED_CONSTANT, "middle", false);
            case "shared" -> pair(name, "EL34", BiasScheme.FIXED_TRACKING, "middle", true);
            case "level" ->
                pair(name, "EL34", BiasScheme.FIXED_TRACKING, ControlLayout.LEVEL, "middle", false);
            case "balance" ->
                pair(name, "EL34", BiasScheme.FIXED_TRACKING, ControlLayout.LEVEL_AND_BALANCE, "middle", false);
            case "unknown" ->
                pair(name, "EL34", BiasScheme.FIXED_UNKNOWN, ControlLayout.PER_SIDE, "middle", false);
            case "common" ->
                pair(name, "EL84", BiasScheme.CATHODE, ControlLayout.CATHODE_SHARED, "cathode-bias usual", true);
            case "cathode" -> pair(name, "EL84", BiasScheme.CATHODE, "cathode-bias usual", false);
            default -> throw new IllegalArgumentException("no planted amp " + name);
        };
    }

    private static AmpDescription pair(String name, String type, BiasScheme bias, String target, boolean shared) {
        ControlLayout controls = bias == BiasScheme.CATHODE ? ControlLayout.CATHODE_OWN : ControlLayout.PER_TUBE;
        return pair(name, type, bias, controls, target, shared);
    }

    private static AmpDescription pair(
            String name, String type, BiasScheme bias, ControlLayout controls, String target, boolean shared) {
        List<Socket> sockets =
                List.of(new Socket("V1", 1, Socket.Side.A, type), new Socket("V2", 1, Socket.Side.B, type));
        return new AmpDescription("Planted " + name, new StageLayout(Topology.PUSH_PULL, Connection.PENTODE, 0, sockets, Optional.empty()), new Bias(bias, controls), shared
                        ? List.of(new SenseGroup(
                                "both", List.of("V1", "V2"), new SharedResistor(SenseResistor.marked(10, 1), 2)))
                        : sockets.stream()
                                .map(s -> new SenseGroup(
                                        s.name(), List.of(s.name()), new OwnResistor(SenseResistor.marked(10, 1))))
                                .toList(), new Supply(new Mains(Optional.empty(), 230, 207, 253), List.of(
                        SupplyNode.single("reservoir", Optional.of(100e-6), Optional.of(500.0)),
                        SupplyNode.single("bias", Optional.of(47e-6), Optional.of(100.0)).belowChassis()), Optional.empty(), Windings.heater(6.3)), OutputTransformer.UNKNOWN, new Judging(target, Optional.empty(), "", ""), "");
    }
}
