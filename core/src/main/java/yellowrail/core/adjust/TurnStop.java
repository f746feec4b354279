package yellowrail.core.adjust;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.sensing.TubeCurrents;
import yellowrail.core.idle.Formula;
import yellowrail.core.idle.Permitted;
import yellowrail.core.reading.Band;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** Where to stop, as the meter shows it at the mains as it is now. */
final class TurnStop {
    /** Sides further apart than this, as a share of their mean, are balanced before the level is set. */
    private static final double BALANCE_FIRST = 0.05;

    /** A stop known within this share is one figure; else it is two ends to stop between. */
    private static final double TOLD = 0.01;

    /** What a stop keeps below the ceiling, as a share of it. */
    private static final double UNDER_CEILING = 0.01;

    private final Adjusting stage;

    TurnStop(Adjusting stage) {
        this.stage = stage;
    }

    boolean apart(Control control) {
        List<TubeNow> moved = stage.movedBy(control);
        double a = side(moved, Socket.Side.A);
        double b = side(moved, Socket.Side.B);
        return moved.stream().allMatch(TubeNow::alone)
                && a > 0
                && b > 0
                && 2 * Math.abs(a - b) / (a + b) > BALANCE_FIRST;
    }

    private static double side(List<TubeNow> moved, Socket.Side side) {
        return moved.stream()
                .filter(t -> t.socket().side() == side)
                .mapToDouble(TubeNow::cathodeAmperes)
                .sum();
    }

    /** A balance control moves the sides against each other: the total, and so B+, stays. */
    Advice balance(Control control) {
        List<TubeNow> moved = stage.movedBy(control);
        double a = side(moved, Socket.Side.A);
        double b = side(moved, Socket.Side.B);
        TubeNow watched = stage.lead(control);
        double sideNow = watched.socket().side() == Socket.Side.A ? a : b;
        double factor = (a + b) / 2 / sideNow;
        double current = watched.plateAmperes() * factor;
        return turn(
                control,
                watched,
                current,
                watched.plateVolts(),
                0,
                List.of("The sides are " + Show.fixed(200 * Math.abs(a - b) / (a + b), 1)
                        + " % apart; the other side comes up as this one comes down, and B+ stays."),
                new Formula(
                        "Where the sides meet",
                        "I = (A + B) / 2",
                        "(" + Show.si(a, Unit.AMPERE, 3) + " + " + Show.si(b, Unit.AMPERE, 3) + ") / 2",
                        Show.si((a + b) / 2, Unit.AMPERE, 3) + " a side"));
    }

    /** The stops of these controls together; the first that was not turned yet is the next thing to do. */
    Advice levels(List<Control> turned) {
        Coupling coupling = stage.coupling();
        Optional<List<TurnPlan.Step>> steps = TurnPlan.of(stage.tubes(), turned, stage::aimWatts, coupling);
        if (steps.isEmpty()) {
            return unreachable(stage.lead(turned.get(0)), turned.get(0), coupling);
        }
        List<TurnPlan.Step> open = steps.get().stream()
                .filter(s -> !stage.wish().done().contains(s.control().name()))
                .toList();
        if (open.isEmpty()) {
            return new Advice.Refused("Every control of the plan is turned: read every point again.");
        }
        TurnPlan.Step step = open.get(0);
        TubeNow lead = step.lead();
        boolean sure = told(step.stop());
        // Where the supply is not known its volts are not either: a stop is permitted with the highest of them.
        Band stop = under(cap(lead, sure ? step.stopVolts() : step.highestVolts()), step.stop());
        List<TubeNow> moved = stage.movedBy(step.control());
        List<String> remarks = new ArrayList<>();
        lead.permitted()
                .filter(p -> p.share() < stage.window().aim())
                .ifPresent(p -> remarks.add("That is the highest permitted reading, "
                        + percent(p.share() * stage.wish().now().watts()) + ": the middle of “"
                        + stage.window().name() + "” would pass " + p.limit() + "."));
        if (!sure) {
            remarks.add(why() + (told(stop) ? " Stop there" : " Stop in between")
                    + ", then read every point: the next stops are computed from that.");
        } else if (open.size() > 1) {
            remarks.add("It stands on its mark once " + names(open.subList(1, open.size()))
                    + (open.size() > 2 ? " are" : " is") + " turned too: turning one moves B+ for all.");
        }
        remarks.addAll(StaysUnequal.of(stage.amp(), moved, stop.mid() / lead.plateAmperes()));
        if (!lead.alone()) {
            remarks.add("This point shows a mean: single tubes may lie above it.");
        }
        return turn(step, stop, sure ? open.subList(1, open.size()) : List.of(), remarks, formula(step, coupling));
    }

