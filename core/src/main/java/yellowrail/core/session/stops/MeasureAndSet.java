package yellowrail.core.session.stops;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yellowrail.core.adjust.Advice;
import yellowrail.core.adjust.CathodeFit;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.session.Access;
import yellowrail.core.session.Agreement;
import yellowrail.core.session.BalanceMirrorTest;
import yellowrail.core.session.NextStep;
import yellowrail.core.session.Power;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionAssessment;
import yellowrail.core.session.Stop;
import yellowrail.core.session.Turn;
import yellowrail.core.soak.Stability;

/** Every socket measured, then turned toward the target. */
public final class MeasureAndSet extends Stop {
    MeasureAndSet() {
        super("MEASURE", "Measure and set");
    }

    /** Whether it is turned further is the builder's to say. */
    @Override
    public boolean goesOn() {
        return false;
    }

    @Override
    public List<ReadingGroup> readings(Look look) {
        Session session = look.session();
        // With the chassis open the adaptor moves drained.
        boolean drains = session.plan().setup().byTurns()
                && session.access().handsIn()
                && !session.power(look.now()).on();
        return drains
                ? List.of(new ReadingGroup(
                        "Residual volts", "DC, every node, again after 60 s", 0, Readings.residuals(session)))
                : Readings.whole(look);
    }

    @Override
    public List<String> missing(Session session, long now) {
        List<String> missing = new ArrayList<>();
        int setting = session.context().setting();
        Readings.currents(session, "current in this setting", r -> r.context().setting() == setting, missing);
        boolean volts = session.holding().stream()
                .anyMatch(r -> r.quantity() == Quantity.PLATE && r.context().setting() == setting);
        if (!volts && session.access() != Access.TEST_POINTS) {
            missing.add("Plate volts not read in this setting.");
        }
        return missing;
    }

    /** The soak says itself what it wants. */
    @Override
    public List<String> unproven(Session session, boolean done, long now) {
        return List.of();
    }

    @Override
    public List<Remark> remarks(Look look) {
        SessionAssessment judged = look.judged();
        if (look.session().access() == Access.TEST_POINTS) {
            return Agreement.all(look.session()).stream()
                    .map(a -> switch (a.kind()) {
                        case AGREES, NOT_KNOWN, TOO_CLOSE -> Remark.recheck(a.point(), a.sentence());
                        case DIFFERS -> Remark.caution("recheck-differs", a.point(), a.sentence());
                    })
                    .toList();
        }
        RoundAnswer answer = judged.present().orElse(null);
        if (answer == null) {
            return List.of();
        }
        List<Remark> remarks = new ArrayList<>();
        byTurns(look.session()).ifPresent(remarks::add);
        answer.contradictions().forEach(c -> remarks.add(Remark.alarm("contradiction", c.about(), c.sentence())));
        answer.balances()
                .forEach(b -> remarks.add(Remark.open(
                        "balance",
                        "",
                        "Channel " + b.channel() + ": side A " + Show.si(b.sideA(), Unit.AMPERE, 3) + ", side B "
                                + Show.si(b.sideB(), Unit.AMPERE, 3) + ", "
                                + Show.fixed(100 * b.imbalance(), 1) + " % apart.")));
        BalanceMirrorTest.of(look.session(), judged)
                .ifPresent(swing -> remarks.add(
                        swing.symmetric()
                                ? Remark.good("balance-swing", "", swing.sentence())
                                : Remark.caution("balance-swing", "", swing.sentence())));
        judged.directions().conflicts().forEach(c -> remarks.add(Remark.alarm("turn-conflict", "", c)));
        judged.directions()
                .verified()
                .forEach(c -> remarks.add(Remark.good(
                        "turn-verified",
                        c,
                        c + ": " + judged.directions().known().get(c).words() + " (verified by readings).")));
        answer.sockets()
                .forEach(s -> s.answer()
                        .slips()
                        .forEach(slip -> remarks.add(Remark.caution(
                                "unusual", s.socket().name(), s.socket().name() + ": " + slip.question()))));
        judged.mainsExponent()
                .ifPresent(x -> remarks.add(Remark.open(
                        "own-exponent",
                        "",
                        "This amp's own mains exponent, from two mains voltages at one setting: "
                                + Show.plusMinus(x.mid(), x.high() - x.mid()) + ".")));
        return remarks;
    }

