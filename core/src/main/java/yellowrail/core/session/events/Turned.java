package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Curves;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;
import yellowrail.core.soak.Drift;

/** A bias control was turned; the way is empty when it was not noted. */
public record Turned(String control, Optional<Way> way, String reason) implements Event {
    private static final EntryField<Optional<Way>> WAY =
            EntryField.maybe("way", "Which way it was turned, seen from its own side", Way.class);

    static final Kind<Turned> KIND = new Kind<>(
            "turn",
            Turned.class,
            List.of(Common.CONTROL, WAY, Common.REASON),
            s -> new Turned(Common.CONTROL.of(s), WAY.of(s), Common.REASON.of(s)));

    /** Which way a control was turned, seen from its own side. */
    public enum Way {
        CW,
        CCW
    }

    @Override
    public Optional<String> refusal(Rules rules) {
        return rules.control(control)
                .or(() -> rules.session().power(rules.now()).on()
                        ? Optional.empty()
                        : Optional.of(
                                "A control is turned under power, with an insulated tool and the meter in sight."));
    }

    @Override
    public void happens(SessionChanges changes) {
        changes.turned();
    }

    @Override
    public Optional<String> logged(Session before) {
        String turned =
                way.map(w -> w == Way.CW ? " clockwise" : " counter-clockwise").orElse("");
        return Optional.of("Turned the " + control + turned + whileCreeping(before) + Rules.because(reason) + ".");
    }

    /** A trim of a creeping tube is told as such: it hides the cause. */
    private String whileCreeping(Session before) {
        List<String> moved = before.controls().stream()
                .filter(c -> c.name().equals(control))
                .flatMap(c -> c.sockets().stream())
                .toList();
        List<String> creeping = Curves.of(before).present().stream()
                .filter(c -> c.sockets().stream().anyMatch(moved::contains))
                .filter(c ->
                        c.drift().kind() == Drift.Kind.CREEPING || c.drift().kind() == Drift.Kind.ACCELERATING)
                .map(Curves.Curve::point)
                .toList();
        return creeping.isEmpty() ? "" : " while " + String.join(" and ", creeping) + " crept";
    }
}
