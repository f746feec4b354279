package yellowrail.core.session.stops;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yellowrail.core.adjust.Control;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Check;
import yellowrail.core.session.ControlRange;
import yellowrail.core.session.Headroom;
import yellowrail.core.session.HeaterState;
import yellowrail.core.session.LeakTest;
import yellowrail.core.session.Power;
import yellowrail.core.session.Purpose;
import yellowrail.core.session.RecordedReading;
import yellowrail.core.session.Session;
import yellowrail.core.session.Stop;
import yellowrail.core.session.stops.ReadingGroup.Wanted;

/** Power with the output tubes out: unloaded volts, the controls' ends, grid leakage. */
public final class TubesOut extends Stop {
    public static final Check COLDEST = Check.of(
                    "COLDEST",
                    "Every bias control stands at its coldest end, seen on the meter as the most negative grid.")
            .askedIf(s -> !s.controls().isEmpty());
    public static final Check FAIL_COLD = Check.of(
                    "FAIL_COLD",
                    "If a wiper opens, the grid goes to its most negative: looked at, or not known and noted.")
            .askedIf(s -> !s.controls().isEmpty());

    TubesOut() {
        super("TUBES_OUT", "Power with tubes out");
    }

    /** Its nodes and grids are reached inside. Without a grid supply there is nothing to learn but the unloaded B+, which a fault asks for. */
    @Override
    public boolean belongs(Session session) {
        Purpose purpose = session.plan().purpose();
        boolean asked = purpose == Purpose.FAULT
                || purpose == Purpose.NEW_TUBES && session.plan().amp().bias().scheme() != BiasScheme.CATHODE;
        return asked && session.access().handsIn();
    }

    @Override
    public boolean doneAgain() {
        return false;
    }

    @Override
    public boolean powersTubesOut() {
        return true;
    }

    @Override
    public List<Check> checks() {
        return List.of(COLDEST, FAIL_COLD);
    }

    @Override
    public List<ReadingGroup> readings(Look look) {
        Session session = look.session();
        List<ReadingGroup> groups = new ArrayList<>();
        List<Wanted> supply = new ArrayList<>();
        supply.add(Readings.ofAmp(Quantity.MAINS, "Mains"));
        for (SupplyNode node : session.nodes()) {
            supply.add(Readings.of(Quantity.UNLOADED, node.name(), "Unloaded, " + node.name()));
        }
        supply.add(Readings.ofAmp(Quantity.HEATER_UNLOADED, "Heaters, unloaded"));
        groups.add(new ReadingGroup("Supply without load", "", 0, supply));
        for (Control control : session.controls()) {
            if (!control.balance()) {
                groups.add(new ReadingGroup(
                        control.name(),
                        "grid volts at a socket it moves, the meter on DC volts",
                        0,
                        List.of(
                                Readings.of(Quantity.GRID_COLDEST, control.name(), "Coldest end"),
                                Readings.of(Quantity.GRID_HOTTEST, control.name(), "Hottest end"))));
            }
        }
        if (session.plan().purpose() == Purpose.FAULT) {
            List<Wanted> leak = new ArrayList<>();
            leak.add(Readings.ofAmp(Quantity.BIAS_NODE, "Bias node"));
            leak.add(Readings.ofAmp(Quantity.METER_OHMS, "Meter input (10 MΩ if blank)"));
            for (String socket : session.sockets()) {
                leak.add(Readings.of(Quantity.GRID_TUBE_OUT, socket, "Grid " + socket + ", tube out"));
                leak.add(Readings.of(Quantity.GRID_LEAK_OHMS, socket, "Grid leak " + socket));
            }
            groups.add(new ReadingGroup("Leak test", "when a creep stays with its position", 0, leak));
        }
        return groups;
    }

    @Override
    public List<String> missing(Session session, long now) {
        List<String> missing = new ArrayList<>();
        if (Readings.latest(session, Quantity.UNLOADED).isEmpty()) {
            missing.add("Unloaded B+ not read.");
        }
        for (Control control : session.controls()) {
            if (!control.balance()
                    && session.last(Quantity.GRID_COLDEST, control.name()).isEmpty()) {
                missing.add(control.name() + ": grid volts at the coldest end not read.");
            }
            if (!session.directions().containsKey(control.name())) {
                missing.add(control.name() + ": which turn is hotter, or not known?");
            }
        }
        checks().forEach(c -> c.require(session, missing));
        return missing;
    }

    @Override
    public List<Remark> remarks(Look look) {
        Session session = look.session();
        List<Remark> remarks = new ArrayList<>();
        for (SupplyNode node : session.nodes()) {
            session.last(Quantity.UNLOADED, node.name()).ifPresent(r -> remarks.add(headroom(session, node, r)));
        }
        LeakTest.of(session).forEach((socket, shift) -> {
            String sentence = socket + ": " + shift.sentence();
            remarks.add(
                    shift.finding()
                            ? Remark.caution("grid-shift", socket, sentence)
                            : Remark.open("no-grid-shift", socket, sentence));
        });
        session.controls().stream()
                .filter(c -> !c.balance())
                .flatMap(c -> ControlRange.of(session, c.name()).stream()
                        .map(range -> range.sensible()
                                ? Remark.good("control-range", c.name(), range.sentence())
                                : Remark.alarm("control-range", c.name(), range.sentence())))
                .forEach(remarks::add);
        return remarks;
    }

    private static Remark headroom(Session session, SupplyNode node, RecordedReading unloaded) {
        Optional<Double> mains =
                HeaterState.mainsNear(session, unloaded).map(m -> m.typed().value());
        Mains amp = session.plan().amp().mains().at(mains);
        Headroom headroom = Headroom.of(
                node, Math.abs(unloaded.typed().value()), session.plan().meter().limit(unloaded.typed()), amp);
        return switch (headroom.state()) {
            case WITHIN -> Remark.good("capacitor-within", node.name(), headroom.sentence());
            case OVER -> Remark.alarm("capacitor-over", node.name(), headroom.sentence());
            case UNKNOWN -> Remark.open("capacitor-unknown", node.name(), headroom.sentence());
        };
    }

    /** The tubes go in once this is done. */
    @Override
    public Optional<String> powerRefusal(Session session, Power power, long now) {
        return power == Power.ON_TUBES_IN ? settled(session, now) : Optional.empty();
    }

    @Override
    public List<String> cautions(Session session, String volts) {
        return List.of(
                "Without the output tubes B+ rises above its loaded value: leads, clips and capacitors must stand "
                        + volts + " and more.",
                "One hand inside, the black lead clipped on first.");
    }

    @Override
    public String note(Session session) {
        return Readings.latest(session, Quantity.UNLOADED)
                .map(r -> "unloaded " + r.typed().echo())
                .orElse("coldest end, unloaded B+");
    }

    @Override
    public Set<Tool> tools(Session session) {
        return Set.of(Tool.POWER_TUBES_OUT, Tool.LIMITER, Tool.TURN_DIRECTIONS, Tool.LISTENING);
    }

    @Override
    public List<String> printed(Session session) {
        return session.holding().stream()
                .filter(r -> r.quantity() == Quantity.UNLOADED)
                .max((a, b) -> Double.compare(a.typed().value(), b.typed().value()))
                .map(r -> "unloaded B+ " + r.typed().echo())
                .stream()
                .toList();
    }
}