    /** How many positions one adaptor has seen, and how far the first had moved. */
    private static Optional<Remark> byTurns(Session session) {
        if (!session.plan().setup().byTurns()) {
            return Optional.empty();
        }
        int read = Turn.done(session).size();
        Optional<Double> drift = Turn.drift(session);
        return Optional.of(Remark.open(
                "turns",
                "",
                read + " of " + session.sockets().size() + " read, one by one."
                        + drift.map(d -> " The first, read again, is " + Show.significant(100 * d, 2)
                                        + " % off: that stands in every band.")
                                .orElse("")));
    }

    /** The adaptor's next move, or the wait for the warm-up after it. */
    private static Optional<NextStep> turn(Look look) {
        Session session = look.session();
        if (!session.plan().setup().byTurns()) {
            return Optional.empty();
        }
        Optional<String> next = Turn.next(session);
        if (next.isEmpty()) {
            return Optional.empty();
        }
        String so = Turn.done(session).size() + " of " + session.sockets().size() + " read";
        if (!session.adaptor().equals(next)) {
            String again =
                    Turn.done(session).size() == session.sockets().size() ? " again, to see how far it moved" : "";
            return Optional.of(new NextStep(
                    "Move the adaptor to " + next.get() + again
                            + ": switch off, let the tubes cool, move it, say so, and" + " switch on.",
                    so,
                    ""));
        }
        if (session.power(look.now()) != Power.ON_TUBES_IN) {
            return Optional.of(new NextStep("The adaptor is in " + next.get() + ": switch on and declare it.", so, ""));
        }
        double wait = Stability.WARM_MINUTES - (look.now() - session.context().runSince()) / 60_000.0;
        return Optional.of(
                wait > 0.25
                        ? new NextStep(
                                next.get() + " warms up. Its reading counts in " + Math.round(Math.ceil(wait))
                                        + " min.",
                                so,
                                "")
                        : new NextStep("Read the current and the plate volts of " + next.get() + ".", so, ""));
    }

    @Override
    public Optional<NextStep> next(Look look) {
        Optional<NextStep> turn = turn(look);
        if (turn.isPresent()) {
            return turn;
        }
        List<String> missing = missing(look.session(), look.now());
        if (missing.isEmpty() && look.session().access() == Access.TEST_POINTS) {
            return Optional.of(
                    new NextStep("Read. The plates were not, so there are no watts: sign it as a re-check.", "", ""));
        }
        return Optional.of(
                missing.isEmpty()
                        ? advised(look.judged().advice())
                        : new NextStep(missing.get(0), "", NextStep.more(missing)));
    }

    private static NextStep advised(Advice advice) {
        if (advice instanceof Advice.Turn turn) {
            return turn(turn);
        }
        if (advice instanceof Advice.Fit fit) {
            return fit(fit);
        }
        if (advice instanceof Advice.Rest rest) {
            return new NextStep(rest.sentence(), "", String.join(" ", rest.remarks()));
        }
        return new NextStep(((Advice.Refused) advice).reason(), "", "");
    }

