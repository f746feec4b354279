package yellowrail.core.round;

import static org.junit.jupiter.params.provider.Arguments.arguments;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.params.provider.Arguments;
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
import yellowrail.core.amp.sensing.SharedResistor;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Pairing;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.target.Profiles;
import yellowrail.core.target.Target;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.TubeType;

/** What the tests of this kind share. */
abstract class RoundBench {
    static final Map<String, TubeType> TYPES =
            Map.of("6550", ((Lookup.Found) Catalogue.shipped().find("6550")).type());
    static final List<Socket> QUAD = List.of(
            new Socket("V1", 1, Side.A, "6550"),
            new Socket("V2", 1, Side.A, "6550"),
            new Socket("V3", 1, Side.B, "6550"),
            new Socket("V4", 1, Side.B, "6550"));

    static AmpDescription amp(List<SenseGroup> groups) {
        return new AmpDescription(
                "Harrier 120",
                new StageLayout(Topology.PUSH_PULL, Connection.PENTODE, 0, QUAD, Optional.empty()),
                new Bias(BiasScheme.FIXED_TRACKING, ControlLayout.PER_TUBE),
                groups,
                new Supply(Mains.around(230, Optional.empty()), List.of(), Optional.of(60.0), Windings.UNKNOWN),
                OutputTransformer.UNKNOWN,
                new Judging("middle", Optional.empty(), "", ""),
                "");
    }

    static final AmpDescription OWN = amp(QUAD.stream()
            .map(s -> new SenseGroup(s.name(), List.of(s.name()), new OwnResistor(SenseResistor.marked(10, 1))))
            .toList());
    static final AmpDescription SHARED = amp(List.of(new SenseGroup(
            "all", List.of("V1", "V2", "V3", "V4"), new SharedResistor(SenseResistor.marked(0.5, 1), 4))));

    static Typed volts(double value) {
        return Typed.of(value, Unit.VOLT);
    }

    static RoundReadings readings(
            Map<String, Typed> points, Map<String, Typed> individual, Map<String, Typed> plate, Optional<Typed> choke) {
        return readings(Optional.of(230.0), points, individual, plate, choke);
    }

    static RoundReadings readings(
            Optional<Double> mains,
            Map<String, Typed> points,
            Map<String, Typed> individual,
            Map<String, Typed> plate,
            Optional<Typed> choke) {
        return new RoundReadings(
                Meter.FINE,
                PlateVolts.Reference.CHASSIS,
                mains,
                false,
                false,
                Pairing.together(),
                Optional.empty(),
                points,
                individual,
                plate,
                Map.of(),
                Map.of("V1", volts(280)),
                Map.of(),
                choke,
                Map.of());
    }

    static RoundAnswer check(AmpDescription amp, RoundReadings readings) {
        Optional<Target> target = Profiles.named("middle").map(w -> w);
        return RoundCheck.check(amp, TYPES, readings, target, Profiles.SHIPPED);
    }

    static Map<String, Typed> four(double... values) {
        Map<String, Typed> map = new HashMap<>();
        for (int i = 0; i < values.length; i++) {
            map.put("V" + (i + 1), volts(values[i]));
        }
        return map;
    }

    /** One line: what is planted, the readings of it, and whether an expert calls it plainly fine. */
    static Stream<Arguments> planted() {
        return Stream.of(
                arguments("a quad at 60 %", four(0.5, 0.5, 0.5, 0.5), four(421, 421, 421, 421), 12.0, 230.0, 0.0, true),
                arguments(
                        "plates two volts apart",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(421, 421, 419, 419),
                        12.0,
                        230.0,
                        0.0,
                        true),
                arguments(
                        "a choke within a tenth",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(421, 421, 421, 421),
                        12.9,
                        230.0,
                        0.0,
                        true),
                arguments(
                        "a mains that moved a volt",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(421, 421, 421, 421),
                        12.0,
                        230.0,
                        0.004,
                        true),
                arguments(
                        "plates of 430 and 395 V",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(430, 430, 395, 395),
                        12.0,
                        230.0,
                        0.0,
                        false),
                arguments(
                        "plates of one side apart",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(421, 412, 421, 421),
                        12.0,
                        230.0,
                        0.0,
                        false),
                arguments(
                        "no drop over the choke",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(421, 421, 421, 421),
                        0.0,
                        230.0,
                        0.0,
                        false),
                arguments(
                        "half the current in the choke",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(421, 421, 421, 421),
                        6.0,
                        230.0,
                        0.0,
                        false),
                arguments(
                        "twice the current in the choke",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(421, 421, 421, 421),
                        24.0,
                        230.0,
                        0.0,
                        false),
                arguments(
                        "a mains that moved four per cent",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(421, 421, 421, 421),
                        12.0,
                        230.0,
                        0.04,
                        false),
                arguments(
                        "a stored mains of 470 V",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(421, 421, 421, 421),
                        12.0,
                        470.0,
                        0.0,
                        false),
                arguments(
                        "a mains of 270 V",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(421, 421, 421, 421),
                        12.0,
                        270.0,
                        0.0,
                        false),
                arguments("three of four read", four(0.5, 0.5, 0.5), four(421, 421, 421, 421), 12.0, 230.0, 0.0, false),
                arguments(
                        "one tube above its rating",
                        four(0.5, 0.5, 0.5, 0.95),
                        four(421, 421, 421, 421),
                        14.7,
                        230.0,
                        0.0,
                        false));
    }

    static RoundReadings moved(
            Map<String, Typed> points, Map<String, Typed> plate, double choke, double mains, double moved) {
        return readings(Optional.of(mains), points, Map.of(), plate, Optional.of(volts(choke)))
                .mainsMoved(Optional.of(moved));
    }

    static Map<String, Typed> some(java.util.Random random, double[] extremes, Unit unit, String... names) {
        Map<String, Typed> map = new HashMap<>();
        for (String name : names) {
            if (random.nextInt(4) > 0) {
                map.put(name, Typed.of(extremes[random.nextInt(extremes.length)], unit));
            }
        }
        return map;
    }
}
