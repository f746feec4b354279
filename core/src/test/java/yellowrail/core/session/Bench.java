package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;
import static yellowrail.core.tube.Publications.with;
import static yellowrail.core.tube.Publications.without;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.adjust.Control;
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
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.amp.sensing.SharedResistor;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Entered;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.Ticked;
import yellowrail.core.session.stops.BeforePower;
import yellowrail.core.session.stops.DrainAndClose;
import yellowrail.core.session.stops.Drained;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.Envelope;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.Publications;
import yellowrail.core.tube.RatingSystem;
import yellowrail.core.tube.ScreenShare;
import yellowrail.core.tube.TubeType;

/** Drives a session as a builder would, with a clock of its own. */
final class Bench {
    static final Window STORY = new Window("story", 0.57, 0.67, "");
    static final double OHMS = 9.94;

    final Session session;
    final List<Entry> accepted = new ArrayList<>();
    JudgingBasis standards = new JudgingBasis(Map.of("X19", x19(Optional.of(4.0))), List.of(STORY), Optional.empty());
    long now = 1_760_000_000_000L;
    private int count;

    Bench(Plan plan) {
        session = new Session(plan);
    }

    static TubeType x19(Optional<Double> screenWatts) {
        return x19(RatingSystem.DESIGN_CENTRE, screenWatts);
    }

    static TubeType x19(RatingSystem system, Optional<Double> screenWatts) {
        return new TubeType(
                "X19",
                List.of(),
                "",
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                List.of(without(
                        with(Publications.of(system, "own", 19), Limit.SCREEN_WATTS, screenWatts.orElse(null)),
                        Limit.PLATE_VOLTS,
                        Limit.SCREEN_VOLTS)),
                Optional.of(new ScreenShare(0.06, 0.02)),
                Envelope.unknown(),
                Map.of(),
                "typed in",
                true);
    }

    static final List<SupplyNode> NODES = List.of(
            SupplyNode.single("reservoir", Optional.of(180e-6), Optional.of(500.0)),
            SupplyNode.single("bias", Optional.of(47e-6), Optional.of(100.0)).belowChassis());

    static AmpDescription amp(BiasScheme bias, ControlLayout layout, int tubes, boolean shared) {
        return amp(bias, layout, tubes, shared, NODES, Optional.of(6.3));
    }

    static AmpDescription amp(
            BiasScheme bias,
            ControlLayout layout,
            int tubes,
            boolean shared,
            List<SupplyNode> nodes,
            Optional<Double> heaterVolts) {
        List<Socket> sockets = java.util.stream.IntStream.rangeClosed(1, tubes)
                .mapToObj(i -> new Socket("V" + i, 1, i <= tubes / 2 ? Side.A : Side.B, "X19"))
                .toList();
        List<String> names = sockets.stream().map(Socket::name).toList();
        SensingMethod together = bias == BiasScheme.CATHODE
                ? new CathodeResistor(SenseResistor.marked(226, 1), tubes)
                : new SharedResistor(SenseResistor.marked(0.5, 1), tubes);
        List<SenseGroup> groups = shared
                ? List.of(new SenseGroup("all", names, together))
                : names.stream()
                        .map(n -> new SenseGroup(n, List.of(n), new OwnResistor(SenseResistor.marked(OHMS, 1))))
                        .toList();
        return new AmpDescription(
                "Bench-1",
                new StageLayout(Topology.PUSH_PULL, Connection.PENTODE, 0, sockets, Optional.empty()),
                new Bias(bias, layout),
                groups,
                new Supply(
                        new Mains(Optional.empty(), 230, 220, 240),
                        nodes,
                        Optional.empty(),
                        new Windings(
                                new Windings.Heater(heaterVolts, Optional.empty()),
                                new Windings.HighTension(Optional.empty()),
                                new Windings.BiasSupply(Optional.empty()))),
                new OutputTransformer(Optional.empty()),
                new Judging("story", Optional.empty(), "", ""),
                "plug in a lead, else muted");
    }

    static Bench pair(Purpose purpose) {
        return new Bench(
                Plan.usual(amp(BiasScheme.FIXED_TRACKING, ControlLayout.PER_TUBE, 2, false), purpose, Meter.FINE));
    }

    Optional<String> tell(Event event) {
        return tell(event, "desk");
    }

    Optional<String> tell(Event event, String device) {
        Entry entry = new Entry("e" + count++, now, device, event);
        Optional<String> refused = session.refusal(entry);
        if (refused.isEmpty()) {
            session.apply(entry);
            accepted.add(entry);
        }
        return refused;
    }

