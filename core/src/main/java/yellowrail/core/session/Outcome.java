package yellowrail.core.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import yellowrail.core.idle.Statement;
import yellowrail.core.idle.Verdict;
import yellowrail.core.reading.Estimate;
import yellowrail.core.round.SocketAnswer;

/**
 * What a session found, for the sheet.
 *
 * @param proof set or proven, and what is open
 * @param findings what was found and has to be cleared up, open ones first
 * @param tubes before and after of each tube
 * @param fans dissipation over the mains
 * @param skipped stops left out, with their reasons
 * @param changes parts, tubes and controls changed, in order
 */
public record Outcome(
        Proof proof,
        List<Finding> findings,
        List<BeforeAfter> tubes,
        List<MainsFan> fans,
        List<String> skipped,
        List<String> changes) {
    public Outcome {
        findings = List.copyOf(findings);
    }

    /**
     * One tube before and after.
     *
     * @param alone whether the figures after are its own, not a mean
     * @param beforeWatts first whole reading of the session, W
     * @param afterWatts as last read in the present setting, W with its band
     * @param ratio after over before, of watts; empty unless both are of the same kind
     * @param statements of its verdict: as read, then at highest mains
     */
    public record BeforeAfter(
            String socket,
            String tube,
            boolean alone,
            Optional<Double> beforeAmperes,
            Optional<Double> beforeWatts,
            Optional<Double> afterAmperes,
            Optional<Estimate> afterWatts,
            Optional<Estimate> afterShare,
            Optional<Double> ratio,
            String verdict,
            boolean allClear,
            List<String> statements) {
        public BeforeAfter {
            statements = List.copyOf(statements);
        }
    }

    public static Outcome of(Session session, JudgingBasis standards) {
        return of(session, SessionAssessment.of(session, standards));
    }

    public static Outcome of(Session session, SessionAssessment judged) {
        List<MainsFan> fans = judged.fans();
        List<Finding> findings = FindingList.of(session, judged);
        Proof proof = Proof.of(session, judged, findings);
        List<BeforeAfter> tubes = new ArrayList<>();
        for (String socket : session.sockets()) {
            tubes.add(tube(session, judged, socket));
        }
        List<String> skipped = session.stops().stream()
                .filter(s -> session.marks().containsKey(s)
                        && !session.marks().get(s).done())
                .map(s -> s.words() + ": " + session.marks().get(s).reason())
                .toList();
        return new Outcome(proof, findings, tubes, fans, skipped, ChangeLog.of(session));
    }

    private static BeforeAfter tube(Session session, SessionAssessment judged, String socket) {
        Optional<SocketAnswer> before = before(session, judged, socket);
        Optional<SocketAnswer> after = judged.present()
                .flatMap(p -> SessionAssessment.socket(p, socket))
                .filter(SocketAnswer::measured);
        Optional<Double> beforeWatts =
                before.flatMap(s -> s.answer().plateWatts()).map(Estimate::value);
        Optional<Estimate> afterWatts = after.flatMap(s -> s.answer().plateWatts());
        boolean sameKind = before.isPresent()
                && after.isPresent()
                && before.get().seenAlone() == after.get().seenAlone();
        return new BeforeAfter(
                socket,
                session.tube(socket),
                after.map(SocketAnswer::seenAlone).orElse(false),
                before.flatMap(s -> s.answer().cathodeAmperes()).map(Estimate::value),
                beforeWatts,
                after.flatMap(s -> s.answer().cathodeAmperes()).map(Estimate::value),
                afterWatts,
                after.flatMap(s -> s.answer().share()),
                sameKind && beforeWatts.filter(w -> w > 0).isPresent()
                        ? afterWatts.map(w -> w.value() / beforeWatts.get())
                        : Optional.empty(),
                recheck(session, socket)
                        .map(a -> a.kind().words())
                        .or(() -> after.map(s -> s.answer().verdict()).map(Verdict::words))
                        .orElse("not measured"),
                after.map(s -> s.answer().verdict().allClear()).orElse(false),
                recheck(session, socket)
                        .map(a -> List.of(a.sentence()))
                        .or(() -> after.map(s -> s.answer().verdict())
                                .map(v -> Stream.of(v.now(), v.raised())
                                        .map(Statement::sentence)
                                        .filter(t -> !t.isEmpty())
                                        .toList()))
                        .orElse(List.of()));
    }

    /** With outside test points alone: whether this socket's current agrees with last time's. */
    private static Optional<Agreement> recheck(Session session, String socket) {
        if (session.access() != Access.TEST_POINTS) {
            return Optional.empty();
        }
        String point = session.plan().amp().groupOf(socket).name();
        return Agreement.all(session).stream()
                .filter(a -> a.point().equals(point))
                .findFirst();
    }

    /**
     * The first whole reading of the tube that is in this socket now, wherever it stood then; of a tube that came in only now
     * what stood in the socket before it.
     */
    private static Optional<SocketAnswer> before(Session session, SessionAssessment judged, String socket) {
        TubeHistory tubes = TubeHistory.of(session);
        String tube = tubes.in(socket, Long.MAX_VALUE);
        boolean here = session.sockets().stream()
                .anyMatch(s -> tubes.in(s, Long.MIN_VALUE).equals(tube));
        for (SessionAssessment.JudgedRound round : judged.rounds()) {
            for (SocketAnswer s : round.answer().sockets()) {
                boolean meant = here
                        ? tubes.in(s.socket().name(), round.round().at()).equals(tube)
                        : s.socket().name().equals(socket);
                if (meant && s.measured() && s.answer().plateWatts().isPresent()) {
                    return Optional.of(s);
                }
            }
        }
        return Optional.empty();
    }
}
