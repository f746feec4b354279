package yellowrail.core.session;

import java.util.List;
import java.util.Optional;
import yellowrail.core.adjust.Control;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.round.Quantity;

/** Whether an event may happen at one time, and if not, why not. */
final class Rules {
    private final Session session;
    private final long now;
    private final Needs needs;

    Rules(Session session, long now) {
        this.session = session;
        this.now = now;
        this.needs = new Needs(session, now);
    }

    Optional<String> refusal(Event event) {
        Optional<String> over = over();
        if (over.isPresent()) {
            return over;
        }
        if (event instanceof Event.Entered e) {
            return enter(e.stop());
        }
        if (event instanceof Event.Skipped e) {
            return skip(e);
        }
        if (event instanceof Event.Declared e) {
            return declare(e.power());
        }
        if (event instanceof Event.Ticked e) {
            return tick(e);
        }
        if (event instanceof Event.Read e) {
            return read(e);
        }
        if (event instanceof Event.Voided e) {
            return amend(e.reading()).or(() -> blank(e.reason(), "Say why it is taken back; it stays on record."));
        }
        if (event instanceof Event.Moved e) {
            return move(e);
        }
        if (event instanceof Event.CauseFound e) {
            return causeFound(e);
        }
        if (event instanceof Event.ClosedUnsigned e) {
            return closeUnsigned(e);
        }
        if (event instanceof Event.Turned e) {
            return turn(e);
        }
        if (event instanceof Event.DirectionSeen e) {
            return control(e.control());
        }
        if (event instanceof Event.Placed e) {
            return socket(e.socket())
                    .or(() -> blank(e.tube(), "Name the tube: what stands on its label."))
                    .or(this::tubesLocked);
        }
        if (event instanceof Event.Exchanged e) {
            return socket(e.socketA())
                    .or(() -> socket(e.socketB()))
                    .or(() -> e.socketA().equals(e.socketB())
                            ? Optional.of("Pick two different sockets.")
                            : Optional.empty())
                    .or(this::tubesLocked);
        }
        if (event instanceof Event.Changed e) {
            return blank(e.what(), "Say what was changed.").or(this::handsLocked);
        }
        if (event instanceof Event.Noted e) {
            return blank(e.text(), "The note is empty.");
        }
        if (event instanceof Event.Labelled e) {
            return e.label().matches("[A-H]")
                    ? Optional.empty()
                    : Optional.of("A setting's label is one letter, A to H.");
        }
        if (event instanceof Event.Heard e) {
            return labelled(e.label()).or(() -> blank(e.text(), "Say what was heard."));
        }
        if (event instanceof Event.Chose e) {
            return labelled(e.label());
        }
        if (event instanceof Event.BiasTold e) {
            return biasTold(e.bias());
        }
        if (event instanceof Event.Tiered e) {
            return blank(e.tier(), "Name the tier.").or(() -> blank(e.items(), "Say what the tier holds."));
        }
        if (event instanceof Event.Resumed e) {
            return resume(e);
        }
        if (event instanceof Event.SignedOff e) {
            return sign(e);
        }
        return Optional.empty();
    }

    /** Why the session takes no more entries; empty while it does. */
    Optional<String> over() {
        if (session.signed().isPresent()) {
            return Optional.of("This session is signed; it stays as it was issued. Begin a new one.");
        }
        return session.closed().isPresent()
                ? Optional.of("This session was closed without a sheet. Begin a new one.")
                : Optional.empty();
    }

    private static Optional<String> blank(String text, String sentence) {
        return text.isBlank() ? Optional.of(sentence) : Optional.empty();
    }

    private Optional<String> socket(String name) {
        return session.sockets().contains(name)
                ? Optional.empty()
                : Optional.of(
                        "This amp has no socket “" + name + "”; it has " + String.join(", ", session.sockets()) + ".");
    }

    private Optional<String> control(String name) {
        List<String> names = session.controls().stream().map(Control::name).toList();
        return names.contains(name)
                ? Optional.empty()
                : Optional.of("This amp has no “" + name + "”"
                        + (names.isEmpty() ? "." : "; it has " + String.join(", ", names) + "."));
    }

    private Optional<String> biasTold(BiasScheme bias) {
        if (session.plan().amp().bias() != BiasScheme.FIXED_UNKNOWN) {
            return Optional.of("This amp's description says how it is biased: "
                    + session.plan().amp().bias().words() + ". Correct it there.");
        }
        return BiasScheme.FIXED_UNKNOWN.outcomes().contains(bias)
                ? Optional.empty()
                : Optional.of("Fixed bias follows the mains, or is held constant.");
    }

