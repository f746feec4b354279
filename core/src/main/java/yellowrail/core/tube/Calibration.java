package yellowrail.core.tube;

import java.util.List;

/**
 * The factor a builder's own tube has over its type's model, on both currents alike.
 *
 * @param scale so that the model passes through the measured points in the mean of their logarithms
 * @param spread rms of what is left, share; zero with one point
 * @param points how many measured points stand behind it
 */
public record Calibration(double scale, double spread, int points) {
    /**
     * A measured idle point; volts from the cathode.
     *
     * @param plateAmperes above zero, A
     */
    public record Point(double plateVolts, double screenVolts, double gridVolts, double plateAmperes) {}

    /** @throws IllegalArgumentException without a point */
    public static Calibration of(TubeModel model, List<Point> points) {
        if (points.isEmpty()) {
            throw new IllegalArgumentException("a calibration needs a measured idle point");
        }
        double[] logs = points.stream()
                .mapToDouble(p ->
                        Math.log(p.plateAmperes() / model.plateAmperes(p.plateVolts(), p.screenVolts(), p.gridVolts())))
                .toArray();
        double mean = 0;
        for (double log : logs) {
            mean += log / logs.length;
        }
        double square = 0;
        for (double log : logs) {
            square += (log - mean) * (log - mean) / logs.length;
        }
        return new Calibration(Math.exp(mean), Math.sqrt(square), logs.length);
    }
}
