package yellowrail.core.session;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.reading.Pairing;
import yellowrail.core.reading.Typed;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.RoundReadings;

/** Puts readings together for judging: currents as given, with the volts that were read near them and how near. */
final class RoundAssembler {
    /** Mains read longer ago than this is not known any more. */
    static final long MAINS_MILLIS = 60 * 60_000L;

    /** A first mains reading so soon after a round still tells of it. */
    private static final long MAINS_AFTER_MILLIS = 10 * 60_000L;

    /** Readings of one state belong together when they are no further apart, as volts and currents do. */
    static final long TOGETHER_MILLIS = 10 * 60_000L;

    private static final Set<Quantity> LIVE = Set.of(
            Quantity.CURRENT,
            Quantity.INDIVIDUAL,
            Quantity.PLATE,
            Quantity.CATHODE,
            Quantity.SCREEN,
            Quantity.SCREEN_DROP,
            Quantity.GRID,
            Quantity.CHOKE);

    private RoundAssembler() {}

    static boolean live(RecordedReading reading) {
        return LIVE.contains(reading.quantity()) && reading.context().power() == Power.ON_TUBES_IN;
    }

    /** The sense points with resistances as measured in this session. */
    static List<SenseGroup> groups(Session session) {
        return session.plan().amp().groups().stream()
                .map(g -> session.last(Quantity.SENSE_OHMS, g.name())
                        .or(() -> session.last(Quantity.HALF_PRIMARY_OHMS, g.name()))
                        .map(r -> new SenseGroup(
                                g.name(),
                                g.sockets(),
                                g.method().remeasured(r.typed()).orElse(g.method())))
                        .orElse(g))
                .toList();
    }

    /** The amp as described, with resistances as measured in this session and the target chosen in it. */
    static AmpDescription amp(Session session) {
        AmpDescription a = session.amp();
        return new AmpDescription(
                a.name(),
                a.stage(),
                session.biasTold().map(a.bias()::told).orElse(a.bias()),
                groups(session),
                a.supply(),
                a.output(),
                session.aim().map(aim -> a.judging().aimedAt(aim.target())).orElse(a.judging()),
                a.quirks());
    }

    /**
     * @param now readings that count as read now, of one stretch
     * @param before earlier readings of the same stretch, from which volts may be carried over
     */
    static RoundReadings readings(Session session, List<RecordedReading> now, List<RecordedReading> before) {
        Map<Quantity, Map<String, Typed>> values = new HashMap<>();
        for (Quantity quantity : LIVE) {
            values.put(quantity, new HashMap<>());
        }
        now.stream()
                .filter(r -> fresh(r, now))
                .forEach(r -> values.get(r.quantity()).put(r.point().name(), r.typed()));
        Map<String, RecordedReading> volts = carried(now, before, Quantity.PLATE);
        volts.forEach((socket, r) -> values.get(Quantity.PLATE).put(socket, r.typed()));
        for (Quantity other : List.of(Quantity.CATHODE, Quantity.SCREEN)) {
            carried(now, before, other).forEach((socket, r) -> {
                if (fresh(r, now)) {
                    values.get(other).putIfAbsent(socket, r.typed());
                }
            });
        }
        Optional<Double> mains = mains(session, now);
        Collection<List<RecordedReading>> runs = byRun(now);
        return new RoundReadings(
                        session.plan().meter(),
                        session.plan().reference(),
                        mains,
                        now.stream().anyMatch(r -> r.context().limiter()),
                        runs.stream()
                                .flatMap(run -> mains(session, run).stream())
                                .anyMatch(m -> m < session.plan().amp().mains().lowest()),
                        Pairing.together(),
                        Optional.empty(),
                        values.get(Quantity.CURRENT),
                        values.get(Quantity.INDIVIDUAL),
                        values.get(Quantity.PLATE),
                        values.get(Quantity.CATHODE),
                        values.get(Quantity.SCREEN),
                        values.get(Quantity.SCREEN_DROP),
                        Optional.ofNullable(values.get(Quantity.CHOKE).get("")),
                        pairings(session, now, before, volts))
                .grids(
                        values.get(Quantity.GRID),
                        biasNode(session).stream().reduce((a, b) -> b).map(RecordedReading::typed))
                .mainsMoved(runs.stream()
                        .flatMap(run -> mains(session, run).flatMap(m -> mainsMoved(session, run, m)).stream())
                        .max(Double::compare));
    }

