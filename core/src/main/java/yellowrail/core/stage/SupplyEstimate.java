package yellowrail.core.stage;

import java.util.ArrayList;
import java.util.List;
import yellowrail.core.reading.Show;

/**
 * B+ without load and the source resistance behind it, out of rounds with different currents: the line through B+ over total
 * current, both carried to nominal mains.
 *
 * @param volts B+ without load at nominal mains, V
 * @param ohms source resistance, Ω
 * @param amperes total current of the newest round, carried to nominal mains, A
 * @param told whether the rounds tell the resistance, else it is assumed
 * @param how where it comes from, in a sentence
 */
public record SupplyEstimate(double volts, double ohms, double amperes, boolean told, String how) {
    /** What a transformer with silicon rectifiers has about, when nothing tells it. */
    private static final double ASSUMED_OHMS = 100;

    /** The total must differ by this share between rounds for a slope to mean something. */
    private static final double MOVED = 0.08;

    private static final double MOST_OHMS = 3000;

    /** A resistance less sure than this share of itself is not told apart from others. */
    private static final double TELLS = 0.5;

    private record Point(double amperes, double volts, double limit) {}

    /**
     * @param rounds newest last, at least one with plate volts and a total
     * @param seriesOhms resistance between node and plates the total flows through, half primaries in parallel, Ω
     */
    public static SupplyEstimate of(List<ReadRound> rounds, double seriesOhms) {
        List<Point> points = new ArrayList<>();
        for (ReadRound round : rounds) {
            if (round.mains().isPresent()
                    && round.nodeAmperes().isPresent()
                    && !round.tubes().isEmpty()) {
                points.add(point(round, round.mains().get(), round.nodeAmperes().get()));
            }
        }
        if (!points.isEmpty()) {
            double least = points.stream().mapToDouble(Point::amperes).min().orElseThrow();
            double most = points.stream().mapToDouble(Point::amperes).max().orElseThrow();
            Point newest = points.get(points.size() - 1);
            if (most - least >= MOVED * most) {
                double ohms = slope(points) - seriesOhms;
                double limit = limit(points, least, most);
                if (limit > TELLS * (ohms + seriesOhms)) {
                    return assumed(
                            newest,
                            seriesOhms,
                            "The rounds do not tell the source resistance: " + Show.fixed(ohms, 0) + " ± "
                                    + Show.significant(limit, 2)
                                    + " Ω, because B+ moves with what is not known of the mains.");
                }
                if (ohms >= 0 && ohms <= MOST_OHMS) {
                    return new SupplyEstimate(
                            newest.volts() + (ohms + seriesOhms) * newest.amperes(),
                            ohms,
                            newest.amperes(),
                            true,
                            "Source resistance " + Show.fixed(ohms, 0) + " ± " + Show.significant(limit, 2) + " Ω from "
                                    + points.size() + " rounds between "
                                    + Show.fixed(1000 * least, 0) + " and " + Show.fixed(1000 * most, 0)
                                    + " mA in all, at nominal mains.");
                }
            }
            return assumed(
                    newest, seriesOhms, "The rounds do not tell the source resistance: their currents hardly differ.");
        }
        ReadRound last = rounds.get(rounds.size() - 1);
        double amperes = last.nodeAmperes()
                .orElse(last.tubes().stream()
                        .mapToDouble(ReadRound.ReadTube::plateAmperes)
                        .sum());
        return assumed(
                point(last, last.mains().orElse(1.0), amperes),
                seriesOhms,
                "The rounds do not tell the source resistance: mains or single currents are missing.");
    }

    /** B+ as the newest round had it, V: without load too, if there were no source resistance. */
    public double voltsLoaded() {
        return volts - ohms * amperes;
    }

    private static Point point(ReadRound round, double mains, double amperes) {
        double volts = round.nodeVolts() / mains;
        return new Point(amperes / mains, volts, volts * round.voltsLimit());
    }

    private static SupplyEstimate assumed(Point at, double seriesOhms, String why) {
        return new SupplyEstimate(
                at.volts() + (ASSUMED_OHMS + seriesOhms) * at.amperes(),
                ASSUMED_OHMS,
                at.amperes(),
                false,
                why + " " + Show.fixed(ASSUMED_OHMS, 0) + " Ω is assumed.");
    }

    /** What two points of the line being off in opposite ways make of its slope, Ω; more rounds between them help. */
    private static double limit(List<Point> points, double least, double most) {
        double worst = points.stream().mapToDouble(Point::limit).max().orElseThrow();
        return 2 * worst / (most - least) * Math.sqrt(2.0 / points.size());
    }

    /** How far B+ falls with the total current, Ω, by least squares. */
    private static double slope(List<Point> points) {
        double meanI = points.stream().mapToDouble(Point::amperes).average().orElseThrow();
        double meanV = points.stream().mapToDouble(Point::volts).average().orElseThrow();
        double cross = 0;
        double square = 0;
        for (Point p : points) {
            cross += (p.amperes() - meanI) * (p.volts() - meanV);
            square += (p.amperes() - meanI) * (p.amperes() - meanI);
        }
        return -cross / square;
    }
}
