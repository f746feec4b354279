package yellowrail.core.swap;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import yellowrail.core.adjust.Preferred;
import yellowrail.core.amp.Duty;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Known;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.GridSupply;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.ScreenReport;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageFigures;
import yellowrail.core.stage.StageIdle;
import yellowrail.core.stage.StageJudge;
import yellowrail.core.stage.StageJudgement;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.stage.StageSolver;
import yellowrail.core.stage.StageTube;
import yellowrail.core.stage.When;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.ModelTrust;

/** What a sheet may propose: an idle, a cathode resistor, a load, each put to the judge in the stage it leads to. */
final class Proposal {
    /** Tolerance of a preferred resistor, share. */
    static final double TOLERANCE = 0.05;

    private static final int STEPS = 12;
    /** Hotter nothing is proposed, share of the rating. */
    private static final double MOST_IDLE = 1.5;

    private static final double LEAST_IDLE = 0.05;
    /** Preferred values are looked at from the one wanted up to so many times it. */
    private static final double FURTHEST = 4;
    /** Finer than the series. */
    private static final double STEP = 1.04;

    /** Less at a screen does nothing, Ω; a round figure of ours. */
    private static final double LEAST_SCREEN_OHMS = 100;

    private final SwapQuestion question;
    private final StageJudge judge;

    Proposal(SwapQuestion question) {
        this.question = question;
        this.judge = new StageJudge(
                question.judgeWithMargin(),
                question.candidate().curves().orElseThrow().trust(),
                question.present().highest());
    }

    /** The question with an idle that nobody asked for brought down to what is accepted at idle. */
    static SwapQuestion settled(SwapQuestion question) {
        SwapCandidate candidate = question.candidate();
        if (candidate.asked()
                || candidate.curves().isEmpty()
                || candidate.plateWatts().isEmpty()) {
            return question;
        }
        try {
            return new SwapQuestion(
                    question.present(),
                    question.chassis(),
                    candidate.idling(new Proposal(question).idle(candidate.idleShare())));
        } catch (NoSolution none) {
            return question;
        }
    }

    /** The hottest idle up to this one at which nothing is passed at idle; this one where none is. */
    private double idle(double wanted) {
        Stage tubed = SolvedStage.tubed(question);
        if (atIdle(tubed, wanted, question.read())) {
            return wanted;
        }
        double cold = LEAST_IDLE;
        if (!atIdle(tubed, cold, List.of())) {
            return wanted;
        }
        double hot = wanted;
        for (int i = 0; i < STEPS; i++) {
            double middle = (cold + hot) / 2;
            if (atIdle(tubed, middle, List.of())) {
                cold = middle;
            } else {
                hot = middle;
            }
        }
        return cold;
    }

    private boolean atIdle(Stage tubed, double share, List<Known> read) {
        try {
            Stage set = StageIdle.at(
                    tubed, share * question.candidate().plateWatts().orElseThrow());
            // Volts do not fall when the tube is turned colder: they say nothing of how far.
            return StageJudge.accepted(atIdle(set, trust(), read).stream()
                    .filter(j -> j.limit().unit() != Unit.VOLT)
                    .toList());
        } catch (NoSolution none) {
            return false;
        }
    }

    private ModelTrust.Bands trust() {
        return question.candidate().curves().orElseThrow().trust().bandsAnywhere();
    }

    /** A stage as it is set, judged without drive, at nominal and highest mains. */
    private List<StageJudgement> atIdle(Stage set, ModelTrust.Bands bands, List<Known> read) {
        double highest = question.present().highest();
        Cycle now = new StageSolver(set).idle();
        return StageJudgement.of(
                        judge.proposing().judge(),
                        question.duty(),
                        StageFigures.read(
                                question.gridSupply().outcomes().stream()
                                        .map(grid -> new StageFigures(bands)
                                                .with(At.NOW, 1, now)
                                                .with(
                                                        At.HIGHEST,
                                                        highest,
                                                        new StageSolver(set.atMains(
                                                                        highest, grid == GridSupply.FOLLOWS))
                                                                .idle()))
                                        .toList(),
                                read))
                .stream()
                .filter(j -> j.when() == When.IDLE)
                .toList();
    }

    /** How the plates stand at idle with the bias as it is and tubes of this strength. */
    Optional<StageJudgement> unchanged(double strength, ModelTrust.Bands bands) {
        return atIdle(SolvedStage.tubed(question, strength), bands, List.of()).stream()
                .filter(j -> j.limit() == Limit.PLATE_WATTS)
                .max(StageJudgement.GRAVITY);
    }