    /** The node of the bias supply as it was read, with the output tubes in or out, in order. */
    static List<RecordedReading> biasNode(Session session) {
        return session.holding().stream()
                .filter(r -> r.quantity() == Quantity.BIAS_NODE
                        || r.quantity() == Quantity.UNLOADED
                                && session.plan().amp().supply().below(r.point().name()))
                .sorted(Comparator.comparingLong(RecordedReading::at))
                .toList();
    }

    /** Power-ons apart: by turns each position has its own, and what the mains did between them moved no reading. */
    private static Collection<List<RecordedReading>> byRun(List<RecordedReading> readings) {
        return readings.stream()
                .collect(Collectors.groupingBy(r -> r.context().run()))
                .values();
    }

    /**
     * How far the mains went from what the readings of one power-on are judged at while volts and currents were read: a
     * share.
     */
    private static Optional<Double> mainsMoved(Session session, List<RecordedReading> run, double mains) {
        List<RecordedReading> judged = run.stream()
                .filter(r -> r.quantity() == Quantity.PLATE
                        || r.quantity() == Quantity.CURRENT
                        || r.quantity() == Quantity.INDIVIDUAL)
                .toList();
        long first = judged.stream().mapToLong(RecordedReading::at).min().orElse(0);
        long last = judged.stream().mapToLong(RecordedReading::at).max().orElse(0);
        List<RecordedReading> read = session.holding().stream()
                .filter(r -> r.quantity() == Quantity.MAINS
                        && r.at() <= last
                        && r.context().run() == run.get(0).context().run())
                .toList();
        Optional<RecordedReading> begun = read.stream()
                .filter(r -> r.at() <= first && first - r.at() <= TOGETHER_MILLIS)
                .reduce((a, b) -> b.at() >= a.at() ? b : a);
        return Stream.concat(begun.stream(), read.stream().filter(r -> r.at() > first))
                .map(r -> Math.abs(r.typed().value() / mains - 1))
                .max(Double::compare);
    }

    /**
     * What stands beside the currents counts only while it is about as new as the newest of them; a single tube's current
     * behind a shared point likewise, so that an old one does not speak for a mean that moved. Plate volts are judged by
     * their own pairing, and a point's current is the newest there is. By turns the currents of the same power-on count; the
     * whole supply's is compared with all of them.
     */
    private static boolean fresh(RecordedReading reading, List<RecordedReading> now) {
        boolean judgedElsewhere = reading.quantity() == Quantity.PLATE || reading.quantity() == Quantity.CURRENT;
        return judgedElsewhere || newestCurrent(reading, now) - reading.at() <= TOGETHER_MILLIS;
    }

    private static long newestCurrent(RecordedReading beside, List<RecordedReading> now) {
        return now.stream()
                .filter(r -> r.quantity() == Quantity.CURRENT || r.quantity() == Quantity.INDIVIDUAL)
                .filter(r -> beside.quantity() == Quantity.CHOKE
                        || r.context().run() == beside.context().run())
                .mapToLong(RecordedReading::at)
                .max()
                .orElse(Long.MIN_VALUE);
    }

    private static Map<String, RecordedReading> carried(
            List<RecordedReading> now, List<RecordedReading> before, Quantity quantity) {
        Map<String, RecordedReading> latest = new HashMap<>();
        for (List<RecordedReading> readings : List.of(before, now)) {
            readings.stream()
                    .filter(r -> r.quantity() == quantity)
                    .forEach(r -> latest.merge(r.point().name(), r, (a, b) -> b.at() >= a.at() ? b : a));
        }
        return latest;
    }

