package yellowrail.core.swap;

import java.util.Optional;
import java.util.stream.IntStream;
import yellowrail.core.amp.Duty;
import yellowrail.core.judging.Judge;
import yellowrail.core.judging.Standing;
import yellowrail.core.judging.Value;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.DriveSweep;
import yellowrail.core.stage.Stage;
import yellowrail.core.swap.Chassis.ScreenParts;

/** Heat in each tube's own resistor at its screen, by the square of its current over a cycle. */
final class ScreenResistorRow {
    /** A resistor is rated for twice its heat. */
    private static final double MARGIN = 2;

    /** No smaller one is fitted at a screen, W: below half of it there is nothing to ask. */
    private static final double SMALLEST = 0.25;

    private ScreenResistorRow() {}

    /** Empty where there are none, or nothing changes for them. */
    static Optional<SwapRow> of(SwapQuestion question, SolvedStage before, SolvedStage after) {
        double then = watts(after, question.duty());
        Optional<Double> rated = question.chassis().part(ScreenParts.class).watts();
        boolean little = MARGIN * then * (1 + 2 * after.bands().screen()) <= SMALLEST;
        if (then == 0 || rated.isEmpty() && (little || question.asItIs())) {
            return Optional.empty();
        }
        String figures = Show.si(then, Unit.WATT, 2)
                + " in the resistor of the hottest screen, highest average at highest mains, "
                + Show.si(watts(before, question.duty()), Unit.WATT, 2) + " with the present tubes";
        String mend = "Resistors rated for " + Show.si(MARGIN * then, Unit.WATT, 2) + " or more.";
        if (rated.isEmpty()) {
            return Optional.of(SwapRow.of(
                            Criterion.SCREEN_RESISTORS,
                            SwapVerdict.UNKNOWN,
                            figures + "; what they are rated for is not answered.")
                    .figures(Show.si(then, Unit.WATT, 2), "not answered", Double.NaN)
                    .mend(mend));
        }
        double most = rated.get();
        // Watts go by the square of the current: its band counts twice.
        Standing standing = Standing.ofOutcomes(question.duty().outcomes().stream()
                .map(d -> Judge.part(
                        Value.computed(watts(after, d), 2 * after.bands().screen()), rated))
                .toList());
        SwapVerdict verdict = SwapVerdict.of(standing, MARGIN * then > most);
        return Optional.of(SwapRow.of(
                        Criterion.SCREEN_RESISTORS,
                        verdict,
                        figures + ", rated for " + Show.siPlain(most, Unit.WATT, 3)
                                + switch (verdict) {
                                    case FAIL -> ": over it";
                                    case UNKNOWN ->
                                        standing == Standing.OPEN_QUESTION
                                                ? ": it hangs on what is played"
                                                : ": too close to call";
                                    case NOTE -> ": less than twice that heat";
                                    default -> "";
                                }
                                + ".")
                .figures(Show.si(then, Unit.WATT, 2), Show.siPlain(most, Unit.WATT, 3), then / most)
                .mend(verdict == SwapVerdict.PASS ? "" : mend)
                .formula("Rg2 · mean of Ig2² over a cycle"));
    }

    private static double watts(SolvedStage solved, Duty duty) {
        return Math.max(watts(solved.stage(), solved.drive(), duty), watts(solved.stage(), solved.highest(), duty));
    }

    private static double watts(Stage stage, DriveSweep drive, Duty duty) {
        return drive.over(duty).stream()
                .flatMapToDouble(c -> IntStream.range(0, stage.tubes().size()).mapToDouble(t -> watts(stage, c, t)))
                .max()
                .orElse(0);
    }

    private static double watts(Stage stage, Cycle cycle, int tube) {
        return stage.tubes().get(tube).screenOhms() * cycle.tubes().get(tube).screenSquare();
    }
}
