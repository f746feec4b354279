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
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.target.Target.Window;

/**
 * Which control to turn, which way, and where to stop. The hottest tube of a control leads; only controls the amp has
 * are named. The stop is where the sag line of the supply meets the wanted dissipation, with m = the tubes this control
 * moves.
 */
public final class NextTurn {
    /** Sides further apart than this, as a share of their mean, are balanced before the level is set. */
    private static final double BALANCE_FIRST = 0.05;

    private final AmpDescription amp;
    private final List<TubeNow> tubes;
    private final Window window;
    private final SupplySag sag;
    private final Map<String, Control.Direction> directions;

    private NextTurn(
            AmpDescription amp,
            List<TubeNow> tubes,
            Window window,
            SupplySag sag,
            Map<String, Control.Direction> directions) {
        this.amp = amp;
        this.tubes = tubes;
        this.window = window;
        this.sag = sag;
        this.directions = directions;
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
        return new NextTurn(amp, tubes, window, sag, directions).advice();
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
            return new Advice.Refused(impossible.get().socket().name() + " would pass "
                    + impossible.get().permitted().get().limit() + " at any idle: no turn mends that.");
        }
        Optional<Control> unbalanced =
                controls.stream().filter(Control::balance).filter(this::apart).findFirst();
        if (unbalanced.isPresent()) {
            return balance(unbalanced.get());
        }
        Optional<Control> chosen = controls.stream()
                .filter(c -> !c.balance())
                .filter(c -> deviation(c) != 0)
                .max(Comparator.comparingDouble(this::urgency));
        if (chosen.isEmpty()) {
            boolean onlyBalance = controls.stream().allMatch(Control::balance);
            boolean inside = tubes.stream().allMatch(t -> deviation(t) == 0);
            return new Advice.Rest(
                    onlyBalance && !inside
                            ? "The sides agree within 5 %; this amp has no level control, so the level stays where it is."
                            : "Nothing to turn: the hottest tube of each control is in “" + window.name() + "”.",
                    spread(tubes));
        }
        return level(chosen.get());
    }

    private List<TubeNow> movedBy(Control control) {
        return tubes.stream()
                .filter(t -> control.sockets().contains(t.socket().name()))
                .toList();
    }

    private TubeNow lead(Control control) {
        return movedBy(control).stream()
                .max(Comparator.comparingDouble(TubeNow::share))
                .orElseThrow();
    }

    /** How far the leading tube is outside its window or above what is permitted; zero where it may stay. */
    private double deviation(Control control) {
        return deviation(lead(control));
    }

    private double deviation(TubeNow tube) {
        Window own = tube.window().orElse(window);
        double high = Math.min(own.high(), passed(tube));
        return tube.share() > high ? tube.share() - high : tube.share() < own.low() ? tube.share() - own.low() : 0;
    }

    /** Where this tube passes a limit. */
    private double passed(TubeNow tube) {
        return tube.permitted().map(Permitted::edge).orElse(amp.ceilingShare());
    }

    /** The middle of the window, or what the limits permit if that is colder. */
    private double aim(TubeNow tube) {
        return Math.min(window.aim(), tube.permitted().map(Permitted::share).orElse(amp.ceilingShare()));
    }

    /** Too hot comes before too cold. */
    private double urgency(Control control) {
        double deviation = deviation(control);
        return deviation > 0 ? 10 + deviation : -deviation;
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

    private Advice level(Control control) {
        TubeNow lead = lead(control);
        if (!(sag instanceof SupplySag.Known supply)) {
            return new Advice.Refused(((SupplySag.Refused) sag).reason());
        }
        List<TubeNow> moved = movedBy(control);
        int together = moved.size();
        int onSide = (int) moved.stream()
                .filter(t -> t.socket().channel() == lead.socket().channel()
                        && t.socket().side() == lead.socket().side())
                .count();
        double winding = lead.method().halfPrimaryOhms().map(Typed::value).orElse(0.0) * onSide;
        double watts = aim(lead) * lead.ratedWatts();
        double ohms = supply.ohms() * together * (1 + lead.screenRatio()) + winding;
        SagLine line = SagLine.through(lead.plateAmperes(), lead.plateVolts(), ohms);
        OptionalDouble current = line.currentFor(watts);
        if (current.isEmpty()) {
            return new Advice.Refused("The target cannot be reached: with " + Show.si(ohms, Unit.OHM, 3)
                    + " in its way this tube never dissipates more than "
                    + Show.significant(line.mostWatts(), 3) + " W, and " + Show.significant(watts, 3)
                    + " W are wanted.");
        }
        double limit = supply.limit() * together * (1 + lead.screenRatio());
        double other = SagLine.through(lead.plateAmperes(), lead.plateVolts(), ohms + limit)
                .currentFor(watts)
                .orElse(current.getAsDouble());
        double sagError = Math.abs(other / current.getAsDouble() - 1);
        List<String> remarks = new ArrayList<>(spread(moved, current.getAsDouble() / lead.plateAmperes()));
        if (!lead.alone()) {
            remarks.add("This point shows a mean: single tubes may lie above it.");
        }
        lead.permitted()
                .filter(p -> p.share() < window.aim())
                .ifPresent(p -> remarks.add(
                        0,
                        "That is the highest permitted reading, " + percent(p.share()) + ": the middle of “"
                                + window.name() + "” would pass " + p.limit() + "."));
        return turn(
                control,
                lead,
                current.getAsDouble(),
                line.voltsAt(current.getAsDouble()),
                sagError,
                remarks,
                new Formula(
                        "Where to stop",
                        "i = 2P / (V0 + √(V0² − 4·R·P)), R = Rsupply·m·(1 + g)",
                        "P = " + Show.significant(watts, 4) + " W, V0 = " + Show.si(line.v0(), Unit.VOLT) + ", R = "
                                + Show.si(supply.ohms(), Unit.OHM, 4) + " · " + together + " · "
                                + Show.significant(1 + lead.screenRatio(), 4) + " = "
                                + Show.si(ohms, Unit.OHM, 4),
                        "Ip = " + Show.si(current.getAsDouble(), Unit.AMPERE)));
    }

    private Advice turn(
            Control control,
            TubeNow lead,
            double plateAmperes,
            double plateVolts,
            double extraError,
            List<String> remarks,
            Formula formula) {
        OptionalDouble reading =
                lead.method().readingAt(new TubeCurrents(plateAmperes, plateAmperes * lead.screenRatio()));
        if (reading.isEmpty()) {
            return new Advice.Refused(
                    "The point “" + lead.point() + "” gives no current, so no stopping point either.");
        }
        boolean hotter = plateAmperes > lead.plateAmperes();
        Typed stop = Typed.of(reading.getAsDouble(), lead.method().field().unit());
        return new Advice.Turn(
                control.name(),
                hotter,
                directions
                        .getOrDefault(control.name(), Control.Direction.UNKNOWN)
                        .turn(hotter),
                lead.socket().name(),
                lead.point(),
                stop,
                Math.abs(stop.value()) * Math.hypot(lead.error(), extraError),
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
