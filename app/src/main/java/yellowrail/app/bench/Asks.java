package yellowrail.app.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.app.rounds.RoundReader;
import yellowrail.core.adjust.Control;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.HalfPrimary;
import yellowrail.core.amp.Remeasured;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.reading.Field;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Purpose;
import yellowrail.core.session.Session;
import yellowrail.core.session.Stop;
import yellowrail.core.session.Taken;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.TubeType;

/** The readings a stop asks for, in measuring order. */
final class Asks {
    /** Readings asked for together: one socket, one node, or the amp. */
    record Group(String title, String under, int number, List<Ask> asks) {}

    /**
     * One reading asked for.
     *
     * @param id of its field, stable over reloads
     * @param last the last reading as it was understood, or empty
     * @param lastAt milliseconds since 1970, zero when there is none
     * @param moved whether the setting changed since that reading
     * @param before what the session before this one read there, or empty
     * @param locked whether it is locked now
     */
    record Ask(
            String id,
            Quantity quantity,
            String point,
            String label,
            String unit,
            String last,
            long lastAt,
            boolean moved,
            String before,
            boolean locked) {}

    private final Session session;
    private final Map<String, String> before;
    private final boolean ohmsLocked;

    private final Map<String, TubeType> types;

    /**
     * @param types tube types by designation
     * @param before echoes of the session before this one, by quantity and point
     */
    Asks(Session session, Map<String, TubeType> types, Map<String, String> before, boolean ohmsLocked) {
        this.session = session;
        this.types = types;
        this.before = before;
        this.ohmsLocked = ohmsLocked;
    }

    static String key(Quantity quantity, String point) {
        return quantity + "/" + point;
    }

    List<Group> of(Stop stop) {
        return switch (stop) {
            case BEFORE_POWER -> List.of(amp("The load", ask(Quantity.LOAD_OHMS, "", "Load connected")));
            case DRAINED -> drained();
            case TUBES_OUT -> tubesOut();
            case TUBES_IN -> tubesIn();
            case MAINS ->
                List.of(amp(
                        "Mains and heaters",
                        ask(Quantity.MAINS, "", "Mains"),
                        ask(Quantity.HEATER, "", "Heaters, loaded")));
            case WARM_UP -> live(false);
            case MEASURE -> live(true);
            case SOAK -> live(false);
            case PLAY -> play();
            case CLOSE -> List.of(new Group("Residual volts", "DC, every node", 0, residuals()));
            case SIGN_OFF -> List.of();
        };
    }

    private Group amp(String title, Ask... asks) {
        return new Group(title, "", 0, List.of(asks));
    }

    private Ask ask(Quantity quantity, String point, String label) {
        AmpDescription amp = session.plan().amp();
        Field field = RoundReader.field(amp, quantity, point);
        Optional<Taken> last = session.last(quantity, point);
        boolean setting = last.isPresent()
                && last.get().context().stretch() != session.context().stretch();
        boolean live = quantity == Quantity.CURRENT || quantity == Quantity.PLATE || quantity == Quantity.INDIVIDUAL;
        boolean ohms = quantity == Quantity.SENSE_OHMS || quantity == Quantity.HALF_PRIMARY_OHMS;
        return new Ask(
                "ask-" + (quantity + "-" + point).toLowerCase().replaceAll("[^a-z0-9]+", "-"),
                quantity,
                point,
                label,
                field.shownUnit(),
                last.map(r -> r.typed().echo()).orElse(""),
                last.map(Taken::at).orElse(0L),
                setting && live,
                before.getOrDefault(key(quantity, point), ""),
                ohms && ohmsLocked);
    }

    private List<Ask> residuals() {
        return session.nodes().stream()
                .map(n -> ask(Quantity.RESIDUAL, n.name(), n.name()))
                .toList();
    }

    private List<Group> drained() {
        List<Group> groups = new ArrayList<>();
        List<Ask> nodes = new ArrayList<>(residuals());
        nodes.add(ask(Quantity.BLEEDER_OHMS, "", "Your bleeder"));
        groups.add(new Group("Residual volts", "DC, every node, again after 60 s", 0, nodes));
        List<Ask> ohms = new ArrayList<>();
        for (SenseGroup group : session.plan().amp().groups()) {
            if (Remeasured.takesOhms(group.method())) {
                boolean half = group.method() instanceof HalfPrimary;
                ohms.add(ask(
                        half ? Quantity.HALF_PRIMARY_OHMS : Quantity.SENSE_OHMS,
                        group.name(),
                        (half ? "Half primary " : "Resistor ") + group.name()));
            }
        }
        if (!ohms.isEmpty()) {
            groups.add(new Group("Ohms", "with every node at " + (int) Plan.OHMS_VOLTS + " V or less", 0, ohms));
        }
        return groups;
    }

