package yellowrail.core.adjust;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import yellowrail.core.Pinned;
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
import yellowrail.core.amp.sensing.HalfPrimary;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.amp.sensing.SharedResistor;
import yellowrail.core.idle.Permitted;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Connection;

/** What is advised in three hundred seeded situations: every layout of controls, hot, cold, apart, with and without a supply. */
class PlantedTurnsTest {
    private static final int TURNS = 300;
    private static final Window WINDOW = new Window("middle", 0.60, 0.70, "");

    private final Random random = new Random(2);

    private AmpDescription amp() {
        ControlLayout layout = ControlLayout.values()[random.nextInt(ControlLayout.values().length)];
        int tubes = random.nextInt(3) == 0 ? 4 : 2;
        List<Socket> sockets = IntStream.rangeClosed(1, tubes)
                .mapToObj(i -> new Socket("V" + i, 1, i <= tubes / 2 ? Side.A : Side.B, "X19"))
                .toList();
        List<String> names = sockets.stream().map(Socket::name).toList();
        SenseResistor ten = SenseResistor.marked(10, 1);
        int kind = random.nextInt(4);
        List<SenseGroup> groups = kind == 0
                ? List.of(new SenseGroup("all", names, new SharedResistor(SenseResistor.marked(1, 1), tubes)))
                : kind == 1 && tubes == 4
                        ? List.of(
                                new SenseGroup("A", names.subList(0, 2), new SharedResistor(ten, 2)),
                                new SenseGroup("B", names.subList(2, 4), new SharedResistor(ten, 2)))
                        : names.stream()
                                .map(n -> new SenseGroup(
                                        n,
                                        List.of(n),
                                        kind == 2 && tubes == 2
                                                ? new HalfPrimary(
                                                        Typed.of(90, Unit.OHM),
                                                        Optional.of(20.0),
                                                        1,
                                                        Connection.PENTODE,
                                                        0)
                                                : new OwnResistor(ten)))
                                .toList();
        return new AmpDescription(
                "Bench-2",
                new StageLayout(Topology.PUSH_PULL, Connection.PENTODE, 0, sockets, Optional.empty()),
                new Bias(random.nextInt(8) == 0 ? BiasScheme.CATHODE : BiasScheme.FIXED_TRACKING, layout),
                groups,
                new Supply(Mains.around(230, Optional.empty()), List.of(), Optional.empty(), Windings.UNKNOWN),
                OutputTransformer.UNKNOWN,
                new Judging("middle", Optional.empty(), "", ""),
                "");
    }

    private Optional<Permitted> permitted() {
        return switch (random.nextInt(4)) {
            case 0 -> {
                double share = 0.4 + 0.4 * random.nextDouble();
                Typed reading = new Typed("", share / 2, Unit.VOLT, 0.001);
                yield Optional.of(new Permitted(
                        share,
                        19 * share,
                        19 * share / 400,
                        Optional.of(reading),
                        share + 0.01,
                        "the rating",
                        random.nextInt(5) == 0,
                        false));
            }
            case 1 ->
                random.nextInt(6) == 0
                        ? Optional.of(new Permitted(0, 0, 0, Optional.empty(), 0, "the plate-volt limit", false, false))
                        : Optional.empty();
            default -> Optional.empty();
        };
    }

    private TubeNow tube(AmpDescription amp, Socket socket, double volts, double middle) {
        SenseGroup group = amp.groups().stream()
                .filter(g -> g.sockets().contains(socket.name()))
                .findFirst()
                .orElseThrow();
        SensingMethod method = group.method();
        double plate = middle * (1 + 0.12 * random.nextGaussian());
        List<TubeNow.GridPoint> grids = new ArrayList<>();
        for (int i = random.nextInt(4); i > 0; i--) {
            grids.add(new TubeNow.GridPoint(-38 + i * (0.3 + random.nextDouble()), plate * (1 - 0.05 * i)));
        }
        Optional<Window> own =
                random.nextInt(8) == 0 ? Optional.of(new Window("as hot", 0.45, 0.5, "")) : Optional.empty();
        return new TubeNow(
                socket,
                plate,
                plate * 0.06,
                volts,
                0.01 + 0.04 * random.nextDouble(),
                19,
                group.name(),
                method,
                group.sockets().size() == 1,
                grids,
                own,
                permitted());
    }

    private SupplySag sag() {
        if (random.nextInt(4) == 0) {
            return new SupplySag.Refused("not known");
        }
        double ohms = 100 + 900 * random.nextDouble();
        return new SupplySag.Known(ohms, 0.2 * ohms, 440);
    }

    @Test
    void areAdvisedAsTheyWere() throws IOException {
        List<String> lines = new ArrayList<>();
        for (int i = 0; i < TURNS; i++) {
            AmpDescription amp = amp();
            double volts = 380 + 60 * random.nextDouble();
            double middle = 0.018 + 0.022 * random.nextDouble();
            List<TubeNow> tubes =
                    amp.sockets().stream().map(s -> tube(amp, s, volts, middle)).toList();
            Map<String, Control.Direction> directions = new TreeMap<>();
            Control.of(amp)
                    .forEach(c -> directions.put(
                            c.name(), Control.Direction.values()[random.nextInt(Control.Direction.values().length)]));
            Advice advice = NextTurn.of(amp, tubes, WINDOW, sag(), directions);
            lines.add(i + " " + amp.bias().controls() + " " + Pinned.figures(advice));
        }
        Pinned.same("turns.txt", lines);
    }
}
