package yellowrail.core.session;

import java.util.List;
import java.util.Optional;
import yellowrail.core.adjust.Control;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Labelled;

/** Whether something may happen in a session at one time; what each event asks stands with it. */
public final class Rules {
    /** Made before something was entered on another device, it cannot be taken as it is. */
    public static final String READ_AGAIN =
            "This was made before something that was entered on another device since. Read the page as it is now, and enter"
                    + " it again if it still holds.";

    private final Session session;
    private final long now;

    Rules(Session session, long now) {
        this.session = session;
        this.now = now;
    }

    public Optional<String> refusal(Event event) {
        return over().or(() -> event.refusal(this));
    }

    public Session session() {
        return session;
    }

    public long now() {
        return now;
    }

    /** Why the session takes no more entries; empty while it does. */
    public Optional<String> over() {
        if (session.signed().isPresent()) {
            return Optional.of("This session is signed; it stays as it was issued. Begin a new one.");
        }
        return session.closed().isPresent()
                ? Optional.of("This session was closed without a sheet. Begin a new one.")
                : Optional.empty();
    }

    /** How a reason follows what was done. */
    public static String because(String reason) {
        return reason.isBlank() ? "" : ": " + reason;
    }

    public static Optional<String> blank(String text, String sentence) {
        return text.isBlank() ? Optional.of(sentence) : Optional.empty();
    }

    /** Why this names no control of the amp; empty where it does. */
    public Optional<String> control(String name) {
        List<String> names = session.controls().stream().map(Control::name).toList();
        return names.contains(name)
                ? Optional.empty()
                : Optional.of("This amp has no “" + name + "”"
                        + (names.isEmpty() ? "." : "; it has " + String.join(", ", names) + "."));
    }

    public Optional<String> labelled(String label) {
        boolean known = session.entries().stream()
                .anyMatch(e -> e.event() instanceof Labelled l && l.label().equals(label));
        return known ? Optional.empty() : Optional.of("No setting was labelled “" + label + "” yet.");
    }

    public Optional<String> enter(Stop target) {
        if (!session.stops().contains(target)) {
            return notOfSession(target);
        }
        List<Stop> before = session.stops().subList(0, session.stops().indexOf(target));
        List<Stop> needed = target.after(before);
        if (!session.rail().isBefore(session.here(), target) || needed.isEmpty()) {
            return Optional.empty();
        }
        if (session.stopped()) {
            return Optional.of(
                    "Stopped for safety: switch off, drain, find the cause and say what was found before going on.");
        }
        return needed.stream().flatMap(s -> s.settled(session, now).stream()).findFirst();
    }

    public static Optional<String> notOfSession(Stop stop) {
        return Optional.of(stop.words() + " does not belong to this session.");
    }

    /** Why this reading cannot be changed; empty when it can. */
    public Optional<String> amend(String id) {
        if (session.reading(id).isEmpty()) {
            return Optional.of("That reading is not in this session.");
        }
        return session.superseded(id)
                ? Optional.of("This reading was corrected or taken back already; only the newest value can be changed.")
                : Optional.empty();
    }

    /** Why a quantity is not read at this point of the amp; empty where it is. */
    public Optional<String> noPoint(Quantity quantity, String point) {
        List<String> names = session.names(quantity.place());
        if (names.contains(point)) {
            return Optional.empty();
        }
        return switch (quantity.place()) {
            case AMP -> Optional.of("This is read of the whole amp, not at “" + point + "”: leave the point empty.");
            case SOCKET -> session.noSocket(point);
            case CONTROL -> control(point);
            case SENSE_POINT, NODE ->
                Optional.of("This amp has no " + quantity.place().words() + " “" + point + "”.");
        };
    }

    public Optional<String> tubesLocked() {
        return LockRules.tubesLocked(session, now);
    }

    public Optional<String> handsLocked() {
        return locked(DrainLimit.HANDS, String.join(" ", session.locks(now).why()));
    }

    public Optional<String> ohmsLocked() {
        return locked(DrainLimit.OHMS, session.locks(now).ohmsNext());
    }

    /** Why something that waits for drained nodes may not be done; empty while it may. */
    private Optional<String> locked(DrainLimit limit, String waits) {
        return waits.isEmpty() ? Optional.empty() : Optional.of(limit.locked() + " " + waits);
    }
}
