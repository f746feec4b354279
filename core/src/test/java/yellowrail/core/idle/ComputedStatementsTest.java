package yellowrail.core.idle;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.reading.ErrorBudget;
import yellowrail.core.reading.Estimate;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Limit;
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
        var statements =
                ComputedStatements.of(ratings, at(1, plate, screen, fitted), at(1.1, plateHigh, screenHigh, fitted));
        assertThat(statements).extracting(Statement::place).containsExactly(now, raised);
        assertThat(statements.get(0).sentence()).contains(said);
        assertThat(statements.get(1).sentence()).contains("as computed at 110 % of nominal mains");
        assertThat(Arrays.asList(Verdict.Place.IN_WINDOW)).doesNotContain(now, raised);
    }

    private static ComputedStatements.At at(double mains, double plate, double screen, boolean fitted) {
        return new ComputedStatements.At(
                mains, Map.of(Limit.PLATE_WATTS, estimate(plate), Limit.SCREEN_WATTS, estimate(screen)), fitted);
    }

    private static Estimate estimate(double value) {
        return new Estimate(value, ErrorBudget.exact().and("the model", BAND));
    }
}
