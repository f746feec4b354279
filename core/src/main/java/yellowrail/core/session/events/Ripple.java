package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.Typed;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Event;
import yellowrail.core.session.Power;
import yellowrail.core.session.Rules;
import yellowrail.core.session.SessionChanges;

/**
 * Ripple at a supply node, the meter on AC: line frequency or twice it tells where it comes from.
 *
 * @param volts AC volts, V
 * @param hertz its frequency, Hz; 0 when not known
 */
public record Ripple(String node, Typed volts, int hertz) implements Event {
    private static final List<Integer> HERTZ = List.of(0, 50, 60, 100, 120);

    private static final EntryField<String> NODE = EntryField.sentence("node", "Node of the supply");
    private static final EntryField<String> VOLTS = EntryField.reading("text", "Ripple as typed from the meter");
    private static final EntryField<Integer> FREQUENCY =
            EntryField.one("hertz", "Its frequency, Hz; 0 is not known", () -> HERTZ, String::valueOf);

    static final Kind<Ripple> KIND = new Kind<>(
            "ripple",
            Ripple.class,
            List.of(NODE, VOLTS, FREQUENCY),
            s -> new Ripple(NODE.of(s), s.reading(VOLTS.name(), Quantity.RIPPLE, NODE.of(s)), FREQUENCY.of(s)));

    @Override
    public Optional<String> refusal(Rules rules) {
        Power power = rules.session().power(rules.now());
        // Where off was declared it is a sign of power: it is taken, and closes every lock.
        return rules.noPoint(Quantity.RIPPLE, node)
                .or(() -> power == Power.UNDECLARED
                        ? Optional.of("Ripple is read under power: declare the amp's state first.")
                        : Optional.empty());
    }

    @Override
    public void happens(SessionChanges changes) {
        changes.ripple();
    }

    @Override
    public boolean signOfPower() {
        return true;
    }

    @Override
    public Optional<String> noted() {
        return Optional.of(
                "ripple at " + node + ": " + volts.echo() + " AC" + (hertz == 0 ? "" : ", " + hertz + " Hz"));
    }
}
