package yellowrail.core.soak;

import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;

/**
 * How a current moves over a soak. Four samples over 15 min or more are classified by their slope early and late; six
 * allow an exponential fit {@code I(t) = Iinf + d·exp(−t/T)}.
 *
 * @param kind the class
 * @param perMinute slope over the last ten minutes, A/min
 * @param settlesAt where a settling current goes, A; empty without a fit
 * @param settlesInMinutes until it is within 1 % of that; empty without a fit
 * @param sentence the judgement with its numbers
 */
public record Drift(
        Kind kind, double perMinute, Optional<Double> settlesAt, Optional<Double> settlesInMinutes, String sentence) {
    /** The classes. */
    public enum Kind {
        TOO_FEW("too few readings"),
        STEADY("steady"),
        SETTLING("settling"),
        CREEPING("creeping"),
        ACCELERATING("creeping, accelerating"),
        FALLING("falling");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        public boolean rising() {
            return this == CREEPING || this == ACCELERATING;
        }
    }

    private static final int LEAST = 4;
    private static final double LEAST_SPAN = 15;
    private static final double LATE = 10;

    /** Steady: the late slope carried on for half an hour stays under this share. */
    private static final double STEADY_SHARE = 0.02;

    /** The slope of the whole soak, known better than the late one, carried on for half an hour. */
    private static final double STEADY_OVERALL = 0.012;

    /** Half of what a steady soak may rise. */
    private static final double SHOWS_BEFORE = 0.006;

    private static final double SHRINKING = 0.6;
    private static final double GROWING = 1.25;

    /** @param samples one unbroken stretch in the order of time */
    public static Drift of(String name, List<Sample> samples) {
        int n = samples.size();
        double span = n < 2 ? 0 : samples.get(n - 1).minutes() - samples.get(0).minutes();
        double late = n < 2 ? 0 : Line.slope(late(samples));
        if (n < LEAST || span < LEAST_SPAN) {
            return new Drift(
                    Kind.TOO_FEW,
                    late,
                    Optional.empty(),
                    Optional.empty(),
                    name + ": " + n + (n == 1 ? " reading over " : " readings over ") + Math.round(span)
                            + " min; four over 15 min are needed to judge.");
        }
        double last = samples.get(n - 1).amperes();
        double middle = samples.get(0).minutes() + span / 2;
        double early =
                Line.slope(samples.stream().filter(s -> s.minutes() <= middle).toList());
        double later =
                Line.slope(samples.stream().filter(s -> s.minutes() >= middle).toList());
        Kind kind = kind(last, early, later, late, lastFive(samples), Line.slope(samples));
        Optional<Settling> fit = kind == Kind.SETTLING ? Settling.fit(samples) : Optional.empty();
        return new Drift(
                kind,
                late,
                fit.map(Settling::end),
                fit.map(Settling::minutesToOnePercent),
                name + ": " + kind.words() + ", " + rate(late) + " over the last 10 min"
                        + fit.map(f -> ", going to " + Show.si(f.end(), Unit.AMPERE, 3) + " within "
                                        + Stability.minutes(f.minutesToOnePercent()))
                                .orElse("")
                        + ".");
    }

    /** A rise that the readings before the last one show as well: one reading that is off is a jump, no creep. */
    public static boolean creeps(String name, List<Sample> samples) {
        int n = samples.size();
        return n >= LEAST && of(name, samples).kind().rising() && rises(samples) && rises(samples.subList(0, n - 1));
    }

    private static boolean rises(List<Sample> samples) {
        return RobustLine.slope(samples) * 30 > SHOWS_BEFORE * samples.get(0).amperes();
    }

    private static Kind kind(double last, double early, double later, double late, double lastFive, double overall) {
        double worst = Math.max(Math.abs(late), Math.abs(later));
        if (worst * 30 <= STEADY_SHARE * last && lastFive < Stability.WITHIN) {
            boolean goesOn = Math.abs(overall) * 30 > STEADY_OVERALL * last
                    && late * overall > 0
                    && Math.abs(late) >= SHRINKING * Math.abs(overall);
            return !goesOn ? Kind.STEADY : overall > 0 ? Kind.CREEPING : Kind.FALLING;
        }
        boolean sameWay = early * late > 0;
        if (late > 0 && early >= 0 && late > GROWING * early) {
            return Kind.ACCELERATING;
        }
        if (sameWay && Math.abs(late) < SHRINKING * Math.abs(early)) {
            return Kind.SETTLING;
        }
        return late > 0 ? Kind.CREEPING : late < 0 ? Kind.FALLING : Kind.SETTLING;
    }

    private static List<Sample> late(List<Sample> samples) {
        double from = samples.get(samples.size() - 1).minutes() - LATE - 1e-9;
        List<Sample> late = samples.stream().filter(s -> s.minutes() >= from).toList();
        return late.size() >= 2 ? late : samples.subList(samples.size() - 2, samples.size());
    }

    /** Change over the last five minutes, as a share. */
    private static double lastFive(List<Sample> samples) {
        Sample last = samples.get(samples.size() - 1);
        Sample before = samples.get(samples.size() - 2);
        double rate = Stability.APART_MINUTES / Math.max(Stability.APART_MINUTES, last.minutes() - before.minutes());
        return Math.abs(last.amperes() / before.amperes() - 1) * rate;
    }

    static String rate(double amperesPerMinute) {
        double milli = 1000 * amperesPerMinute;
        return (milli < 0 ? "−" : "+") + Show.fixed(Math.abs(milli), 2) + " mA/min";
    }
}