    private static boolean told(Band stop) {
        return (stop.high() - stop.low()) / 2 <= TOLD * stop.mid();
    }

    private static Band under(double cap, Band stop) {
        return new Band(Math.min(stop.low(), cap), Math.min(stop.mid(), cap), Math.min(stop.high(), cap));
    }

    private static String names(List<TurnPlan.Step> steps) {
        return String.join(
                steps.size() == 2 ? " and " : ", ",
                steps.stream().map(s -> "the " + s.control().name()).toList());
    }

    /** While others still have to be turned a tube may stand above its aim, not above what is permitted. */
    private double cap(TubeNow lead, double volts) {
        double share = Math.min(
                lead.permitted().map(Permitted::share).orElse(Double.POSITIVE_INFINITY),
                Math.min(lead.window().orElse(stage.window()).high(), stage.ceiling() * (1 - UNDER_CEILING)));
        return Math.max(share, stage.aim(lead)) * lead.ratedWatts() / volts;
    }

    private String why() {
        return stage.sag() instanceof SupplySag.Refused refused
                        && !refused.reason().isEmpty()
                ? "How B+ moves is not known: "
                        + Character.toLowerCase(refused.reason().charAt(0))
                        + refused.reason().substring(1)
                : "How B+ moves is known only roughly.";
    }

    private Advice unreachable(TubeNow lead, Control control, Coupling coupling) {
        double ohms = coupling.ohms().mid() * stage.movedBy(control).size() * (1 + lead.screenRatio());
        SagLine line = SagLine.through(lead.plateAmperes(), lead.plateVolts(), ohms);
        return new Advice.Refused("The target cannot be reached: with " + Show.si(ohms, Unit.OHM, 3)
                + " in its way this tube never dissipates more than " + Show.significant(line.mostWatts(), 3)
                + " W, and " + Show.significant(stage.aimWatts(lead), 3) + " W are wanted.");
    }

    private Formula formula(TurnPlan.Step step, Coupling coupling) {
        return new Formula(
                "Where to stop",
                "Ip,end = P / V,end; V,end = V − R · Δ(ΣIk); stop = Ip,end · (V,stop / V,end)^y",
                "P = " + Show.significant(stage.aimWatts(step.lead()), 4) + " W, R = "
                        + Show.si(coupling.ohms().mid(), Unit.OHM, 3) + ", V,end = "
                        + Show.si(step.endVolts(), Unit.VOLT)
                        + ", V,stop = " + Show.si(step.stopVolts(), Unit.VOLT) + ", y = "
                        + Show.significant(coupling.pull().mid(), 2),
                "Ip = " + Show.si(step.stop().mid(), Unit.AMPERE)
                        + (stage.wish().now().equals(AtMains.SAME)
                                ? ""
                                : " at nominal mains, × "
                                        + Show.significant(stage.wish().now().amperes(), 4)
                                        + " at the mains as it is"));
    }

    /** Both ends lie on the side it is turned to: a stop behind where it stands would be no turn. */
    private static Band ahead(Band stop, double now) {
        return stop.mid() > now
                ? new Band(Math.max(stop.low(), now), stop.mid(), stop.high())
                : new Band(stop.low(), stop.mid(), Math.min(stop.high(), now));
    }

