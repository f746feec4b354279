package yellowrail.core.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import yellowrail.core.reading.Show;
import yellowrail.core.tube.Calibration;
import yellowrail.core.tube.TubeModel;

/**
 * How each tube of a stage stands to its type's model, out of rounds of readings.
 *
 * @param scales one a tube, in their order
 * @param told whether readings tell them, else all are 1
 * @param how where they come from, in a sentence
 */
public record ScaleEstimate(List<Double> scales, boolean told, String how) {
    /** A tube this far from its model is no tube of its type, or a reading went wrong. */
    private static final double LEAST = 0.3;

    private static final double MOST = 3;

    public ScaleEstimate {
        scales = List.copyOf(scales);
    }

    /** @param rounds newest last, each with the same tubes in the same order */
    public static ScaleEstimate of(TubeModel model, List<ReadRound> rounds) {
        int tubes = rounds.get(rounds.size() - 1).tubes().size();
        List<ReadRound> alone = rounds.stream()
                .filter(r -> r.tubes().size() == tubes
                        && r.tubes().stream().allMatch(t -> t.alone() && t.plateAmperes() > 0))
                .toList();
        if (alone.isEmpty()) {
            return new ScaleEstimate(
                    IntStream.range(0, tubes).mapToObj(i -> 1.0).toList(),
                    false,
                    "No round shows every tube alone: the type's own curves are used.");
        }
        ReadRound newest = alone.get(alone.size() - 1);
        boolean grids = alone.stream()
                .allMatch(r -> r.tubes().stream().allMatch(t -> t.gridVolts().isPresent() || t.cathodeVolts() > 0));
        if (grids) {
            return absolute(model, alone, tubes);
        }
        double mean = newest.tubes().stream()
                .mapToDouble(ReadRound.ReadTube::plateAmperes)
                .average()
                .orElseThrow();
        return checked(
                newest.tubes().stream().map(t -> t.plateAmperes() / mean).toList(),
                "Tubes against each other, from the newest round with each alone: without grid volts their strength"
                        + " against the type's curves is not known.");
    }

    private static ScaleEstimate absolute(TubeModel model, List<ReadRound> rounds, int tubes) {
        List<Double> scales = new ArrayList<>();
        double spread = 0;
        boolean assumed = false;
        for (int t = 0; t < tubes; t++) {
            List<Calibration.Point> points = new ArrayList<>();
            for (ReadRound round : rounds) {
                ReadRound.ReadTube tube = round.tubes().get(t);
                assumed |= tube.screenVolts().isEmpty();
                points.add(new Calibration.Point(
                        tube.plateVolts(),
                        tube.screenVolts().orElse(tube.plateVolts()),
                        tube.gridVolts().orElse(0.0) - tube.cathodeVolts(),
                        tube.plateAmperes()));
            }
            Calibration calibration = Calibration.of(model, points);
            scales.add(calibration.scale());
            spread = Math.max(spread, calibration.spread());
        }
        return checked(
                scales,
                "Each tube against its type's curves, from " + rounds.size()
                        + (rounds.size() == 1 ? " round" : " rounds") + " with grid volts"
                        + (rounds.size() > 1
                                ? " (they agree within " + Show.fixed(Math.max(1, 100 * spread), 0) + " %)"
                                : "")
                        + (assumed ? ", screens taken as high as the plates" : "") + ".");
    }

    private static ScaleEstimate checked(List<Double> scales, String how) {
        boolean sane = scales.stream().allMatch(s -> s >= LEAST && s <= MOST);
        return sane
                ? new ScaleEstimate(scales, true, how)
                : new ScaleEstimate(
                        scales.stream().map(s -> 1.0).toList(),
                        false,
                        "Readings and the type's curves differ by more than a tube's spread (a factor of "
                                + Show.significant(
                                        scales.stream()
                                                .mapToDouble(s -> Math.max(s, 1 / s))
                                                .max()
                                                .orElseThrow(),
                                        2)
                                + "): the type's own curves are used. Is it this type, and are the grid volts right?");
    }
}
