package yellowrail.app.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import yellowrail.app.amps.Amp;
import yellowrail.app.bench.SessionStore;
import yellowrail.core.adjust.Control;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Power;
import yellowrail.core.session.Purpose;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.DirectionSeen;
import yellowrail.core.session.events.LimiterSet;
import yellowrail.core.session.events.Noted;
import yellowrail.core.session.events.Placed;
import yellowrail.core.session.events.SignedOff;
import yellowrail.core.session.events.Ticked;
import yellowrail.core.session.events.Tiered;
import yellowrail.core.session.events.Turned;
import yellowrail.core.session.stops.BeforePower;
import yellowrail.core.session.stops.DrainAndClose;
import yellowrail.core.session.stops.Drained;
import yellowrail.core.session.stops.Play;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.session.stops.TubesIn;
import yellowrail.core.session.stops.TubesOut;
import yellowrail.core.standin.SimulatedStage;

/** One finished and one half-done session of the demo amp, read off a simulated stage with a simulated meter. */
final class DemoSessions extends DemoBench {
    private static final List<String> SOCKETS = List.of("V4", "V5");
    private static final List<String> NODES = List.of("reservoir", "screens", "bias supply");

    private double mains = 231;
    private List<Double> strengths = List.of(1.02, 0.94);
    private List<Double> trims = List.of(-5.5, -5.0);

    DemoSessions(SessionStore sessions, Amp amp) {
        super(sessions, amp);
    }

    /** New tubes, set in three rounds, soaked, played, signed: proven. */
    void finished(UUID id) {
        begin(
                id,
                Purpose.NEW_TUBES,
                LocalDate.now().minusDays(9).atTime(LocalTime.of(18, 30)).toInstant(ZoneOffset.UTC));
        preflight();
        place("V4", "T-031");
        place("V5", "T-032");
        enter(Stops.TUBES_OUT);
        tell(new LimiterSet(false));
        tell(new Declared(Power.ON_TUBES_OUT));
        minutes(3);
        read(Quantity.MAINS, "", mains, Unit.VOLT);
        for (String node : NODES) {
            read(
                    Quantity.UNLOADED,
                    node,
                    node.equals("reservoir") ? 458 : node.equals("screens") ? 332 : -62.4,
                    Unit.VOLT);
        }
        read(Quantity.HEATER_UNLOADED, "", 6.71, Unit.VOLT);
        for (String socket : SOCKETS) {
            read(Quantity.GRID_COLDEST, socket + " control", -46.2, Unit.VOLT);
            read(Quantity.GRID_HOTTEST, socket + " control", -29.7, Unit.VOLT);
            tell(new DirectionSeen(socket + " control", Control.Direction.CW_HOTTER));
        }
        tick(TubesOut.COLDEST, TubesOut.FAIL_COLD);
        enter(Stops.TUBES_IN);
        tell(new Declared(Power.OFF));
        minutes(6);
        residuals();
        tick(BeforePower.TUBES_COOL, TubesIn.KEYS);
        tell(new Declared(Power.ON_TUBES_IN));
        minutes(2);
        SOCKETS.forEach(s -> tell(new Ticked(TubesIn.GLOWS, s, true)));
        currents();
        enter(Stops.MAINS);
        read(Quantity.MAINS, "", mains, Unit.VOLT);
        read(Quantity.HEATER, "", 6.34, Unit.VOLT);
        warmUp();
        enter(Stops.MEASURE);
        round();
        turn("V4", List.of(-2.0, -5.0));
        round();
        turn("V5", List.of(-2.0, -2.1));
        round();
        turn("V5", List.of(-0.3, 0.2));
        round();
        soak(5, 9);
        enter(Stops.PLAY);
        tick(Play.GLOW_IDLE, Play.GLOW_LOUD);
        read(Quantity.OUTPUT_VOLTS, "", 18.7, Unit.VOLT);
        tell(new Noted(Noted.Topic.HUM, "slight, the same with volume down"));
        enter(Stops.CLOSE);
        tell(new Declared(Power.OFF));
        minutes(4);
        residuals();
        tick(DrainAndClose.RESTORED, DrainAndClose.LIMITER_OUT, DrainAndClose.CLAMPS);
        enter(Stops.SIGN_OFF);
        tell(new Tiered("Minimal", "new output tubes, idle set and soaked", true));
        tell(new Tiered("Full", "also new filter capacitors and screen resistors", false));
        tell(new SignedOff("E. R.", "Please bring it back for the check; the tubes are new."));
    }

