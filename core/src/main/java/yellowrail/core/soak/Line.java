package yellowrail.core.soak;

import java.util.List;

/** A straight line through samples by least squares. */
final class Line {
    private Line() {}

    /** A/min; zero for fewer than two samples or no span. */
    static double slope(List<Sample> samples) {
        double meanT = samples.stream().mapToDouble(Sample::minutes).average().orElse(0);
        double meanI = samples.stream().mapToDouble(Sample::amperes).average().orElse(0);
        double products = 0;
        double squares = 0;
        for (Sample sample : samples) {
            products += (sample.minutes() - meanT) * (sample.amperes() - meanI);
            squares += (sample.minutes() - meanT) * (sample.minutes() - meanT);
        }
        return squares == 0 ? 0 : products / squares;
    }
}
