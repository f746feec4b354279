package yellowrail.core.session;

import java.util.List;
import java.util.Optional;
import yellowrail.core.adjust.Control;
import yellowrail.core.adjust.SwingTest;
import yellowrail.core.round.Balance;
import yellowrail.core.session.events.Turned;

/** The mirror test of a balance control, from the rounds after its last turns one way and the other. */
public final class BalanceMirrorTest {
    private BalanceMirrorTest() {}

    /** Empty without a balance control, or while a round after one of the two turns is missing. */
    public static Optional<SwingTest> of(Session session, SessionAssessment judged) {
        Optional<Control> balance =
                session.controls().stream().filter(Control::balance).findFirst();
        if (balance.isEmpty()) {
            return Optional.empty();
        }
        Optional<Balance> cw = after(session, judged, balance.get(), Turned.Way.CW);
        Optional<Balance> ccw = after(session, judged, balance.get(), Turned.Way.CCW);
        if (cw.isEmpty() || ccw.isEmpty() || !usable(cw.get()) || !usable(ccw.get())) {
            return Optional.empty();
        }
        return Optional.of(SwingTest.of(
                new SwingTest.Sides(cw.get().sideA(), cw.get().sideB()),
                new SwingTest.Sides(ccw.get().sideA(), ccw.get().sideB())));
    }

    private static boolean usable(Balance balance) {
        return balance.sideA() > 0 && balance.sideB() > 0;
    }

    /** The sides in the last round taken after the last turn this way and before the next turn of anything. */
    private static Optional<Balance> after(Session session, SessionAssessment judged, Control control, Turned.Way way) {
        List<Entry> entries = session.entries();
        int stretch = -1;
        Session soFar = new Session(session.plan());
        for (Entry entry : entries) {
            soFar.apply(entry);
            if (entry.event() instanceof Turned turned
                    && turned.control().equals(control.name())
                    && turned.way().equals(Optional.of(way))) {
                stretch = soFar.context().stretch();
            }
        }
        int wanted = stretch;
        return judged.rounds().stream()
                .filter(r -> r.round().stretch() == wanted)
                .flatMap(r -> r.answer().balances().stream())
                .reduce((a, b) -> b);
    }
}