    Bench did(Event event) {
        assertThat(tell(event)).as(event.toString()).isEmpty();
        return this;
    }

    Bench minutes(double minutes) {
        now += Math.round(minutes * 60_000);
        return this;
    }

    static Read read(Quantity quantity, String point, double value) {
        Unit unit = quantity.field().unit();
        if (quantity == Quantity.CURRENT) {
            unit = Unit.VOLT;
        }
        double digit = quantity == Quantity.CURRENT ? 1e-4 : quantity == Quantity.INDIVIDUAL ? 1e-5 : 0.1;
        return Read.of(quantity, point, new Typed(value + " " + unit.symbol(), value, unit, digit));
    }

    Bench reads(Quantity quantity, String point, double value) {
        return did(read(quantity, point, value));
    }

    Bench ticks(Check... checks) {
        for (Check check : checks) {
            did(new Ticked(check, "", true));
        }
        return this;
    }

    Bench enters(Stop stop) {
        return did(new Entered(stop));
    }

    Bench preflight() {
        did(new Declared(Power.OFF));
        ticks(
                BeforePower.LOAD,
                BeforePower.CONTROLS_DOWN,
                BeforePower.QUIRKS,
                BeforePower.ONE_HAND,
                BeforePower.JEWELLERY,
                BeforePower.TUBES_COOL);
        return reads(Quantity.LOAD_OHMS, "", 8);
    }

    Bench drained() {
        ticks(Drained.STANDBY_PLAY);
        reads(Quantity.RESIDUAL, "reservoir", 0.6).reads(Quantity.RESIDUAL, "bias", 0.3);
        minutes(1.1);
        reads(Quantity.RESIDUAL, "reservoir", 0.9).reads(Quantity.RESIDUAL, "bias", 0.3);
        return ticks(Drained.METER_PROVEN);
    }

    /** Off, cool, and long enough ago: tubes may move although the chassis stays closed. */
    Bench reachedFromOutside() {
        return did(new Declared(Power.OFF))
                .ticks(
                        BeforePower.LOAD,
                        BeforePower.CONTROLS_DOWN,
                        BeforePower.QUIRKS,
                        BeforePower.JEWELLERY,
                        BeforePower.TUBES_COOL,
                        Drained.STANDBY_PLAY)
                .reads(Quantity.LOAD_OHMS, "", 8)
                .minutes(1.1);
    }

    /** From the start to power on with the tubes in, by the shortest honest way of a yearly check. */
    Bench poweredUp() {
        return preflight()
                .enters(Stops.DRAINED)
                .drained()
                .enters(Stops.MAINS)
                .did(new Declared(Power.ON_TUBES_IN))
                .minutes(1)
                .reads(Quantity.MAINS, "", 230)
                .reads(Quantity.HEATER, "", 6.25);
    }

    /** Every point of a pair, currents in mA of cathode current, and plate volts to chassis. */
    Bench round(double first, double second, double volts) {
        reads(Quantity.PLATE, "V1", volts);
        reads(Quantity.CURRENT, "V1", first * OHMS / 1000);
        reads(Quantity.PLATE, "V2", volts);
        return reads(Quantity.CURRENT, "V2", second * OHMS / 1000);
    }

    /** Warm, in the window, and soaked for 35 minutes at these currents. */
    Bench soaked(double first, double second, double volts) {
        enters(Stops.WARM_UP);
        minutes(9).round(first, second, volts);
        minutes(6).round(first, second, volts);
        enters(Stops.MEASURE);
        enters(Stops.SOAK);
        for (int i = 0; i < 4; i++) {
            minutes(9).reads(Quantity.MAINS, "", 230).round(first, second, volts);
        }
        return this;
    }

    Bench closed() {
        enters(Stops.CLOSE).did(new Declared(Power.OFF)).minutes(5).drained();
        return ticks(DrainAndClose.RESTORED, DrainAndClose.LIMITER_OUT, DrainAndClose.CLAMPS);
    }

    SessionAssessment judged() {
        return SessionAssessment.of(session, standards);
    }

    Outcome outcome() {
        return Outcome.of(session, standards);
    }

    /** The state that the accepted events give when replayed. */
    Object replayed() {
        return Session.replay(session.plan(), accepted).fingerprint();
    }

    static Map<String, Control.Direction> none() {
        return new HashMap<>();
    }
}
