package yellowrail.core.adjust;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.sensing.TubeCurrents;
import yellowrail.core.idle.Formula;
import yellowrail.core.idle.Permitted;
import yellowrail.core.reading.Band;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.target.Target.Window;

/**
 * Which control to turn, which way, and where to stop. The hottest tube of a control leads; only controls the amp has
 * are named. With several controls the stops are computed together, so that each tube ends on its mark when the last one is
 * turned.
 */
public final class NextTurn {
    /** Sides further apart than this, as a share of their mean, are balanced before the level is set. */
    private static final double BALANCE_FIRST = 0.05;

    /** A stop known within this share is one figure; else it is two ends to stop between. */
    private static final double TOLD = 0.01;

    /** To the middle: nearer than this it stands there. */
    private static final double OFF_MIDDLE = 0.007;

    private static final double LIMIT_FIRST = 100;

    /** What a stop keeps below the ceiling, as a share of it. */
    private static final double UNDER_CEILING = 0.01;

    private final AmpDescription amp;
    private final List<TubeNow> tubes;
    private final Window window;
    private final SupplySag sag;
    private final Map<String, Control.Direction> directions;
    private final Wish wish;

    /**
     * What is wanted beside the window.
     *
     * @param pull how currents followed B+ in two rounds; empty when it was not seen
     * @param middle whether every tube goes to the middle although it is inside its window
     * @param done controls of this plan that were turned already, and not read since
     * @param atMains how much larger a current is at the mains as it is now than at the mains that the tubes are given for
     */
    public record Wish(Optional<Band> pull, boolean middle, List<String> done, double atMains) {
        public static final Wish USUAL = new Wish(Optional.empty(), false, List.of(), 1);

        public Wish {
            done = List.copyOf(done);
        }
    }

    private NextTurn(
            AmpDescription amp,
            List<TubeNow> tubes,
            Window window,
            SupplySag sag,
            Map<String, Control.Direction> directions,
            Wish wish) {
        this.amp = amp;
        this.tubes = tubes;
        this.window = window;
        this.sag = sag;
        this.directions = directions;
        this.wish = wish;
    }

    /**
     * @param tubes every tube of the amp as read in the last round
     * @param sag from the last two rounds
     * @param directions what is known of each control, by its name
     */
    public static Advice of(
            AmpDescription amp,
            List<TubeNow> tubes,
            Window window,
            SupplySag sag,
            Map<String, Control.Direction> directions) {
        return of(amp, tubes, window, sag, directions, Wish.USUAL);
    }

    public static Advice of(
            AmpDescription amp,
            List<TubeNow> tubes,
            Window window,
            SupplySag sag,
            Map<String, Control.Direction> directions,
            Wish wish) {
        return new NextTurn(amp, tubes, window, sag, directions, wish).advice();
    }

    private Advice advice() {
        List<Control> controls = Control.of(amp);
        if (controls.isEmpty()) {
            return new Advice.Rest(
                    amp.controls() == ControlLayout.NONE
                            ? "This amp has no control for its idle: it is set by its parts."
                            : "The idle is set by a resistor, not by a control.",
                    List.of());
        }
        Optional<TubeNow> impossible = tubes.stream()
                .filter(t -> t.permitted().filter(p -> !p.exists()).isPresent())
                .findFirst();
        if (impossible.isPresent()) {
            String socket = impossible.get().socket().name();
            Permitted none = impossible.get().permitted().get();
            return new Advice.Refused(
                    none.unread()
                            ? "Read the " + none.limit() + " of " + socket
                                    + ": without them nobody can tell how hot it may run."
                            : socket + " would pass " + none.limit() + " at any idle: no turn mends that.");
        }
        Optional<Control> unbalanced =
                controls.stream().filter(Control::balance).filter(this::apart).findFirst();
        if (unbalanced.isPresent()) {
            return balance(unbalanced.get());
        }
        List<Control> turned =
                toTurn(controls.stream().filter(c -> !c.balance()).toList());
        if (turned.isEmpty()) {
            boolean onlyBalance = controls.stream().allMatch(Control::balance);
            boolean inside = tubes.stream().allMatch(t -> deviation(t) == 0);
            return new Advice.Rest(
                    onlyBalance && !inside
                            ? "The sides agree within 5 %; this amp has no level control, so the level stays where it is."
                            : "Nothing to turn: the hottest tube of each control is in “" + window.name() + "”.",
                    spread(tubes));
        }
        return levels(turned);
    }

    private List<TubeNow> movedBy(Control control) {
        return tubes.stream()
                .filter(t -> control.sockets().contains(t.socket().name()))
                .toList();
    }

