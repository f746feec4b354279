package yellowrail.core.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;

class ErrorBudgetTest {
    /** 40.0 mV over 1 Ω ±1 % on a 200 mV range of ±(0.5 % + 2 counts of 0.1 mV): 2.0 % worst, 1.6 % likely. */
    @Test
    void combinesAMeterAndAResistor() {
        Typed reading = new Typed("40.0 mV", 0.040, Unit.VOLT, 1e-4);
        double limit = new Accuracy(0.5, 2).limit(reading);
        assertThat(limit).isCloseTo(0.0004, within(1e-9));
        ErrorBudget errors =
                ErrorBudget.exact().and("meter", limit / 0.040, "m").and("resistor", 0.01);
        assertThat(errors.worst()).isCloseTo(0.020, within(1e-9));
        assertThat(errors.likely()).isCloseTo(0.0163, within(1e-4));
    }

    /** The same 40 mV on a 2 V range with counts of 1 mV has a limit of 2.2 mV, 5.5 %. */
    @Test
    void takesTheResolutionFromTheDigitsTyped() {
        Typed coarse = new Typed("0.040", 0.040, Unit.VOLT, 1e-3);
        assertThat(new Accuracy(0.5, 2).limit(coarse)).isCloseTo(0.0022, within(1e-9));
    }

    /** V ±0.8 %, current reading ±0.5 % by the same meter, R ±1 %, screen share ±2 points of 6 %: ±3.1 %. */
    @Test
    void addsErrorsOfTheSameMeterFirst() {
        ErrorBudget same = ErrorBudget.exact()
                .and("volts", 0.008, "m")
                .and("drop", 0.005, "m")
                .and("resistor", 0.01)
                .and("share", 0.02 / 0.94);
        assertThat(same.likely()).isCloseTo(0.0310, within(5e-5));
        ErrorBudget apart = ErrorBudget.exact()
                .and("volts", 0.008, "a")
                .and("drop", 0.005, "b")
                .and("resistor", 0.01)
                .and("share", 0.02 / 0.94);
        assertThat(apart.likely()).isLessThan(same.likely());
        assertThat(apart.worst()).isCloseTo(same.worst(), within(1e-12));
    }

    @Test
    void neverPassesTheWorstCaseAndNeverNarrowsWithMoreError() {
        Random random = new Random(7);
        for (int i = 0; i < 5_000; i++) {
            ErrorBudget errors = ErrorBudget.exact();
            double before = 0;
            for (int j = 0; j < 6; j++) {
                String meter = random.nextBoolean() ? "m" : "";
                errors = errors.and("t" + j, random.nextDouble() * 0.1, meter);
                assertThat(errors.likely()).isLessThanOrEqualTo(errors.worst() + 1e-15);
                assertThat(errors.likely()).isGreaterThanOrEqualTo(before - 1e-15);
                before = errors.likely();
            }
        }
    }

    @Test
    void refusesANegativeLimit() {
        assertThatThrownBy(() -> ErrorBudget.exact().and("x", -0.1)).hasMessageContaining("-0.1");
        assertThatThrownBy(() -> new Accuracy(-1, 0)).hasMessageContaining("-1");
    }

    @Test
    void printsNoMoreDigitsThanAreKnown() {
        assertThat(Show.plusMinus(12.25, 0.38)).isEqualTo("12.3 ± 0.4");
        assertThat(Show.plusMinus(60.91, 1.41)).isEqualTo("60.9 ± 1.4");
        assertThat(Show.plusMinus(431.2, 4.2)).isEqualTo("431 ± 4");
        assertThat(Show.fixed(-0.04, 1)).isEqualTo("0.0");
        assertThat(Show.significant(0.0999, 2)).isEqualTo("0.10");
    }
}
