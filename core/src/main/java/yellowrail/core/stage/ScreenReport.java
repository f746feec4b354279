package yellowrail.core.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleFunction;
import java.util.function.DoubleUnaryOperator;
import yellowrail.core.amp.Duty;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Judgement;
import yellowrail.core.judging.Standing;
import yellowrail.core.reading.Show;
import yellowrail.core.tube.DriveLimit;

/**
 * What the screens go through over the drive, and what would help. The idle hardly moves them, so they are told apart from
 * the plates.
 *
 * @param screens how they stand over the drive, at the gravest mains
 * @param duty what is played
 * @param caution what louder playing would do to screens that pass as they are played; empty where nothing
 * @param reachedAt share of full drive at which the first screen reaches its limit with a test tone at the mains the stage
 *     stands at; empty when none does, and where no tone is played
 * @param colderWatts hottest screen with the idle 20 points colder, W; NaN when that cannot be set
 * @param remedies in words, each with its number and what it costs
 */
public record ScreenReport(
        StageJudgement screens,
        Duty duty,
        Optional<String> caution,
        Optional<Double> reachedAt,
        double colderWatts,
        List<String> remedies) {
    private static final double COLDER = 0.20;
    private static final double COLDEST = 0.15;
    /** A limit that is passed already may move by so much: a resistor that carries less lets its node rise by as little. */
    private static final double UNMOVED = 2e-3;

    private static final int PLACES = 10;
    private static final int STEPS = 4;
    /** More than this is fitted at no screen, Ω; a round figure of ours. */
    public static final double MOST_RESISTOR = 10e3;

    private static final double LEAST_LOAD = 0.4;
    private static final double LEAST_SCREEN = 0.4;

    public ScreenReport {
        remedies = List.copyOf(remedies);
    }

    /** @param judge whose type has a published screen dissipation */
    public static ScreenReport of(StageSetting setting, StageJudge judge) {
        List<StageJudgement> judged = judge.of(setting);
        StageJudgement screens = screens(judged);
        DriveSweep sweep = DriveSweep.of(setting.stage(), StageJudge.LEVELS);
        Optional<Double> reached = sweep.screenReaches(
                judge.judge().allowed(DriveLimit.SCREEN_WATTS, At.NOW).orElseThrow(), setting.duty());
        Optional<String> caution = StageJudgement.caution(judged);
        List<String> remedies = new ArrayList<>();
        if (!screens.standing().passes() || caution.isPresent()) {
            StageSetting played = caution.isPresent() ? setting.playing(Duty.HARD) : setting;
            Remedies found = new Remedies(
                    judge,
                    caution.isPresent() ? judge.of(played) : judged,
                    sweep.full().watts(),
                    remedies);
            found.add(resistor(played), fitted(played), MOST_RESISTOR, true);
            if (setting.described().screenTap() == 0) {
                found.add(screenVolts(played), 1, LEAST_SCREEN, false);
            }
            found.add(load(played), 1, LEAST_LOAD, false);
            if (remedies.isEmpty()) {
                remedies.add("Neither a screen resistor up to 10 kΩ, nor lower screen volts, nor a lower load alone"
                        + " keeps the screens inside without passing another limit: drive it less.");
            }
        }
        return new ScreenReport(screens, setting.duty(), caution, reached, colder(setting), remedies);
    }

    private static StageJudgement screens(List<StageJudgement> judged) {
        return judged.stream()
                .filter(j -> j.limit() == DriveLimit.SCREEN_WATTS)
                .max(StageJudgement.GRAVITY)
                .orElseThrow();
    }

    /** The report in sentences. */
    public List<String> words() {
        Judgement judgement = screens.judgement().orElseThrow();
        double watts = screens.value().figure().value();
        String mains = screens.at() == At.NOW ? "" : " at " + Show.fixed(100 * screens.mains(), 0) + " % mains";
        String most = "Screens: at most " + Show.significant(watts, 3) + " W of " + Show.plain(judgement.allowed(), 3)
                + " W" + mains;
        String band = Show.plain(100 * screens.value().band(), 2) + " %";
        List<String> words = new ArrayList<>();
        if (screens.standing() == Standing.UNKNOWN) {
            return List.of(
                    most + " as computed, but these volts lie outside what the model was fitted on: whether they stay"
                            + " inside is not known.");
        }
        if (screens.standing() == Standing.INSIDE) {
            words.add(most + " " + duty.over() + ", the model's ±" + band + " included."
                    + caution.map(c -> " Caution: " + c + ".").orElse(""));
            words.addAll(remedies);
            return words;
        }
        if (reachedAt.isEmpty()) {
            words.add(most + " " + duty.over() + ": "
                    + switch (screens.standing()) {
                        case OVER -> "over it.";
                        case OPEN_QUESTION -> screens.hangsOn() + ".";
                        default -> "too close to call, the limit lies inside the model's ±" + band + ".";
                    }
                    + " " + colder());
            words.addAll(remedies);
            return words;
        }
        words.add(most + ": the first screen reaches its limit at " + Show.fixed(100 * reachedAt.get(), 0)
                + " % of full drive. " + colder());
        words.addAll(remedies);
        return words;
    }

    private String colder() {
        return (colderHelps() ? "A colder idle helps" : "A colder idle does not help")
                + (Double.isNaN(colderWatts) ? "." : " (" + Show.significant(colderWatts, 3) + " W).");
    }

    /** Whether a colder idle keeps the screens cooler by more than a model can tell. */
    public boolean colderHelps() {
        return colderWatts < 0.95 * screens.value().figure().value();
    }

    private static double colder(StageSetting setting) {
        double share = Math.max(COLDEST, setting.idleShare() - COLDER);
        try {
            return DriveSweep.of(setting.idle(share).stage(), StageJudge.LEVELS)
                    .hottestScreen(setting.duty())
                    .hottestScreenWatts();
        } catch (NoSolution none) {
            return Double.NaN;
        }
    }

    /**
     * A change of one kind.
     *
     * @param told the figure that is told for a place of the search: what is told is what is judged
     * @param made the setting with that figure
     * @param words it in words
     */
    private record Change(DoubleUnaryOperator told, DoubleFunction<StageSetting> made, DoubleFunction<String> words) {
        StageSetting at(double place) {
            return made.apply(told.applyAsDouble(place));
        }
    }

    /** Looks for the smallest change of each kind that the judge accepts. */
    private record Remedies(StageJudge judge, List<StageJudgement> before, double power, List<String> found) {
        void add(Change change, double from, double to, boolean slowly) {
            try {
                double bad = from;
                double good = Double.NaN;
                // The least change first: further on another limit may end it.
                for (int i = 1; Double.isNaN(good) && i <= PLACES; i++) {
                    double place = slowly
                            ? from + (to - from) * Math.pow(i / (double) PLACES, 3)
                            : from + (to - from) * i / PLACES;
                    if (mends(change.at(place))) {
                        good = place;
                    } else {
                        bad = place;
                    }
                }
                if (Double.isNaN(good)) {
                    return;
                }
                for (int i = 0; i < STEPS; i++) {
                    double middle = (bad + good) / 2;
                    if (mends(change.at(middle))) {
                        good = middle;
                    } else {
                        bad = middle;
                    }
                }
                double left = DriveSweep.of(change.at(good).stage(), StageJudge.LEVELS)
                        .full()
                        .watts();
                found.add(change.words().apply(change.told().applyAsDouble(good))
                        + " would keep them inside, the model's band included; power " + Show.significant(left, 3)
                        + " W instead of " + Show.significant(power, 3) + " W.");
            } catch (NoSolution none) {
                // A change that cannot be computed is no advice.
            }
        }

        private boolean mends(StageSetting there) {
            return ScreenReport.mends(before, judge.proposing().of(there));
        }
    }

    /** Whether screens pass after a change, and nothing else that stood well stands worse. */
    public static boolean mends(List<StageJudgement> before, List<StageJudgement> after) {
        return screens(after).standing().passes()
                && after.stream()
                        .allMatch(j -> j.accepted()
                                || before.stream()
                                        .anyMatch(b -> b.limit() == j.limit()
                                                && b.when() == j.when()
                                                && b.at() == j.at()
                                                && Standing.GRAVITY.compare(b.standing(), j.standing()) >= 0
                                                && b.share() >= j.share() - UNMOVED));
    }

    private static double fitted(StageSetting setting) {
        return setting.described().tubes().get(0).screenOhms();
    }

    private static Change resistor(StageSetting setting) {
        return new Change(
                place -> Math.ceil(place / 10) * 10,
                ohms -> setting.of(setting.described()
                        .tubed(setting.described().tubes().stream()
                                .map(t -> t.behind(ohms))
                                .toList())),
                ohms -> "A resistor of " + Show.fixed(ohms, 0) + " Ω at each screen");
    }

    private static Change screenVolts(StageSetting setting) {
        Stage s = setting.described();
        double now = Double.isNaN(s.screenSupplyVolts()) ? s.supplyVolts() : s.screenSupplyVolts();
        return new Change(
                part -> Math.floor(now * part),
                volts -> setting.of(s.screensAt(volts)),
                volts -> "A screen supply of " + Show.fixed(volts, 0) + " V, without load,");
    }

    private static Change load(StageSetting setting) {
        double marked = setting.described().loadOhms();
        return new Change(
                part -> Math.floor(marked * setting.loadFactor() * part),
                ohms -> setting.load(ohms / marked),
                ohms -> "A load of " + Show.fixed(ohms, 0) + " Ω");
    }
}
