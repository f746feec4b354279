package yellowrail.core.session.stops;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Access;
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
        Set<Integer> channels = new HashSet<>();
        for (SenseGroup group : asked(session)) {
            List<Wanted> wanted = new ArrayList<>();
            for (String socket : session.access() == Access.TEST_POINTS ? List.<String>of() : group.sockets()) {
                // One reading serves every position of a channel: they hang on one supply. By turns each has its own.
                boolean first = channels.add(channel(amp, socket))
                        || session.plan().setup().byTurns();
                if (!group.shared() || socket.equals(group.sockets().get(0)) || whole) {
                    wanted.add(of(
                                    Quantity.PLATE,
                                    socket,
                                    "Plate " + socket + ", "
                                            + session.plan().reference().words())
                            .foldedUnless(first || read(session, Quantity.PLATE, socket)));
                }
            }
            wanted.add(
                    of(Quantity.CURRENT, group.name(), "Meter " + group.method().words()));
            if (group.shared()) {
                group.sockets()
                        .forEach(s -> wanted.add(of(Quantity.INDIVIDUAL, s, s + " alone, on an adaptor")
                                .foldedUnless(used(session, Quantity.INDIVIDUAL))));
            }
            if (session.access() == Access.TEST_POINTS) {
                groups.add(new ReadingGroup(group.name(), types(session, group), groups.size() + 1, wanted));
                continue;
            }
            if (whole) {
                more(look, group, wanted);
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
        if (whole && amp.supply().chokeOhms().isPresent() && session.access().handsIn()) {
            supply.add(ofAmp(Quantity.CHOKE, "Drop over the choke"));
        }
        groups.add(new ReadingGroup("The amp", "", 0, supply));
        return groups;
    }

    /** A triode's screen cannot be read. */
    private static boolean hasScreen(Look look, String name) {
        return look.session().amp().sockets().stream()
                .filter(s -> s.name().equals(name))
                .map(s -> look.types().get(s.tubeType()))
                .allMatch(type -> type == null || type.hasScreen());
    }

    /** The first socket of a channel whose plate volts alone would pass what the screens may have. */
    private static boolean screenTells(Look look, String name) {
        AmpDescription amp = look.session().amp();
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

    /** The sense points that can be read now: by turns the one whose socket holds the adaptor. */
    private static List<SenseGroup> asked(Session session) {
        List<SenseGroup> all = session.plan().amp().groups();
        Optional<String> adaptor = session.adaptor();
        return session.plan().setup().byTurns() && adaptor.isPresent()
                ? List.of(session.plan().amp().groupOf(adaptor.get()))
                : all;
    }

    private static int channel(AmpDescription amp, String socket) {
        return amp.sockets().stream()
                .filter(s -> s.name().equals(socket))
                .findFirst()
                .orElseThrow()
                .channel();
    }

    private static boolean read(Session session, Quantity quantity, String point) {
        return session.last(quantity, point).isPresent();
    }

    /** Whether this amp's builder reads it: once used it stays in sight. */
    private static boolean used(Session session, Quantity quantity) {
        return session.plan().setup().memory().used().contains(quantity)
                || session.holding().stream().anyMatch(r -> r.quantity() == quantity);
    }

    private static Wanted optional(Session session, Quantity quantity, String socket, String label) {
        return of(quantity, socket, label).foldedUnless(used(session, quantity));
    }

    private static void more(Look look, SenseGroup group, List<Wanted> wanted) {
        Session session = look.session();
        AmpDescription amp = session.plan().amp();
        for (String socket : group.sockets()) {
            if (!amp.bias().scheme().fixed() && !group.method().tellsCathodeVolts()) {
                wanted.add(of(Quantity.CATHODE, socket, "Cathode " + socket));
            }
            if (hasScreen(look, socket)) {
                if (amp.stage().screenOhms().isPresent()) {
                    wanted.add(optional(session, Quantity.SCREEN_DROP, socket, "Screen drop " + socket));
                }
                wanted.add(of(Quantity.SCREEN, socket, "Screen " + socket)
                        .foldedUnless(used(session, Quantity.SCREEN) || screenTells(look, socket)));
            }
            if (amp.bias().scheme().fixed()) {
                wanted.add(optional(session, Quantity.GRID, socket, "Grid " + socket));
            }
        }
        if (!amp.bias().scheme().fixed()) {
            wanted.add(optional(session, Quantity.DRIVEN_CATHODE, group.name(), "Cathode volts at full drive"));
        }
    }

    private static String types(Session session, SenseGroup group) {
        return String.join(
                ", ",
                session.amp().sockets().stream()
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
