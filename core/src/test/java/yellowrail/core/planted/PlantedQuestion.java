package yellowrail.core.planted;

import java.util.Map;
import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.sensing.CathodeMilliamps;
import yellowrail.core.amp.sensing.CathodeResistor;
import yellowrail.core.amp.sensing.CombinedPoint;
import yellowrail.core.amp.sensing.GridVoltsOnly;
import yellowrail.core.amp.sensing.HalfPrimary;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.PanelMeter;
import yellowrail.core.amp.sensing.PlateMilliamps;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.amp.sensing.SharedResistor;
import yellowrail.core.amp.sensing.SocketAdaptor;
import yellowrail.core.amp.sensing.SupplyResistor;
import yellowrail.core.idle.Circumstances;
import yellowrail.core.idle.IdleQuestion;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.idle.ScreenCurrent;
import yellowrail.core.idle.StageFacts;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.MeterText;
import yellowrail.core.reading.Pairing;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.target.Profiles;
import yellowrail.core.target.Target;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.TubeType;

/** Makes the core's question of a planted case. */
final class PlantedQuestion {
    private static final Map<String, BiasScheme> BIAS = Map.of(
            "", BiasScheme.FIXED_UNKNOWN,
            "unknown", BiasScheme.FIXED_UNKNOWN,
            "tracking", BiasScheme.FIXED_TRACKING,
            "constant", BiasScheme.FIXED_CONSTANT,
            "cathode", BiasScheme.CATHODE,
            "mixed", BiasScheme.MIXED);

    private final PlantedCases.Case asked;

    private PlantedQuestion(PlantedCases.Case asked) {
        this.asked = asked;
    }

    static IdleQuestion of(PlantedCases.Case asked) {
        return new PlantedQuestion(asked).question();
    }

    static TubeType type(String name) {
        return Catalogue.shippedType(name).orElseThrow(() -> new IllegalStateException("no type " + name));
    }

    static Optional<Typed> volts(String text) {
        return typed(text, Unit.VOLT, Prefix.NONE);
    }

    static Optional<Typed> typed(String text, Unit unit, Prefix prefix) {
        Field field = Field.of("this", unit, prefix, 0, 1e6)
                .accepting(unit == Unit.VOLT ? Unit.AMPERE : unit)
                .signed();
        return text.isEmpty()
                ? Optional.empty()
                : MeterText.understand(text, field).value();
    }

    private Optional<Typed> volt(String field) {
        return volts(asked.get(field));
    }

    private double number(String field, double otherwise) {
        return asked.get(field).isEmpty() ? otherwise : Double.parseDouble(asked.get(field));
    }

    private boolean yes(String field) {
        return asked.get(field).equals("yes");
    }

    private IdleQuestion question() {
        Optional<TubeType> type = asked.get("tube").isEmpty() ? Optional.empty() : Optional.of(type(asked.get("tube")));
        BiasScheme bias = asked.get("bias").isEmpty() && asked.get("method").equals("cathode")
                ? BiasScheme.CATHODE
                : BIAS.get(asked.get("bias"));
        Topology topology = asked.get("topology").equals("se") ? Topology.SINGLE_ENDED : Topology.PUSH_PULL;
        Connection connection = switch (asked.get("connection")) {
            case "ul" -> Connection.ULTRALINEAR;
            case "triode" -> Connection.TRIODE;
            default -> Connection.PENTODE;
        };
        StageFacts stage =
                new StageFacts(type, type.flatMap(t -> t.edition(asked.get("edition"))), topology, connection, bias);
        SensingMethod method = method(connection);
        Meter meter = meter();
        return new IdleQuestion(
                stage,
                method,
                typed(
                        asked.get("reading"),
                        method.field().unit(),
                        method.field().shown()),
                meter,
                plate(),
                meter,
                screen(),
                volt("vg2"),
                circumstances(),
                target(),
                number("ceiling", 100 * bias.usualCeiling(topology)) / 100);
    }

    private Meter meter() {
        return switch (asked.get("meter")) {
            case "basic" -> Meter.BASIC;
            case "fine" -> Meter.FINE;
            case "bench" -> Meter.BENCH;
            default -> Meter.HANDHELD;
        };
    }