    private TubeNow lead(Control control) {
        return TurnPlan.lead(tubes, control);
    }

    /**
     * The controls whose tubes do not stand where they should, those the others would pull out, and without those that come
     * right by themselves. What passes a limit comes first, then what has furthest to go: it tells most of the supply.
     */
    private List<Control> toTurn(List<Control> levels) {
        Coupling coupling = coupling();
        List<Control> turned = new ArrayList<>(
                levels.stream().filter(c -> off(lead(c), lead(c).share())).toList());
        turned.sort(Comparator.comparingDouble(this::toGo));
        for (Control control : List.copyOf(turned)) {
            List<Control> others =
                    turned.stream().filter(c -> !c.equals(control)).toList();
            TubeNow lead = lead(control);
            if (!others.isEmpty() && lead.share() <= passed(lead) && !endsOff(lead, others, coupling)) {
                turned.remove(control);
            }
        }
        for (boolean more = !turned.isEmpty(); more; ) {
            Optional<Control> pulled = levels.stream()
                    .filter(c -> !turned.contains(c) && endsOff(lead(c), turned, coupling))
                    .findFirst();
            pulled.ifPresent(turned::add);
            more = pulled.isPresent();
        }
        turned.sort(Comparator.comparingDouble(c -> -toGo(c)));
        return turned;
    }

    /** Whether a tube that is not turned would stand where it should not once these are. */
    private boolean endsOff(TubeNow tube, List<Control> turned, Coupling coupling) {
        return TurnPlan.ends(tubes, turned, this::aimWatts, coupling)
                .filter(ends -> !off(tube, ends[tubes.indexOf(tube)]))
                .isEmpty();
    }

    /** How far a control has to go, share of its present current; passing a limit counts for more than any way. */
    private double toGo(Control control) {
        TubeNow lead = lead(control);
        return Math.abs(Math.log(lead.share() / aim(lead))) + (lead.share() > passed(lead) ? LIMIT_FIRST : 0);
    }

    private boolean off(TubeNow tube, double share) {
        return wish.middle() ? Math.abs(share / aim(tube) - 1) > OFF_MIDDLE : deviation(tube, share) != 0;
    }

    private Coupling coupling() {
        double total = tubes.stream().mapToDouble(TubeNow::cathodeAmperes).sum();
        double volts = tubes.stream().mapToDouble(TubeNow::plateVolts).average().orElseThrow();
        return Coupling.of(sag, volts, total, wish.pull());
    }

    private double aimWatts(TubeNow tube) {
        return aim(tube) * tube.ratedWatts();
    }

    /** How far a tube is outside its window or above what is permitted; zero where it may stay. */
    private double deviation(TubeNow tube) {
        return deviation(tube, tube.share());
    }

    private double deviation(TubeNow tube, double share) {
        Window own = tube.window().orElse(window);
        double high = Math.min(own.high(), passed(tube));
        return share > high ? share - high : share < own.low() ? share - own.low() : 0;
    }

    /** Where this tube passes a limit. */
    private double passed(TubeNow tube) {
        return tube.permitted().map(Permitted::edge).orElse(amp.ceilingShare());
    }

    /** The middle of the window, or what the limits permit if that is colder. */
    private double aim(TubeNow tube) {
        return Math.min(window.aim(), tube.permitted().map(Permitted::share).orElse(amp.ceilingShare()));
    }

