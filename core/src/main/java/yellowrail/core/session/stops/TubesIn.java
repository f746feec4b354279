package yellowrail.core.session.stops;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.SocketAnswer;
import yellowrail.core.session.Check;
import yellowrail.core.session.FirstCurrent;
import yellowrail.core.session.LockRules;
import yellowrail.core.session.Power;
import yellowrail.core.session.Purpose;
import yellowrail.core.session.Session;
import yellowrail.core.session.Stop;
import yellowrail.core.session.stops.ReadingGroup.Wanted;

/** Keys and heaters seen, and the first current of each tube. */
public final class TubesIn extends Stop {
    public static final Check KEYS = Check.of("KEYS", "Each tube's key and seat are right; none was forced.")
            .holding(Check.Holds.UNTIL_TUBES_MOVE)
            .onlyIf((s, p, now) -> LockRules.tubesLocked(s, now));
    public static final Check GLOWS = Check.of("GLOWS", "Its heater glows.")
            .holding(Check.Holds.UNTIL_TUBES_MOVE)
            .ofEachSocket()
            .onlyIf((s, point, now) -> s.power(now) != Power.ON_TUBES_IN
                    ? Optional.of("Heaters glow under power: declare on with the tubes in first.")
                    : s.noSocket(point));
    /** Where the chassis stays closed nobody reads the grids before the tubes conduct. */
    public static final Check COLDEST_OUTSIDE = Check.of(
                    "COLDEST_OUTSIDE",
                    "Every bias control stands at its coldest end, as its marking or last time's turns tell; the first"
                            + " current shows whether it does.")
            .askedIf(s -> !s.controls().isEmpty()
                    && s.plan().purpose() == Purpose.NEW_TUBES
                    && !s.access().handsIn());

    TubesIn() {
        super("TUBES_IN", "Tubes in");
    }

    @Override
    public boolean belongs(Session session) {
        Purpose purpose = session.plan().purpose();
        return session.tubesMoved() || purpose == Purpose.NEW_TUBES || purpose == Purpose.FAULT;
    }

    @Override
    public boolean doneAgain() {
        return false;
    }

    @Override
    public boolean ofTubes() {
        return true;
    }

    @Override
    public List<Check> checks() {
        return List.of(COLDEST_OUTSIDE, KEYS, GLOWS);
    }

    @Override
    public List<ReadingGroup> readings(Look look) {
        Session session = look.session();
        List<Wanted> first = session.plan().amp().groups().stream()
                .map(g -> Readings.of(Quantity.CURRENT, g.name(), "First current, " + g.name()))
                .toList();
        return List.of(
                new ReadingGroup(
                        "Residual volts",
                        "off and drained again before the tubes go in",
                        0,
                        Readings.residuals(session)),
                new ReadingGroup("First power", "with the tubes in", 0, first));
    }

    @Override
    public List<String> missing(Session session, long now) {
        List<String> missing = new ArrayList<>();
        if (session.power(now) == Power.ON_TUBES_OUT) {
            missing.add("Declare the amp off and drain it: the tubes go in then.");
        }
        COLDEST_OUTSIDE.require(session, missing);
        KEYS.require(session, missing);
        for (String socket : session.sockets()) {
            if (!session.ticked(GLOWS, socket)) {
                missing.add("Heater of " + socket + ": seen to glow?");
            }
        }
        int run = session.context().run();
        Readings.currents(session, "first current", r -> run > 0 && r.context().run() == run, missing);
        return missing;
    }

    @Override
    public List<Remark> remarks(Look look) {
        List<Remark> remarks = new ArrayList<>();
        look.session()
                .seating()
                .lastMoved()
                .ifPresent(moved -> remarks.add(Remark.open(
                        "asked-again",
                        "",
                        moved + " Key, seat and glow are asked again of every socket: a hand was at the tubes.")));
        look.judged().present().stream()
                .flatMap(answer -> answer.sockets().stream())
                .filter(SocketAnswer::measured)
                .forEach(s -> {
                    FirstCurrent first = FirstCurrent.of(s, look.judged().amp().ceilingShare());
                    String socket = s.socket().name();
                    remarks.add(
                            first.over()
                                    ? Remark.alarm("first-current-over", socket, first.sentence())
                                    : Remark.open("first-current", socket, first.sentence()));
                });
        return remarks;
    }

    @Override
    public Optional<String> powerRefusal(Session session, Power power, long now) {
        if (power == Power.ON_TUBES_IN && COLDEST_OUTSIDE.askedIn(session) && !session.ticked(COLDEST_OUTSIDE, "")) {
            return Optional.of(
                    "Tubes in: confirm that every bias control stands at its coldest end before power goes on.");
        }
        boolean skipped = session.marks().containsKey(this) && !unseen(session);
        return power == Power.ON_TUBES_IN && !skipped && !session.ticked(KEYS, "")
                ? Optional.of("Tubes in: confirm key and seat of each tube, off and drained, before power goes on.")
                : Optional.empty();
    }

    /** New tubes of which neither the coldest end nor the seat was looked at: to that no skipped stop leads. */
    private static boolean unseen(Session session) {
        boolean coldest = session.ticked(TubesOut.COLDEST, "")
                || session.ticked(COLDEST_OUTSIDE, "")
                || session.holding().stream().anyMatch(r -> r.quantity() == Quantity.GRID_COLDEST);
        boolean fresh = session.plan().purpose() == Purpose.NEW_TUBES || session.tubesMoved();
        return fresh && !coldest;
    }

    @Override
    public List<String> cautions(Session session, String volts) {
        return List.of(
                "Hot glass burns and cracks: wait or use a glove, line up the key, force nothing.",
                "Stay at the bench for the first minutes. A plate that glows red means power off first.");
    }

    @Override
    public String note(Session session) {
        return "keys, heaters, first current";
    }

    @Override
    public Set<Tool> tools(Session session) {
        return Set.of(Tool.POWER_TUBES_IN, Tool.LIMITER, Tool.TUBES_AND_PARTS, Tool.LISTENING);
    }
}
