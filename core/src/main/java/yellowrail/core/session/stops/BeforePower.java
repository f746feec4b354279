package yellowrail.core.session.stops;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Access;
import yellowrail.core.session.Check;
import yellowrail.core.session.LockRules;
import yellowrail.core.session.Power;
import yellowrail.core.session.Session;
import yellowrail.core.session.Stop;
import yellowrail.core.session.Turn;

/** Load on, volumes down, the amp's quirks read, hands and tubes ready. */
public final class BeforePower extends Stop {
    public static final Check LOAD =
            Check.of("LOAD", "A load is connected to the right tap and stays on: an open output can flash over.");
    public static final Check CONTROLS_DOWN =
            Check.of("CONTROLS_DOWN", "Volume, tone, reverb and tremolo are down and no signal is fed in.");
    public static final Check QUIRKS = Check.of("QUIRKS", "This amp's own quirks are read.")
            .askedIf(s -> !s.plan().amp().quirks().isBlank());
    public static final Check ONE_HAND = Check.of(
                    "ONE_HAND", "Only one hand works inside; the return lead is clipped on first.")
            .askedIf(s -> s.access().handsIn());
    public static final Check JEWELLERY =
            Check.of("JEWELLERY", "Watch, rings and chains are off.").askedIf(s -> s.access() != Access.TEST_POINTS);
    public static final Check TUBES_COOL = Check.of("TUBES_COOL", "The tubes are cool enough to hold.")
            .holding(Check.Holds.WHILE_OFF)
            .onlyIf((s, p, now) -> LockRules.ofOff(s, now))
            .askedIf(Session::movesTubes);

    BeforePower() {
        super("BEFORE_POWER", "Before power");
    }

    @Override
    public boolean powered() {
        return false;
    }

    @Override
    public boolean doneAgain() {
        return false;
    }

    @Override
    public boolean reopens() {
        return true;
    }

    @Override
    public List<Check> checks() {
        return List.of(LOAD, CONTROLS_DOWN, QUIRKS, ONE_HAND, JEWELLERY, TUBES_COOL);
    }

    @Override
    public List<ReadingGroup> readings(Look look) {
        return List.of(ReadingGroup.of("The load", Readings.ofAmp(Quantity.LOAD_OHMS, "Load connected")));
    }

    @Override
    public List<String> missing(Session session, long now) {
        List<String> missing = new ArrayList<>();
        if (session.power(now) == Power.UNDECLARED) {
            missing.add("Declare the amp off and unplugged.");
        }
        missing.addAll(preflight(session));
        if (!session.power(now).on()) {
            TUBES_COOL.require(session, missing);
            if (!session.access().handsIn()) {
                Drained.STANDBY_PLAY.require(session, missing);
                putIn(session, missing);
            }
        }
        return missing;
    }

    /** By turns the adaptor stands in its first socket before power. */
    static void putIn(Session session, List<String> missing) {
        if (session.plan().setup().byTurns() && session.adaptor().isEmpty()) {
            missing.add(
                    "Put the adaptor into " + Turn.next(session).orElseThrow() + ", the hottest expected, and say so.");
        }
    }

    /** What the pre-flight still wants; cool tubes are asked for where tubes are moved. */
    public static List<String> preflight(Session session) {
        List<String> missing = new ArrayList<>();
        List.of(LOAD, CONTROLS_DOWN, QUIRKS, ONE_HAND, JEWELLERY).forEach(c -> c.require(session, missing));
        if (session.last(Quantity.LOAD_OHMS, "").isEmpty()) {
            missing.add("The load's ohms are not given.");
        }
        return missing;
    }

    /** A reading taken back is missing, whatever was done before; cool tubes are confirmed each time it is off. */
    @Override
    public List<String> unproven(Session session, boolean done, long now) {
        return done ? preflight(session) : missing(session, now);
    }

    @Override
    public Optional<String> powerRefusal(Session session, Power power, long now) {
        return settled(session, now);
    }

    @Override
    public List<String> cautions(Session session, String volts) {
        return List.of(
                "The supply can hold " + volts + " after switching off, until it is drained and read: that kills.",
                "Off is the mains switch and the plug. Standby is not off, and a variable transformer does not isolate.");
    }

    /** Adaptors go in before power. */
    @Override
    public Set<Tool> tools(Session session) {
        return session.plan().setup().byTurns() && !session.access().handsIn()
                ? Set.of(Tool.ADAPTOR, Tool.LISTENING)
                : session.access() == Access.ADAPTORS
                        ? Set.of(Tool.TUBES_AND_PARTS, Tool.LISTENING)
                        : Set.of(Tool.LISTENING);
    }

    @Override
    public String note(Session session) {
        return session.last(Quantity.LOAD_OHMS, "")
                .map(r -> "load " + r.typed().echo())
                .orElse("load on, volumes down");
    }

    @Override
    public List<String> printed(Session session) {
        return session.last(Quantity.LOAD_OHMS, "").map(r -> "Load " + r.typed().echo()).stream()
                .toList();
    }
}
