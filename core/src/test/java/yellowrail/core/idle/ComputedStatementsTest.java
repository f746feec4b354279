package yellowrail.core.idle;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.amp.Duty;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Judge;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.StageFigures;
import yellowrail.core.stage.StageJudgement;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.Ratings;

class ComputedStatementsTest {
    private static final double BAND = 0.1;

    /** EL34, 25 W design centre, screens 8 W, and 6L6GC, 30 W design maximum, screens 5 W. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "EL34  | 15   | 3   | 21   | 4   | true  | WITHIN_LIMITS | WITHIN_LIMITS | 60 % as computed at 100 %",
                "EL34  | 24   | 3   | 26   | 4   | true  | TOO_CLOSE     | WITHIN_LIMITS | lies inside the error band",
                "EL34  | 26   | 3   | 26   | 4   | true  | ABOVE_RATING  | WITHIN_LIMITS | above the 25 W plate rating",
                "EL34  | 15   | 3   | 31   | 4   | true  | WITHIN_LIMITS | ABOVE_RATING  | ±10 % included",
                "EL34  | 15   | 7.8 | 21   | 8   | true  | TOO_CLOSE     | WITHIN_LIMITS | Screen dissipation 7.80 W",
                "EL34  | 15   | 8.1 | 21   | 8   | true  | LIMIT_PASSED  | WITHIN_LIMITS | Screen dissipation 8.10 W",
                "6L6GC | 18   | 2   | 28   | 3   | true  | WITHIN_LIMITS | TOO_CLOSE     | 60 % as computed",
                "6L6GC | 18   | 2   | 31   | 3   | true  | WITHIN_LIMITS | ABOVE_RATING  | 60 % as computed",
                "6L6GC | 18   | 2   | 22   | 3   | false | UNKNOWN       | UNKNOWN       | outside what the model was fitted on",
                "6L6GC | 31   | 2   | 22   | 3   | false | ABOVE_RATING  | UNKNOWN       | above the 30 W plate rating",
            })
    void aComputedIdleIsJudgedAsOneThatWasRead(
            String type,
            double plate,
            double screen,
            double plateHigh,
            double screenHigh,
            boolean fitted,
            Verdict.Place now,
            Verdict.Place raised,
            String said) {
        Ratings ratings = Catalogue.shippedType(type).orElseThrow().strictest().orElseThrow();
        Judge judge = Judge.by(List.of(ratings), true);
        ModelTrust.Bands bands = fitted
                ? new ModelTrust.Bands(BAND, BAND, BAND)
                : new ModelTrust.Bands(Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY);
        var statements = ComputedStatements.of(
                judge,
                StageJudgement.of(
                        judge,
                        Duty.NOT_SAID,
                        List.of(new StageFigures(bands)
                                .with(At.NOW, 1, idle(plate, screen))
                                .with(At.HIGHEST, 1.1, idle(plateHigh, screenHigh)))));
        assertThat(statements).extracting(Statement::place).containsExactly(now, raised);
        assertThat(statements.get(0).sentence()).contains(said);
        assertThat(statements.get(1).sentence()).contains("as computed at 110 % of nominal mains");
        assertThat(Arrays.asList(Verdict.Place.IN_WINDOW)).doesNotContain(now, raised);
    }

    /** One tube at 300 V on plate and screen. */
    private static Cycle idle(double plate, double screen) {
        Cycle.TubeCycle tube = new Cycle.TubeCycle(plate / 300, screen / 300, plate, screen, 0, 0, 0);
        return new Cycle(0, 0, 0, List.of(), 300, 300, List.of(), List.of(tube), 300, 300, 0, 0, 0);
    }
}
