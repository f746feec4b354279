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

    static final Kind<Ripple> KIND = new Kind<>(
            "ripple",
            Ripple.class,
            List.of("node", "text", "hertz"),
            s -> new Ripple(
                    s.text("node"),
                    s.reading("text", Quantity.RIPPLE, s.text("node")),
                    s.one("hertz", HERTZ, String::valueOf)));

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
