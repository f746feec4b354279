package yellowrail.core.swap;

import java.util.Optional;
import yellowrail.core.judging.At;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageIdle;
import yellowrail.core.stage.StageJudgement;
import yellowrail.core.swap.Chassis.BiasControl;
import yellowrail.core.tube.ModelTrust;

/** The grid volts the candidate needs for its idle, with the spread of tubes, against what the bias control gives. */
final class BiasRow {
    /** An idle lowered by more is told, share of the rating. */
    private static final double LOWERED = 0.005;

    /** Where no bias gives the idle to such a tube, what it would take lies beyond any control, V. */
    private static final double COLDEST_GRID = -250;

    private BiasRow() {}

    static SwapRow of(SwapQuestion question, SolvedStage after) {
        double needed = after.stage().biasing().gridA();
        double band = after.bands().plate();
        String now = unchanged(question, after.bands()) + lowered(question);
        if (Double.isInfinite(band)) {
            return SwapRow.of(
                            Criterion.BIAS_RANGE,
                            SwapVerdict.UNKNOWN,
                            "Not told: the model is not fitted near these volts. " + now)
                    .figures(volts(needed), "not told", Double.NaN);
        }
        double colder = gridFor(question, (1 + ModelTrust.SPREAD) * (1 + band), COLDEST_GRID);
        double hotter = gridFor(question, 1 / ((1 + ModelTrust.SPREAD) * (1 + band)), 0);
        String need =
                volts(needed) + " for " + Show.fixed(100 * question.candidate().idleShare(), 0)
                        + " % of the rating, " + volts(colder) + " to " + volts(hotter)
                        + " over the spread of tubes and the model's ±" + Show.plain(100 * band, 2) + " %";
        BiasControl control = question.chassis().part(BiasControl.class);
        if (control.coldest().isEmpty() || control.hottest().isEmpty()) {
            return SwapRow.of(
                            Criterion.BIAS_RANGE,
                            SwapVerdict.UNKNOWN,
                            "Needed: " + need + ". What the control gives at its ends is not answered. " + now)
                    .figures(volts(needed), "not answered", Double.NaN)
                    .mend("Measure both ends at the grids, output tubes out.");
        }
        double coldest = control.coldest().get();
        double hottest = control.hottest().get();
        String range = volts(coldest) + " to " + volts(hottest);
        double shortCold = coldest - colder;
        double shortHot = hotter - hottest;
        // A typical tube, as far as the model tells where it lies.
        double typicalColder = gridFor(question, 1 + band, COLDEST_GRID);
        double typicalHotter = gridFor(question, 1 / (1 + band), 0);
        boolean reached = typicalColder >= coldest && typicalHotter <= hottest;
        boolean missed = typicalHotter < coldest || typicalColder > hottest;
        boolean all = shortCold <= 0 && shortHot <= 0;
        SwapVerdict verdict =
                missed ? SwapVerdict.FAIL : !reached ? SwapVerdict.UNKNOWN : all ? SwapVerdict.PASS : SwapVerdict.NOTE;
        String end = shortCold > 0
                ? " The cold end is short by " + volts(shortCold)
                : " The hot end is short by " + volts(shortHot);
        String miss = switch (verdict) {
            case PASS -> "";
            case NOTE -> end + (shortCold > 0 ? " for a strong tube." : " for a weak tube.");
            case UNKNOWN -> end + "; for a typical tube it is too close to call.";
            case FAIL -> end + ".";
        };
        return SwapRow.of(
                        Criterion.BIAS_RANGE,
                        verdict,
                        "Needed: " + need + "; the control gives " + range + "." + miss + " " + now)
                .figures(volts(needed), range, Double.NaN)
                .mend(
                        verdict == SwapVerdict.PASS
                                ? ""
                                : shortCold > 0
                                        ? "A smaller resistor towards the bias supply, or more bias volts: check its filter"
                                                + " capacitor's rating."
                                        : "A larger resistor towards the bias supply, or a smaller one to chassis.")
                .formula("grid volts at which the hottest tube idles at "
                        + Show.si(SolvedStage.wanted(question.candidate()), Unit.WATT, 3));
    }

    private static double gridFor(SwapQuestion question, double strength, double otherwise) {
        try {
            return StageIdle.at(SolvedStage.tubed(question, strength), SolvedStage.wanted(question.candidate()))
                    .biasing()
                    .gridA();
        } catch (NoSolution none) {
            return otherwise;
        }
    }

    /** Where it would idle if nobody turned the control: a typical tube, and a strong one at highest mains. */
    private static String unchanged(SwapQuestion question, ModelTrust.Bands bands) {
        if (question.candidate().bias() != BiasChange.AS_NOW) {
            return "A bias supply is needed that is not there now: its loss sends the tubes to their hottest.";
        }
        try {
            Stage stage = SolvedStage.tubed(question);
            double share =
                    StageIdle.watts(stage) / question.candidate().plateWatts().orElseThrow();
            Optional<StageJudgement> strong = new Proposal(question)
                    .unchanged(1 + ModelTrust.SPREAD, bands)
                    .filter(j -> !j.standing().passes());
            return "With the bias where it is now, " + volts(stage.biasing().gridA()) + ", it would idle at "
                    + Show.fixed(100 * share, 0) + " %"
                    + strong.map(j -> ", a strong tube at "
                                    + Show.fixed(100 * j.share(), 0) + " % of "
                                    + Show.si(j.judgement().orElseThrow().allowed(), Unit.WATT, 3)
                                    + (j.at() == At.HIGHEST ? " at " + Show.fixed(100 * j.mains(), 0) + " % mains" : "")
                                    + ": turn to the coldest end before the tubes go in.")
                            .orElse(".");
        } catch (NoSolution none) {
            return "Where it would idle with the bias as it is now cannot be computed: turn to the coldest end before the"
                    + " tubes go in.";
        }
    }

    /** That an idle which nobody asked for came down to what is accepted. */
    private static String lowered(SwapQuestion question) {
        double present = question.present().setting().idleShare();
        double share = question.candidate().idleShare();
        return !question.candidate().asked() && share < present - LOWERED
                ? " The present share of the rating, " + Show.fixed(100 * present, 0)
                        + " %, would pass a limit at idle: " + Show.fixed(100 * share, 0)
                        + " % is the hottest that passes none."
                : "";
    }

    private static String volts(double volts) {
        return Show.fixed(volts, 1) + " V";
    }
}
