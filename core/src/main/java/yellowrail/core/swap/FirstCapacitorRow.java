package yellowrail.core.swap;

import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.judging.Judge;
import yellowrail.core.judging.Value;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.swap.Chassis.Rectification;
import yellowrail.core.tube.ModelTrust;

/** The volts that the first capacitor, and all behind it, would have: asked where they rise. */
final class FirstCapacitorRow {
    /** A rise below this is none, share of B+. */
    private static final double RISES = 0.01;

    private FirstCapacitorRow() {}

    /** Empty where its volts do not rise and what it stands was not told. */
    static Optional<SwapRow> of(SwapQuestion question, SolvedStage before, SolvedStage after) {
        Rectification rectification = question.chassis().part(Rectification.class);
        double then = most(question, question.scheme(), after, rectification.used());
        double now = most(question, question.present().scheme(), before, rectification.now());
        boolean another = rectification.then().isPresent() || slow(rectification.now());
        boolean rises = rises(then, now)
                || another
                        && rises(
                                after.highest().idle().supplyVolts(),
                                before.highest().idle().supplyVolts());
        Optional<Double> rated = rectification.firstVolts();
        if (!rises && rated.isEmpty()) {
            return Optional.empty();
        }
        String figures = (rises ? "B+ rises: " : "") + volts(then) + " at highest mains, now " + volts(now);
        if (rated.isEmpty()) {
            return Optional.of(SwapRow.of(
                            Criterion.FIRST_CAPACITOR,
                            SwapVerdict.UNKNOWN,
                            figures + "; what the first capacitor is rated for is not answered.")
                    .figures(volts(then), "not answered", Double.NaN)
                    .mend("Type the volts on it; every other capacitor on B+ has to stand them too."));
        }
        double most = rated.get();
        SwapVerdict verdict =
                SwapVerdict.of(Judge.part(Value.computed(then, ModelTrust.VOLTS_BAND), Optional.of(most)), false);
        return Optional.of(SwapRow.of(
                        Criterion.FIRST_CAPACITOR,
                        verdict,
                        figures + ", of " + Show.siPlain(most, Unit.VOLT, 3)
                                + (verdict == SwapVerdict.FAIL
                                        ? ": over it"
                                        : verdict == SwapVerdict.UNKNOWN ? ": too close to call" : "")
                                + ".")
                .figures(volts(then), Show.siPlain(most, Unit.VOLT, 3), then / most)
                .mend(verdict == SwapVerdict.FAIL ? "Capacitors for more volts." : "")
                .formula(
                        loaded(question.scheme(), rectification.used())
                                ? "the rectifier warms up with the tubes: B+ at idle, at highest mains"
                                : "before the tubes conduct, or with the bias at its coldest end: B+ without load, at highest"
                                        + " mains"));
    }

    private static boolean slow(Optional<Rectifier> rectifier) {
        return rectifier.filter(Rectifier::slow).isPresent();
    }

    private static boolean rises(double then, double now) {
        return then > now * (1 + RISES);
    }

    /** Behind a slow rectifier tubes on cathode resistors draw by the time it gives its volts; a bias control can turn them off. */
    private static boolean loaded(BiasScheme scheme, Optional<Rectifier> rectifier) {
        return scheme == BiasScheme.CATHODE && slow(rectifier);
    }

    private static double most(
            SwapQuestion question, BiasScheme scheme, SolvedStage stage, Optional<Rectifier> rectifier) {
        return loaded(scheme, rectifier)
                ? stage.ends().stream()
                        .mapToDouble(e -> e.highest().idle().supplyVolts())
                        .max()
                        .orElseThrow()
                : stage.stage().supplyVolts() * question.present().highest();
    }

    private static String volts(double volts) {
        return Show.si(volts, Unit.VOLT, 3);
    }
}
