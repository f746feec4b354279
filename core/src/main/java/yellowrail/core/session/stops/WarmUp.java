package yellowrail.core.session.stops;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Curves;
import yellowrail.core.session.NextStep;
import yellowrail.core.session.Power;
import yellowrail.core.session.Session;
import yellowrail.core.session.Stop;
import yellowrail.core.soak.Stability;

/** Until the currents stay. */
public final class WarmUp extends Stop {
    WarmUp() {
        super("WARM_UP", "Warm-up");
    }

    @Override
    public boolean endsWithPower() {
        return true;
    }

    @Override
    public List<ReadingGroup> readings(Look look) {
        return Readings.usual(look);
    }

    @Override
    public List<String> missing(Session session, long now) {
        if (session.power(now) != Power.ON_TUBES_IN) {
            return List.of("The amp is not declared on with the tubes in.");
        }
        List<String> missing = new ArrayList<>();
        List<Stability> warmth = Curves.of(session).warmth(now);
        boolean one = warmth.stream().anyMatch(Stability::stable);
        for (int i = 0; i < warmth.size(); i++) {
            String point = session.plan().amp().groups().get(i).name();
            boolean read = session.plan().setup().byTurns() && readWarm(session, point);
            if (!warmth.get(i).stable() && !read && !(one && byTurns(session, point))) {
                missing.add(warmth.get(i).sentence());
            }
        }
        return missing;
    }

    /** By turns one warm reading is enough: what moves afterwards is seen when the first position is read again. */
    private static boolean readWarm(Session session, String point) {
        return elsewhere(session, point)
                || session.last(Quantity.CURRENT, point)
                        .filter(r -> r.context().stretch() == session.context().stretch()
                                && r.minutesOn() >= Stability.WARM_MINUTES - 0.25)
                        .isPresent();
    }

    /** Whether a point was read warm in an earlier power-on of this setting and not yet in this one: one adaptor, by turns. */
    private static boolean byTurns(Session session, String point) {
        List<Curves.Curve> curves = Curves.of(session).ofSetting(point);
        return curves.stream().noneMatch(c -> c.stretch() == session.context().stretch())
                && curves.stream().anyMatch(c -> !c.warm().isEmpty());
    }

    /** Whether the one adaptor is at another socket, so that this point cannot be read now. */
    private static boolean elsewhere(Session session, String point) {
        return session.plan().setup().byTurns()
                && session.adaptor()
                        .filter(s -> session.plan().amp().groupOf(s).name().equals(point))
                        .isEmpty();
    }

    /** The soak says itself what it wants. */
    @Override
    public List<String> unproven(Session session, boolean done, long now) {
        return List.of();
    }

    @Override
    public List<Remark> remarks(Look look) {
        List<Remark> remarks = new ArrayList<>();
        List<Stability> warmth = Curves.of(look.session()).warmth(look.now());
        for (int i = 0; i < warmth.size(); i++) {
            Stability stability = warmth.get(i);
            if (elsewhere(
                    look.session(), look.session().plan().amp().groups().get(i).name())) {
                continue;
            }
            remarks.add(
                    stability.stable()
                            ? Remark.good("warm", "", stability.sentence())
                            : Remark.open("not-warm", "", stability.sentence()));
        }
        return remarks;
    }

    @Override
    public Optional<NextStep> next(Look look) {
        List<String> missing = missing(look.session(), look.now());
        if (missing.isEmpty()) {
            return Optional.empty();
        }
        if (look.session().power(look.now()) != Power.ON_TUBES_IN) {
            return Optional.of(new NextStep(missing.get(0), "", ""));
        }
        double wait = Curves.of(look.session()).warmth(look.now()).stream()
                .filter(s -> !s.stable())
                .mapToDouble(Stability::waitMinutes)
                .max()
                .orElse(0);
        return Optional.of(new NextStep(
                missing.get(0), wait > 0 ? Math.round(Math.ceil(wait)) + " min" : "now", NextStep.more(missing)));
    }

    @Override
    public List<String> cautions(Session session, String volts) {
        return List.of("Do not leave the bench while it warms up; look at the plates, not only at the meter.");
    }

    @Override
    public String note(Session session) {
        return "under 1 % in 5 min";
    }

    @Override
    public Set<Tool> tools(Session session) {
        return Set.of(Tool.POWER_TUBES_IN, Tool.LIMITER, Tool.TUBES_NOW, Tool.DRIFT_CHART);
    }
}
