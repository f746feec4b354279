package yellowrail.core.soak;

import java.util.List;
import java.util.Optional;

/**
 * An exponential through a settling current, {@code I(t) = end + size·exp(−(t − t0)/T)}: linear least squares for end
 * and size at each T, T by golden section over a range that the samples can tell.
 *
 * @param end A
 * @param minutesToOnePercent from the last sample until within 1 % of the end
 */
record Settling(double end, double minutesToOnePercent) {
    private static final int LEAST = 6;
    private static final double GOLDEN = (Math.sqrt(5) - 1) / 2;

    private record Fit(double end, double size, double squares) {}

    static Optional<Settling> fit(List<Sample> samples) {
        if (samples.size() < LEAST) {
            return Optional.empty();
        }
        double span = samples.get(samples.size() - 1).minutes() - samples.get(0).minutes();
        double low = Math.log(span / 20);
        double high = Math.log(span * 2);
        for (int step = 0; step < 60; step++) {
            double a = high - GOLDEN * (high - low);
            double b = low + GOLDEN * (high - low);
            if (at(samples, Math.exp(a)).squares() < at(samples, Math.exp(b)).squares()) {
                high = b;
            } else {
                low = a;
            }
        }
        double constant = Math.exp((low + high) / 2);
        Fit fit = at(samples, constant);
        // A constant at the end of the range is a line, not an end: the samples do not tell where it goes.
        if (constant > 1.8 * span || !(fit.end() > 0)) {
            return Optional.empty();
        }
        double left = Math.abs(fit.size()) * Math.exp(-span / constant);
        return Optional.of(new Settling(fit.end(), Math.max(0, constant * Math.log(left / (0.01 * fit.end())))));
    }

    private static Fit at(List<Sample> samples, double constant) {
        double t0 = samples.get(0).minutes();
        double n = samples.size();
        double sx = 0;
        double sy = 0;
        double sxx = 0;
        double sxy = 0;
        for (Sample sample : samples) {
            double x = Math.exp(-(sample.minutes() - t0) / constant);
            sx += x;
            sy += sample.amperes();
            sxx += x * x;
            sxy += x * sample.amperes();
        }
        double size = (n * sxy - sx * sy) / (n * sxx - sx * sx);
        double end = (sy - size * sx) / n;
        double squares = 0;
        for (Sample sample : samples) {
            double miss = sample.amperes() - end - size * Math.exp(-(sample.minutes() - t0) / constant);
            squares += miss * miss;
        }
        return new Fit(end, size, squares);
    }
}
