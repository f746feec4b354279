package yellowrail.core.session;

import java.util.List;
import java.util.Optional;
import yellowrail.core.adjust.Advice;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.soak.Stability;

/**
 * The one next thing to do, in one sentence.
 *
 * @param sentence what to do
 * @param figure the number to watch for, or empty
 * @param under what to expect there, or why
 */
public record NextStep(String sentence, String figure, String under) {
    public static NextStep of(Session session, Judged judged, long now) {
        if (session.signed().isPresent()) {
            return new NextStep("Signed. The sheet is kept as issued.", "", "");
        }
        if (session.stopped()) {
            return new NextStep(
                    "Stopped for safety. Mains switch off, pull the plug, touch nothing until drained.",
                    "",
                    "Then find the cause, and say what was found.");
        }
        List<String> missing = session.missing(session.here(), now);
        return switch (session.here()) {
            case MEASURE -> measure(session, judged, missing);
            case WARM_UP -> warmUp(session, now, missing);
            case SIGN_OFF -> new NextStep("Read the sheet, then sign it.", "", "");
            default -> missing.isEmpty() ? done(session) : new NextStep(missing.get(0), "", more(missing));
        };
    }

    private static NextStep done(Session session) {
        int next = session.stops().indexOf(session.here()) + 1;
        return next > 0 && next < session.stops().size()
                ? new NextStep(
                        "Done here. Go on to " + session.stops().get(next).words() + ".", "", "")
                : new NextStep("Done.", "", "");
    }

    private static String more(List<String> missing) {
        return missing.size() > 1 ? missing.size() - 1 + " more after that." : "";
    }

    private static NextStep warmUp(Session session, long now, List<String> missing) {
        if (session.power(now) != Power.ON_TUBES_IN || missing.isEmpty()) {
            return missing.isEmpty() ? done(session) : new NextStep(missing.get(0), "", "");
        }
        double wait = Curves.of(session).warmth(now).stream()
                .filter(s -> !s.stable())
                .mapToDouble(Stability::waitMinutes)
                .max()
                .orElse(0);
        return new NextStep(missing.get(0), wait > 0 ? Math.round(Math.ceil(wait)) + " min" : "now", more(missing));
    }

    private static NextStep measure(Session session, Judged judged, List<String> missing) {
        if (!missing.isEmpty()) {
            return new NextStep(missing.get(0), "", more(missing));
        }
        Advice advice = judged.advice();
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
}
