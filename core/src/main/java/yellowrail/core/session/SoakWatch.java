package yellowrail.core.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.round.SocketAnswer;
import yellowrail.core.soak.Drift;
import yellowrail.core.soak.Runaway;
import yellowrail.core.soak.Sample;
import yellowrail.core.soak.SwapTest;

/**
 * One point watched over time.
 *
 * @param curve its present curve
 * @param drift the judgement
 * @param minutesToCeiling if it goes on; empty when it does not rise or the ceiling is not known
 * @param stop whether that is so soon that the answer is a stop
 */
public record SoakWatch(Curves.Curve curve, Drift drift, Optional<Double> minutesToCeiling, boolean stop) {
    /** The points of the present stretch. */
    public static List<SoakWatch> of(Session session, Judged judged) {
        List<SoakWatch> watches = new ArrayList<>();
        for (Curves.Curve curve : Curves.of(session).present()) {
            List<Sample> samples = curve.warm().size() >= 2 ? curve.warm() : curve.sinceOn();
            Optional<Double> minutes = judged.present()
                    .flatMap(p -> ceilingAmperes(p, curve, judged))
                    .flatMap(c -> Runaway.minutesTo(c, samples));
            // Before the tenth minute a current rises because the tube warms up.
            boolean warm = samples == curve.sinceOn() ? samples.size() >= 3 : true;
            watches.add(new SoakWatch(
                    curve,
                    curve.drift(),
                    minutes,
                    warm && minutes.filter(m -> m < Runaway.STOP_MINUTES).isPresent()));
        }
        return watches;
    }

    /** Current of one tube at the ceiling with the plate volts as they are. */
    private static Optional<Double> ceilingAmperes(RoundAnswer present, Curves.Curve curve, Judged judged) {
        for (SocketAnswer s : present.sockets()) {
            if (curve.sockets().contains(s.socket().name())) {
                Optional<Double> share = s.answer().share().map(Estimate::value).filter(v -> v > 0);
                Optional<Double> now = s.answer().cathodeAmperes().map(Estimate::value);
                if (share.isPresent() && now.isPresent()) {
                    return Optional.of(now.get() * judged.amp().ceilingShare() / share.get());
                }
            }
        }
        return Optional.empty();
    }

    /** What a current under this watch asks for, in one sentence; empty when it is quiet. */
    public Optional<String> caution() {
        if (stop) {
            return Optional.of(curve.point() + " reaches the ceiling in "
                    + (minutesToCeiling.get() < 1
                            ? "under a minute"
                            : Show.fixed(Math.floor(minutesToCeiling.get()), 0) + " min")
                    + " if it goes on: power off now.");
        }
        return drift.kind().rising()
                ? Optional.of(curve.point() + " creeps (" + drift.sentence()
                        + ") Trimming it away hides the cause: first see whether mains or B+ moved, then exchange the"
                        + " tube with another position.")
                : Optional.empty();
    }

    /**
     * What the last exchange of two tubes tells, from the curves before and after it; empty without an exchange, or while
     * either side of it has too few readings.
     */
    public static Optional<String> swap(Session session) {
        List<Entry> entries = session.entries();
        for (int i = entries.size() - 1; i >= 0; i--) {
            if (entries.get(i).event() instanceof Event.Exchanged swap) {
                long at = entries.get(i).at();
                Optional<Drift> aBefore = drift(session, swap.socketA(), at, true);
                Optional<Drift> bBefore = drift(session, swap.socketB(), at, true);
                Optional<Drift> aAfter = drift(session, swap.socketA(), at, false);
                Optional<Drift> bAfter = drift(session, swap.socketB(), at, false);
                if (aBefore.isEmpty() || bBefore.isEmpty() || aAfter.isEmpty() || bAfter.isEmpty()) {
                    return Optional.empty();
                }
                boolean aCrept = aBefore.get().kind().rising();
                if (aCrept == bBefore.get().kind().rising()) {
                    return Optional.empty();
                }
                String from = aCrept ? swap.socketA() : swap.socketB();
                String to = aCrept ? swap.socketB() : swap.socketA();
                boolean went = (aCrept ? bAfter : aAfter).get().kind().rising();
                boolean was = (aCrept ? aAfter : bAfter).get().kind().rising();
                String label = session.tube(to);
                return Optional.of(SwapTest.of(went, was).sentence(label.isEmpty() ? "The tube" : label, from, to));
            }
        }
        return Optional.empty();
    }

    /** The last judged drift of a socket's own curve before, or the newest after, a time. */
    private static Optional<Drift> drift(Session session, String socket, long at, boolean before) {
        return Curves.of(session).all().stream()
                .filter(c -> c.sockets().equals(List.of(socket)))
                .filter(c -> before
                        ? c.taken().get(c.taken().size() - 1).at() <= at
                        : c.taken().get(0).at() > at)
                .map(Curves.Curve::drift)
                .filter(d -> d.kind() != Drift.Kind.TOO_FEW)
                .reduce((a, b) -> b);
    }
}
