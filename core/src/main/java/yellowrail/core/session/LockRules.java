package yellowrail.core.session;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.session.stops.BeforePower;
import yellowrail.core.session.stops.Drained;

/** What hands, tubes and resistances wait for since off was declared. */
public final class LockRules {
    /** Capacitors recover part of their charge: the second reading comes this much later. */
    static final long SECOND_READING_MILLIS = 60_000;

    private final Session session;
    private final long now;

    public LockRules(Session session, long now) {
        this.session = session;
        this.now = now;
    }

    Locks locks() {
        List<String> hands = waiting("say that the chassis is opened, then it is drained.");
        Map<DrainLimit, List<String>> waits = new EnumMap<>(DrainLimit.class);
        for (DrainLimit limit : DrainLimit.values()) {
            List<String> missing = new ArrayList<>(hands);
            if (hands.isEmpty() && limit != DrainLimit.HANDS) {
                dead(limit, missing);
            }
            waits.put(limit, missing);
        }
        List<String> tubes = waiting(
                session.access() == Access.TEST_POINTS
                        ? "say what is opened, the chassis or the tubes alone from outside (adaptors in the sockets)."
                        : "say that the chassis is opened, then it is drained.");
        cool(tubes);
        if (closedChassis() && !tubes.isEmpty()) {
            tubes = fromOutside();
        }
        return new Locks(waits, tubes);
    }

    /**
     * What hands wait for.
     *
     * @param opening what to say first where this session opens nothing
     */
    private List<String> waiting(String opening) {
        List<String> missing = new ArrayList<>();
        off(missing);
        if (missing.isEmpty() && !session.access().handsIn()) {
            missing.add("This session works with " + session.access().words() + ": " + opening);
        }
        BeforePower.preflight(session).stream().limit(1).forEach(missing::add);
        if (missing.isEmpty()) {
            drained(missing);
        }
        return missing;
    }

    /** What the stop wants where a lock is opened, or the amp is closed again. */
    public List<String> drained() {
        List<String> missing = new ArrayList<>();
        off(missing);
        if (missing.isEmpty()) {
            drained(missing);
        }
        return closedChassis() && !missing.isEmpty() ? fromOutside() : missing;
    }

    /** Whether every node was read dead, and again a minute later. */
    public Optional<String> notDead() {
        List<String> missing = new ArrayList<>();
        dead(DrainLimit.HANDS, missing);
        return missing.stream().findFirst();
    }

    private boolean closedChassis() {
        return session.access() == Access.ADAPTORS || session.ticked(Drained.CHASSIS_CLOSED, "");
    }

    private void off(List<String> missing) {
        Power power = session.power(now);
        if (power == Power.OFF) {
            return;
        }
        missing.add(session.contradiction()
                        .map(e -> "An entry speaks for power while the amp was declared off: ")
                        .orElse(
                                power == Power.UNDECLARED
                                        ? "The amp is not declared off: "
                                        : "The amp is " + power.words() + ": ")
                + "switch off at the mains switch, unplug, and declare it.");
    }

    private void drained(List<String> missing) {
        confirmed(Drained.STANDBY_PLAY, missing);
        dead(DrainLimit.HANDS, missing);
        confirmed(Drained.METER_PROVEN, missing);
    }

    private void dead(DrainLimit drained, List<String> missing) {
        double limit = drained.volts(session.plan());
        for (SupplyNode node : session.nodes()) {
            DeadReadings read = DeadReadings.of(session, node.name(), limit);
            if (read.twice()) {
                continue;
            }
            missing.add(
                    read.last().isEmpty()
                            ? node.name() + ": residual volts not read yet since off was declared."
                            : Math.abs(read.last().get().typed().value()) > limit
                                    ? node.name() + " holds "
                                            + read.last().get().typed().echo() + ": "
                                            + drained.above(session.plan())
                                    : node.name()
                                            + ": read a second time 60 s after the first; capacitors recover part of their"
                                            + " charge.");
        }
    }

    /** Tubes reached from outside, no node within reach: nothing is drained, so a minute passes and contacts stay live. */
    public List<String> fromOutside() {
        List<String> missing = new ArrayList<>();
        off(missing);
        if (missing.isEmpty()) {
            confirmed(Drained.STANDBY_PLAY, missing);
            cool(missing);
            if (now - session.context().offSince() < SECOND_READING_MILLIS) {
                missing.add("Wait until one minute has passed since off was declared.");
            }
        }
        return missing;
    }

    private void cool(List<String> missing) {
        if (!session.ticked(BeforePower.TUBES_COOL, "")) {
            missing.add("The tubes are not confirmed cool since power was last on.");
        }
    }

    private void confirmed(Check check, List<String> missing) {
        if (!session.ticked(check, "")) {
            missing.add("Not confirmed yet: " + check.words());
        }
    }

    /** Why something that is confirmed of an amp that is off may not be confirmed now; empty while it is off. */
    public static Optional<String> ofOff(Session session, long now) {
        return session.power(now) == Power.OFF
                ? Optional.empty()
                : Optional.of(
                        "This is confirmed of an amp that is off: switch off, unplug and declare it first; the amp is declared "
                                + session.power(now).words() + ".");
    }

    /** Why tubes stay where they are; empty while they may move. */
    public static Optional<String> tubesLocked(Session session, long now) {
        Locks locks = session.locks(now);
        return locks.tubes() ? Optional.empty() : Optional.of("Tubes stay where they are. " + locks.tubesNext());
    }
}