    private static NextStep fit(Advice.Fit advice) {
        CathodeFit fit = advice.fit();
        if (fit.chosen().isEmpty()) {
            return new NextStep(
                    fit.ohms().isEmpty()
                            ? "No resistor is proposed: how the current of this type follows its cathode volts is not known"
                                    + " here. A larger one is colder: change it by a tenth, then read again."
                            : "No preferred value near " + Show.si(fit.ohms().get(), Unit.OHM, 3)
                                    + " keeps every limit of every tube on the resistor at " + advice.point()
                                    + ": tubes nearer to each other, or less B+, come first.",
                    "",
                    String.join(" ", advice.remarks()));
        }
        String rated = "±" + Show.plain(100 * fit.tolerance(), 2) + " % or better, rated "
                + Show.plain(fit.ratingWatts(), 3) + " W or more; to be measured.";
        String there = "The hottest tube would then idle at about " + Show.fixed(100 * fit.shareThere(), 0)
                + " % of its present heat; ";
        return new NextStep(
                "Change the cathode resistor at " + advice.point() + ", off and drained:",
                advice.counted()
                        ? Show.si(fit.chosen().get(), Unit.OHM, 3)
                        : Show.significant(fit.times().orElseThrow(), 3) + " times its present ohms",
                there + rated + (advice.remarks().isEmpty() ? "" : " " + String.join(" ", advice.remarks())));
    }

    private static NextStep turn(Advice.Turn turn) {
        Unit unit = turn.stopAt().unit();
        String control = "Turn the " + turn.control() + " " + (turn.hotter() ? "hotter" : "colder")
                + (turn.way().isEmpty() ? "" : " (" + turn.way() + ")") + " until the meter at " + turn.point();
        String plate = "plate about " + Show.si(turn.plateVolts(), Unit.VOLT, 3) + " to cathode"
                + turn.gridVolts()
                        .map(g -> ", grid about −" + Show.fixed(Math.abs(g), 1) + " V")
                        .orElse("") + ".";
        if (turn.between().isPresent()) {
            return new NextStep(
                    control + " is between these, then read every point",
                    Show.si(turn.between().get().low(), unit, 3) + " and "
                            + Show.si(turn.between().get().high(), unit, 3),
                    plate);
        }
        String after = turn.then().isEmpty()
                ? ""
                : "It will read " + Show.si(turn.endsAt().value(), unit, 3) + " when all are set. Then "
                        + String.join(
                                ", ",
                                turn.then().stream()
                                        .map(t -> t.point() + " " + (t.hotter() ? "hotter" : "colder") + " to "
                                                + Show.si(t.stopAt().value(), unit, 3))
                                        .toList())
                        + ". ";
        return new NextStep(
                control + " reads",
                Show.si(turn.stopAt().value(), unit, 3),
                after + "± " + Show.si(turn.plusMinus(), unit, 1) + "; " + plate);
    }

    @Override
    public List<String> cautions(Session session, String volts) {
        String live = Character.toUpperCase(volts.charAt(0)) + volts.substring(1)
                + " is on the plate and screen pins. One hand in your pocket, black lead first, stop if a plate glows.";
        return session.controls().isEmpty()
                ? List.of(live)
                : List.of(
                        live,
                        "Turn with an insulated tool in the right hole, the meter in sight, never toward the hottest end.");
    }

    @Override
    public String note(Session session) {
        return session.controls().isEmpty() ? "every socket" : "every socket, then turn";
    }

    @Override
    public Set<Tool> tools(Session session) {
        if (session.access() == Access.TEST_POINTS) {
            // No watts: what counts is whether the currents agree.
            return Set.of(Tool.POWER_TUBES_IN, Tool.LIMITER, Tool.FINDINGS_FIRST, Tool.LISTENING);
        }
        Set<Tool> tools = EnumSet.of(
                Tool.POWER_TUBES_IN,
                Tool.LIMITER,
                Tool.TUBES_NOW,
                Tool.TUBES_NOW_FIRST,
                Tool.TURN,
                Tool.TURN_DIRECTIONS,
                Tool.LISTENING);
        if (session.plan().setup().byTurns()) {
            tools.add(Tool.ADAPTOR);
        }
        return tools;
    }

    @Override
    public List<String> printed(Session session) {
        if (session.access() == Access.TEST_POINTS) {
            return List.of("read at outside test points only");
        }
        return session.plan().setup().byTurns()
                ? List.of("read by turns with one adaptor, each tube in a power-on of its own"
                        + Turn.drift(session)
                                .map(d -> ", the first read again " + Show.significant(100 * d, 2) + " % off")
                                .orElse(""))
                : List.of();
    }
}