    private List<Group> tubesOut() {
        List<Group> groups = new ArrayList<>();
        List<Ask> supply = new ArrayList<>();
        supply.add(ask(Quantity.MAINS, "", "Mains"));
        for (SupplyNode node : session.nodes()) {
            supply.add(ask(Quantity.UNLOADED, node.name(), "Unloaded, " + node.name()));
        }
        supply.add(ask(Quantity.HEATER_UNLOADED, "", "Heaters, unloaded"));
        groups.add(new Group("Supply without load", "", 0, supply));
        for (Control control : session.controls()) {
            if (!control.balance()) {
                groups.add(new Group(
                        control.name(),
                        "grid volts at a socket it moves, the meter on DC volts",
                        0,
                        List.of(
                                ask(Quantity.GRID_COLDEST, control.name(), "Coldest end"),
                                ask(Quantity.GRID_HOTTEST, control.name(), "Hottest end"))));
            }
        }
        if (session.plan().purpose() == Purpose.FAULT) {
            List<Ask> leak = new ArrayList<>();
            leak.add(ask(Quantity.BIAS_NODE, "", "Bias node"));
            leak.add(ask(Quantity.METER_OHMS, "", "Meter input (10 MΩ if blank)"));
            for (String socket : session.sockets()) {
                leak.add(ask(Quantity.GRID_TUBE_OUT, socket, "Grid " + socket + ", tube out"));
                leak.add(ask(Quantity.GRID_LEAK_OHMS, socket, "Grid leak " + socket));
            }
            groups.add(new Group("Leak test", "when a creep stays with its position", 0, leak));
        }
        return groups;
    }

    private List<Group> tubesIn() {
        List<Group> groups = new ArrayList<>();
        groups.add(new Group("Residual volts", "off and drained again before the tubes go in", 0, residuals()));
        List<Ask> first = new ArrayList<>();
        session.plan()
                .amp()
                .groups()
                .forEach(g -> first.add(ask(Quantity.CURRENT, g.name(), "First current, " + g.name())));
        groups.add(new Group("First power", "with the tubes in", 0, first));
        return groups;
    }

    /** Every point of a round; the short form leaves out what hardly moves. */
    private List<Group> live(boolean whole) {
        AmpDescription amp = session.plan().amp();
        List<Group> groups = new ArrayList<>();
        int number = 0;
        for (SenseGroup group : amp.groups()) {
            List<Ask> asks = new ArrayList<>();
            for (String socket : group.sockets()) {
                if (!group.shared() || socket.equals(group.sockets().get(0)) || whole) {
                    asks.add(ask(
                            Quantity.PLATE,
                            socket,
                            "Plate " + socket + ", "
                                    + session.plan().reference().words()));
                }
            }
            asks.add(ask(
                    Quantity.CURRENT, group.name(), "Meter " + group.method().words()));
            if (group.shared()) {
                group.sockets().forEach(s -> asks.add(ask(Quantity.INDIVIDUAL, s, s + " alone, on an adaptor")));
            }
            if (whole) {
                more(amp, group, asks);
            } else {
                group.sockets().stream()
                        .filter(this::screenTells)
                        .forEach(s -> asks.add(ask(Quantity.SCREEN, s, "Screen " + s)));
            }
            number++;
            groups.add(new Group(title(group), types(amp, group), number, asks));
        }
        List<Ask> supply = new ArrayList<>();
        supply.add(ask(Quantity.MAINS, "", "Mains"));
        if (whole && amp.chokeOhms().isPresent()) {
            supply.add(ask(Quantity.CHOKE, "", "Drop over the choke"));
        }
        groups.add(new Group("The amp", "", 0, supply));
        return groups;
    }

    /** The first socket of a channel whose plate volts alone would pass what the screens may have. */
    private boolean screenTells(String name) {
        AmpDescription amp = session.plan().amp();
        Socket socket = amp.sockets().stream()
                .filter(s -> s.name().equals(name))
                .findFirst()
                .orElseThrow();
        boolean first = amp.sockets().stream()
                .filter(s -> s.channel() == socket.channel())
                .findFirst()
                .filter(socket::equals)
                .isPresent();
        TubeType type = types.get(socket.tubeType());
        return first
                && type != null
                && session.last(Quantity.PLATE, name)
                        .filter(plate -> type.ratings().stream()
                                .flatMap(r -> r.figure(Limit.SCREEN_VOLTS).stream())
                                .anyMatch(limit -> plate.typed().value() * RAISED > limit.value()))
                        .isPresent();
    }

    /** Plate volts so much under the limit may pass it at raised mains. */
    private static final double RAISED = 1.1;

    private void more(AmpDescription amp, SenseGroup group, List<Ask> asks) {
        for (String socket : group.sockets()) {
            if (!amp.bias().fixed() && !group.method().tellsCathodeVolts()) {
                asks.add(ask(Quantity.CATHODE, socket, "Cathode " + socket));
            }
            if (amp.screenOhms().isPresent()) {
                asks.add(ask(Quantity.SCREEN_DROP, socket, "Screen drop " + socket));
            }
            asks.add(ask(Quantity.SCREEN, socket, "Screen " + socket));
            if (amp.bias().fixed()) {
                asks.add(ask(Quantity.GRID, socket, "Grid " + socket));
            }
        }
        if (!amp.bias().fixed()) {
            asks.add(ask(Quantity.DRIVEN_CATHODE, group.name(), "Cathode volts at full drive"));
        }
    }

    private String title(SenseGroup group) {
        return group.shared()
                ? String.join(" ", group.sockets())
                : group.sockets().get(0);
    }

    private String types(AmpDescription amp, SenseGroup group) {
        return String.join(
                ", ",
                amp.sockets().stream()
                        .filter(s -> group.sockets().contains(s.name()))
                        .map(s ->
                                s.tubeType() + (session.tube(s.name()).isEmpty() ? "" : " · " + session.tube(s.name())))
                        .distinct()
                        .toList());
    }

    private List<Group> play() {
        List<Group> groups = new ArrayList<>(live(false));
        groups.add(0, amp("Output", ask(Quantity.OUTPUT_VOLTS, "", "AC volts across the load")));
        return groups;
    }
}
