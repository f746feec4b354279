package yellowrail.core.session;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.round.Quantity;
import yellowrail.core.soak.SwapTest;

/** Each grid that was read with its tube out, against the bias node. */
public final class LeakTest {
    /** What a handheld meter has when nothing else is given, Ω. */
    private static final double USUAL_METER_OHMS = 10e6;

    private LeakTest() {}

    /** By socket; empty until a grid and the bias node were read. */
    public static Map<String, SwapTest.GridShift> of(Session session) {
        Map<String, SwapTest.GridShift> shifts = new LinkedHashMap<>();
        Optional<Double> node = value(session, Quantity.BIAS_NODE, "");
        double meter = value(session, Quantity.METER_OHMS, "").orElse(USUAL_METER_OHMS);
        for (String socket : session.sockets()) {
            Optional<Double> grid = value(session, Quantity.GRID_TUBE_OUT, socket);
            if (grid.isPresent() && node.isPresent()) {
                shifts.put(
                        socket,
                        SwapTest.GridShift.of(
                                grid.get(), node.get(), value(session, Quantity.GRID_LEAK_OHMS, socket), meter));
            }
        }
        return shifts;
    }

    private static Optional<Double> value(Session session, Quantity quantity, String point) {
        return session.last(quantity, point).map(r -> r.typed().value());
    }
}