    private Optional<String> labelled(String label) {
        boolean known = session.entries().stream()
                .anyMatch(
                        e -> e.event() instanceof Event.Labelled l && l.label().equals(label));
        return known ? Optional.empty() : Optional.of("No setting was labelled “" + label + "” yet.");
    }

    private Optional<String> enter(Stop target) {
        if (!session.stops().contains(target)) {
            return Optional.of(target.words() + " does not belong to this session.");
        }
        if (target.compareTo(session.here()) <= 0 || target == Stop.CLOSE) {
            return Optional.empty();
        }
        if (session.stopped()) {
            return Optional.of(
                    "Stopped for safety: switch off, drain, find the cause and say what was found before going on.");
        }
        if (target == Stop.SIGN_OFF) {
            return settled(Stop.CLOSE);
        }
        for (Stop stop : session.stops()) {
            if (stop.compareTo(target) < 0) {
                Optional<String> open = settled(stop);
                if (open.isPresent()) {
                    return open;
                }
            }
        }
        return Optional.empty();
    }

    /** Why a stop is not behind us; empty when it is done or was skipped. */
    private Optional<String> settled(Stop stop) {
        if (session.marks().containsKey(stop)) {
            return Optional.empty();
        }
        List<String> missing = needs.missing(stop);
        return missing.isEmpty()
                ? Optional.empty()
                : Optional.of(
                        stop.words() + " is not done: " + missing.get(0) + " Do it, or skip the stop with a reason.");
    }

    private Optional<String> skip(Event.Skipped e) {
        if (!session.stops().contains(e.stop())) {
            return Optional.of(e.stop().words() + " does not belong to this session.");
        }
        if (e.stop() == Stop.SIGN_OFF) {
            return Optional.of("Sign off is the end of the rail; leave the session open instead.");
        }
        return blank(e.reason(), "A skipped stop needs a reason; it is printed on the sheet.");
    }

    private Optional<String> declare(Power power) {
        if (power == Power.OFF) {
            return Optional.empty();
        }
        if (power == Power.UNDECLARED) {
            return Optional.of("Declare off, on with the output tubes out, or on with the tubes in.");
        }
        if (session.stopped()) {
            return session.mistake(power, now)
                    ? Optional.empty()
                    : Optional.of(
                            "Stopped for safety: find the cause and say what was found before power goes on again.");
        }
        Power present = session.power(now);
        if (present.on() && present != power) {
            return Optional.of("Output tubes do not move with power on: declare off, drain, then change them.");
        }
        Optional<String> before = settled(Stop.BEFORE_POWER);
        if (before.isPresent()) {
            return before;
        }
        if (!present.on() && session.context().run() == 0 && session.stops().contains(Stop.DRAINED)) {
            Optional<String> drained = settled(Stop.DRAINED);
            if (drained.isPresent()) {
                return drained;
            }
        }
        if (power == Power.ON_TUBES_OUT) {
            return session.stops().contains(Stop.TUBES_OUT)
                    ? Optional.empty()
                    : Optional.of("This session does not power the amp with its output tubes out.");
        }
        return tubesReady();
    }

    private Optional<String> tubesReady() {
        if (session.stops().contains(Stop.TUBES_OUT)) {
            Optional<String> out = settled(Stop.TUBES_OUT);
            if (out.isPresent()) {
                return out;
            }
        }
        boolean unseated = session.stops().contains(Stop.TUBES_IN)
                && !session.marks().containsKey(Stop.TUBES_IN)
                && !session.ticked(Check.KEYS, "");
        return unseated
                ? Optional.of("Tubes in: confirm key and seat of each tube, off and drained, before power goes on.")
                : Optional.empty();
    }

