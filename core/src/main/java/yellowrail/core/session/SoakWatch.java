package yellowrail.core.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.soak.Drift;
import yellowrail.core.soak.Runaway;
import yellowrail.core.soak.Sample;

/**
 * One point watched over time.
 *
 * @param curve its present curve
 * @param drift the judgement
 * @param creeps whether it rises, and not by one reading alone
 * @param minutesToCeiling if it goes on; empty when it does not rise or the ceiling is not known
 * @param stop whether that is so soon that the answer is a stop
 */
public record SoakWatch(
        Curves.Curve curve, Drift drift, boolean creeps, Optional<Double> minutesToCeiling, boolean stop) {
    /** The points of the present stretch. */
    public static List<SoakWatch> of(Session session, SessionAssessment judged) {
        List<SoakWatch> watches = new ArrayList<>();
        for (Curves.Curve curve : Curves.of(session).present()) {
            List<Sample> samples = curve.warm().size() >= 2 ? curve.warm() : curve.sinceOn();
            Optional<Double> minutes = curve.sockets().stream()
                    .flatMap(s -> judged.ceilingAmperes(s).stream())
                    .findFirst()
                    .flatMap(c -> Runaway.minutesTo(c, samples));
            // Before the tenth minute a current rises because the tube warms up.
            boolean warm = samples == curve.sinceOn() ? samples.size() >= 3 : true;
            watches.add(new SoakWatch(
                    curve,
                    curve.drift(),
                    Drift.creeps(curve.point(), curve.warm()),
                    minutes,
                    warm && minutes.filter(m -> m < Runaway.STOP_MINUTES).isPresent()));
        }
        return watches;
    }

    /** What a current under this watch asks for, in one sentence; empty when it is quiet. */
    public Optional<String> caution() {
        if (stop) {
            return Optional.of(curve.point() + " reaches the ceiling in "
                    + (minutesToCeiling.get() < 1
                            ? "under a minute"
                            : Show.fixed(Math.floor(minutesToCeiling.get()), 0) + " min")
                    + " if it goes on: power off now.");
        }
        return creeps
                ? Optional.of(curve.point() + " creeps (" + drift.sentence()
                        + ") Trimming it away hides the cause: first see whether mains or B+ moved, then exchange the"
                        + " tube with another position.")
                : Optional.empty();
    }
}
