package yellowrail.core.session.stops;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import yellowrail.core.reading.Show;
import yellowrail.core.session.Access;
import yellowrail.core.session.Curves;
import yellowrail.core.session.Position;
import yellowrail.core.session.Session;
import yellowrail.core.session.SoakWatch;
import yellowrail.core.session.Stop;
import yellowrail.core.session.SwapResult;
import yellowrail.core.soak.Drift;
import yellowrail.core.soak.Soak;

/** Every position watched over the chosen time. */
public final class SoakStop extends Stop {
    SoakStop() {
        super("SOAK", "Soak");
    }

    /** By choice: without it the amp is set at most. */
    @Override
    public boolean belongs(Session session) {
        return session.plan().setup().soaks() && session.access() != Access.TEST_POINTS;
    }

    /** When it is whole, and whether it goes on longer, is the builder's to say. */
    @Override
    public boolean goesOn() {
        return false;
    }

    @Override
    public List<ReadingGroup> readings(Look look) {
        return Readings.usual(look);
    }

    @Override
    public List<String> missing(Session session, long now) {
        List<String> missing = new ArrayList<>();
        session.plan().amp().groups().forEach(g -> missing(session, g.name(), missing));
        return missing;
    }

    /** Watched over a whole soak in a power-on of this setting; what the newest of them wants. */
    private static void missing(Session session, String point, List<String> missing) {
        List<Soak> watched = Curves.of(session).ofSetting(point).stream()
                .map(c -> Position.watched(session, c))
                .toList();
        if (watched.isEmpty()) {
            missing.add(point + ": not read in this setting.");
        } else if (watched.stream().noneMatch(w -> w.wants().isEmpty())) {
            watched.get(watched.size() - 1).wants().forEach(w -> missing.add(w.sentence()));
        }
    }

    /** The proof itself says what it wants of the soak. */
    @Override
    public List<String> unproven(Session session, boolean done, long now) {
        return List.of();
    }

    @Override
    public List<Remark> remarks(Look look) {
        List<Remark> remarks = new ArrayList<>();
        for (SoakWatch watch : SoakWatch.of(look.session(), look.judged())) {
            if (watch.stop()) {
                // Said above everything, wherever the amp is under power.
                continue;
            }
            String point = watch.curve().point();
            String ceiling = watch.minutesToCeiling()
                    .map(m -> " At this rate the ceiling is " + Show.fixed(m, 0) + " min away.")
                    .orElse("");
            if (watch.creeps()) {
                remarks.add(Remark.caution("creeps", point, watch.caution().orElseThrow() + ceiling));
            } else if (watch.drift().kind() == Drift.Kind.STEADY) {
                remarks.add(Remark.good("steady", point, watch.drift().sentence()));
            } else {
                remarks.add(Remark.open("settling", point, watch.drift().sentence() + ceiling));
            }
        }
        SwapResult.all(look.session()).forEach(swap -> remarks.add(Remark.open("swap", "", swap.sentence())));
        return remarks;
    }

    @Override
    public List<String> cautions(Session session, String volts) {
        return List.of(
                "A current that creeps does not wait: do not leave the amp alone until every position is steady.");
    }

    @Override
    public String note(Session session) {
        return Show.plain(session.plan().soakMinutes(), 3) + " min watch";
    }

    @Override
    public Set<Tool> tools(Session session) {
        return Set.of(
                Tool.POWER_TUBES_IN, Tool.LIMITER, Tool.TUBES_NOW, Tool.DRIFT_CHART, Tool.SOAK_END, Tool.LISTENING);
    }
}
