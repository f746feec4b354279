package yellowrail.core.session;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.round.Quantity;
import yellowrail.core.soak.SwapTest;

/** Each grid that was read with its tube out, against the bias node. */
public final class LeakTest {
    /** What a handheld meter has when nothing else is given, Ω. */
    private static final double USUAL_METER_OHMS = 10e6;

    private LeakTest() {}

    /** One reading of a grid with its tube out, judged. */
    public record Shift(String socket, long at, SwapTest.GridShift shift) {}

    /** Every grid that was read so, in the order of time; none until the bias node was read. */
    public static List<Shift> all(Session session) {
        List<Shift> shifts = new ArrayList<>();
        double meter = value(session, Quantity.METER_OHMS, "").orElse(USUAL_METER_OHMS);
        for (RecordedReading grid : session.holding()) {
            if (grid.quantity() == Quantity.GRID_TUBE_OUT) {
                nodeNear(session, grid)
                        .ifPresent(node -> shifts.add(new Shift(
                                grid.point().name(),
                                Math.max(grid.at(), node.at()),
                                SwapTest.GridShift.of(
                                        grid.typed().value(),
                                        node.typed().value(),
                                        value(
                                                session,
                                                Quantity.GRID_LEAK_OHMS,
                                                grid.point().name()),
                                        meter))));
            }
        }
        return shifts;
    }

    /** The newest of each socket. */
    public static Map<String, SwapTest.GridShift> of(Session session) {
        Map<String, SwapTest.GridShift> newest = new LinkedHashMap<>();
        all(session).forEach(s -> newest.put(s.socket(), s.shift()));
        return newest;
    }

    /** The bias node as read nearest in time in the same power-on. */
    private static Optional<RecordedReading> nodeNear(Session session, RecordedReading grid) {
        return session.holding().stream()
                .filter(r -> r.quantity() == Quantity.BIAS_NODE
                        && r.context().run() == grid.context().run())
                .min(Comparator.comparingLong(r -> Math.abs(r.at() - grid.at())));
    }

    private static Optional<Double> value(Session session, Quantity quantity, String point) {
        return session.last(quantity, point).map(r -> r.typed().value());
    }
}
