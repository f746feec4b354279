package yellowrail.core.session;

import java.util.Map;
import java.util.Optional;
import yellowrail.core.adjust.Control;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Aimed;
import yellowrail.core.session.events.ClosedUnsigned;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.LimiterSet;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.SignedOff;
import yellowrail.core.session.events.Ticked;
import yellowrail.core.session.stops.DrainAndClose;
import yellowrail.core.session.stops.Drained;

/** What one entry may change of a session: each kind of event says in {@link Event#happens} which of these it does. */
public final class SessionChanges {
    private final Session session;
    private final Entry entry;
    private final long at;
    private final boolean back;

    /**
     * @param at when it counts, milliseconds since 1970
     * @param back whether its device's clock went back
     */
    SessionChanges(Session session, Entry entry, long at, boolean back) {
        this.session = session;
        this.entry = entry;
        this.at = at;
        this.back = back;
    }

    /** Work goes on at a stop; what was done before it is marked so. */
    public void enter(Stop stop) {
        markWhatIsDone(stop);
        session.here = stop;
        if (stop.plays()) {
            session.plays.add(at);
        }
    }

    public void skip(Stop stop, String reason) {
        session.marks.put(stop, new Mark(false, reason));
    }

    public void limiter(boolean inSeries) {
        session.timeline.add(session.context().limited(at, inSeries));
        if (inSeries) {
            session.confirmed.end(DrainAndClose.LIMITER_OUT);
        }
    }

    /** A reading does not hold. */
    public void takeBack(String reading, String reason) {
        session.readings.amend(reading, Amendment.Kind.VOIDED, at, reason);
    }

    /** A reading belongs to another point. */
    public void move(String reading, String point, String reason) {
        RecordedReading old = session.readings.amend(reading, Amendment.Kind.MOVED, at, reason);
        session.readings.replace(old, entry.id(), old.quantity().at(point), old.typed(), reason);
    }

    /** A control was turned: another setting. */
    public void turned() {
        session.timeline.add(session.context().reset(at));
    }

    public void direction(String control, Control.Direction direction) {
        session.directions.put(control, direction);
    }

    /** Another tube stands in a socket. */
    public void placed(String socket, String tube, String type) {
        session.seating.place(socket, tube, type);
        tubesMoved();
    }

    public void exchanged(String socketA, String socketB) {
        session.seating.exchange(socketA, socketB);
        tubesMoved();
    }

    /** The tube that stands in a socket has a name. */
    public void named(String socket, String tube) {
        session.seating.name(socket, tube);
    }

    /** A part was changed. */
    public void changed() {
        session.confirmed.end(Drained.CHASSIS_CLOSED);
        afresh();
    }

    /** Something alternates where off may be declared. */
    public void ripple() {
        if (session.context().power() == Power.OFF) {
            contradict();
        }
    }

    public void opened(Access access) {
        session.access = session.access.orMore(access);
    }

    public void aim(Aimed aim) {
        session.aim = Optional.of(aim);
    }

    public void toMiddle(boolean wanted) {
        session.toMiddle = wanted;
    }

    public void bias(BiasScheme told) {
        session.biasTold = Optional.of(told);
    }

    /** The cause of a stop for safety was found. */
    public void resume() {
        session.safety.resume();
    }

    public void sign(SignedOff signed) {
        session.signed = Optional.of(signed);
    }

    public void close(ClosedUnsigned closed) {
        session.closed = Optional.of(closed);
    }

    /** Something speaks for power while off is declared: nobody knows its state now. */
    void contradict() {
        session.timeline.add(session.context().powered(at, Power.UNDECLARED).reset(at));
        session.contradiction = Optional.of(entry);
        forgetOff();
    }

    /** The amp's power was declared. */
    public void declare(Power power) {
        Optional<SafetyStop> mistake = session.safety.takenBackBy(power, at);
        if (mistake.isPresent()) {
            takeBack(mistake.get());
            return;
        }
        if (power == session.context().power()) {
            return;
        }
        Optional<String> waits = Declared.waits(session, power, at);
        session.contradiction = Optional.empty();
        if (power.on()) {
            for (Stop before : session.stops()) {
                if (before.powered()) {
                    break;
                }
                markIfDone(before);
            }
            session.timeline.add(session.context().powered(at, power));
            forgetOff();
            doAgain();
        } else {
            session.timeline.add(session.context().powered(at, power));
            forgetOff();
            session.marks.keySet().removeIf(Stop::endsWithPower);
        }
        session.safety.declared(
                power, at, waits.map(w -> new Unready(at, session.context().run(), w)));
    }

