package yellowrail.core.soak;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.Band;
import yellowrail.core.reading.Show;

/**
 * Whether one position was watched over a whole soak and stayed as it is: four or more readings spread over it, each below
 * ceiling and rating, without a jump, and neither rising nor falling once they are carried to one mains.
 *
 * @param again what began the soak anew, in order
 * @param window the readings of the newest whole soak; those since it last began while it is not whole
 * @param whole whether the window spans the soak
 * @param minutes how long it has to span: a gap longer than a third of a soak makes it three times that gap long
 * @param carried whether the mains was read often enough to carry the currents to one mains
 * @param wants what keeps it from counting
 */
public record Soak(
        List<Again> again, List<SoakReading> window, boolean whole, double minutes, boolean carried, List<Want> wants) {
    /** A position is watched by so many readings at least. */
    public static final int LEAST_READINGS = 4;

    private static final double LONGEST_GAP = 15;
    /** So many times its longest gap a soak spans at least. */
    private static final double GAPS = 3;
    /** Times are typed by hand: a reading this much after its time still counts, minutes. */
    private static final double SLACK = 0.5;

    private static final double JUMP = 0.03;
    private static final double LAST_WITHIN = 0.006;
    private static final double DIGIT = 0.005;
    /** Mains read no further than this from either end tells of the whole soak, minutes. */
    private static final double MAINS_NEAR = 15;

    private static final double ROUNDING = 1e-9;

    /** Why a soak began anew. */
    public enum Why {
        ABOVE,
        TOUCHING,
        JUMP,
        GAP,
        AMENDED,
        CAUSE,
        CHANGED
    }

    /**
     * A new beginning.
     *
     * @param at milliseconds since 1970
     * @param sentence what happened
     */
    public record Again(long at, Why why, String sentence) {}

    /**
     * Something the soak still wants.
     *
     * @param sentence what to do
     * @param due by when, milliseconds since 1970; empty when it is no matter of time
     */
    public record Want(String sentence, Optional<Long> due) {}

    public Soak {
        again = List.copyOf(again);
        window = List.copyOf(window);
        wants = List.copyOf(wants);
    }

    /** A longer gap between readings lengthens a soak of so many minutes, minutes; above 15 min it begins anew. */
    public static double longestGap(double minutes) {
        return Math.min(LONGEST_GAP, minutes / 3);
    }

    /**
     * @param name what is watched
     * @param warm readings from the tenth minute of one power-on on, in one setting, in the order of time
     * @param outside what else begins the soak anew: entries that change what a reading was, causes found
     * @param current how current follows the mains
     * @param minutes how long a soak spans
     */
    public static Soak of(String name, List<SoakReading> warm, List<Again> outside, Band current, double minutes) {
        return new Watch(name, warm, current, minutes).soak(outside);
    }

    /** When the newest soak began; empty before its first reading. */
    public Optional<Long> begunAt() {
        return window.isEmpty() ? Optional.empty() : Optional.of(window.get(0).at());
    }

    private static double minutesBetween(SoakReading a, SoakReading b) {
        return (b.at() - a.at()) / 60_000.0;
    }

    private record Watch(String name, List<SoakReading> warm, Band current, double minutes) {
        Soak soak(List<Again> outside) {
            List<Again> again = new ArrayList<>();
            int start = 0;
            for (int i = 0; i < warm.size(); i++) {
                for (Again other : outside) {
                    if (other.at() <= warm.get(i).at()
                            && (i == 0 || other.at() > warm.get(i - 1).at())) {
                        again.add(other);
                        start = i;
                    }
                }
                Optional<Again> broken = i > start ? broken(warm.get(i - 1), warm.get(i)) : Optional.empty();
                if (broken.isPresent()) {
                    again.add(broken.get());
                    start = i;
                }
                Optional<Again> high = high(warm.get(i));
                if (high.isPresent()) {
                    again.add(high.get());
                    start = i + 1;
                }
            }
            long last =
                    warm.isEmpty() ? Long.MIN_VALUE : warm.get(warm.size() - 1).at();
            for (Again other : outside) {
                if (other.at() > last) {
                    again.add(other);
                    start = warm.size();
                }
            }
            List<SoakReading> run = warm.subList(Math.min(start, warm.size()), warm.size());
            int from = newestWhole(run);
            List<SoakReading> window = from < 0 ? run : run.subList(from, run.size());
            boolean carried = carries(window);
            List<Want> wants = new ArrayList<>();
            if (from < 0) {
                wants.add(more(run));
            } else {
                trend(window, carried, wants);
            }
            digits(window, wants);
            return new Soak(again, window, from >= 0, needed(window), carried, wants);
        }

        private Optional<Again> high(SoakReading reading) {
            return switch (reading.level()) {
                case BELOW -> Optional.empty();
                case TOUCHING ->
                    Optional.of(new Again(
                            reading.at(),
                            Why.TOUCHING,
                            name + " read " + milli(reading) + ": the ceiling lies inside the error band."));
                case ABOVE ->
                    Optional.of(new Again(
                            reading.at(),
                            Why.ABOVE,
                            name + " read " + milli(reading) + ", above the ceiling or the rating."));
            };
        }

        private Optional<Again> broken(SoakReading before, SoakReading now) {
            double gap = minutesBetween(before, now);
            if (gap > LONGEST_GAP + SLACK) {
                return Optional.of(new Again(
                        now.at(),
                        Why.GAP,
                        name + " was not read for " + Show.fixed(gap, 0) + " min (" + Show.plain(LONGEST_GAP, 3)
                                + " min at most)."));
            }
            double ratio = now.amperes() / before.amperes();
            double low = ratio / mainsFactor(before, now, current.low());
            double high = ratio / mainsFactor(before, now, current.high());
            double allowed = Math.max(JUMP, before.digitShare() + now.digitShare()) + ROUNDING;
            boolean jumps = Math.min(low, high) > 1 + allowed || Math.max(low, high) < 1 - allowed;
            return jumps
                    ? Optional.of(new Again(
                            now.at(),
                            Why.JUMP,
                            name + " jumped from " + milli(before) + " to " + milli(now) + ", "
                                    + Show.fixed(100 * Math.abs(ratio - 1), 1) + " %."))
                    : Optional.empty();
        }

        private static double mainsFactor(SoakReading before, SoakReading now, double exponent) {
            return before.mains().isPresent() && now.mains().isPresent()
                    ? Math.pow(now.mains().get().volts() / before.mains().get().volts(), exponent)
                    : 1;
        }

        /** Where the newest part begins that spans the soak with enough readings; below zero when there is none. */
        private int newestWhole(List<SoakReading> run) {
            for (int from = run.size() - LEAST_READINGS; from >= 0; from--) {
                List<SoakReading> part = run.subList(from, run.size());
                if (minutesBetween(part.get(0), part.get(part.size() - 1)) >= needed(part) - SLACK / 2) {
                    return from;
                }
            }
            return -1;
        }

        /** How long readings like these have to span, minutes. */
        private double needed(List<SoakReading> readings) {
            double gap = 0;
            for (int i = 1; i < readings.size(); i++) {
                gap = Math.max(gap, minutesBetween(readings.get(i - 1), readings.get(i)));
            }
            return gap > longestGap(minutes) + SLACK ? Math.max(minutes, GAPS * gap) : minutes;
        }

        private boolean carries(List<SoakReading> window) {
            if (window.isEmpty()) {
                return false;
            }
            SoakReading first = window.get(0);
            SoakReading last = window.get(window.size() - 1);
            return near(first)
                    && near(last)
                    && first.mains().get().at() != last.mains().get().at();
        }

        private static boolean near(SoakReading reading) {
            return reading.mains()
                    .filter(m -> Math.abs(m.at() - reading.at()) <= MAINS_NEAR * 60_000)
                    .isPresent();
        }

        private Want more(List<SoakReading> run) {
            if (run.isEmpty()) {
                return new Want(name + ": no reading yet that counts: read it now.", Optional.empty());
            }
            SoakReading last = run.get(run.size() - 1);
            double span = minutesBetween(run.get(0), last);
            double needed = needed(run);
            long next = last.at() + Math.round(longestGap(minutes) * 60_000);
            return new Want(
                    name + ": watched for " + Show.fixed(span, 0) + " of " + Show.fixed(needed, 0) + " min, "
                            + run.size() + (run.size() == 1 ? " reading" : " readings")
                            + (run.size() < LEAST_READINGS ? " of at least " + LEAST_READINGS : "")
                            + (needed > minutes ? ", longer for the gap that there was" : "")
                            + ". Read it again, no more than " + Show.plain(longestGap(minutes), 3)
                            + " min after the last one.",
                    Optional.of(next));
        }

        private void trend(List<SoakReading> window, boolean carried, List<Want> wants) {
            double[] exponents = carried ? new double[] {current.low(), current.high()} : new double[] {0};
            double rises = Double.NEGATIVE_INFINITY;
            double falls = Double.POSITIVE_INFINITY;
            double off = Double.POSITIVE_INFINITY;
            for (double exponent : exponents) {
                List<Sample> samples = carried(window, exponent);
                double slope = Trend.share(samples);
                rises = Math.max(rises, slope);
                falls = Math.min(falls, slope);
                off = Math.min(off, Math.abs(lastOff(samples)));
            }
            if (rises > Trend.RISES + ROUNDING) {
                wants.add(new Want(
                        name + " rises " + percent(rises) + " in 30 min (" + percent(Trend.RISES) + " at most)"
                                + mains(rises, falls) + ": watch on until it is flat, or find the cause.",
                        Optional.empty()));
            }
            if (falls < -Trend.FALLS - ROUNDING) {
                wants.add(new Want(
                        name + " falls " + percent(-falls) + " in 30 min (" + percent(Trend.FALLS) + " at most)"
                                + mains(rises, falls) + ": watch on until it is flat.",
                        Optional.empty()));
            }
            if (off > LAST_WITHIN + ROUNDING) {
                wants.add(new Want(
                        name + ": the last reading is " + percent(off) + " off the three before it ("
                                + percent(LAST_WITHIN) + " at most). Read it once more.",
                        Optional.empty()));
            }
        }

        /** A wide exponent and a mains that wandered leave open what the tube itself did. */
        private static String mains(double rises, double falls) {
            return rises - falls > Trend.RISES / 2
                    ? ", as far as can be told: the mains moved, and how far the current follows it is not exact"
                    : "";
        }

        private static List<Sample> carried(List<SoakReading> window, double exponent) {
            SoakReading first = window.get(0);
            return window.stream()
                    .map(r -> new Sample(
                            minutesBetween(first, r),
                            r.amperes() / (exponent == 0 ? 1 : mainsFactor(first, r, exponent))))
                    .toList();
        }

        private static double lastOff(List<Sample> samples) {
            int n = samples.size();
            double before = RobustLine.median(
                    samples.subList(n - 4, n - 1).stream().map(Sample::amperes).toList());
            return samples.get(n - 1).amperes() / before - 1;
        }

        private void digits(List<SoakReading> window, List<Want> wants) {
            window.stream().mapToDouble(SoakReading::digitShare).max().ifPresent(digit -> {
                if (digit > DIGIT + ROUNDING) {
                    wants.add(new Want(
                            name + ": the last digit typed is " + percent(digit) + " of the reading ("
                                    + percent(DIGIT)
                                    + " at most). Type every digit the meter shows, on its finest range.",
                            Optional.empty()));
                }
            });
        }

        private static String percent(double share) {
            return Show.significant(100 * share, 2) + " %";
        }

        private static String milli(SoakReading reading) {
            return Show.fixed(1000 * reading.amperes(), 1) + " mA";
        }
    }
}
