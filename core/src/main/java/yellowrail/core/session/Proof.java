package yellowrail.core.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;

/**
 * Whether a session proves its idle. <em>Set</em>: the idle is in the target as last read, with whatever qualifies it.
 * <em>Proven</em>: nothing qualifies it, and every position was watched over a whole soak.
 *
 * @param state not set, set or proven
 * @param open what keeps it from being proven, one sentence each, the first thing to do first; empty when proven
 * @param wants the same with the times by which it is due
 * @param begunAt when the first reading that counts for a soak was taken, milliseconds since 1970; empty before it
 * @param wholeAt when the soak is whole if it stays so, milliseconds since 1970; empty before its first reading
 * @param again what began a soak anew and what was changed of description and types, for the record
 */
public record Proof(
        State state,
        List<String> open,
        List<Want> wants,
        Optional<Long> begunAt,
        Optional<Long> wholeAt,
        List<String> again) {
    /** The rules these states are told by; a sheet names them. */
    public static final String EDITION = "rules of November 2026, third edition";

    /** How far the session got. */
    public enum State {
        NOT_SET("not set"),
        SET("set, not proven"),
        PROVEN("proven"),
        /** With outside test points alone nothing is set or proven: it is told whether anything moved. */
        RECHECK_AGREES("re-check: currents agree with last time. Plates not read, no watts"),
        RECHECK_DIFFERS("re-check: currents do not agree with last time. Plates not read, no watts"),
        RECHECK_OPEN("re-check, not complete. Plates not read, no watts");

        private final String words;

        State(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * Something that keeps a session from being proven.
     *
     * @param sentence what to do, or why it cannot be any more
     * @param due by when, milliseconds since 1970; empty when it is no matter of time
     */
    public record Want(String sentence, Optional<Long> due) {
        static Want of(String sentence) {
            return new Want(sentence, Optional.empty());
        }
    }

    public Proof {
        open = List.copyOf(open);
        wants = List.copyOf(wants);
        again = List.copyOf(again);
    }

    /**
     * @param findings all of the session
     */
    static Proof of(Session session, SessionAssessment judged, List<Finding> findings) {
        List<Want> wants = new ArrayList<>();
        findings.stream().filter(Finding::open).forEach(f -> wants.add(Want.of(f.sentence() + " " + f.wants())));
        List<String> again = new ArrayList<>();
        for (JudgingBasis.Change change : judged.changed()) {
            if (change.since().isEmpty()) {
                wants.add(Want.of(change.sentence()));
            } else {
                again.add(change.sentence());
            }
        }
        SoakProof soak = SoakProof.of(session, judged);
        circumstances(session, judged, wants);
        boolean watts = session.access() != Access.TEST_POINTS;
        boolean soaks = watts && session.plan().setup().soaks();
        soak.unclear().filter(v -> watts).ifPresent(v -> wants.add(Want.of("The verdict is “" + v.words() + "”.")));
        if (soaks) {
            wants.addAll(soak.wants());
        }
        stops(session, wants);
        soak.again().stream().filter(a -> !again.contains(a)).forEach(again::add);
        boolean set = soak.inWindow() && !session.stopped();
        return new Proof(
                recheck(session).orElse(wants.isEmpty() ? State.PROVEN : set ? State.SET : State.NOT_SET),
                wants.stream().map(Want::sentence).toList(),
                wants,
                soak.begunAt().filter(at -> soaks),
                soak.wholeAt().filter(at -> soaks),
                again);
    }

    private static Optional<State> recheck(Session session) {
        if (session.access() != Access.TEST_POINTS) {
            return Optional.empty();
        }
        List<Agreement.Kind> kinds =
                Agreement.all(session).stream().map(Agreement::kind).toList();
        if (kinds.contains(Agreement.Kind.DIFFERS)) {
            return Optional.of(State.RECHECK_DIFFERS);
        }
        boolean agree = kinds.stream().allMatch(k -> k == Agreement.Kind.AGREES)
                && !session.stopped()
                && !session.context().limiter()
                && !session.clockWentBack();
        return Optional.of(agree ? State.RECHECK_AGREES : State.RECHECK_OPEN);
    }

    private static void stops(Session session, List<Want> wants) {
        if (session.access() == Access.TEST_POINTS) {
            wants.add(Want.of(
                    "Outside test points alone were read: plates not read, no watts, nothing is proven by them."));
        } else if (!session.plan().setup().soaks()) {
            wants.add(Want.of("No soak was chosen for this session: it can be set, not proven."));
        }
        for (Stop stop : session.stops()) {
            Mark mark = session.marks().get(stop);
            if (mark != null && !mark.done()) {
                wants.add(Want.of(stop.words() + " was skipped: " + mark.reason() + "."));
            } else {
                first(stop, stop.unproven(session, mark != null, session.lastAt()), wants);
            }
            if (mark != null) {
                first(stop, stop.stillUnproven(session, session.lastAt()), wants);
            }
        }
        if (session.clockWentBack()) {
            wants.add(Want.of("A clock went back during the session: the times of the soak are not sure."));
        }
        if (session.stopped()) {
            wants.add(Want.of("The session was stopped for safety and not resumed."));
        }
    }

    private static void first(Stop stop, List<String> sentences, List<Want> wants) {
        sentences.stream().findFirst().ifPresent(s -> wants.add(Want.of(stop.words() + ": " + s)));
    }

    private static void circumstances(Session session, SessionAssessment judged, List<Want> wants) {
        if (session.context().limiter()) {
            wants.add(Want.of("A limiter is in series."));
        }
        double highest = session.plan().amp().mains().highest();
        session.holding().stream()
                .filter(r -> r.quantity() == Quantity.MAINS && r.typed().value() > highest * (1 + 1e-9))
                .reduce((a, b) -> b)
                .ifPresent(r -> wants.add(Want.of(
                        "The mains was read at " + r.typed().echo() + ", above the " + Show.si(highest, Unit.VOLT, 3)
                                + " given as the highest: correct that in the description.")));
        HeaterState.newest(session, judged)
                .filter(h -> h.check().outside())
                .ifPresent(h -> wants.add(Want.of("Heater volts lie outside ±10 % of nominal as read: "
                        + h.check().sentence() + " Mend that, and read them again.")));
    }
}
