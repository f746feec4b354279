package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Event;
import yellowrail.core.session.RecordedReading;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;

/** A reading was entered at the wrong point: it counts at this one. */
public record Moved(String reading, String point, String reason) implements Event {
    private static final EntryField<String> POINT = EntryField.sentence("point", "Where it was really read");

    static final Kind<Moved> KIND = new Kind<>(
            "move",
            Moved.class,
            List.of(Common.READING, POINT, Common.REASON),
            s -> new Moved(Common.READING.of(s), POINT.of(s), Common.REASON.of(s)));

    @Override
    public Optional<String> refusal(Rules rules) {
        Optional<String> gone = rules.amend(reading);
        if (gone.isPresent()) {
            return gone;
        }
        RecordedReading old = rules.session().reading(reading).orElseThrow();
        if (old.point().name().equals(point)) {
            return Optional.of("The reading stands at “" + point + "” already.");
        }
        return Read.of(old.quantity(), point, old.typed())
                .noPoint(rules)
                .or(() -> sameMethod(rules.session(), old))
                .or(() -> Read.isOhms(old.quantity()) ? rules.ohmsLocked() : Optional.empty())
                .or(() -> Rules.blank(reason, "Say why it is moved; the first entry stays on record."));
    }

    @Override
    public void happens(SessionChanges changes) {
        changes.move(reading, point, reason);
    }

    /** A reading in volts means another current at a point with another resistor: such a one is entered anew. */
    private Optional<String> sameMethod(Session session, RecordedReading old) {
        return old.quantity() != Quantity.CURRENT
                        || method(session, old.point().name()).equals(method(session, point))
                ? Optional.empty()
                : Optional.of("“" + point + "” is read in another way than “"
                        + old.point().name() + "”: take the reading back and enter it there.");
    }

    private static Optional<SensingMethod> method(Session session, String point) {
        return session.plan().amp().groups().stream()
                .filter(g -> g.name().equals(point))
                .map(g -> g.method())
                .findFirst();
    }

    @Override
    public Optional<String> logged(Session before) {
        return Amended.line(before, reading, "moved to " + point, reason);
    }
}