    private Advice turn(
            TurnPlan.Step step, Band known, List<TurnPlan.Step> then, List<String> remarks, Formula formula) {
        Band stop = ahead(known, step.lead().plateAmperes());
        Advice one = turn(
                step.control(),
                step.lead(),
                stop.mid(),
                step.stopVolts(),
                (stop.high() - stop.low()) / 2 / stop.mid(),
                remarks,
                formula);
        if (!(one instanceof Advice.Turn turn)) {
            return one;
        }
        TubeNow lead = step.lead();
        double perAmpere = turn.stopAt().value() / stop.mid();
        return new Advice.Turn(
                turn.control(),
                turn.hotter(),
                turn.way(),
                turn.socket(),
                turn.point(),
                turn.stopAt(),
                turn.plusMinus(),
                told(stop)
                        ? Optional.empty()
                        : Optional.of(new Band(
                                reading(lead, stop.low()).orElse(stop.low() * perAmpere),
                                turn.stopAt().value(),
                                reading(lead, stop.high()).orElse(stop.high() * perAmpere))),
                Typed.of(reading(lead, step.end()).orElseThrow(), turn.stopAt().unit()),
                then.stream().map(this::after).toList(),
                turn.plateVolts(),
                turn.gridVolts(),
                turn.remarks(),
                turn.formulas());
    }

    private Advice.Turn.After after(TurnPlan.Step step) {
        TubeNow lead = step.lead();
        double stop = Math.min(step.stop().mid(), cap(lead, step.stopVolts()));
        boolean hotter = stop > lead.plateAmperes();
        return new Advice.Turn.After(
                step.control().name(),
                hotter,
                direction(step.control(), hotter),
                lead.point(),
                Typed.of(
                        reading(lead, stop).orElse(Double.NaN),
                        lead.method().field().unit()));
    }

    private String direction(Control control, boolean hotter) {
        return stage.directions()
                .getOrDefault(control.name(), Control.Direction.UNKNOWN)
                .turn(hotter);
    }

    private OptionalDouble reading(TubeNow lead, double plateAmperes) {
        double now = plateAmperes * stage.wish().now().amperes();
        return lead.method().readingAt(new TubeCurrents(now, now * lead.screenRatio()));
    }

    private Advice turn(
            Control control,
            TubeNow lead,
            double plateAmperes,
            double plateVolts,
            double extraError,
            List<String> remarks,
            Formula formula) {
        OptionalDouble reading = reading(lead, plateAmperes);
        if (reading.isEmpty()) {
            return new Advice.Refused(
                    "The point “" + lead.point() + "” gives no current, so no stopping point either.");
        }
        boolean hotter = plateAmperes > lead.plateAmperes();
        Typed stop = Typed.of(reading.getAsDouble(), lead.method().field().unit());
        return new Advice.Turn(
                control.name(),
                hotter,
                direction(control, hotter),
                lead.socket().name(),
                lead.point(),
                stop,
                Math.abs(stop.value()) * Math.hypot(lead.error(), extraError),
                Optional.empty(),
                stop,
                List.of(),
                plateVolts * stage.wish().now().volts(),
                grid(lead, plateAmperes * stage.wish().now().amperes()),
                remarks,
                List.of(formula));
    }

    private static Optional<Double> grid(TubeNow lead, double wanted) {
        List<TubeNow.GridPoint> grids = lead.grids();
        for (int i = grids.size() - 2; i >= 0; i--) {
            TubeNow.GridPoint first = grids.get(i);
            TubeNow.GridPoint last = grids.get(grids.size() - 1);
            OptionalDouble grid =
                    FourthRoot.gridFor(first.volts(), first.amperes(), last.volts(), last.amperes(), wanted);
            if (grid.isPresent()) {
                return Optional.of(grid.getAsDouble());
            }
        }
        return Optional.empty();
    }

    private static String percent(double share) {
        return Show.plain(100 * share, 3) + " %";
    }
}