    /** Whether nothing is passed at idle on this resistor, Ω. */
    boolean stands(double ohms) {
        Stage tubed = SolvedStage.tubed(question);
        return StageJudge.accepted(
                atIdle(tubed.biased(Biasing.cathode(ohms, tubed.biasing().shared())), trust(), List.of()));
    }

    /** A resistor with the share of the rating that it idles at. */
    record Resistor(double ohms, double share) {}

    /** The preferred cathode resistor next to this idle that is accepted with its tolerance; empty where none is. */
    Optional<Resistor> resistor(double share) {
        try {
            double ohms = StageIdle.at(
                            SolvedStage.tubed(question),
                            share * question.candidate().plateWatts().orElseThrow())
                    .biasing()
                    .cathodeOhms();
            double before = 0;
            for (double at = ohms; at <= FURTHEST * ohms; at *= STEP) {
                double value = Preferred.nearestE24(at);
                if (value != before && accepted(value * (1 - TOLERANCE))) {
                    return Optional.of(new Resistor(value, share(value)));
                }
                before = value;
            }
            return Optional.empty();
        } catch (NoSolution none) {
            return Optional.empty();
        }
    }

    private boolean accepted(double ohms) {
        double share = share(ohms);
        // Without drive first: that is soon told.
        return share <= MOST_IDLE && stands(ohms) && accepted(setting().idle(share), StageJudge.BY_IDLE);
    }

    /**
     * The smallest preferred resistor at each screen with which they pass and nothing else stands worse; empty where none
     * does.
     *
     * @param share idle of the stage as it would be
     * @param duty what has to be borne
     * @param before how the stage stands as it would be, by that duty
     */
    Optional<Double> screenResistor(double share, Duty duty, List<StageJudgement> before) {
        StageSetting now = setting().idle(Math.min(share, MOST_IDLE)).playing(duty);
        double fitted = now.described().tubes().stream()
                .mapToDouble(StageTube::screenOhms)
                .max()
                .orElse(0);
        List<Double> values = Preferred.e12(Math.max(LEAST_SCREEN_OHMS, fitted * STEP), ScreenReport.MOST_RESISTOR);
        try {
            int bad = -1;
            int good = values.size();
            while (good - bad > 1) {
                int middle = (bad + good) / 2;
                if (cool(screens(now, values.get(middle) * (1 - TOLERANCE)))) {
                    good = middle;
                } else {
                    bad = middle;
                }
            }
            return good < values.size()
                            && ScreenReport.mends(
                                    before, judge.proposing().of(screens(now, values.get(good) * (1 - TOLERANCE))))
                    ? Optional.of(values.get(good))
                    : Optional.empty();
        } catch (NoSolution none) {
            return Optional.empty();
        }
    }

    private static StageSetting screens(StageSetting setting, double ohms) {
        return setting.of(setting.described()
                .tubed(setting.described().tubes().stream()
                        .map(t -> t.behind(ohms))
                        .toList()));
    }

    /** A first look at highest mains by what is played alone: the judge has the last word. */
    private boolean cool(StageSetting setting) {
        OptionalDouble most = judge.proposing().judge().allowed(DriveLimit.SCREEN_WATTS, At.NOW);
        Stage set = setting.stage();
        double loudest = setting.outcomes().stream()
                .map(outcome -> set.atMains(judge.highest(), outcome.grid() == GridSupply.FOLLOWS))
                .mapToDouble(
                        stage -> screenWatts(stage, setting.duty().outcomes().get(0)))
                .max()
                .orElseThrow();
        return most.isEmpty() || loudest * (1 + trust().screen()) <= most.getAsDouble();
    }

    private static double screenWatts(Stage stage, Duty loudest) {
        StageSolver solver = new StageSolver(stage);
        return (loudest == Duty.TONE ? solver.full() : solver.played(loudest)).hottestScreenWatts();
    }

    private double share(double ohms) {
        Stage tubed = SolvedStage.tubed(question);
        return StageIdle.watts(
                        tubed.biased(Biasing.cathode(ohms, tubed.biasing().shared())))
                / question.candidate().plateWatts().orElseThrow();
    }

    private StageSetting setting() {
        return new StageSetting(
                SolvedStage.tubed(question),
                question.candidate().plateWatts().orElseThrow(),
                1,
                1,
                1,
                question.gridSupply(),
                question.duty());
    }

    /** Whether a load, as a factor of the fitted one, is accepted at this idle. */
    boolean load(double factor, double idleShare) {
        return idleShare <= MOST_IDLE && accepted(setting().idle(idleShare).load(factor), j -> true);
    }

    private boolean accepted(StageSetting setting, Predicate<StageJudgement> about) {
        try {
            return StageJudge.accepted(
                    judge.proposing().of(setting).stream().filter(about).toList());
        } catch (NoSolution none) {
            return false;
        }
    }
}