    private SenseResistor resistor() {
        return new SenseResistor(
                number("r", 1), number("rtol", 1), typed(asked.get("rm"), Unit.OHM, Prefix.NONE), yes("insist"));
    }

    private SensingMethod method(Connection connection) {
        int tubes = (int) number("n", 1);
        return switch (asked.get("method")) {
            case "adaptor" ->
                new SocketAdaptor(
                        number("mvma", 1),
                        number("rtol", 1),
                        typed(asked.get("zero"), Unit.VOLT, Prefix.MILLI)
                                .map(Typed::value)
                                .orElse(0.0));
            case "shared" -> new SharedResistor(resistor(), tubes);
            case "combined" -> new CombinedPoint(resistor(), tubes, number("other", 0) / 1000);
            case "cathode" -> new CathodeResistor(resistor(), tubes);
            case "half" ->
                new HalfPrimary(
                        typed(asked.get("r"), Unit.OHM, Prefix.NONE).orElseThrow(),
                        asked.get("warm").isEmpty() ? Optional.empty() : Optional.of(number("warm", 0)),
                        tubes,
                        connection,
                        connection == Connection.ULTRALINEAR ? number("tap", 40) / 100 : 0);
            case "ma" -> new CathodeMilliamps();
            case "maplate" ->
                new PlateMilliamps(
                        asked.get("rmeter").isEmpty()
                                ? Optional.empty()
                                : Optional.of(new PlateMilliamps.Bridge(number("rmeter", 0), number("r", 0))),
                        yes("ack"));
            case "panel" ->
                new PanelMeter(
                        tubes,
                        asked.get("caldiv").isEmpty()
                                ? Optional.empty()
                                : Optional.of(new PanelMeter.Calibration(
                                        number("caldiv", 1), number("calma", 1) / 1000, 0.03)));
            case "supply" -> new SupplyResistor(resistor());
            case "grid" -> new GridVoltsOnly();
            default -> new OwnResistor(resistor());
        };
    }

    private PlateVolts plate() {
        PlateVolts.Reference reference = switch (asked.get("ref")) {
            case "cathode" -> PlateVolts.Reference.CATHODE;
            case "node" -> PlateVolts.Reference.SUPPLY_NODE;
            case "out" -> PlateVolts.Reference.TUBES_OUT;
            default -> PlateVolts.Reference.CHASSIS;
        };
        return new PlateVolts(
                reference, volt("volts"), volt("vk"), typed(asked.get("rhalf"), Unit.OHM, Prefix.NONE), (int)
                        number("side", 1));
    }

    private ScreenCurrent screen() {
        return switch (asked.get("screen")) {
            case "none" -> new ScreenCurrent.NotCounted();
            case "measured" ->
                new ScreenCurrent.Measured(
                        volt("g2drop").orElseThrow(), SenseResistor.marked(number("g2r", 1), 5), (int)
                                number("g2n", 1));
            default -> new ScreenCurrent.TypeShare();
        };
    }

    private Circumstances circumstances() {
        double nominal = number("nominal", 230);
        Optional<Double> now = asked.get("mains").isEmpty() ? Optional.empty() : Optional.of(number("mains", 0));
        Pairing pairing = Pairing.together();
        if (asked.get("pair").equals("before")) {
            Optional<Double> minutes =
                    asked.get("minutes").isEmpty() ? Optional.empty() : Optional.of(number("minutes", 0));
            Optional<Double> moved =
                    asked.get("moved").isEmpty() ? Optional.empty() : Optional.of(number("moved", 0) / 100);
            pairing = new Pairing(minutes, moved, minutes.isEmpty() || moved.isEmpty());
        }
        return new Circumstances(
                Optional.of(new Mains(now, nominal, 0.9 * nominal, number("highest", 1.1 * nominal))),
                yes("limiter"),
                yes("reduced"),
                pairing,
                asked.get("spread").isEmpty() ? Optional.empty() : Optional.of(number("spread", 0) / 100),
                Optional.empty());
    }

    private Optional<Target> target() {
        if (asked.get("target").equals("own")) {
            return Optional.of(new Window("own", number("lo", 0) / 100, number("hi", 0) / 100, ""));
        }
        return Profiles.named(asked.get("target")).map(w -> w);
    }
}
