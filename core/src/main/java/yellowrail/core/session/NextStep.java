package yellowrail.core.session;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.stops.Look;

/**
 * The one next thing to do, in one sentence.
 *
 * @param sentence what to do
 * @param figure the number to watch for, or empty
 * @param under what to expect there, or why
 */
public record NextStep(String sentence, String figure, String under) {
    public static NextStep of(Look look) {
        Session session = look.session();
        long now = look.now();
        if (session.signed().isPresent()) {
            return new NextStep("Signed. The sheet is kept as issued.", "", "");
        }
        if (session.stopped()) {
            return new NextStep(
                    "Stopped for safety. Mains switch off, pull the plug, touch nothing until drained.",
                    "",
                    "Then find the cause, and say what was found.");
        }
        Optional<Unready> early =
                session.safety.onUnready().filter(u -> session.power(now).on());
        if (early.isPresent()) {
            return new NextStep(
                    "Power off now: mains switch off, pull the plug, and declare it.",
                    "",
                    early.get().waits() + " Do that first, then declare on again.");
        }
        List<String> missing = session.missing(session.here(), now);
        return session.here()
                .next(look)
                .orElseGet(() -> missing.isEmpty() ? done(session) : new NextStep(missing.get(0), "", more(missing)));
    }

    private static NextStep done(Session session) {
        int next = session.stops().indexOf(session.here()) + 1;
        return next > 0 && next < session.stops().size()
                ? new NextStep(
                        "Done here. Go on to " + session.stops().get(next).words() + ".", "", "")
                : new NextStep("Done.", "", "");
    }

    /** How much more is missing after the first. */
    public static String more(List<String> missing) {
        return missing.size() > 1 ? missing.size() - 1 + " more after that." : "";
    }
}
