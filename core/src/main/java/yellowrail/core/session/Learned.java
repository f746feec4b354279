package yellowrail.core.session;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import yellowrail.core.adjust.Control;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.reading.Estimate;
import yellowrail.core.round.Point;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Memory.KnownTurn;
import yellowrail.core.session.Memory.WasRead;
import yellowrail.core.soak.SoakReading.MainsReading;

/** What a session adds to what was known of its amp, for the next one. */
public final class Learned {
    /** Read only where it is wanted; once used it is asked for again. */
    private static final Set<Quantity> OPTIONAL =
            Set.of(Quantity.INDIVIDUAL, Quantity.SCREEN, Quantity.SCREEN_DROP, Quantity.GRID, Quantity.DRIVEN_CATHODE);

    private Learned() {}

    public static Memory of(Session session, SessionAssessment judged) {
        Memory before = session.plan().setup().memory();
        List<Quantity> used = new ArrayList<>(before.used());
        session.holding().stream()
                .map(RecordedReading::quantity)
                .filter(q -> OPTIONAL.contains(q) && !used.contains(q))
                .distinct()
                .forEach(used::add);
        return new Memory(
                turns(session, judged, before),
                ranges(session, before),
                used,
                drainMinutes(session).or(before::drainMinutes),
                currents(session, judged));
    }

    private static Map<String, KnownTurn> turns(Session session, SessionAssessment judged, Memory before) {
        Map<String, KnownTurn> turns = new HashMap<>();
        for (Control control : session.controls()) {
            Control.Direction known =
                    judged.directions().known().getOrDefault(control.name(), Control.Direction.UNKNOWN);
            KnownTurn earlier = before.turns().get(control.name());
            if (known == Control.Direction.UNKNOWN) {
                continue;
            }
            boolean same = earlier != null
                    && earlier.direction() == known
                    && !judged.directions().verified().contains(control.name());
            turns.put(control.name(), same ? earlier : new KnownTurn(known, session.lastAt()));
        }
        return turns;
    }

    /** How far each control reached at the grids, as read in this session or remembered from one before. */
    public static Map<String, Memory.KnownRange> ranges(Session session) {
        return ranges(session, session.plan().setup().memory());
    }

    private static Map<String, Memory.KnownRange> ranges(Session session, Memory before) {
        Map<String, Memory.KnownRange> ranges = new HashMap<>();
        for (Control control : session.controls()) {
            Optional<RecordedReading> cold = session.last(Quantity.GRID_COLDEST, control.name());
            Optional<RecordedReading> hot = session.last(Quantity.GRID_HOTTEST, control.name());
            if (cold.isPresent() && hot.isPresent()) {
                ranges.put(
                        control.name(),
                        new Memory.KnownRange(
                                cold.get().typed().value(),
                                hot.get().typed().value(),
                                hot.get().at()));
            } else if (before.ranges().containsKey(control.name())) {
                ranges.put(control.name(), before.ranges().get(control.name()));
            }
        }
        return ranges;
    }

    /** From an “off” to the first dead reading of its last node; the newest off-time in which every node was read dead. */
    private static Optional<Double> drainMinutes(Session session) {
        List<String> nodes = session.names(Point.Place.NODE);
        Map<Long, Map<String, Long>> dead = new TreeMap<>();
        for (RecordedReading r : session.holding()) {
            if (r.quantity() == Quantity.RESIDUAL
                    && r.context().run() > 0
                    && r.at() > r.context().offSince()
                    && Math.abs(r.typed().value()) <= session.plan().handsVolts()) {
                dead.computeIfAbsent(r.context().offSince(), off -> new HashMap<>())
                        .merge(r.point().name(), r.at(), Math::min);
            }
        }
        return dead.entrySet().stream()
                .filter(off -> !nodes.isEmpty() && off.getValue().keySet().containsAll(nodes))
                .reduce((earlier, later) -> later)
                .map(off -> (Collections.max(off.getValue().values()) - off.getKey()) / 60_000.0);
    }

    /** As this session left them where it set the amp; as they were where it changed nothing. */
    private static Map<String, WasRead> currents(Session session, SessionAssessment judged) {
        Proof.State state = Outcome.of(session, judged).proof().state();
        if (state != Proof.State.SET && state != Proof.State.PROVEN) {
            boolean untouched = session.context().setting() == 0 && !session.tubesMoved();
            return untouched ? session.plan().setup().memory().currents() : Map.of();
        }
        Map<String, WasRead> left = new HashMap<>();
        for (SenseGroup group : session.plan().amp().groups()) {
            session.last(Quantity.CURRENT, group.name())
                    .filter(r -> r.context().setting() == session.context().setting())
                    .ifPresent(r -> Curves.amperes(session, r)
                            .ifPresent(i -> left.put(
                                    group.name(),
                                    new WasRead(
                                            i,
                                            Agreement.exactness(session, r),
                                            Position.mains(session, r).map(MainsReading::volts),
                                            share(judged, group),
                                            r.at()))));
        }
        return left;
    }

    private static Optional<Double> share(SessionAssessment judged, SenseGroup group) {
        return judged.present()
                .flatMap(p -> SessionAssessment.socket(p, group.sockets().get(0)))
                .flatMap(s -> s.answer().share())
                .map(Estimate::value);
    }
}
