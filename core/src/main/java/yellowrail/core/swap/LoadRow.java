package yellowrail.core.swap;

import java.util.Comparator;
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
    /** Less more than this is no reason for another load. */
    private static final double TELLS = 1.02;
    /** So many of them are put to the judge, those of most power first. */
    private static final int TRIED = 3;

    /** Harmonics below this are none: equal sides cancel the even ones. */
    private static final double LEAST_TOLD = 1e-4;

    private LoadRow() {}

    static SwapRow of(SwapQuestion question, SolvedStage after) {
        Stage stage = after.stage();
        Cycle here = after.drive().full();
        Best fitted = new Best(1, here.watts());
        List<Best> more = PLACES.stream()
                .map(place -> new Best(place, watts(stage, place)))
                .filter(b -> b.watts() > here.watts() * TELLS)
                .toList();
        Best raw = more.stream().reduce(fitted, Best::more);
        Best found = accepted(question, after, more).orElse(fitted);
        double best = found.factor();
        double most = found.watts();
        Optional<Remark> others = PublishedLoads.otherTubes(
                question.candidate().type().designation(),
                question.candidate().connection(),
                stage.topology(),
                stage.pushPull()
                        ? question.candidate().tubes() / 2
                        : question.candidate().tubes(),
                stage.loadOhms(),
                stage.loadOhms());
        boolean suits = here.watts() >= SUITS * raw.watts();
        String figures =
                Show.si(here.watts(), Unit.WATT, 3) + " at " + LoadWords.plainOhms(stage.loadOhms()) + ", 2nd harmonic "
                        + percent(here.harmonics().get(0)) + ", 3rd "
                        + percent(here.harmonics().get(1));
        return SwapRow.of(
                        Criterion.LOAD,
                        suits && others.isEmpty() ? SwapVerdict.PASS : SwapVerdict.NOTE,
                        figures
                                + (best == 1
                                        ? raw == fitted
                                                ? "; no other load gives more."
                                                : "; another load gives up to " + Show.si(raw.watts(), Unit.WATT, 3)
                                                        + ", but passes a limit or comes too close to one."
                                        : "; most at " + LoadWords.plainOhms(best * stage.loadOhms()) + ", "
                                                + Show.si(most, Unit.WATT, 3) + ".")
                                + others.map(r -> " " + r.sentence()).orElse(""))
                .figures(
                        Show.si(here.watts(), Unit.WATT, 3),
                        Show.si(most, Unit.WATT, 3) + " at " + LoadWords.plainOhms(best * stage.loadOhms()),
                        Double.NaN)
                .mend(suits || best == 1 ? "" : mend(best, best * stage.loadOhms()))
                .formula("at full drive, where the first grid reaches 0 V; model, no measurement");
    }

    /** How to get that load, and what the tubes then see. */
    private static String mend(double factor, double ohms) {
        String sees = LoadWords.plainOhms(ohms);
        return (factor == 2
                        ? "A speaker on the tap marked for half its ohms (8 Ω on the 4 Ω tap) shows the tubes " + sees
                        : factor == 0.5
                                ? "A speaker on the tap marked for twice its ohms (8 Ω on the 16 Ω tap) shows the tubes "
                                        + sees
                                : "The tubes see " + sees
                                        + " with an output transformer marked for it and the speaker on"
                                        + " the tap of its own ohms")
                + ": look at it on the load page.";
    }

    /** A load with its power. */
    private record Best(double factor, double watts) {
        Best more(Best other) {
            return other.watts > watts ? other : this;
        }
    }

    /** The one that gives most of those at which every limit is kept. */
    private static Optional<Best> accepted(SwapQuestion question, SolvedStage after, List<Best> more) {
        Proposal proposal = new Proposal(question);
        double share = after.drive().idle().hottestPlateWatts()
                / question.candidate().plateWatts().orElseThrow();
        return more.stream()
                .sorted(Comparator.comparingDouble(Best::watts).reversed())
                .limit(TRIED)
                .filter(b -> proposal.load(b.factor(), share))
                .findFirst();
    }

    private static double watts(Stage stage, double factor) {
        try {
            return new StageSolver(stage.withLoad(factor * stage.loadOhms()))
                    .full()
                    .watts();
        } catch (NoSolution none) {
            return 0;
        }
    }

    private static String percent(double share) {
        return share < LEAST_TOLD ? "under 0.01 %" : Show.significant(100 * share, 2) + " %";
    }
}
