package yellowrail.core.session;

import java.util.ArrayList;
import java.util.List;
import yellowrail.core.adjust.Control;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.round.Quantity;
import yellowrail.core.soak.Soak;
import yellowrail.core.soak.Stability;

/** What a stop still wants, at one time. */
final class Needs {
    private final Session session;
    private final long now;

    Needs(Session session, long now) {
        this.session = session;
        this.now = now;
    }

    List<String> missing(Stop stop) {
        List<String> missing = new ArrayList<>();
        switch (stop) {
            case BEFORE_POWER -> {
                missing.addAll(new LockRules(session, now).preflight());
                if (session.power(now) == Power.UNDECLARED) {
                    missing.add(0, "Declare the amp off and unplugged.");
                }
                if (!session.power(now).on()) {
                    require(missing, Check.TUBES_COOL);
                }
            }
            case DRAINED -> missing.addAll(new LockRules(session, now).drained());
            case TUBES_OUT -> tubesOut(missing);
            case TUBES_IN -> {
                if (session.power(now) == Power.ON_TUBES_OUT) {
                    missing.add("Declare the amp off and drain it: the tubes go in then.");
                }
                require(missing, Check.KEYS);
                for (String socket : session.sockets()) {
                    if (!session.ticked(Check.GLOWS, socket)) {
                        missing.add("Heater of " + socket + ": seen to glow?");
                    }
                }
                eachPoint(missing, "first current", session.context().run());
            }
            case MAINS -> {
                if (session.holding().stream()
                        .noneMatch(r ->
                                r.quantity() == Quantity.MAINS && r.context().run() > 0)) {
                    missing.add("Mains volts not read.");
                }
                if (session.last(Quantity.HEATER, "").isEmpty()) {
                    missing.add("Heater volts under load not read.");
                }
            }
            case WARM_UP -> {
                if (session.power(now) != Power.ON_TUBES_IN) {
                    missing.add("The amp is not declared on with the tubes in.");
                } else {
                    List<Stability> warmth = Curves.of(session).warmth(now);
                    boolean one = warmth.stream().anyMatch(Stability::stable);
                    for (int i = 0; i < warmth.size(); i++) {
                        String point = session.plan().amp().groups().get(i).name();
                        if (!warmth.get(i).stable() && !(one && byTurns(point))) {
                            missing.add(warmth.get(i).sentence());
                        }
                    }
                }
            }
            case MEASURE -> {
                eachPoint(missing, "current in this setting", -1);
                if (session.holding().stream()
                        .noneMatch(r -> r.quantity() == Quantity.PLATE
                                && r.context().setting() == session.context().setting())) {
                    missing.add("Plate volts not read in this setting.");
                }
            }
            case SOAK -> session.plan().amp().groups().forEach(g -> soak(g.name(), missing));
            case PLAY -> {
                require(missing, Check.GLOW_IDLE);
                require(missing, Check.GLOW_LOUD);
            }
            case CLOSE -> {
                missing.addAll(new LockRules(session, now).drained());
                require(missing, Check.RESTORED);
                require(missing, Check.LIMITER_OUT);
                require(missing, Check.CLAMPS);
            }
            case SIGN_OFF -> {
                if (session.signed().isEmpty()) {
                    missing.add("Not signed.");
                }
            }
        }
        return missing;
    }

    private void require(List<String> missing, Check check) {
        if (!session.ticked(check, "")) {
            missing.add("Not confirmed yet: " + check.words());
        }
    }

    private void tubesOut(List<String> missing) {
        if (session.holding().stream().noneMatch(r -> r.quantity() == Quantity.UNLOADED)) {
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
        if (!session.controls().isEmpty()) {
            require(missing, Check.COLDEST);
            require(missing, Check.FAIL_COLD);
        }
    }

    /** Watched over a whole soak in a power-on of this setting; what the newest of them wants. */
    private void soak(String point, List<String> missing) {
        List<Soak> watched = Curves.of(session).ofSetting(point).stream()
                .map(c -> Position.watched(session, c))
                .toList();
        if (watched.isEmpty()) {
            missing.add(point + ": not read in this setting.");
        } else if (watched.stream().noneMatch(w -> w.wants().isEmpty())) {
            watched.get(watched.size() - 1).wants().forEach(w -> missing.add(w.sentence()));
        }
    }

    /** Whether a point was read warm in an earlier power-on of this setting and not yet in this one: one adaptor, by turns. */
    private boolean byTurns(String point) {
        List<Curves.Curve> curves = Curves.of(session).ofSetting(point);
        return curves.stream().noneMatch(c -> c.stretch() == session.context().stretch())
                && curves.stream().anyMatch(c -> !c.warm().isEmpty());
    }

    /** Every sense point read in this run, or, with run below zero, in the present setting. */
    private void eachPoint(List<String> missing, String what, int run) {
        for (SenseGroup group : session.plan().amp().groups()) {
            boolean read = session.last(Quantity.CURRENT, group.name())
                    .filter(r -> run >= 0
                            ? r.context().run() == run && run > 0
                            : r.context().setting() == session.context().setting())
                    .isPresent();
            if (!read) {
                missing.add(group.name() + ": " + what + " not read.");
            }
        }
    }
}