    private Optional<String> tick(Event.Ticked e) {
        if (!e.done()) {
            return Optional.empty();
        }
        if (e.check() == Check.KEYS) {
            return tubesLocked();
        }
        boolean ofOff = e.check() == Check.TUBES_COOL
                || e.check() == Check.STANDBY_PLAY
                || e.check() == Check.CHASSIS_CLOSED
                || e.check() == Check.METER_PROVEN;
        if (ofOff && session.power(now) != Power.OFF) {
            return Optional.of(
                    "This is confirmed of an amp that is off: switch off, unplug and declare it first; the amp is declared "
                            + session.power(now).words() + ".");
        }
        if (e.check() == Check.METER_PROVEN) {
            return new LockRules(session, now)
                    .notDead()
                    .map(why -> "The meter is shown on a known source once more after the dead readings. " + why);
        }
        if (e.check() == Check.GLOWS) {
            return session.power(now) != Power.ON_TUBES_IN
                    ? Optional.of("Heaters glow under power: declare on with the tubes in first.")
                    : socket(e.point());
        }
        Stop stop = e.check().stop();
        if ((stop == Stop.PLAY || stop == Stop.CLOSE) && session.here() != stop) {
            return Optional.of("This is confirmed at " + stop.words() + ": go there first.");
        }
        if (stop == Stop.PLAY && session.power(now) != Power.ON_TUBES_IN) {
            return Optional.of("This is seen under power, with the tubes in.");
        }
        if (e.check() == Check.LIMITER_OUT && session.context().limiter()) {
            return Optional.of("The limiter is still declared in series: take it out and say so first.");
        }
        return Optional.empty();
    }

    private Optional<String> read(Event.Read e) {
        if (!e.supersedes().isEmpty()) {
            return correct(e);
        }
        Power power = session.power(now);
        // A sign of power is taken, whatever was declared: it closes every lock.
        boolean sign = power == Power.OFF && SignOfPower.in(e);
        return pointOf(e).or(() -> sign ? Optional.empty() : stateFor(e, power));
    }

    /** A reading that was made in the past: the state is that of then. */
    Optional<String> lateReading(Event.Read e) {
        return pointOf(e).or(() -> SignOfPower.in(e) ? Optional.empty() : stateFor(e, session.powerFor(now)));
    }

    private Optional<String> stateFor(Event.Read e, Power power) {
        switch (e.quantity()) {
            case SENSE_OHMS, HALF_PRIMARY_OHMS -> {
                return ohmsLocked();
            }
            case RESIDUAL -> {
                return power == Power.OFF
                        ? Optional.empty()
                        : Optional.of("Residual volts are read after switching off and unplugging: declare off first.");
            }
            case LOAD_OHMS, BLEEDER_OHMS, GRID_LEAK_OHMS, METER_OHMS -> {
                return Optional.empty();
            }
            case UNLOADED, HEATER_UNLOADED, GRID_TUBE_OUT -> {
                return power == Power.ON_TUBES_OUT
                        ? Optional.empty()
                        : Optional.of("This is read with power on and the output tubes out; the amp is declared "
                                + power.words() + ".");
            }
            case GRID_HOTTEST -> {
                if (power == Power.ON_TUBES_IN && e.reason().isBlank()) {
                    return Optional.of(
                            "The hottest end is not looked for with tubes conducting: a plate can glow within"
                                    + " seconds. Find it with the output tubes out, or say why it must be now.");
                }
                return power.on() ? Optional.empty() : powerNeeded(power, "");
            }
            case GRID_COLDEST, MAINS, GRID, BIAS_NODE -> {
                return power.on() ? Optional.empty() : powerNeeded(power, "");
            }
            default -> {
                return power == Power.ON_TUBES_IN ? Optional.empty() : powerNeeded(power, " and the tubes in");
            }
        }
    }

    private static Optional<String> powerNeeded(Power power, String also) {
        return Optional.of("This is read with power on" + also + "; the amp is declared " + power.words()
                + ". Declare its state first.");
    }

    private Optional<String> correct(Event.Read e) {
        Optional<String> gone = amend(e.supersedes());
        if (gone.isPresent()) {
            return gone;
        }
        Taken old = session.reading(e.supersedes()).orElseThrow();
        if (old.quantity() != e.quantity() || !old.point().equals(e.point())) {
            return Optional.of("A correction is for the same quantity at the same point.");
        }
        boolean ohms = e.quantity() == Quantity.SENSE_OHMS || e.quantity() == Quantity.HALF_PRIMARY_OHMS;
        return (ohms ? ohmsLocked() : Optional.<String>empty())
                .or(() -> blank(e.reason(), "Say why it is corrected; the first reading stays on record."));
    }

    /** Why this reading cannot be changed; empty when it can. */
    private Optional<String> amend(String id) {
        if (session.reading(id).isEmpty()) {
            return Optional.of("That reading is not in this session.");
        }
        return session.superseded(id)
                ? Optional.of("This reading was corrected or taken back already; only the newest value can be changed.")
                : Optional.empty();
    }

