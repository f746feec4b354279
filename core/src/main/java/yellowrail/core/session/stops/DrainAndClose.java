package yellowrail.core.session.stops;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yellowrail.core.session.Access;
import yellowrail.core.session.Check;
import yellowrail.core.session.LockRules;
import yellowrail.core.session.Session;
import yellowrail.core.session.Stop;

/** Off, drained, everything back in its place. */
public final class DrainAndClose extends Stop {
    private static final Check.Rule HERE = (s, point, now) -> only(s, Stops.CLOSE);

    public static final Check RESTORED = Check.of(
                    "RESTORED",
                    "What was removed is back: straps, shields, grounding screws, screws of the right length.")
            .holding(Check.Holds.UNTIL_CHANGED)
            .onlyIf(HERE)
            .askedIf(s -> s.access().handsIn());
    public static final Check LIMITER_OUT = Check.of(
                    "LIMITER_OUT", "The limiter is out of the mains lead, and the fuse is the marked one.")
            .onlyIf((s, point, now) -> only(s, Stops.CLOSE)
                    .or(() -> s.context().limiter()
                            ? Optional.of("The limiter is still declared in series: take it out and say so first.")
                            : Optional.empty()))
            .askedIf(Session::limited);
    public static final Check CLAMPS = Check.of("CLAMPS", "Tube clamps and cover are on.")
            .holding(Check.Holds.UNTIL_CHANGED)
            .onlyIf(HERE)
            .askedIf(s -> s.access().handsIn() || s.movesTubes());
    public static final Check ADAPTORS_OUT = Check.of(
                    "ADAPTORS_OUT",
                    "The adaptors are out, and each tube is back in its own socket, key and seat right.")
            .holding(Check.Holds.UNTIL_CHANGED)
            .onlyIf((s, point, now) -> only(s, Stops.CLOSE).or(() -> LockRules.tubesLocked(s, now)))
            .askedIf(s -> s.access().movesTubes() || s.plan().setup().byTurns());

    DrainAndClose() {
        super("CLOSE", "Drain and close");
    }

    /** Why something that is confirmed at one stop only may not be confirmed now. */
    static Optional<String> only(Session session, Stop stop) {
        return session.here().equals(stop)
                ? Optional.empty()
                : Optional.of("This is confirmed at " + stop.words() + ": go there first.");
    }

    /** With outside test points alone nothing was opened. */
    @Override
    public boolean belongs(Session session) {
        return session.access() != Access.TEST_POINTS || session.tubesMoved();
    }

    @Override
    public boolean powered() {
        return false;
    }

    /** Closing is possible at any time. */
    @Override
    public List<Stop> after(List<Stop> before) {
        return List.of();
    }

    @Override
    public List<Check> checks() {
        return List.of(RESTORED, LIMITER_OUT, ADAPTORS_OUT, CLAMPS);
    }

    @Override
    public List<ReadingGroup> readings(Look look) {
        return look.session().access().handsIn()
                ? List.of(new ReadingGroup("Residual volts", "DC, every node", 0, Readings.residuals(look.session())))
                : List.of();
    }

    @Override
    public List<String> missing(Session session, long now) {
        LockRules rules = new LockRules(session, now);
        List<String> missing = new ArrayList<>(session.access().handsIn() ? rules.drained() : rules.fromOutside());
        checks().forEach(c -> c.require(session, missing));
        return missing;
    }

    /** Closed once, or closing skipped, it has to be off all the same. */
    @Override
    public List<String> stillUnproven(Session session, long now) {
        boolean off = session.context().off() > 0
                && !session.power(now).on()
                && session.contradiction().isEmpty();
        return off
                ? List.of()
                : List.of(session.power(now).sentence() + ": signing waits until it is off and unplugged.");
    }

    @Override
    public List<Remark> remarks(Look look) {
        return Residuals.remarks(look);
    }

    @Override
    public List<String> cautions(Session session, String volts) {
        return List.of("The supply can hold " + volts + " again: drain and read every node before a hand goes in.");
    }

    @Override
    public String note(Session session) {
        return session.access().handsIn() ? Residuals.note(session, this) : "off, adaptors out, clamps on";
    }

    @Override
    public Set<Tool> tools(Session session) {
        return Set.of(Tool.LIMITER, Tool.TUBES_AND_PARTS, Tool.LISTENING);
    }

    @Override
    public List<String> printed(Session session) {
        return Residuals.highest(session, this)
                .map(r -> "highest residual at closing " + r.typed().echo())
                .stream()
                .toList();
    }
}
