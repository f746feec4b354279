package yellowrail.core.session.stops;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Drain;
import yellowrail.core.session.RecordedReading;
import yellowrail.core.session.Session;
import yellowrail.core.session.Stop;

/** What residual volts mean where the amp is drained. */
final class Residuals {
    private Residuals() {}

    static List<Remark> remarks(Look look) {
        Session session = look.session();
        List<Remark> remarks = new ArrayList<>();
        double limit = session.plan().handsVolts();
        Optional<Double> bleeder =
                session.last(Quantity.BLEEDER_OHMS, "").map(r -> r.typed().value());
        for (SupplyNode node : session.nodes()) {
            List<RecordedReading> read = session.residuals(node.name());
            if (read.isEmpty()) {
                continue;
            }
            RecordedReading last = read.get(read.size() - 1);
            double volts = Math.abs(last.typed().value());
            if (volts > limit) {
                remarks.add(Remark.alarm(
                        "charged",
                        node.name(),
                        node.name() + " holds " + last.typed().echo() + ": hands stay out. "
                                + Drain.hint(node.name(), volts, limit, node.nodeFarads(), bleeder)));
            } else if (Drain.cameBack(read.get(0).typed().value(), volts)) {
                remarks.add(Remark.caution(
                        "came-back",
                        node.name(),
                        node.name() + " came back from " + read.get(0).typed().echo() + " to "
                                + last.typed().echo() + ": keep the drain clip on."));
            }
        }
        var locks = session.locks(look.now());
        if (locks.ohms()) {
            remarks.add(Remark.good("open", "", "Hands may go in and ohms may be measured."));
        } else if (locks.hands()) {
            remarks.add(Remark.good("hands-open", "", "Hands may go in. Ohms: " + locks.ohmsNext()));
        }
        return remarks;
    }

    /** The highest residual read at a stop, or what it waits for. */
    static String note(Session session, Stop stop) {
        return highest(session, stop)
                .map(r -> "highest read " + Show.si(Math.abs(r.typed().value()), Unit.VOLT, 2))
                .orElse(Show.plain(session.plan().handsVolts(), 2) + " V or less, twice");
    }

    static Optional<RecordedReading> highest(Session session, Stop stop) {
        return session.holding().stream()
                .filter(r -> r.quantity() == Quantity.RESIDUAL && r.stop().equals(stop))
                .max((a, b) -> Double.compare(
                        Math.abs(a.typed().value()), Math.abs(b.typed().value())));
    }
}
