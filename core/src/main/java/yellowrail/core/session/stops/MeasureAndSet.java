package yellowrail.core.session.stops;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yellowrail.core.adjust.Advice;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.session.BalanceMirrorTest;
import yellowrail.core.session.NextStep;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionAssessment;
import yellowrail.core.session.Stop;

/** Every socket measured, then turned toward the target. */
public final class MeasureAndSet extends Stop {
    MeasureAndSet() {
        super("MEASURE", "Measure and set");
    }

    @Override
    public List<ReadingGroup> readings(Look look) {
        return Readings.whole(look);
    }

    @Override
    public List<String> missing(Session session, long now) {
        List<String> missing = new ArrayList<>();
        int setting = session.context().setting();
        Readings.currents(session, "current in this setting", r -> r.context().setting() == setting, missing);
        boolean volts = session.holding().stream()
                .anyMatch(r -> r.quantity() == Quantity.PLATE && r.context().setting() == setting);
        if (!volts) {
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
        RoundAnswer answer = judged.present().orElse(null);
        if (answer == null) {
            return List.of();
        }
        List<Remark> remarks = new ArrayList<>();
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

    @Override
    public Optional<NextStep> next(Look look) {
        List<String> missing = missing(look.session(), look.now());
        return Optional.of(
                missing.isEmpty()
                        ? advised(look.judged().advice())
                        : new NextStep(missing.get(0), "", NextStep.more(missing)));
    }

    private static NextStep advised(Advice advice) {
        if (advice instanceof Advice.Turn turn) {
            return new NextStep(
                    "Turn the " + turn.control() + " " + (turn.hotter() ? "hotter" : "colder")
                            + (turn.way().isEmpty() ? "" : " (" + turn.way() + ")") + " until the meter at "
                            + turn.point() + " reads",
                    Show.si(turn.stopAt().value(), turn.stopAt().unit(), 3),
                    "± " + Show.si(turn.plusMinus(), turn.stopAt().unit(), 1) + "; plate about "
                            + Show.si(turn.plateVolts(), Unit.VOLT, 3) + " to cathode"
                            + turn.gridVolts()
                                    .map(g -> ", grid about −" + Show.fixed(Math.abs(g), 1) + " V")
                                    .orElse("") + ".");
        }
        if (advice instanceof Advice.Fit fit) {
            Optional<Double> ohms = fit.fit().ohms();
            return new NextStep(
                    "Fit another cathode resistor at " + fit.point() + ", off and drained:",
                    ohms.map(o -> Show.si(o, Unit.OHM, 3))
                            .orElse("up to " + Show.si(fit.fit().constantVolts(), Unit.OHM, 3)),
                    "between " + Show.si(fit.fit().low(), Unit.OHM, 3) + " and "
                            + Show.si(fit.fit().high(), Unit.OHM, 3) + ", rated "
                            + Show.plain(fit.fit().ratingWatts(), 3) + " W or more; to be measured.");
        }
        if (advice instanceof Advice.Rest rest) {
            return new NextStep(rest.sentence(), "", String.join(" ", rest.remarks()));
        }
        return new NextStep(((Advice.Refused) advice).reason(), "", "");
    }

    @Override
    public List<String> cautions(String volts) {
        return List.of(
                Character.toUpperCase(volts.charAt(0)) + volts.substring(1)
                        + " is on the plate and screen pins. One hand in your pocket, black lead first, stop if a plate"
                        + " glows.",
                "Turn with an insulated tool in the right hole, the meter in sight, never toward the hottest end.");
    }

    @Override
    public String note(Session session) {
        return "every socket, then turn";
    }

    @Override
    public Set<Tool> tools() {
        return Set.of(
                Tool.POWER_TUBES_IN, Tool.LIMITER, Tool.TUBES_NOW, Tool.TUBES_NOW_FIRST, Tool.TURN, Tool.LISTENING);
    }
}
