package yellowrail.core.swap;

import java.util.List;
import java.util.Optional;
import yellowrail.core.load.LoadWords;
import yellowrail.core.load.PublishedLoads;
import yellowrail.core.load.Remark;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageSolver;

/** Power and harmonics at the fitted load against those at the load that gives the candidate most. */
final class LoadRow {
    /** Loads that are tried, over the fitted one. */
    private static final List<Double> PLACES = List.of(0.5, 0.6, 0.7, 0.85, 1.0, 1.2, 1.4, 1.7, 2.0);
    /** With this share of the most power a load suits. */
    private static final double SUITS = 0.9;

    /** Harmonics below this are none: equal sides cancel the even ones. */
    private static final double LEAST_TOLD = 1e-4;

    private LoadRow() {}

    static SwapRow of(SwapQuestion question, SolvedStage after) {
        Stage stage = after.stage();
        Cycle here = after.drive().full();
        double best = 1;
        double most = here.watts();
        for (double place : PLACES) {
            double watts = watts(stage, place);
            if (watts > most * (1 + 1e-6)) {
                most = watts;
                best = place;
            }
        }
        Optional<Remark> others = PublishedLoads.otherTubes(
                question.candidate().type().designation(),
                question.candidate().connection(),
                stage.topology(),
                stage.pushPull()
                        ? question.candidate().tubes() / 2
                        : question.candidate().tubes(),
                stage.loadOhms(),
                stage.loadOhms());
        boolean suits = here.watts() >= SUITS * most;
        String figures =
                Show.si(here.watts(), Unit.WATT, 3) + " at " + LoadWords.plainOhms(stage.loadOhms()) + ", 2nd harmonic "
                        + percent(here.harmonics().get(0)) + ", 3rd "
                        + percent(here.harmonics().get(1));
        return SwapRow.of(
                        Criterion.LOAD,
                        suits && others.isEmpty() ? SwapVerdict.PASS : SwapVerdict.NOTE,
                        figures
                                + (best == 1
                                        ? "; no other load gives more."
                                        : "; most at " + LoadWords.plainOhms(best * stage.loadOhms()) + ", "
                                                + Show.si(most, Unit.WATT, 3) + ".")
                                + others.map(r -> " " + r.sentence()).orElse(""))
                .figures(
                        Show.si(here.watts(), Unit.WATT, 3),
                        Show.si(most, Unit.WATT, 3) + " at " + LoadWords.plainOhms(best * stage.loadOhms()),
                        Double.NaN)
                .mend(
                        suits
                                ? ""
                                : "The speaker on the tap for " + Show.significant(best, 2)
                                        + " times less ohms than marked shows this load: look at it on the load page.")
                .formula("at full drive, where the first grid reaches 0 V; model, no measurement");
    }

    private static double watts(Stage stage, double factor) {
        try {
            StageSolver solver = new StageSolver(stage.withLoad(factor * stage.loadOhms()));
            return solver.driven(solver.fullDrive()).watts();
        } catch (NoSolution none) {
            return 0;
        }
    }

    private static String percent(double share) {
        return share < LEAST_TOLD ? "under 0.01 %" : Show.significant(100 * share, 2) + " %";
    }
}
