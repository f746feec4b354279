package yellowrail.app.demo;

import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import yellowrail.app.amps.Amp;
import yellowrail.app.bench.SessionStore;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Access;
import yellowrail.core.session.Memory;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Power;
import yellowrail.core.session.Purpose;
import yellowrail.core.session.Setup;
import yellowrail.core.session.events.AdaptorMoved;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Microphony;
import yellowrail.core.session.events.Named;
import yellowrail.core.session.events.Noted;
import yellowrail.core.session.events.SignedOff;
import yellowrail.core.session.stops.BeforePower;
import yellowrail.core.session.stops.DrainAndClose;
import yellowrail.core.session.stops.Drained;
import yellowrail.core.session.stops.Play;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.standin.SimulatedStage;

/** A finished check of four tubes with one adaptor, the chassis closed: each read in a power-on of its own. */
final class DemoTurns extends DemoBench {
    private static final List<String> SOCKETS = List.of("V3", "V4", "V5", "V6");
    private static final double MAINS = 231;

    DemoTurns(SessionStore sessions, Amp amp) {
        super(sessions, amp);
    }

    void finished(UUID id) {
        begin(
                id,
                Plan.usual(amp().description(), Purpose.YEARLY_CHECK, Meter.HANDHELD)
                        .worked(new Setup(Access.ADAPTORS, true, false, List.of(), Memory.NONE)),
                LocalDate.now().minusDays(4).atTime(LocalTime.of(19, 10)).toInstant(ZoneOffset.UTC));
        tell(new Noted(Noted.Topic.COMPLAINT, "sounds tired since the summer"));
        tell(new Declared(Power.OFF));
        tick(BeforePower.LOAD, BeforePower.CONTROLS_DOWN, BeforePower.JEWELLERY);
        cool();
        read(Quantity.LOAD_OHMS, "", 8, Unit.OHM);
        for (String socket : SOCKETS) {
            tell(new Named(socket, "C-" + (SOCKETS.indexOf(socket) + 1)));
        }
        tell(new AdaptorMoved("V3"));
        enter(Stops.MAINS);
        read("V3", 1);
        enter(Stops.MEASURE);
        for (String socket : List.of("V4", "V5", "V6", "V3")) {
            tell(new Declared(Power.OFF));
            minutes(4);
            cool();
            tell(new AdaptorMoved(socket));
            read(socket, socket.equals("V3") ? 1.006 : 1);
        }
        tell(new Microphony("V5", Microphony.Grade.ON_TAP));
        enter(Stops.PLAY);
        tick(Play.GLOW_IDLE, Play.GLOW_LOUD);
        enter(Stops.CLOSE);
        tell(new Declared(Power.OFF));
        minutes(5);
        cool();
        tick(DrainAndClose.ADAPTORS_OUT, DrainAndClose.CLAMPS);
        enter(Stops.SIGN_OFF);
        tell(new SignedOff("E. R.", "Set, read one by one; a soak would prove it."));
    }

    private void cool() {
        tick(BeforePower.TUBES_COOL, Drained.STANDBY_PLAY);
        minutes(1.2);
    }

    /** Ten minutes after power on, with the currents grown by a factor. */
    private void read(String socket, double grown) {
        tell(new Declared(Power.ON_TUBES_IN));
        minutes(10.5);
        SimulatedStage.Idle idle = new SimulatedStage(
                        DemoAmps.model("EL34"),
                        List.of(1.03 * grown, 0.98 * grown, 1.01 * grown, 0.96 * grown),
                        380,
                        60,
                        Double.NaN,
                        -31.7,
                        0)
                .idle(MAINS / 230);
        read(Quantity.MAINS, "", MAINS, Unit.VOLT);
        read(Quantity.CURRENT, socket, idle.cathodeAmperes(SOCKETS.indexOf(socket)), Unit.VOLT);
        read(Quantity.PLATE, socket, idle.plateVolts(), Unit.VOLT);
    }
}
