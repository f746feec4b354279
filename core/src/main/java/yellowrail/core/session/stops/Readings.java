package yellowrail.core.session.stops;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.RecordedReading;
import yellowrail.core.session.Session;
import yellowrail.core.session.stops.ReadingGroup.Wanted;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.TubeType;

/** Readings that several stops ask for, and whether they are there. */
final class Readings {
    /** Plate volts so much under a limit may pass it at raised mains. */
    private static final double RAISED = 1.1;

    private Readings() {}

    static Wanted of(Quantity quantity, String point, String label) {
        return new Wanted(quantity, point, label);
    }

    static Wanted ofAmp(Quantity quantity, String label) {
        return new Wanted(quantity, "", label);
    }

    static List<Wanted> residuals(Session session) {
        return session.nodes().stream()
                .map(n -> of(Quantity.RESIDUAL, n.name(), n.name()))
                .toList();
    }

    /** Every point of a round without what hardly moves. */
    static List<ReadingGroup> usual(Look look) {
        return round(look, false);
    }

    /** Every point of a round. */
    static List<ReadingGroup> whole(Look look) {
        return round(look, true);
    }

    private static List<ReadingGroup> round(Look look, boolean whole) {
        Session session = look.session();
        AmpDescription amp = session.plan().amp();
        List<ReadingGroup> groups = new ArrayList<>();
        for (SenseGroup group : amp.groups()) {
            List<Wanted> wanted = new ArrayList<>();
            for (String socket : group.sockets()) {
                if (!group.shared() || socket.equals(group.sockets().get(0)) || whole) {
                    wanted.add(of(
                            Quantity.PLATE,
                            socket,
                            "Plate " + socket + ", "
                                    + session.plan().reference().words()));
                }
            }
            wanted.add(
                    of(Quantity.CURRENT, group.name(), "Meter " + group.method().words()));
            if (group.shared()) {
                group.sockets().forEach(s -> wanted.add(of(Quantity.INDIVIDUAL, s, s + " alone, on an adaptor")));
            }
            if (whole) {
                more(amp, group, wanted);
            } else {
                group.sockets().stream()
                        .filter(s -> screenTells(look, s))
                        .forEach(s -> wanted.add(of(Quantity.SCREEN, s, "Screen " + s)));
            }
            groups.add(new ReadingGroup(
                    String.join(" ", group.sockets()), types(session, group), groups.size() + 1, wanted));
        }
        List<Wanted> supply = new ArrayList<>();
        supply.add(ofAmp(Quantity.MAINS, "Mains"));
        if (whole && amp.chokeOhms().isPresent()) {
            supply.add(ofAmp(Quantity.CHOKE, "Drop over the choke"));
        }
        groups.add(new ReadingGroup("The amp", "", 0, supply));
        return groups;
    }

    /** The first socket of a channel whose plate volts alone would pass what the screens may have. */
    private static boolean screenTells(Look look, String name) {
        AmpDescription amp = look.session().plan().amp();
        Socket socket = amp.sockets().stream()
                .filter(s -> s.name().equals(name))
                .findFirst()
                .orElseThrow();
        boolean first = amp.sockets().stream()
                .filter(s -> s.channel() == socket.channel())
                .findFirst()
                .filter(socket::equals)
                .isPresent();
        TubeType type = look.types().get(socket.tubeType());
        Optional<RecordedReading> plate = look.session().last(Quantity.PLATE, name);
        return first
                && type != null
                && plate.isPresent()
                && type.ratings().stream()
                        .flatMap(r -> r.figure(Limit.SCREEN_VOLTS).stream())
                        .anyMatch(limit -> plate.get().typed().value() * RAISED > limit.value());
    }

    private static void more(AmpDescription amp, SenseGroup group, List<Wanted> wanted) {
        for (String socket : group.sockets()) {
            if (!amp.bias().fixed() && !group.method().tellsCathodeVolts()) {
                wanted.add(of(Quantity.CATHODE, socket, "Cathode " + socket));
            }
            if (amp.screenOhms().isPresent()) {
                wanted.add(of(Quantity.SCREEN_DROP, socket, "Screen drop " + socket));
            }
            wanted.add(of(Quantity.SCREEN, socket, "Screen " + socket));
            if (amp.bias().fixed()) {
                wanted.add(of(Quantity.GRID, socket, "Grid " + socket));
            }
        }
        if (!amp.bias().fixed()) {
            wanted.add(of(Quantity.DRIVEN_CATHODE, group.name(), "Cathode volts at full drive"));
        }
    }

    private static String types(Session session, SenseGroup group) {
        return String.join(
                ", ",
                session.plan().amp().sockets().stream()
                        .filter(s -> group.sockets().contains(s.name()))
                        .map(s ->
                                s.tubeType() + (session.tube(s.name()).isEmpty() ? "" : " · " + session.tube(s.name())))
                        .distinct()
                        .toList());
    }

    /** Adds each sense point whose current is missing. */
    static void currents(Session session, String what, CurrentHolds holds, List<String> missing) {
        for (SenseGroup group : session.plan().amp().groups()) {
            if (session.last(Quantity.CURRENT, group.name())
                    .filter(holds::holds)
                    .isEmpty()) {
                missing.add(group.name() + ": " + what + " not read.");
            }
        }
    }

    /** Whether a current counts as read. */
    @FunctionalInterface
    interface CurrentHolds {
        boolean holds(RecordedReading reading);
    }

    static Optional<RecordedReading> latest(Session session, Quantity quantity) {
        return session.holding().stream().filter(r -> r.quantity() == quantity).reduce((a, b) -> b);
    }
}
