package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Power;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;
import yellowrail.core.session.Stop;

/** The builder declared the amp's state. */
public record Declared(Power power) implements Event {
    private static final EntryField<Power> POWER = EntryField.one("power", "What the amp is declared as", Power.class);

    static final Kind<Declared> KIND =
            new Kind<>("declare", Declared.class, List.of(POWER), s -> new Declared(POWER.of(s)));

    @Override
    public Optional<String> refusal(Rules rules) {
        if (power == Power.OFF) {
            return Optional.empty();
        }
        if (power == Power.UNDECLARED) {
            return Optional.of("Declare off, on with the output tubes out, or on with the tubes in.");
        }
        Session session = rules.session();
        Power present = session.power(rules.now());
        if (present.on() && present != power) {
            return Optional.of("Output tubes do not move with power on: declare off, drain, then change them.");
        }
        // Whatever should have come before: an amp that is on is stored as on, and closes the locks.
        return Optional.empty();
    }

    /** What should come before power goes on like this; empty while nothing is missing, and for off. */
    public static Optional<String> waits(Session session, Power power, long now) {
        if (!power.on()) {
            return Optional.empty();
        }
        if (session.stopped()) {
            return session.mistake(power, now)
                    ? Optional.empty()
                    : Optional.of(
                            "Stopped for safety: find the cause and say what was found before power goes on again.");
        }
        for (Stop stop : session.stops()) {
            Optional<String> waits = stop.powerRefusal(session, power, now);
            if (waits.isPresent()) {
                return waits;
            }
        }
        boolean withoutTubes = session.stops().stream().anyMatch(Stop::powersTubesOut);
        return power == Power.ON_TUBES_OUT && !withoutTubes
                ? Optional.of("This session does not power the amp with its output tubes out.")
                : Optional.empty();
    }

    @Override
    public void happens(SessionChanges changes) {
        changes.declare(power);
    }

    @Override
    public boolean signOfPower() {
        return power.on();
    }

    /** It is kept in the history whatever it says. */
    @Override
    public Optional<String> lateRefusal(Rules now, Rules then) {
        return now.over();
    }

    /** It stands where it was made and changes nothing. */
    @Override
    public boolean countsLate(Session session, long at) {
        return false;
    }
}
