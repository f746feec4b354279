package yellowrail.core.session;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import yellowrail.core.round.RoundReadings;

/**
 * Readings of one pass over the sockets. A point read again, a turned control or any other break begins the next one.
 *
 * @param number from 1
 * @param taken in the order they were recorded
 * @param readings put together for judging
 */
public record SessionRound(int number, List<RecordedReading> taken, RoundReadings readings) {
    public SessionRound {
        taken = List.copyOf(taken);
    }

    public int stretch() {
        return taken.get(0).context().stretch();
    }

    public long at() {
        return taken.get(taken.size() - 1).at();
    }

    public Stop stop() {
        return taken.get(taken.size() - 1).stop();
    }

    /** All rounds of a session. */
    public static List<SessionRound> all(Session session) {
        List<SessionRound> rounds = new ArrayList<>();
        List<RecordedReading> open = new ArrayList<>();
        List<RecordedReading> before = new ArrayList<>();
        Set<String> points = new HashSet<>();
        for (RecordedReading reading : session.holding()) {
            if (!RoundAssembler.live(reading)) {
                continue;
            }
            boolean breaks = !open.isEmpty()
                    && open.get(0).context().stretch() != reading.context().stretch();
            if (breaks || points.contains(key(reading))) {
                rounds.add(new SessionRound(rounds.size() + 1, open, RoundAssembler.readings(session, open, before)));
                if (breaks) {
                    before.clear();
                } else {
                    before.addAll(open);
                }
                open = new ArrayList<>();
                points.clear();
            }
            open.add(reading);
            points.add(key(reading));
        }
        if (!open.isEmpty()) {
            rounds.add(new SessionRound(rounds.size() + 1, open, RoundAssembler.readings(session, open, before)));
        }
        return rounds;
    }

    private static String key(RecordedReading reading) {
        return reading.quantity() + "/" + reading.point().name();
    }

    /**
     * The newest readings of the present stretch, whichever round they came in, or by turns those of the present setting;
     * empty when there are none.
     */
    static Optional<RoundReadings> present(Session session) {
        if (!session.plan().setup().byTurns()) {
            return present(session, session.context().stretch());
        }
        int setting = session.context().setting();
        return newest(session, r -> r.context().setting() == setting && Turn.counts(session, r))
                .map(r -> r.byTurns(Turn.readings(session)));
    }

    /**
     * Whether a reading is of what counts as read now: of the present power-on, or by turns of the one in which its position
     * was read in this setting.
     */
    public static boolean ofNow(Session session, RecordedReading reading) {
        return session.plan().setup().byTurns()
                ? reading.context().setting() == session.context().setting() && Turn.counts(session, reading)
                : reading.context().run() == session.context().run();
    }

    /** The newest readings of one stretch. */
    static Optional<RoundReadings> present(Session session, int stretch) {
        return newest(session, r -> r.context().stretch() == stretch);
    }

    private static Optional<RoundReadings> newest(Session session, Predicate<RecordedReading> which) {
        List<RecordedReading> live = session.holding().stream()
                .filter(r -> RoundAssembler.live(r)
                        && !session.safety.early(r.context().run())
                        && which.test(r))
                .toList();
        if (live.isEmpty()) {
            return Optional.empty();
        }
        List<RecordedReading> newest = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        List<RecordedReading> before = new ArrayList<>();
        for (int i = live.size() - 1; i >= 0; i--) {
            if (seen.add(key(live.get(i)))) {
                newest.add(0, live.get(i));
            } else {
                before.add(0, live.get(i));
            }
        }
        return Optional.of(RoundAssembler.readings(session, newest, before));
    }
}
