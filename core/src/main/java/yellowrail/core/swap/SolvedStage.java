package yellowrail.core.swap;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Known;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.DriveSweep;
import yellowrail.core.stage.GridSupply;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageFigures;
import yellowrail.core.stage.StageIdle;
import yellowrail.core.stage.StageSolver;
import yellowrail.core.stage.StageTube;
import yellowrail.core.swap.Chassis.Rectification;
import yellowrail.core.tube.ModelTrust;

/**
 * A stage of a swap, solved at its three mains.
 *
 * @param stage with its idle set, at nominal mains
 * @param drive from idle to full at nominal mains
 * @param ends at lowest and highest mains, for everything that is not known of the stage
 * @param bands of the model at these volts
 */
public record SolvedStage(Stage stage, DriveSweep drive, List<Ends> ends, ModelTrust.Bands bands) {
    /**
     * One thing it can turn out to be.
     *
     * @param lowest its idle at lowest mains
     * @param highest from idle to full at highest mains
     */
    public record Ends(Cycle lowest, DriveSweep highest) {}

    private static final int LEVELS = 24;
    /** At highest mains only limits are read off. */
    private static final int LEVELS_AT_HIGHEST = 12;

    /** Where the search for a new bias begins. */
    private static final double START_VOLTS = -20;

    private static final double START_OHMS = 250;

    /** @throws NoSolution when it cannot be solved */
    private static SolvedStage of(Stage set, Present present, GridSupply supply, ModelTrust trust) {
        DriveSweep drive = DriveSweep.of(set, LEVELS);
        return new SolvedStage(
                set,
                drive,
                supply.outcomes().stream()
                        .map(grid -> ends(set, present, grid == GridSupply.FOLLOWS))
                        .toList(),
                trust.bands(drive.idle().plateToCathodeVolts(), drive.full().screenToCathodeVolts()));
    }

    private static Ends ends(Stage set, Present present, boolean follows) {
        return new Ends(
                new StageSolver(set.atMains(present.lowest(), follows)).idle(),
                DriveSweep.of(set.atMains(present.highest(), follows), LEVELS_AT_HIGHEST));
    }

    /** At highest mains; where the grid supply is not known, with it held. */
    DriveSweep highest() {
        return ends.get(0).highest();
    }

    /** @throws NoSolution when it cannot be solved */
    public static SolvedStage before(Present present) {
        return of(present.stage(), present, present.setting().grid(), present.trust());
    }

    /**
     * With the candidate: at the idle wanted where a control or a new resistor sets it, at what the given cathode resistor
     * makes of it otherwise.
     *
     * @throws NoSolution when it has no curves or cannot be solved
     */
    static SolvedStage after(SwapQuestion question) {
        SwapCandidate candidate = question.candidate();
        Stage tubed = tubed(question);
        boolean byResistor = question.cathodeBias()
                && (candidate.bias() == BiasChange.AS_NOW
                        || candidate.cathodeOhms().isPresent());
        Stage set = byResistor ? tubed : StageIdle.at(tubed, wanted(candidate));
        return of(
                set,
                question.present(),
                question.gridSupply(),
                candidate.curves().orElseThrow().trust());
    }

    /** Idle wanted of the hottest tube, W. */
    static double wanted(SwapCandidate candidate) {
        return candidate.idleShare() * candidate.plateWatts().orElseThrow();
    }

    /** The present stage with the candidates in it, before its idle is set; fresh tubes are as strong as their type. */
    static Stage tubed(SwapQuestion question) {
        return tubed(question, 1);
    }

    /** @param strength currents of the tubes over their type's */
    static Stage tubed(SwapQuestion question, double strength) {
        SwapCandidate candidate = question.candidate();
        if (candidate.curves().isEmpty() || candidate.plateWatts().isEmpty()) {
            throw new NoSolution("No " + (candidate.curves().isEmpty() ? "curves" : "plate rating") + " of the "
                    + candidate.type().designation() + " are known here, so that its idle, heat and power in this stage"
                    + " cannot be computed.");
        }
        Stage now = question.present().stage();
        boolean pushPull = now.pushPull();
        if (pushPull && candidate.tubes() % 2 != 0 || candidate.tubes() > (pushPull ? 8 : 4)) {
            throw new NoSolution(candidate.tubes() + " tubes do not make a "
                    + (pushPull ? "push-pull stage: both sides hold 1 to 4." : "single-ended stage: it holds 1 to 4."));
        }
        List<StageTube> tubes = new ArrayList<>();
        IntStream.range(0, candidate.tubes())
                .forEach(t -> tubes.add(new StageTube(
                        candidate.curves().get().model(),
                        pushPull ? t % 2 : 0,
                        strength * (question.sameTubes() ? now.tubes().get(t).scale() : 1),
                        screenOhms(now, t),
                        0)));
        return now.connected(candidate.connection(), candidate.tap())
                .fedThrough(Math.max(
                        0,
                        now.supplyOhms()
                                + question.chassis().part(Rectification.class).ohmsMore()))
                .tubed(tubes)
                .biased(biasing(now.biasing(), candidate, question.cathodeBias()));
    }

    /** Each socket has its own resistor; a tube of a socket that is to be added has the least there is. */
    private static double screenOhms(Stage now, int tube) {
        return tube < now.tubes().size()
                ? now.tubes().get(tube).screenOhms()
                : now.tubes().stream().mapToDouble(StageTube::screenOhms).min().orElse(0);
    }

    /** What the bias begins with: a control is set from there, a resistor counts as it is. */
    private static Biasing biasing(Biasing now, SwapCandidate candidate, boolean cathode) {
        return switch (candidate.bias()) {
            case AS_NOW ->
                candidate
                        .cathodeOhms()
                        .filter(o -> cathode)
                        .map(ohms -> Biasing.cathode(ohms, now.shared()))
                        .orElse(now);
            case FIXED, FIXED_TRACKING, FIXED_CONSTANT -> Biasing.fixed(START_VOLTS);
            case CATHODE, CATHODE_EACH ->
                Biasing.cathode(candidate.cathodeOhms().orElse(START_OHMS), candidate.bias() == BiasChange.CATHODE);
        };
    }

    /**
     * What it is judged by, at its three mains, for everything it can turn out to be.
     *
     * @param read how its tubes were read; empty where they were not
     */
    public List<StageFigures> figures(Present present, List<Known> read) {
        return StageFigures.read(
                ends.stream()
                        .map(e -> new StageFigures(bands)
                                .with(At.NOW, 1, drive)
                                .with(At.LOWEST, present.lowest(), e.lowest())
                                .with(At.HIGHEST, present.highest(), e.highest()))
                        .toList(),
                read);
    }

    /** Current drawn from B+ by all tubes: the larger of idle and full drive, A. */
    static double supplyAmperes(DriveSweep drive) {
        return cycles(drive).stream()
                .mapToDouble(c -> c.tubes().stream()
                        .mapToDouble(t -> t.plateAmperes() + t.screenAmperes())
                        .sum())
                .max()
                .orElse(0);
    }

    /** Highest average cathode volts, V; empty with fixed bias. */
    static OptionalDouble cathodeVolts(DriveSweep drive) {
        return cycles(drive).stream()
                .flatMap(c -> c.cathodeVolts().stream())
                .mapToDouble(v -> v)
                .max();
    }

    static List<Cycle> cycles(DriveSweep drive) {
        List<Cycle> all = new ArrayList<>(drive.levels());
        all.add(drive.idle());
        return all;
    }
}
