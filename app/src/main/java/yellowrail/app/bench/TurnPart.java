package yellowrail.app.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import yellowrail.app.rounds.RoundReader;
import yellowrail.core.adjust.Advice;
import yellowrail.core.adjust.Preferred;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionAssessment;
import yellowrail.core.session.stops.Tool;

/** The next turn, or the resistor to fit, with how it was computed. */
record TurnPart(Session session, SessionAssessment judged) {
    Panel.Turn turn() {
        String target = judged.window()
                .map(w -> w.name() + ", " + SessionPages.span(w))
                .orElse(judged.amp().judging().target());
        Panel.Turn none = new Panel.Turn(session.toMiddle(), target, "", "", "", null, List.of(), List.of(), List.of());
        if (!session.here().tools(session).contains(Tool.TURN)) {
            return none;
        }
        Advice advice = judged.advice();
        if (advice instanceof Advice.Turn turn) {
            return new Panel.Turn(
                    session.toMiddle(),
                    target,
                    turn.control(),
                    turn.point(),
                    RoundReader.field(judged.amp(), Quantity.CURRENT, turn.point())
                            .shownUnit(),
                    turn.stopAt().value(),
                    turn.remarks(),
                    turn.formulas(),
                    List.of());
        }
        if (advice instanceof Advice.Fit fit) {
            return new Panel.Turn(
                    session.toMiddle(),
                    target,
                    "",
                    fit.point(),
                    "",
                    null,
                    List.of(),
                    fit.fit().formulas(),
                    resistor(fit));
        }
        return none;
    }

    private List<String> resistor(Advice.Fit advice) {
        var fit = advice.fit();
        List<String> lines = new ArrayList<>();
        if (fit.chosen().isEmpty()) {
            return List.of();
        }
        if (!advice.counted()) {
            lines.add(
                    "How many tubes share the resistor is not described, so it is told as a ratio: times the ohms that are"
                            + " fitted now.");
            return lines;
        }
        lines.add("Preferred values that keep every limit, their tolerance included: "
                + String.join(
                        ", ",
                        Stream.of(
                                        fit.e12().map(r -> ohms(r) + " (E12, 5 %)"),
                                        fit.e24().map(r -> ohms(r) + " (E24, 5 %)"),
                                        fit.e96().map(r -> ohms(r) + " (E96, 1 %)"))
                                .flatMap(Optional::stream)
                                .toList())
                + ".");
        lines.add("Estimated " + ohms(fit.low()) + " to " + ohms(fit.high())
                + " for the middle of the window. If the cathode" + " volts stayed, " + ohms(fit.constantVolts())
                + ": the outer bound, since they go with the current.");
        lines.add("Cathode about " + Show.si(fit.cathodeVolts(), Unit.VOLT, 3) + ", "
                + Show.significant(fit.idleWatts(), 2) + " W in the resistor at idle: rate it "
                + Show.plain(fit.ratingWatts(), 3) + " W or more, the bypass capacitor "
                + Show.significant(fit.bypassVolts(), 2) + " V or more.");
        List<Double> drawer = Sheets.drawer(session);
        if (!drawer.isEmpty()) {
            lines.add("From your drawer: "
                    + String.join(
                            "; ",
                            Preferred.fromDrawer(fit.chosen().get(), drawer).stream()
                                    .map(m -> m.words() + " = " + Show.si(m.ohms(), Unit.OHM, 3))
                                    .toList())
                    + ".");
        }
        return lines;
    }

    private static String ohms(double value) {
        return Show.siPlain(value, Unit.OHM, 3);
    }
}
