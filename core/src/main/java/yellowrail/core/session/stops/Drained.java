package yellowrail.core.session.stops;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Check;
import yellowrail.core.session.LockRules;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Power;
import yellowrail.core.session.Session;
import yellowrail.core.session.Stop;
import yellowrail.core.session.stops.ReadingGroup.Wanted;

/** Every node read dead twice, then ohms. */
public final class Drained extends Stop {
    public static final Check METER_PROVEN = Check.of(
                    "METER_PROVEN",
                    "The meter showed a known source before and after the dead reading, and its leads are rated above the unloaded B+.")
            .holding(Check.Holds.WHILE_OFF)
            .onlyIf((s, p, now) -> LockRules.ofOff(s, now)
                    .or(() -> new LockRules(s, now)
                            .notDead()
                            .map(why ->
                                    "The meter is shown on a known source once more after the dead readings. " + why)))
            // With the chassis closed nothing is read dead.
            .askedIf(s -> s.access().handsIn() && !s.ticked(Drained.CHASSIS_CLOSED, ""));
    public static final Check STANDBY_PLAY = Check.of(
                    "STANDBY_PLAY",
                    "The standby switch stood at play while draining, or there is none: at standby it can cut off part of the"
                            + " filter.")
            .holding(Check.Holds.WHILE_OFF)
            .onlyIf((s, p, now) -> LockRules.ofOff(s, now))
            .askedIf(s -> s.access().handsIn() || s.movesTubes());
    public static final Check CHASSIS_CLOSED = Check.of(
                    "CHASSIS_CLOSED",
                    "The chassis stays closed: tubes are reached from outside, and no node is. Socket contacts count as live.")
            .holding(Check.Holds.WHILE_OFF)
            .onlyIf((s, p, now) -> LockRules.ofOff(s, now))
            // It stands with tubes and parts.
            .askedIf(s -> false);

    Drained() {
        super("DRAINED", "Drained");
    }

    /** Only where hands go in. */
    @Override
    public boolean belongs(Session session) {
        return session.access().handsIn();
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
    public List<Check> checks() {
        return List.of(METER_PROVEN, STANDBY_PLAY, CHASSIS_CLOSED);
    }

    @Override
    public List<ReadingGroup> readings(Look look) {
        Session session = look.session();
        List<ReadingGroup> groups = new ArrayList<>();
        List<Wanted> nodes = new ArrayList<>(Readings.residuals(session));
        nodes.add(Readings.ofAmp(Quantity.BLEEDER_OHMS, "Your bleeder"));
        groups.add(new ReadingGroup("Residual volts", "DC, every node, again after 60 s", 0, nodes));
        List<Wanted> ohms = new ArrayList<>();
        for (SenseGroup group : session.plan().amp().groups()) {
            if (group.method().takesOhms()) {
                boolean half = group.method().halfPrimaryOhms().isPresent();
                ohms.add(Readings.of(
                        half ? Quantity.HALF_PRIMARY_OHMS : Quantity.SENSE_OHMS,
                        group.name(),
                        (half ? "Half primary " : "Resistor ") + group.name()));
            }
        }
        if (!ohms.isEmpty()) {
            groups.add(new ReadingGroup("Ohms", "with every node at " + (int) Plan.OHMS_VOLTS + " V or less", 0, ohms));
        }
        return groups;
    }

    @Override
    public List<String> missing(Session session, long now) {
        List<String> missing = new ArrayList<>(new LockRules(session, now).drained());
        BeforePower.putIn(session, missing);
        return missing;
    }

    @Override
    public List<Remark> remarks(Look look) {
        return Residuals.remarks(look);
    }

    @Override
    public Optional<String> powerRefusal(Session session, Power power, long now) {
        boolean first = !session.power(now).on() && session.context().run() == 0;
        return first ? settled(session, now) : Optional.empty();
    }

    @Override
    public List<String> cautions(Session session, String volts) {
        return List.of(
                "Drain through a resistor with an insulated clip, never with metal, and leave the clip on.",
                "Waiting proves nothing: a bleed path that failed leaves " + volts + " there for hours.");
    }

    @Override
    public String note(Session session) {
        return Residuals.note(session, this);
    }

    @Override
    public Set<Tool> tools(Session session) {
        return session.plan().setup().byTurns()
                ? Set.of(Tool.ADAPTOR, Tool.TUBES_AND_PARTS, Tool.LISTENING)
                : Set.of(Tool.TUBES_AND_PARTS, Tool.LISTENING);
    }
}
