package yellowrail.core.session;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.adjust.Control;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.Turned;

/**
 * Which turn of each control is hotter: as declared with the tubes out, and as shown by currents before and after a turn
 * whose way was noted.
 *
 * @param known the direction to use, by control
 * @param verified controls whose direction readings have shown
 * @param conflicts sentences where readings contradict what was declared or shown before
 */
public record Directions(Map<String, Control.Direction> known, List<String> verified, List<String> conflicts) {
    /** A change smaller than this does not show a direction. */
    private static final double MOVED = 0.01;

    static Directions of(Session session, List<SessionAssessment.JudgedRound> rounds) {
        Map<String, Control.Direction> known = new LinkedHashMap<>(session.directions());
        List<String> verified = new ArrayList<>();
        List<String> conflicts = new ArrayList<>();
        for (int i = 0; i < session.entries().size(); i++) {
            if (session.entries().get(i).event() instanceof Turned turned
                    && turned.way().isPresent()) {
                int index = i;
                Optional<Control> control = session.controls().stream()
                        .filter(c -> c.name().equals(turned.control()) && !c.balance())
                        .findFirst();
                control.flatMap(c -> shown(session, c, index, turned.way().get()))
                        .ifPresent(seen -> {
                            Control.Direction before = known.get(turned.control());
                            if (before != null && before != Control.Direction.UNKNOWN && before != seen) {
                                conflicts.add(turned.control() + ": " + before.words()
                                        + " was noted, but this turn showed that " + seen.words()
                                        + ". Turn with the meter in sight.");
                                known.put(turned.control(), Control.Direction.UNKNOWN);
                                verified.remove(turned.control());
                            } else {
                                known.put(turned.control(), seen);
                                if (!verified.contains(turned.control())) {
                                    verified.add(turned.control());
                                }
                            }
                        });
            }
        }
        return new Directions(known, verified, conflicts);
    }

    /** From the last current before this turn and the first after it, if no other turn of the control lies between. */
    private static Optional<Control.Direction> shown(Session session, Control control, int index, Turned.Way way) {
        String point = session.plan().amp().groupOf(control.sockets().get(0)).name();
        Optional<RecordedReading> before = near(session, control, point, index, -1);
        Optional<RecordedReading> after = near(session, control, point, index, 1);
        if (before.isEmpty()
                || after.isEmpty()
                || before.get().context().run() != after.get().context().run()) {
            return Optional.empty();
        }
        double change = after.get().typed().value() / before.get().typed().value() - 1;
        if (!(Math.abs(change) > MOVED)) {
            return Optional.empty();
        }
        boolean hotter = change > 0;
        return Optional.of(
                hotter == (way == Turned.Way.CW) ? Control.Direction.CW_HOTTER : Control.Direction.CCW_HOTTER);
    }

    private static Optional<RecordedReading> near(Session session, Control control, String point, int index, int step) {
        List<Entry> entries = session.entries();
        for (int i = index + step; i >= 0 && i < entries.size(); i += step) {
            Event event = entries.get(i).event();
            if (event instanceof Turned turned && turned.control().equals(control.name())) {
                return Optional.empty();
            }
            if (event instanceof Read read
                    && read.quantity() == Quantity.CURRENT
                    && read.point().equals(point)
                    && !session.superseded(entries.get(i).id())) {
                return session.reading(entries.get(i).id());
            }
        }
        return Optional.empty();
    }
}
