package yellowrail.core.soak;

import java.util.List;
import java.util.Optional;

/** When a rising current would reach the ceiling if it goes on: the sooner of straight on and bending as it does. */
public final class Runaway {
    /** Under this many minutes the answer is a stop. */
    public static final double STOP_MINUTES = 10;

    /** A rise below this share of the current between the samples looked at is within what a meter repeats. */
    private static final double REAL = 0.01;

    private Runaway() {}

    /** Minutes from the last sample; empty when it does not rise. Zero when the ceiling is passed. */
    public static Optional<Double> minutesTo(double ceilingAmperes, List<Sample> samples) {
        int n = samples.size();
        if (n == 0) {
            return Optional.empty();
        }
        double now = samples.get(n - 1).amperes();
        if (now >= ceilingAmperes) {
            return Optional.of(0.0);
        }
        if (n < 2) {
            return Optional.empty();
        }
        List<Sample> last = samples.subList(Math.max(0, n - 3), n);
        double lowest = last.stream().mapToDouble(Sample::amperes).min().orElseThrow();
        double slope = Line.slope(last);
        if (slope <= 0 || now < lowest * (1 + REAL)) {
            return Optional.empty();
        }
        double room = ceilingAmperes - now;
        return Optional.of(Math.min(room / slope, bending(last, room).orElse(Double.POSITIVE_INFINITY)));
    }

    /** {@code room = s·t + c·t²/2} with the slope at the end and the bend of the last three samples. */
    private static Optional<Double> bending(List<Sample> last, double room) {
        if (last.size() < 3) {
            return Optional.empty();
        }
        double first = Line.slope(last.subList(0, 2));
        double second = Line.slope(last.subList(1, 3));
        double between = (last.get(2).minutes() - last.get(0).minutes()) / 2;
        double bend = between > 0 ? (second - first) / between : 0;
        if (bend <= 0 || second <= 0) {
            return Optional.empty();
        }
        double atEnd = second + bend * (last.get(2).minutes() - last.get(1).minutes()) / 2;
        return Optional.of((-atEnd + Math.sqrt(atEnd * atEnd + 2 * bend * room)) / bend);
    }
}