    private Optional<String> move(Event.Moved e) {
        Optional<String> gone = amend(e.reading());
        if (gone.isPresent()) {
            return gone;
        }
        Taken old = session.reading(e.reading()).orElseThrow();
        if (old.point().equals(e.point())) {
            return Optional.of("The reading stands at “" + e.point() + "” already.");
        }
        boolean ohms = old.quantity() == Quantity.SENSE_OHMS || old.quantity() == Quantity.HALF_PRIMARY_OHMS;
        return pointOf(Event.Read.of(old.quantity(), e.point(), old.typed()))
                .or(() -> sameMethod(old, e.point()))
                .or(() -> ohms ? ohmsLocked() : Optional.empty())
                .or(() -> blank(e.reason(), "Say why it is moved; the first entry stays on record."));
    }

    /** A reading in volts means another current at a point with another resistor: such a one is entered anew. */
    private Optional<String> sameMethod(Taken old, String point) {
        return old.quantity() != Quantity.CURRENT || method(old.point()).equals(method(point))
                ? Optional.empty()
                : Optional.of("“" + point + "” is read in another way than “" + old.point()
                        + "”: take the reading back and enter it there.");
    }

    private Optional<yellowrail.core.amp.SensingMethod> method(String point) {
        return session.plan().amp().groups().stream()
                .filter(g -> g.name().equals(point))
                .map(g -> g.method())
                .findFirst();
    }

    private Optional<String> causeFound(Event.CauseFound e) {
        return Finding.known(session, e.finding())
                ? blank(e.fact(), "Say what was found and what was done about it.")
                : Optional.of("There is no open finding “" + e.finding() + "” in this session.");
    }

    private Optional<String> closeUnsigned(Event.ClosedUnsigned e) {
        return session.power(now).on()
                ? Optional.of("The amp is declared " + session.power(now).words()
                        + ": switch off, unplug and declare it before the session is closed.")
                : blank(e.reason(), "Say why the session is closed without a sheet.");
    }

    private Optional<String> pointOf(Event.Read e) {
        return switch (e.quantity()) {
            case MAINS, CHOKE, LOAD_OHMS, BLEEDER_OHMS, HEATER, HEATER_UNLOADED, OUTPUT_VOLTS, BIAS_NODE, METER_OHMS ->
                Optional.empty();
            case CURRENT, SENSE_OHMS, HALF_PRIMARY_OHMS, DRIVEN_CATHODE ->
                session.plan().amp().groups().stream().anyMatch(g -> g.name().equals(e.point()))
                        ? Optional.empty()
                        : Optional.of("This amp has no sense point “" + e.point() + "”.");
            case RESIDUAL, UNLOADED ->
                session.nodes().stream().anyMatch(n -> n.name().equals(e.point()))
                        ? Optional.empty()
                        : Optional.of("This amp has no node “" + e.point() + "”.");
            case GRID_COLDEST, GRID_HOTTEST -> control(e.point());
            default -> socket(e.point());
        };
    }

    private Optional<String> turn(Event.Turned e) {
        return control(e.control())
                .or(() -> session.power(now).on()
                        ? Optional.empty()
                        : Optional.of(
                                "A control is turned under power, with an insulated tool and the meter in sight."));
    }

    private Optional<String> resume(Event.Resumed e) {
        if (!session.stopped()) {
            return Optional.of("The session is not stopped.");
        }
        return blank(e.found(), "Say what was found before going on.")
                .or(() -> locks().tubes() ? Optional.empty() : handsLocked());
    }

    private Optional<String> sign(Event.SignedOff e) {
        if (session.here() != Stop.SIGN_OFF) {
            return Optional.of("Signing is the last stop: go there first.");
        }
        if (session.stopped()) {
            return Optional.of("The session was stopped for safety and not resumed.");
        }
        if (session.power(now) != Power.OFF) {
            return Optional.of(session.power(now).sentence() + ": signing waits until it is off and unplugged.");
        }
        return blank(e.by(), "Sign with a name or initials.");
    }

    private Locks locks() {
        return new LockRules(session, now).locks();
    }

    private Optional<String> tubesLocked() {
        Locks locks = locks();
        return locks.tubes() ? Optional.empty() : Optional.of("Tubes stay where they are. " + locks.tubesNext());
    }

    private Optional<String> handsLocked() {
        Locks locks = locks();
        return locks.hands() ? Optional.empty() : Optional.of("Hands stay out. " + String.join(" ", locks.why()));
    }

    private Optional<String> ohmsLocked() {
        Locks locks = locks();
        return locks.ohms() ? Optional.empty() : Optional.of("Ohms are locked. " + locks.ohmsNext());
    }
}
