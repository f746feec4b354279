package yellowrail.core.session;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import yellowrail.core.round.Quantity;

/** Plate volts that move in one setting while mains and current stand, at once or in steps: the supply, or a bad contact. */
final class PlateWatch {
    private static final double MOVED = 0.02;
    private static final double MAINS_EQUAL = 0.01;
    private static final double CURRENT_EQUAL = 0.03;
    private static final long NEAR_MILLIS = 10 * 60_000L;

    private PlateWatch() {}

    /** The newest of each socket. */
    static List<Finding> of(Session session) {
        List<Finding> found = new ArrayList<>();
        for (String socket : session.sockets()) {
            List<RecordedReading> volts = session.holding().stream()
                    .filter(r -> r.isOf(Quantity.PLATE, socket)
                            && r.context().power() == Power.ON_TUBES_IN
                            && r.minutesOn() >= 9.75)
                    .toList();
            for (int i = 1; i < volts.size(); i++) {
                RecordedReading now = volts.get(i);
                volts.subList(0, i).stream()
                        .filter(before ->
                                before.context().stretch() == now.context().stretch()
                                        && moved(before, now)
                                        && equal(session, before, now, socket))
                        .reduce((a, b) -> b)
                        .ifPresent(before -> found.add(finding(socket, before, now)));
            }
        }
        return found;
    }

    private static boolean moved(RecordedReading before, RecordedReading now) {
        return Math.abs(now.typed().value() / before.typed().value() - 1) > MOVED + 1e-9;
    }

    private static boolean equal(Session session, RecordedReading before, RecordedReading now, String socket) {
        Optional<Double> mains =
                ratio(near(session, Quantity.MAINS, "", before), near(session, Quantity.MAINS, "", now));
        String group = session.plan().amp().groupOf(socket).name();
        Optional<Double> current =
                ratio(near(session, Quantity.CURRENT, group, before), near(session, Quantity.CURRENT, group, now));
        return mains.filter(r -> Math.abs(r - 1) <= MAINS_EQUAL).isPresent()
                && current.filter(r -> Math.abs(r - 1) <= CURRENT_EQUAL).isPresent();
    }

    /** The reading of a point nearest in time, within ten minutes in one power-on. */
    static Optional<RecordedReading> near(Session session, Quantity quantity, String point, RecordedReading to) {
        return session.holding().stream()
                .filter(r -> r.isOf(quantity, point)
                        && r.context().run() == to.context().run()
                        && Math.abs(r.at() - to.at()) <= NEAR_MILLIS)
                .min(Comparator.comparingLong(r -> Math.abs(r.at() - to.at())));
    }

    private static Optional<Double> ratio(Optional<RecordedReading> before, Optional<RecordedReading> now) {
        return before.flatMap(b -> now.map(n -> n.typed().value() / b.typed().value()));
    }

    private static Finding finding(String socket, RecordedReading before, RecordedReading now) {
        double moved = Math.abs(now.typed().value() / before.typed().value() - 1);
        return new Finding(
                Finding.Code.PLATE_MOVED,
                socket,
                "",
                now.at(),
                socket + ": plate volts went from " + before.typed().echo() + " to "
                        + now.typed().echo() + ", " + FindingList.percent(moved)
                        + ", at equal mains and current.",
                Optional.empty(),
                "Look for a bad contact or a supply that gives way, and say what was found; or correct the reading.");
    }
}