    private static Map<String, Pairing> pairings(
            Session session,
            List<RecordedReading> now,
            List<RecordedReading> before,
            Map<String, RecordedReading> volts) {
        Map<String, Pairing> pairings = new HashMap<>();
        for (Socket socket : session.plan().amp().sockets()) {
            Optional<RecordedReading> current = currentOf(session, now, socket);
            Optional<RecordedReading> plate = voltsFor(session, volts, socket);
            if (current.isPresent() && plate.isPresent()) {
                List<RecordedReading> all = new ArrayList<>(before);
                all.addAll(now);
                pairings.put(socket.name(), pairing(current.get(), plate.get(), all));
            }
        }
        return pairings;
    }

    private static Optional<RecordedReading> currentOf(Session session, List<RecordedReading> now, Socket socket) {
        String group = session.plan().amp().groupOf(socket.name()).name();
        Optional<RecordedReading> alone = now.stream()
                .filter(r -> r.isOf(Quantity.INDIVIDUAL, socket.name()) && fresh(r, now))
                .reduce((a, b) -> b);
        return alone.or(
                () -> now.stream().filter(r -> r.isOf(Quantity.CURRENT, group)).reduce((a, b) -> b));
    }

    /** Its own plate volts, or the newest of its channel. */
    private static Optional<RecordedReading> voltsFor(
            Session session, Map<String, RecordedReading> volts, Socket socket) {
        return Optional.ofNullable(volts.get(socket.name()))
                .or(() -> session.plan().amp().sockets().stream()
                        .filter(s -> s.channel() == socket.channel())
                        .map(s -> volts.get(s.name()))
                        .filter(r -> r != null)
                        .findFirst());
    }

    /** How far apart in time, and how much the current moved since it was read nearest to the volts. */
    private static Pairing pairing(RecordedReading current, RecordedReading plate, List<RecordedReading> all) {
        RecordedReading nearest = current;
        for (RecordedReading other : all) {
            boolean same = other.sameAs(current);
            if (same && Math.abs(other.at() - plate.at()) < Math.abs(nearest.at() - plate.at())) {
                nearest = other;
            }
        }
        double minutes = Math.abs(current.at() - plate.at()) / 60_000.0;
        double then = nearest.typed().value();
        double change = then == 0 ? 0 : current.typed().value() / then - 1;
        return new Pairing(Optional.of(minutes), Optional.of(change), false);
    }

    /** Mains as read last in this power-on, if not too long before these readings. */
    private static Optional<Double> mains(Session session, List<RecordedReading> now) {
        if (now.isEmpty()) {
            return Optional.empty();
        }
        RecordedReading last =
                now.stream().reduce((a, b) -> b.at() >= a.at() ? b : a).orElseThrow();
        Set<String> gone = new HashSet<>();
        session.readings().stream()
                .map(RecordedReading::id)
                .filter(session::superseded)
                .forEach(gone::add);
        Optional<RecordedReading> before = Optional.empty();
        Optional<RecordedReading> after = Optional.empty();
        for (RecordedReading reading : session.readings()) {
            if (reading.quantity() != Quantity.MAINS
                    || gone.contains(reading.id())
                    || reading.context().run() != last.context().run()) {
                continue;
            }
            long late = reading.at() - last.at();
            if (late <= 0
                    && -late <= MAINS_MILLIS
                    && (before.isEmpty() || reading.at() >= before.get().at())) {
                before = Optional.of(reading);
            }
            if (late > 0 && late <= MAINS_AFTER_MILLIS && after.isEmpty()) {
                after = Optional.of(reading);
            }
        }
        Optional<RecordedReading> next = after;
        return before.or(() -> next).map(r -> r.typed().value());
    }
}
