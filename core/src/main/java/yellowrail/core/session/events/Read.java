package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.Typed;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Event;
import yellowrail.core.session.Power;
import yellowrail.core.session.RecordedReading;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;
import yellowrail.core.session.SignOfPower;

/**
 * A reading.
 *
 * @param point the socket, sense point, node or control; empty for the whole amp
 * @param supersedes id of the reading this one corrects; empty for a fresh one
 * @param reason why it was corrected, or why a cautioned reading was taken all the same
 */
public record Read(Quantity quantity, String point, Typed typed, String supersedes, String reason) implements Event {
    private static final EntryField<Quantity> QUANTITY = EntryField.one("quantity", "What was read", Quantity.class);
    private static final EntryField<String> POINT =
            EntryField.sentence("point", "Socket, sense point, node or control; empty for the whole amp");
    private static final EntryField<String> TYPED = EntryField.reading("text", "As typed from the meter");
    private static final EntryField<String> SUPERSEDES =
            EntryField.sentence("supersedes", "Id of the reading it corrects; empty for a fresh one");
    private static final EntryField<Optional<Boolean>> CONFIRMED =
            EntryField.yesNo("confirmed", "yes when an unusual value is right: what was asked about with status 409");

    static final Kind<Read> KIND = new Kind<>(
            "read", Read.class, List.of(QUANTITY, POINT, TYPED, SUPERSEDES, Common.REASON, CONFIRMED), Read::said);

    private static Read said(Said s) {
        Quantity quantity = QUANTITY.of(s);
        String point = POINT.of(s);
        Typed typed = s.reading(TYPED.name(), quantity, point);
        // Asked about before it is an entry; no part of it.
        CONFIRMED.of(s);
        return new Read(quantity, point, typed, SUPERSEDES.of(s), Common.REASON.of(s));
    }

    public static Read of(Quantity quantity, String point, Typed typed) {
        return new Read(quantity, point, typed, "", "");
    }

    static boolean isOhms(Quantity quantity) {
        return quantity == Quantity.SENSE_OHMS || quantity == Quantity.HALF_PRIMARY_OHMS;
    }

    public boolean fresh() {
        return supersedes.isEmpty();
    }

    @Override
    public Optional<String> refusal(Rules rules) {
        if (!fresh()) {
            return correction(rules);
        }
        Power power = rules.session().power(rules.now());
        // A sign of power is taken, whatever was declared: it closes every lock.
        boolean sign = power == Power.OFF && SignOfPower.in(this);
        return noPoint(rules)
                .or(() -> adaptorElsewhere(rules))
                .or(() -> sign ? Optional.empty() : stateFor(rules, power));
    }

    @Override
    public void happens(SessionChanges changes) {
        changes.read(this);
    }

    @Override
    public boolean signOfPower() {
        return SignOfPower.in(this);
    }

    /** A fresh reading made in the past: the state is that of then. */
    @Override
    public Optional<String> lateRefusal(Rules now, Rules then) {
        if (!fresh()) {
            return now.refusal(this);
        }
        return now.over()
                .or(() -> noPoint(then))
                .or(() -> SignOfPower.in(this)
                        ? Optional.empty()
                        : stateFor(then, then.session().powerFor(then.now())));
    }

    /** A correction counts as if it came now; a fresh reading is taken in at its own time. */
    @Override
    public boolean countsLate(Session session, long at) {
        return !fresh();
    }

    private Optional<String> correction(Rules rules) {
        Optional<String> gone = rules.amend(supersedes);
        if (gone.isPresent()) {
            return gone;
        }
        RecordedReading old = rules.session().reading(supersedes).orElseThrow();
        if (!old.isOf(quantity, point)) {
            return Optional.of("A correction is for the same quantity at the same point.");
        }
        return (isOhms(quantity) ? rules.ohmsLocked() : Optional.<String>empty())
                .or(() -> Rules.blank(reason, "Say why it is corrected; the first reading stays on record."));
    }

    private Optional<String> stateFor(Rules rules, Power power) {
        return switch (quantity) {
            case SENSE_OHMS, HALF_PRIMARY_OHMS -> rules.ohmsLocked();
            case RESIDUAL ->
                power == Power.OFF
                        ? Optional.empty()
                        : Optional.of("Residual volts are read after switching off and unplugging: declare off first.");
            case LOAD_OHMS, BLEEDER_OHMS, GRID_LEAK_OHMS, METER_OHMS -> Optional.empty();
            case UNLOADED, HEATER_UNLOADED, GRID_TUBE_OUT ->
                power == Power.ON_TUBES_OUT
                        ? Optional.empty()
                        : Optional.of("This is read with power on and the output tubes out; the amp is declared "
                                + power.words() + ".");
            case GRID_HOTTEST -> {
                if (power == Power.ON_TUBES_IN && reason.isBlank()) {
                    yield Optional.of("The hottest end is not looked for with tubes conducting: a plate can glow within"
                            + " seconds. Find it with the output tubes out, or say why it must be now.");
                }
                yield power.on() ? Optional.empty() : powerNeeded(power, "");
            }
            case GRID_COLDEST, MAINS, GRID, BIAS_NODE -> power.on() ? Optional.empty() : powerNeeded(power, "");
            default -> power == Power.ON_TUBES_IN ? Optional.empty() : powerNeeded(power, " and the tubes in");
        };
    }

    private static Optional<String> powerNeeded(Power power, String also) {
        return Optional.of("This is read with power on" + also + "; the amp is declared " + power.words()
                + ". Declare its state first.");
    }

    /** By turns a current is read where the adaptor is: one of another socket is a slip of the field. */
    private Optional<String> adaptorElsewhere(Rules rules) {
        Session session = rules.session();
        boolean reads = quantity == Quantity.CURRENT
                || quantity == Quantity.PLATE && !session.access().handsIn();
        if (!session.plan().setup().byTurns() || !reads) {
            return Optional.empty();
        }
        String asked = quantity == Quantity.PLATE
                ? point
                : session.plan().amp().groups().stream()
                        .filter(g -> g.name().equals(point))
                        .findFirst()
                        .orElseThrow()
                        .sockets()
                        .get(0);
        return session.adaptor().filter(asked::equals).isPresent()
                ? Optional.empty()
                : Optional.of(session.adaptor()
                                .map(s -> "The adaptor is in " + s + ".")
                                .orElse("The adaptor is in no socket yet.")
                        + " To read " + asked + ", switch off, let the tubes cool, move it there and say so.");
    }

    /** Why its point is none of this amp; empty where it is one. */
    Optional<String> noPoint(Rules rules) {
        if (quantity == Quantity.RIPPLE) {
            return Optional.of("Ripple is noted together with its frequency, as an entry of its own kind.");
        }
        return rules.noPoint(quantity, point);
    }

    @Override
    public Optional<String> logged(Session before) {
        return fresh() ? Optional.empty() : Amended.line(before, supersedes, "corrected to " + typed.echo(), reason);
    }
}