    /** A check some days later, left in the middle of measuring: one tube fell behind. */
    void halfDone(UUID id) {
        strengths = List.of(1.01, 0.82);
        mains = 229;
        trims = List.of(-0.3, -3.0);
        begin(id, Purpose.YEARLY_CHECK, Instant.now().minus(Duration.ofMinutes(52)));
        preflight();
        enter(Stops.MAINS);
        tell(new Declared(Power.ON_TUBES_IN));
        minutes(2);
        read(Quantity.MAINS, "", mains, Unit.VOLT);
        read(Quantity.HEATER, "", 6.29, Unit.VOLT);
        warmUp();
        enter(Stops.MEASURE);
        round();
        turn("V5", List.of(-0.3, -0.4));
        round();
    }

    private void begin(UUID id, Purpose purpose, Instant at) {
        begin(id, Plan.usual(amp().description(), purpose, Meter.HANDHELD), at);
    }

    private void place(String socket, String tube) {
        tell(new Placed(socket, tube));
    }

    private void preflight() {
        tell(new Declared(Power.OFF));
        tick(
                BeforePower.LOAD,
                BeforePower.CONTROLS_DOWN,
                BeforePower.QUIRKS,
                BeforePower.ONE_HAND,
                BeforePower.JEWELLERY,
                BeforePower.TUBES_COOL);
        read(Quantity.LOAD_OHMS, "", 8, Unit.OHM);
        enter(Stops.DRAINED);
        residuals();
    }

    private void residuals() {
        tick(Drained.STANDBY_PLAY);
        NODES.forEach(n -> read(Quantity.RESIDUAL, n, 0.4, Unit.VOLT));
        minutes(1.2);
        NODES.forEach(n -> read(Quantity.RESIDUAL, n, n.equals("reservoir") ? 0.9 : 0.4, Unit.VOLT));
        tick(Drained.METER_PROVEN);
    }

    private SimulatedStage stage() {
        return new SimulatedStage(DemoAmps.model("6550"), strengths, 452, 95, 318, -35.4, 0, trims);
    }

    private void currents() {
        SimulatedStage.Idle idle = stage().idle(mains / 230);
        for (int i = 0; i < 2; i++) {
            read(Quantity.CURRENT, SOCKETS.get(i), idle.cathodeAmperes(i) * DemoAmps.BITTERN_OHMS[i], Unit.VOLT);
        }
    }

    private void warmUp() {
        enter(Stops.WARM_UP);
        minutes(4);
        List<Double> settled = strengths;
        for (double above : new double[] {0.05, 0.012, 0.003, 0.001}) {
            strengths = settled.stream().map(s -> s * (1 + above)).toList();
            currents();
            minutes(5);
        }
        strengths = settled;
    }

    private void round() {
        SimulatedStage.Idle idle = stage().idle(mains / 230);
        read(Quantity.MAINS, "", mains, Unit.VOLT);
        for (int i = 0; i < 2; i++) {
            String socket = SOCKETS.get(i);
            read(Quantity.PLATE, socket, idle.plateVolts(), Unit.VOLT);
            read(Quantity.CURRENT, socket, idle.cathodeAmperes(i) * DemoAmps.BITTERN_OHMS[i], Unit.VOLT);
            read(Quantity.SCREEN, socket, idle.screenVolts(), Unit.VOLT);
            read(Quantity.GRID, socket, stage().gridAt(i, mains / 230), Unit.VOLT);
        }
    }

    private void turn(String socket, List<Double> to) {
        tell(new Turned(socket + " control", Optional.of(Turned.Way.CW), ""));
        trims = to;
        minutes(2);
    }

    private void soak(int rounds, double apart) {
        enter(Stops.SOAK);
        for (int i = 0; i < rounds; i++) {
            minutes(apart);
            mains = 230 + (i % 2);
            round();
        }
    }
}
