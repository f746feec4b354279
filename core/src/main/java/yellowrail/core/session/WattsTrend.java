package yellowrail.core.session;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.soak.Sample;
import yellowrail.core.soak.SoakReading.MainsReading;
import yellowrail.core.soak.Trend;

/**
 * Dissipation over the newest soak, carried to one mains: it can climb while plate volts and current each move by less than
 * would be noticed. It goes by the trend that a current goes by, and is over with a soak that is flat.
 */
final class WattsTrend {
    private static final int LEAST_SAMPLES = 4;
    /** A soak's first pass may begin so much earlier. */
    private static final double GRACE_MINUTES = 7;

    private WattsTrend() {}

    /** One for each position whose watts creep in its newest setting: an earlier one is over. */
    static List<Finding> of(Session session, SessionAssessment judged) {
        Map<String, Curves.Curve> newest = new LinkedHashMap<>();
        Curves.of(session).all().forEach(c -> newest.merge(c.point(), c, (a, b) -> b.stretch() >= a.stretch() ? b : a));
        List<Finding> found = new ArrayList<>();
        for (Curves.Curve curve : newest.values()) {
            List<List<Sample>> ends = watts(session, judged, curve);
            if (ends.stream().allMatch(WattsTrend::moves)) {
                found.add(finding(curve, ends.get(1)));
            }
        }
        return found;
    }

    private static boolean moves(List<Sample> watts) {
        return watts.size() >= LEAST_SAMPLES && !Trend.flat(Trend.share(watts));
    }

    /** Watts of one tube where plate volts were read near its current, by either end of how it follows the mains. */
    private static List<List<Sample>> watts(Session session, SessionAssessment judged, Curves.Curve curve) {
        List<RecordedReading> taken = curve.warmTaken();
        List<List<Sample>> ends = new ArrayList<>();
        for (List<Sample> currents : Position.carried(session, judged, curve)) {
            List<Sample> samples = new ArrayList<>();
            Optional<MainsReading> first = Optional.empty();
            for (int i = 0; i < taken.size(); i++) {
                Optional<MainsReading> mains = Position.mains(session, taken.get(i));
                first = first.or(() -> mains);
                double ratio =
                        mains.isPresent() ? mains.get().volts() / first.get().volts() : 1;
                Optional<Double> volts = PlateWatch.near(
                                session, Quantity.PLATE, curve.sockets().get(0), taken.get(i))
                        .map(r -> r.typed().value());
                if (volts.isPresent()) {
                    samples.add(new Sample(
                            currents.get(i).minutes(), currents.get(i).amperes() * volts.get() / ratio));
                }
            }
            double from = samples.isEmpty()
                    ? 0
                    : samples.get(samples.size() - 1).minutes() - session.plan().soakMinutes() - GRACE_MINUTES;
            ends.add(samples.stream().filter(s -> s.minutes() >= from).toList());
        }
        return ends;
    }

    private static Finding finding(Curves.Curve curve, List<Sample> watts) {
        Sample first = watts.get(0);
        Sample last = watts.get(watts.size() - 1);
        List<RecordedReading> taken = curve.warmTaken();
        return new Finding(
                Finding.Code.PLATE_MOVED,
                curve.point(),
                "",
                taken.get(taken.size() - 1).at(),
                curve.point() + ": dissipation, carried to one mains, went from "
                        + Show.si(first.amperes(), Unit.WATT, 3) + " to " + Show.si(last.amperes(), Unit.WATT, 3)
                        + " in " + Math.round(last.minutes() - first.minutes()) + " min.",
                Optional.empty(),
                "Look for a bad contact or a supply that gives way, and say what was found; or correct the reading.");
    }
}
