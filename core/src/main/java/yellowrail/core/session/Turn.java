package yellowrail.core.session;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.round.Point;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.RoundReadings;
import yellowrail.core.soak.Stability;

/**
 * One position read by turns: its newest warm current of the present setting, and the power-on it was read in.
 *
 * @param socket where the adaptor stood
 * @param first the last warm current of its first power-on of this setting
 * @param again the last warm current of a later power-on that every other position was read before; empty until then
 */
public record Turn(String socket, RecordedReading first, Optional<RecordedReading> again) {
    /**
     * Positions read warm in this setting, in the order of their turns. One whose newest power-on gave a cold current alone is
     * to be read again: that one counts for nothing, and what was read before it may not stand any more.
     */
    public static List<Turn> done(Session session) {
        int setting = session.context().setting();
        List<Turn> turns = new ArrayList<>();
        for (String socket : session.sockets()) {
            List<RecordedReading> warm = session.holding().stream()
                    .filter(r -> r.isOf(
                                    Quantity.CURRENT,
                                    session.plan().amp().groupOf(socket).name())
                            && r.context().setting() == setting
                            && r.context().power() == Power.ON_TUBES_IN
                            && r.minutesOn() >= Stability.WARM_MINUTES - 0.25)
                    .toList();
            Optional<Integer> newest =
                    runs(
                                    session,
                                    Quantity.CURRENT,
                                    session.plan().amp().groupOf(socket).name())
                            .stream()
                            .max(Comparator.naturalOrder());
            if (warm.stream().noneMatch(r -> newest.get() == r.context().run())) {
                continue;
            }
            int run = warm.get(0).context().run();
            RecordedReading first = warm.stream()
                    .filter(r -> r.context().run() == run)
                    .reduce((a, b) -> b)
                    .orElseThrow();
            Optional<RecordedReading> again =
                    warm.stream().filter(r -> r.context().run() > run).reduce((a, b) -> b);
            turns.add(new Turn(socket, first, again));
        }
        turns.sort(Comparator.comparingInt(t -> t.first.context().run()));
        return turns;
    }

    /**
     * Whether a reading counts for its position: of several power-ons the newest in which plate volts were read beside the
     * current, or the newest that has a current.
     */
    static boolean counts(Session session, RecordedReading reading) {
        return socketOf(session, reading.point())
                .map(s -> reading.context().run() == run(session, s))
                .orElse(true);
    }

    private static Optional<String> socketOf(Session session, Point point) {
        if (point instanceof Point.Socket socket) {
            return Optional.of(socket.name());
        }
        return point instanceof Point.SensePoint sense
                ? session.plan().amp().groups().stream()
                        .filter(g -> g.name().equals(sense.name()))
                        .map(g -> g.sockets().get(0))
                        .findFirst()
                : Optional.empty();
    }

    private static int run(Session session, String socket) {
        List<Integer> currents = runs(
                session, Quantity.CURRENT, session.plan().amp().groupOf(socket).name());
        List<Integer> plates = runs(session, Quantity.PLATE, socket);
        return currents.stream()
                .filter(plates::contains)
                .max(Comparator.naturalOrder())
                .or(() -> currents.stream().max(Comparator.naturalOrder()))
                .orElse(session.context().run());
    }

    private static List<Integer> runs(Session session, Quantity quantity, String point) {
        return session.holding().stream()
                .filter(r -> r.isOf(quantity, point)
                        && r.context().setting() == session.context().setting())
                .map(r -> r.context().run())
                .toList();
    }

    /** Whether a position was read before the adaptor went on: its reading stays, of the power-on it was read in. */
    public static boolean beforeTheMove(Session session, String socket) {
        return session.plan().setup().byTurns()
                && session.adaptor().filter(socket::equals).isEmpty();
    }

    /** Which position comes next: the hottest expected first, and that one again at the end; empty when all is read. */
    public static Optional<String> next(Session session) {
        List<Turn> done = done(session);
        List<String> open = session.sockets().stream()
                .filter(s -> done.stream().noneMatch(t -> t.socket.equals(s)))
                .toList();
        if (!open.isEmpty()) {
            return open.stream().max(Comparator.comparingDouble(s -> expected(session, s)));
        }
        return drift(session).isPresent() ? Optional.empty() : Optional.of(done.get(0).socket);
    }

    /** What it drew when the amp was last set, A; zero where that is not known. */
    private static double expected(Session session, String socket) {
        return Optional.ofNullable(session.plan()
                        .setup()
                        .memory()
                        .currents()
                        .get(session.plan().amp().groupOf(socket).name()))
                .map(Memory.WasRead::amperes)
                .orElse(0.0);
    }

    /** How far the first position had moved when it was read again after all others, share; empty before that. */
    public static Optional<Double> drift(Session session) {
        List<Turn> done = done(session);
        if (done.size() < session.sockets().size()) {
            return Optional.empty();
        }
        if (done.size() == 1) {
            return Optional.of(0.0);
        }
        Turn first = done.get(0);
        int last = done.get(done.size() - 1).first.context().run();
        return first.again.filter(r -> r.context().run() >= last).flatMap(again -> moved(session, first.first, again));
    }

    /** How far a current moved between two readings, carried to the mains of the first where both were read. */
    private static Optional<Double> moved(Session session, RecordedReading first, RecordedReading again) {
        Optional<Double> was = Curves.amperes(session, first);
        Optional<Double> now = Curves.amperes(session, again);
        if (was.isEmpty() || now.isEmpty()) {
            return Optional.empty();
        }
        double carried = Position.mains(session, first)
                .flatMap(m1 -> Position.mains(session, again).map(m2 -> m2.volts() / m1.volts()))
                .map(ratio -> Math.pow(ratio, Position.usualExponent(session).mid()))
                .orElse(1.0);
        return Optional.of(Math.abs(now.get() / carried / was.get() - 1));
    }

    /** The mains of each position's own power-on, and the drift. */
    static RoundReadings.Turns readings(Session session) {
        Map<String, Double> mains = new HashMap<>();
        for (Turn turn : done(session)) {
            RecordedReading newest = turn.again.orElse(turn.first);
            Position.mains(session, newest).ifPresent(m -> mains.put(turn.socket, m.volts()));
        }
        return new RoundReadings.Turns(mains, drift(session).map(d -> Math.min(1, d)));
    }
}
