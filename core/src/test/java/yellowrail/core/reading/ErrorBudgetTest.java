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
    void refusesWhatIsNoLimit() {
        assertThatThrownBy(() -> ErrorBudget.exact().and("x", Double.NaN)).hasMessageContaining("NaN");
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

    /** KT88: 60.0 mA with 4.5 ± 2 % of it in the screen, both at 450 V: what the screen takes the plate does not have. */
    @Test
    void theErrorOfASumIsThatOfItsDerivative() {
        ErrorBudget current = ErrorBudget.exact().and("current", 0.02);
        double q = 0.045;
        double dq = 0.02;
        Estimate plate = new Estimate(450 * 0.060 * (1 - q), current.and("share", -dq / (1 - q)));
        Estimate screen = new Estimate(450 * 0.060 * q, current.and("share", dq / q));
        Estimate sum = plate.plus(screen);
        assertThat(plate.value()).isCloseTo(25.8, within(0.05));
        assertThat(screen.value()).isCloseTo(1.2, within(0.05));
        assertThat(sum.value()).isCloseTo(27.0, within(1e-9));
        assertThat(sum.likely()).isCloseTo(0.54, within(0.01));
        // At other screen volts the share counts with the difference: Ik · (Vg2 − Vp) · dq.
        Estimate low = new Estimate(300 * 0.060 * q, current.and("share", dq / q));
        assertThat(plate.plus(low).errors().of("share") * plate.plus(low).value())
                .isCloseTo(0.060 * 150 * dq, within(1e-9));
    }

    @Test
    void oneCauseEntersOnceWithItsSign() {
        ErrorBudget twice = ErrorBudget.exact().and("a", 0.03).and("a", -0.02).and("b", 0.01);
        assertThat(twice.terms()).hasSize(2);
        assertThat(twice.of("a")).isCloseTo(0.01, within(1e-12));
        assertThat(twice.worst()).isCloseTo(0.02, within(1e-12));
        assertThat(twice.scaling("a", 3).of("a")).isCloseTo(0.03, within(1e-12));
        assertThat(twice.scaling("a", 3).of("b")).isCloseTo(0.01, within(1e-12));
        assertThat(twice.times(-2).worst()).isCloseTo(0.04, within(1e-12));
        // The same words from another meter are another cause.
        assertThat(ErrorBudget.exact().and("a", 0.03, "m").and("a", -0.02, "n").terms())
                .hasSize(2);
    }
}
