package yellowrail.core.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleFunction;
import yellowrail.core.reading.Show;

/**
 * What the screens go through over the drive, and what would help. The idle hardly moves them, so they are told apart from
 * the plates.
 *
 * @param watts hottest average screen over the drive, W
 * @param reachedAt share of full drive at which the first screen reaches its limit; empty when none does
 * @param colderWatts the same figure with the idle 20 points colder, W; NaN when that cannot be set
 * @param remedies in words, each with its number and what it costs
 */
public record ScreenReport(double watts, Optional<Double> reachedAt, double colderWatts, List<String> remedies) {
    private static final int LEVELS = 12;
    private static final double COLDER = 0.20;
    private static final double COLDEST = 0.15;
    private static final int STEPS = 8;
    private static final double MOST_RESISTOR = 10e3;
    private static final double LEAST_LOAD = 0.4;
    private static final double LEAST_SCREEN = 0.4;

    public ScreenReport {
        remedies = List.copyOf(remedies);
    }

    /**
     * @param limit screen rating, W
     * @param band of the screens' heat, share to either side: what is advised keeps it as room
     */
    public static ScreenReport of(StageSetting setting, double limit, double band) {
        DriveSweep sweep = DriveSweep.of(setting.stage(), LEVELS);
        double watts = sweep.hottestScreen().hottestScreenWatts();
        Optional<Double> reached = sweep.screenReaches(limit);
        double colder = colder(setting);
        List<String> remedies = new ArrayList<>();
        double kept = limit / (1 + band);
        if (watts > kept && kept > 0) {
            double power = sweep.full().watts();
            remedy(remedies, kept, power, resistor(setting), fitted(setting), MOST_RESISTOR, true);
            if (setting.described().screenTap() == 0) {
                remedy(remedies, kept, power, screenVolts(setting), 1, LEAST_SCREEN, false);
            }
            remedy(remedies, kept, power, load(setting), 1, LEAST_LOAD, false);
            if (remedies.isEmpty()) {
                remedies.add("Neither a screen resistor up to 10 kΩ, nor lower screen volts, nor a lower load alone"
                        + " keeps the screens inside: drive it less.");
            }
        }
        return new ScreenReport(watts, reached, colder, remedies);
    }

    /**
     * The report in sentences. A limit inside the band is neither kept nor passed.
     *
     * @param limit screen rating, W
     * @param band of the screens' heat, share to either side
     */
    public List<String> words(double limit, double band) {
        String most = "Screens: at most " + Show.significant(watts, 3) + " W of " + Show.plain(limit, 3) + " W";
        List<String> words = new ArrayList<>();
        if (Double.isInfinite(band)) {
            return List.of(
                    most + " as computed, but these volts lie outside what the model was fitted on: whether they stay"
                            + " inside is not known.");
        }
        if (reachedAt.isEmpty() && watts * (1 + band) <= limit) {
            return List.of(most + " over the whole drive, the model's ±" + Show.plain(100 * band, 2) + " % included.");
        }
        if (reachedAt.isEmpty()) {
            words.add(most + " over the whole drive: too close to call, the limit lies inside the model's ±"
                    + Show.plain(100 * band, 2) + " %.");
            words.addAll(remedies);
            return words;
        }
        words.add(most + ": the first screen reaches its limit at " + Show.fixed(100 * reachedAt.get(), 0)
                + " % of full drive. " + (colderHelps() ? "A colder idle helps" : "A colder idle does not help")
                + (Double.isNaN(colderWatts) ? "." : " (" + Show.significant(colderWatts, 3) + " W)."));
        words.addAll(remedies);
        return words;
    }

    /** Whether a colder idle keeps the screens cooler by more than a model can tell. */
    public boolean colderHelps() {
        return colderWatts < 0.95 * watts;
    }

    private static double colder(StageSetting setting) {
        double share = Math.max(COLDEST, setting.idleShare() - COLDER);
        try {
            return worst(setting.idle(share));
        } catch (NoSolution none) {
            return Double.NaN;
        }
    }

    private record Change(DoubleFunction<StageSetting> made, DoubleFunction<String> words) {}

    private static void remedy(
            List<String> remedies, double limit, double power, Change change, double from, double to, boolean roundUp) {
        try {
            if (worst(change.made().apply(to)) > limit) {
                return;
            }
            double bad = from;
            double good = to;
            for (int i = 0; i < STEPS; i++) {
                double middle = (bad + good) / 2;
                if (worst(change.made().apply(middle)) > limit) {
                    bad = middle;
                } else {
                    good = middle;
                }
            }
            double round = roundUp ? Math.ceil(good / 10) * 10 : good;
            double left = DriveSweep.of(change.made().apply(round).stage(), LEVELS)
                    .full()
                    .watts();
            remedies.add(change.words().apply(round) + " would keep them inside, the model's band included; power "
                    + Show.significant(left, 3) + " W instead of " + Show.significant(power, 3) + " W.");
        } catch (NoSolution none) {
            // A change that cannot be computed is no advice.
        }
    }

    private static double worst(StageSetting setting) {
        return DriveSweep.of(setting.stage(), LEVELS).hottestScreen().hottestScreenWatts();
    }

    private static double fitted(StageSetting setting) {
        return setting.described().tubes().get(0).screenOhms();
    }

    private static Change resistor(StageSetting setting) {
        return new Change(
                ohms -> setting.of(setting.described()
                        .tubed(setting.described().tubes().stream()
                                .map(t -> new StageTube(t.model(), t.side(), t.scale(), ohms, t.gridOffset()))
                                .toList())),
                ohms -> "A resistor of " + Show.fixed(ohms, 0) + " Ω at each screen");
    }

    private static Change screenVolts(StageSetting setting) {
        Stage s = setting.described();
        double now = Double.isNaN(s.screenSupplyVolts()) ? s.supplyVolts() : s.screenSupplyVolts();
        return new Change(
                part -> setting.of(s.screensAt(now * part)),
                part -> "A screen supply of " + Show.fixed(now * part, 0) + " V, without load,");
    }

    private static Change load(StageSetting setting) {
        double marked = setting.described().loadOhms();
        return new Change(
                part -> setting.load(setting.loadFactor() * part),
                part -> "A load of " + Show.fixed(marked * setting.loadFactor() * part, 0) + " Ω");
    }
}
