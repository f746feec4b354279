package yellowrail.core.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.idle.Verdict;
import yellowrail.core.reading.Show;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.round.SocketAnswer;
import yellowrail.core.soak.Drift;
import yellowrail.core.soak.Stability;

/**
 * Whether a session proves its idle. <em>Set</em>: the idle is in the target as last read, with whatever qualifies it.
 * <em>Proven</em>: nothing qualifies it, and every position was watched over the soak.
 *
 * @param state not set, set or proven
 * @param open what keeps it from being proven, one sentence each; empty when proven
 */
public record Proof(State state, List<String> open) {
    /** How far the session got. */
    public enum State {
        NOT_SET("not set"),
        SET("set, not proven"),
        PROVEN("proven");

        private final String words;

        State(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public Proof {
        open = List.copyOf(open);
    }

    static Proof of(Session session, Judged judged) {
        List<String> open = new ArrayList<>();
        for (Stop stop : List.of(Stop.BEFORE_POWER, Stop.DRAINED)) {
            Mark mark = session.marks().get(stop);
            if (mark == null || !mark.done()) {
                open.add(
                        stop.words() + (mark == null ? " was not completed." : " was skipped: " + mark.reason() + "."));
            }
        }
        Optional<RoundAnswer> present = judged.present();
        if (present.isEmpty()) {
            open.add("No tube was read in the present setting.");
            return new Proof(State.NOT_SET, open);
        }
        RoundAnswer answer = present.get();
        answer.unmeasured().forEach(s -> open.add(s + " was not read in this setting."));
        for (SocketAnswer s : answer.sockets()) {
            position(session, s, open);
        }
        states(session, answer, open);
        if (session.clockWentBack()) {
            open.add("A clock went back during the session: the times of the soak are not sure.");
        }
        if (session.stopped()) {
            open.add("The session was stopped for safety and not resumed.");
        }
        Verdict verdict = answer.verdict();
        if (!verdict.allClear()) {
            open.add("The verdict is “" + verdict.words() + "”.");
        }
        boolean set = (verdict.place() == Verdict.Place.IN_WINDOW)
                && answer.unmeasured().isEmpty()
                && !session.stopped();
        return new Proof(open.isEmpty() ? State.PROVEN : set ? State.SET : State.NOT_SET, open);
    }

    private static void position(Session session, SocketAnswer s, List<String> open) {
        String name = s.socket().name();
        if (!s.measured()) {
            return;
        }
        Optional<Curves.Curve> curve = Curves.of(session).alone(name);
        if (curve.isEmpty()) {
            open.add(name + " was only seen in a mean with others, never alone.");
            return;
        }
        int readings = curve.get().warm().size();
        double span = curve.get().spanMinutes();
        if (readings < Curves.LEAST_READINGS || span < session.plan().soakMinutes()) {
            open.add(name + ": " + readings + (readings == 1 ? " reading over " : " readings over ")
                    + Show.fixed(span, 0) + " min after warm-up; three over "
                    + Show.plain(session.plan().soakMinutes(), 3) + " min are needed.");
            return;
        }
        long behind = Curves.of(session).newestAt()
                - curve.get().taken().get(curve.get().taken().size() - 1).at();
        if (behind > Assembly.TOGETHER_MILLIS) {
            open.add(name + " was last read " + behind / 60_000
                    + " min before the newest reading: read every position together.");
        }
        double last = curve.get().warm().get(readings - 1).minutes();
        Stability stability = Stability.of(name, curve.get().sinceOn(), last);
        if (!stability.stable()) {
            open.add(stability.sentence());
        }
        Drift drift = curve.get().drift();
        if (!drift.allowsProof(curve.get().warm())) {
            open.add(drift.sentence());
        }
    }

    private static void states(Session session, RoundAnswer answer, List<String> open) {
        for (SocketAnswer s : answer.sockets()) {
            if (s.measured()) {
                s.question()
                        .circumstances()
                        .pairing()
                        .stale()
                        .ifPresent(why -> open.add(s.socket().name() + ": " + why + "."));
            }
        }
        boolean limiter = session.context().limiter()
                || answer.sockets().stream()
                        .anyMatch(s -> s.question().circumstances().limiter());
        if (limiter) {
            open.add("A limiter was in series.");
        }
        boolean mains = answer.sockets().stream()
                .allMatch(s -> s.question()
                        .circumstances()
                        .mains()
                        .flatMap(m -> m.now())
                        .isPresent());
        if (!mains) {
            open.add("The mains was not read within an hour of the last readings.");
        }
    }
}
