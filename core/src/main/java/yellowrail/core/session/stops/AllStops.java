package yellowrail.core.session.stops;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Entry;
import yellowrail.core.session.Late;
import yellowrail.core.session.Power;
import yellowrail.core.session.Session;
import yellowrail.core.session.SoakWatch;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.Ripple;

/** What is said wherever the session stands, before what its stop has to say. */
public final class AllStops {
    private AllStops() {}

    /** All that is to be said here and now. */
    public static List<Remark> remarks(Look look) {
        List<Remark> remarks = new ArrayList<>();
        Session session = look.session();
        if (session.power(look.now()) == Power.ON_TUBES_IN) {
            SoakWatch.of(session, look.judged()).stream()
                    .filter(SoakWatch::stop)
                    .forEach(w -> remarks.add(Remark.alarm(
                            "runs-away", w.curve().point(), w.caution().orElseThrow())));
        }
        if (session.context().limiter()
                && session.here().powered()
                && !session.here().powersTubesOut()) {
            remarks.add(
                    Remark.caution("limiter", "", "A limiter is in series: everything from here on is provisional."));
        }
        session.contradiction().ifPresent(e -> remarks.add(Remark.alarm("power-contradicted", "", contradiction(e))));
        session.late().stream()
                .filter(l -> l.effect() == Late.Effect.FILED && !(l.entry().event() instanceof Read))
                .reduce((x, y) -> y)
                .ifPresent(l -> remarks.add(Remark.open(
                        "late",
                        "",
                        "An entry of " + l.entry().device() + " came late, after something was entered on"
                                + " another device: it is kept in the history and changed nothing. If it still holds,"
                                + " enter it again.")));
        if (session.clockWentBack()) {
            remarks.add(Remark.caution(
                    "clock-back", "", "A clock went back during this session: curves are not joined across it."));
        }
        remarks.addAll(session.here().remarks(look));
        return remarks;
    }

    private static String contradiction(Entry entry) {
        if (entry.event() instanceof Ripple ripple) {
            return ripple.noted().orElseThrow()
                    + ", came in while the amp was declared off: everything is locked. Declare"
                    + " what is true, and drain again.";
        }
        return (entry.event() instanceof Read read
                        ? read.quantity().words() + " " + read.point() + " of "
                                + read.typed().echo() + " came in"
                        : "“On” was declared on " + entry.device())
                + " while the amp was declared off: everything is locked. Declare what is true, and drain again.";
    }

    /** The cautions of the stop where the session stands, with this amp's own volts in them. */
    public static List<String> cautions(Session session) {
        return session.here()
                .cautions(
                        session,
                        highestVolts(session)
                                .map(v -> "about " + Show.si(v, Unit.VOLT, 3))
                                .orElse("several hundred volts"));
    }

    /** The highest voltage known of this amp: read unloaded, read at a plate, or what its capacitors are rated for. */
    private static Optional<Double> highestVolts(Session session) {
        return session.holding().stream()
                .filter(r -> r.quantity() == Quantity.UNLOADED || r.quantity() == Quantity.PLATE)
                .map(r -> r.typed().value())
                .max(Double::compare)
                .or(() -> session.nodes().stream()
                        .flatMap(n -> n.nodeRatedVolts().stream())
                        .max(Double::compare));
    }
}