    private boolean apart(Control control) {
        List<TubeNow> moved = movedBy(control);
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
    private Advice balance(Control control) {
        List<TubeNow> moved = movedBy(control);
        double a = side(moved, Socket.Side.A);
        double b = side(moved, Socket.Side.B);
        TubeNow watched = lead(control);
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
    private Advice levels(List<Control> turned) {
        Coupling coupling = coupling();
        Optional<List<TurnPlan.Step>> steps = TurnPlan.of(tubes, turned, this::aimWatts, coupling);
        if (steps.isEmpty()) {
            return unreachable(lead(turned.get(0)), turned.get(0), coupling);
        }
        List<TurnPlan.Step> open = steps.get().stream()
                .filter(s -> !wish.done().contains(s.control().name()))
                .toList();
        if (open.isEmpty()) {
            return new Advice.Refused("Every control of the plan is turned: read every point again.");
        }
        TurnPlan.Step step = open.get(0);
        TubeNow lead = step.lead();
        double cap = cap(lead, step.stopVolts());
        Band stop = new Band(
                Math.min(step.stop().low(), cap),
                Math.min(step.stop().mid(), cap),
                Math.min(step.stop().high(), cap));
        boolean told = (stop.high() - stop.low()) / 2 <= TOLD * stop.mid();
        List<TubeNow> moved = movedBy(step.control());
        List<String> remarks = new ArrayList<>();
        lead.permitted()
                .filter(p -> p.share() < window.aim())
                .ifPresent(p -> remarks.add("That is the highest permitted reading, " + percent(p.share())
                        + ": the middle of “" + window.name() + "” would pass " + p.limit() + "."));
        if (!told) {
            remarks.add(why() + " Stop in between, then read every point: the next stops are computed from that.");
        } else if (open.size() > 1) {
            remarks.add("It stands on its mark once " + names(open.subList(1, open.size()))
                    + (open.size() > 2 ? " are" : " is") + " turned too: turning one moves B+ for all.");
        }
        remarks.addAll(spread(moved, stop.mid() / lead.plateAmperes()));
        if (!lead.alone()) {
            remarks.add("This point shows a mean: single tubes may lie above it.");
        }
        return turn(
                step, stop, told, told ? open.subList(1, open.size()) : List.of(), remarks, formula(step, coupling));
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
                Math.min(lead.window().orElse(window).high(), amp.ceilingShare() * (1 - UNDER_CEILING)));
        return Math.max(share, aim(lead)) * lead.ratedWatts() / volts;
    }

    private String why() {
        return sag instanceof SupplySag.Refused refused && !refused.reason().isEmpty()
                ? "How B+ moves is not known: "
                        + Character.toLowerCase(refused.reason().charAt(0))
                        + refused.reason().substring(1)
                : "How B+ moves is known only roughly.";
    }

    private Advice unreachable(TubeNow lead, Control control, Coupling coupling) {
        double ohms = coupling.ohms().mid() * movedBy(control).size() * (1 + lead.screenRatio());
        SagLine line = SagLine.through(lead.plateAmperes(), lead.plateVolts(), ohms);
        return new Advice.Refused("The target cannot be reached: with " + Show.si(ohms, Unit.OHM, 3)
                + " in its way this tube never dissipates more than " + Show.significant(line.mostWatts(), 3)
                + " W, and " + Show.significant(aimWatts(lead), 3) + " W are wanted.");
    }

    private Formula formula(TurnPlan.Step step, Coupling coupling) {
        return new Formula(
                "Where to stop",
                "Ip,end = P / V,end; V,end = V − R · Δ(ΣIk); stop = Ip,end · (V,stop / V,end)^y",
                "P = " + Show.significant(aimWatts(step.lead()), 4) + " W, R = "
                        + Show.si(coupling.ohms().mid(), Unit.OHM, 3) + ", V,end = "
                        + Show.si(step.endVolts(), Unit.VOLT)
                        + ", V,stop = " + Show.si(step.stopVolts(), Unit.VOLT) + ", y = "
                        + Show.significant(coupling.pull().mid(), 2),
                "Ip = " + Show.si(step.stop().mid(), Unit.AMPERE));
    }

    private Advice turn(
            TurnPlan.Step step,
            Band stop,
            boolean told,
            List<TurnPlan.Step> then,
            List<String> remarks,
            Formula formula) {
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
                told
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
        return directions
                .getOrDefault(control.name(), Control.Direction.UNKNOWN)
                .turn(hotter);
    }

    private OptionalDouble reading(TubeNow lead, double plateAmperes) {
        double now = plateAmperes * wish.atMains();
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
                plateVolts,
                grid(lead, plateAmperes),
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

    private List<String> spread(List<TubeNow> moved) {
        return spread(moved, 1);
    }

    /** What stays unequal when all these move together by this factor. */
    private List<String> spread(List<TubeNow> moved, double factor) {
        Optional<TubeNow> hottest = moved.stream().max(Comparator.comparingDouble(TubeNow::share));
        Optional<TubeNow> coldest = moved.stream().min(Comparator.comparingDouble(TubeNow::share));
        if (moved.size() < 2 || hottest.equals(coldest) || !moved.stream().allMatch(TubeNow::alone)) {
            return List.of();
        }
        double apart = 1 - coldest.get().share() / hottest.get().share();
        if (apart < 0.03) {
            return List.of();
        }
        return List.of(coldest.get().socket().name() + " stays about " + Show.fixed(100 * apart, 0) + " % colder than "
                + hottest.get().socket().name() + ", near "
                + percent(coldest.get().share() * factor) + ": "
                + (amp.controls() == ControlLayout.PER_TUBE
                        ? "it has a control of its own."
                        : "no control of this amp moves it alone. Pairing the tubes anew would."));
    }

    private static String percent(double share) {
        return Show.plain(100 * share, 3) + " %";
    }
}
