package yellowrail.core.soak;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/** The median slope of all pairs of samples (Theil, Sen): one reading that is off moves it little. */
final class RobustLine {
    private RobustLine() {}

    /** A/min; zero for fewer than two moments. */
    static double slope(List<Sample> samples) {
        List<Double> slopes = new ArrayList<>();
        for (int i = 0; i < samples.size(); i++) {
            for (int j = i + 1; j < samples.size(); j++) {
                double minutes = samples.get(j).minutes() - samples.get(i).minutes();
                if (minutes > 0) {
                    slopes.add((samples.get(j).amperes() - samples.get(i).amperes()) / minutes);
                }
            }
        }
        return slopes.isEmpty() ? 0 : median(slopes);
    }

    /** Of one or more values. */
    static double median(List<Double> values) {
        List<Double> sorted = new ArrayList<>(values);
        Collections.sort(sorted);
        int middle = sorted.size() / 2;
        return sorted.size() % 2 == 1 ? sorted.get(middle) : (sorted.get(middle - 1) + sorted.get(middle)) / 2;
    }
}
