package yellowrail.core.soak;

import java.util.List;
import yellowrail.core.reading.Show;

/**
 * Whether a current has stopped moving: under 1 % in 5 min, after at least 10 min of power. A reading decides, not a
 * timer.
 *
 * @param stable whether the criterion is met
 * @param waitMinutes how long until a reading can decide; zero when it can be read now or is decided
 * @param sentence why, with its numbers
 */
public record Stability(boolean stable, double waitMinutes, String sentence) {
    public static final double WITHIN = 0.01;
    public static final double APART_MINUTES = 5;
    public static final double WARM_MINUTES = 10;

    /** Typed times are whole minutes or seconds: a reading a little before its time still counts. */
    private static final double SLACK = 0.25;

    /**
     * @param name what is read
     * @param samples since power on, in the order of time; minutes are minutes since power on
     * @param now minutes since power on
     */
    public static Stability of(String name, List<Sample> samples, double now) {
        List<Sample> warm = samples.stream()
                .filter(s -> s.minutes() >= WARM_MINUTES - SLACK)
                .toList();
        if (samples.isEmpty() || warm.isEmpty()) {
            double wait = Math.max(0, WARM_MINUTES - now);
            return new Stability(
                    false,
                    wait,
                    wait > 0
                            ? name + ": " + (samples.isEmpty() ? "read it any time" : "read again")
                                    + "; the next reading counts in " + minutes(wait) + "."
                            : name + ": read it now, and once more 5 min later.");
        }
        Sample last = warm.get(warm.size() - 1);
        Sample before = null;
        for (Sample sample : samples) {
            if (sample.minutes() <= last.minutes() - APART_MINUTES + SLACK) {
                before = sample;
            }
        }
        if (before == null) {
            double due = warm.get(0).minutes() + APART_MINUTES;
            double wait = Math.max(0, due - now);
            return new Stability(
                    false,
                    wait,
                    name + ": one reading so far; "
                            + (wait > 0 ? "read again in " + minutes(wait) + "." : "read it again now."));
        }
        double apart = last.minutes() - before.minutes();
        double rate = Math.abs(last.amperes() / before.amperes() - 1) * APART_MINUTES / apart;
        double moved = Math.max(rate, largestLater(samples, before, last));
        if (moved < WITHIN) {
            return new Stability(true, 0, name + " moved " + percent(moved) + " in 5 min: stable.");
        }
        return new Stability(
                false,
                Math.max(0, last.minutes() + APART_MINUTES - now),
                name + " moved " + percent(moved) + " in 5 min (under 1 % is stable): read again in "
                        + minutes(Math.max(0, last.minutes() + APART_MINUTES - now)) + ".");
    }

    /** A jump and return between the two readings is movement too. */
    private static double largestLater(List<Sample> samples, Sample from, Sample to) {
        double largest = 0;
        for (Sample sample : samples) {
            if (sample.minutes() > from.minutes() && sample.minutes() < to.minutes()) {
                largest = Math.max(largest, Math.abs(sample.amperes() / to.amperes() - 1));
            }
        }
        return largest;
    }

    private static String percent(double share) {
        return Show.fixed(100 * share, 1) + " %";
    }

    static String minutes(double minutes) {
        return minutes < 1 ? "under a minute" : Math.round(minutes) + " min";
    }
}