    /** What was confirmed of the amp while it was off holds no longer. */
    void forgetOff() {
        session.confirmed.end(Check.Holds.WHILE_OFF);
    }

    /** Power off now. */
    public void stop(String what) {
        if (session.safety.standing()) {
            return;
        }
        session.safety.stop(new SafetyStop(
                entry.id(), at, what, session.context(), Map.copyOf(session.marks), session.confirmed.now()));
        // Off is never inferred from it, and nothing that was read before counts as the present state.
        session.timeline.add(session.context().powered(at, Power.UNDECLARED));
        forgetOff();
        afresh();
    }

    private void takeBack(SafetyStop stop) {
        session.timeline.add(stop.before().again(at));
        session.marks.clear();
        session.marks.putAll(stop.marks());
        session.confirmed.again(stop.ticks());
        session.safety.takeBack(stop);
        // What was entered since then holds: a limiter put in, a confirmation taken back.
        boolean since = false;
        for (Entry made : session.entries()) {
            if (since && made.event() instanceof LimiterSet limiter) {
                session.timeline.add(session.context().limited(at, limiter.inSeries()));
            } else if (since && made.event() instanceof Ticked tick && !tick.done()) {
                confirm(tick.check(), tick.point(), false);
            }
            since |= made.id().equals(stop.entry());
        }
    }

    /** A check was confirmed of a point, or that was taken back. */
    public void confirm(Check check, String point, boolean done) {
        if (done) {
            session.confirmed.confirm(check, point);
        } else {
            session.confirmed.takeBack(check, point);
            session.rail().stopOf(check).filter(Stop::reopens).ifPresent(session.marks::remove);
        }
    }

    /** Something was read, or a reading corrected. */
    public void read(Read e) {
        if (!e.supersedes().isEmpty()) {
            RecordedReading old =
                    session.readings.amend(e.supersedes(), Amendment.Kind.CORRECTED, entry.at(), e.reason());
            session.readings.replace(old, entry.id(), old.point(), e.typed(), e.reason());
            return;
        }
        boolean isLate = session.clocks.late(entry);
        if (!isLate && session.context().power() == Power.OFF && SignOfPower.in(e)) {
            contradict();
        }
        session.readings.add(new RecordedReading(
                entry.id(),
                entry.at(),
                e.quantity(),
                e.quantity().at(e.point()),
                e.typed(),
                "",
                e.reason(),
                session.here,
                isLate,
                back ? session.context() : session.timeline.at(entry.at())));
        if (e.quantity() == Quantity.RESIDUAL
                && Math.abs(e.typed().value()) > session.plan().handsVolts()) {
            session.confirmed.end(Drained.METER_PROVEN);
        }
        if (e.quantity() == Quantity.SENSE_OHMS || e.quantity() == Quantity.HALF_PRIMARY_OHMS) {
            session.confirmed.end(Drained.CHASSIS_CLOSED);
        }
    }

    private void tubesMoved() {
        session.tubesMoved = true;
        session.access = session.access.orMore(Access.ADAPTORS);
        session.confirmed.end(Check.Holds.UNTIL_TUBES_MOVE);
        afresh();
        session.marks.keySet().removeIf(Stop::ofTubes);
    }

    /** A changed amp is measured anew, and closed anew. */
    private void afresh() {
        session.timeline.add(session.context().reset(at));
        session.confirmed.end(Check.Holds.UNTIL_CHANGED);
        doAgain();
    }

    /** What was done or skipped for this setting has to be done again. */
    private void doAgain() {
        session.marks.keySet().removeIf(Stop::doneAgain);
        session.confirmed.end(Check.Holds.OF_SETTING);
    }

    private void markWhatIsDone(Stop target) {
        for (Stop stop : session.stops()) {
            if (session.rail().isBefore(stop, target)) {
                markIfDone(stop);
            }
        }
    }

    private void markIfDone(Stop stop) {
        if (session.stops().contains(stop)
                && !session.marks.containsKey(stop)
                && stop.missing(session, at).isEmpty()) {
            session.marks.put(stop, Mark.DONE);
        }
    }

    /** A stop that was skipped and then done after all is done. */
    void redeem() {
        Mark mark = session.marks.get(session.here);
        if (mark != null && !mark.done() && session.here.missing(session, at).isEmpty()) {
            session.marks.put(session.here, Mark.DONE);
        }
    }
}
