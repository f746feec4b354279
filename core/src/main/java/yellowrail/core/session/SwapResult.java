package yellowrail.core.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.session.events.Exchanged;
import yellowrail.core.session.events.Placed;
import yellowrail.core.soak.Drift;
import yellowrail.core.soak.SwapTest;

/**
 * What an exchange of two tubes told, from the curves before and after it.
 *
 * @param at when it could be told, milliseconds since 1970
 * @param from socket the creeping tube came from
 * @param to socket it went to
 * @param tube its label; empty when it has none
 */
public record SwapResult(long at, String from, String to, String tube, SwapTest told) {
    /** Of every exchange that can be told; nothing while either side of it has too few readings. */
    public static List<SwapResult> all(Session session) {
        List<SwapResult> results = new ArrayList<>();
        List<Entry> entries = session.entries();
        for (int i = 0; i < entries.size(); i++) {
            if (entries.get(i).event() instanceof Exchanged swap) {
                of(session, swap, entries.get(i).at(), next(entries, i)).ifPresent(results::add);
            }
        }
        return results;
    }

    /** When tubes were next moved: what comes after says nothing of this exchange. */
    private static long next(List<Entry> entries, int i) {
        return entries.subList(i + 1, entries.size()).stream()
                .filter(e -> e.event() instanceof Exchanged || e.event() instanceof Placed)
                .mapToLong(Entry::at)
                .min()
                .orElse(Long.MAX_VALUE);
    }

    private static Optional<SwapResult> of(Session session, Exchanged swap, long at, long until) {
        Optional<Told> aBefore = told(session, swap.socketA(), Long.MIN_VALUE, at);
        Optional<Told> bBefore = told(session, swap.socketB(), Long.MIN_VALUE, at);
        Optional<Told> aAfter = told(session, swap.socketA(), at, until);
        Optional<Told> bAfter = told(session, swap.socketB(), at, until);
        if (aBefore.isEmpty() || bBefore.isEmpty() || aAfter.isEmpty() || bAfter.isEmpty()) {
            return Optional.empty();
        }
        boolean aCrept = aBefore.get().rising();
        if (aCrept == bBefore.get().rising()) {
            return Optional.empty();
        }
        String from = aCrept ? swap.socketA() : swap.socketB();
        String to = aCrept ? swap.socketB() : swap.socketA();
        boolean went = (aCrept ? bAfter : aAfter).get().rising();
        boolean was = (aCrept ? aAfter : bAfter).get().rising();
        return Optional.of(new SwapResult(
                Math.max(aAfter.get().at(), bAfter.get().at()), from, to, session.tube(to), SwapTest.of(went, was)));
    }

    private record Told(long at, boolean rising) {}

    /** The newest judged drift of a socket's own curve between two times. */
    private static Optional<Told> told(Session session, String socket, long from, long until) {
        return Curves.of(session).all().stream()
                .filter(c -> c.sockets().equals(List.of(socket)))
                .filter(c -> first(c) > from && last(c) <= until)
                .filter(c -> c.drift().kind() != Drift.Kind.TOO_FEW)
                .map(c -> new Told(last(c), c.drift().kind().rising()))
                .reduce((a, b) -> b);
    }

    private static long first(Curves.Curve curve) {
        return curve.taken().get(0).at();
    }

    private static long last(Curves.Curve curve) {
        return curve.taken().get(curve.taken().size() - 1).at();
    }

    public String sentence() {
        return told.sentence(tube.isEmpty() ? "The tube" : tube, from, to);
    }
}
