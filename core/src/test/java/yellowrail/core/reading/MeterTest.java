package yellowrail.core.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.junit.jupiter.api.Test;

class MeterTest {
    private static final Meter METER = new Meter("m", new Accuracy(0.5, 2), new Accuracy(1.0, 3), new Accuracy(0.8, 1));

    @Test
    void judgesAReadingByTheFunctionItsUnitNeeds() {
        assertThat(METER.limit(new Typed("", 431, Unit.VOLT, 1))).isCloseTo(2.155 + 2, within(1e-12));
        assertThat(METER.limit(new Typed("", 0.0364, Unit.AMPERE, 1e-4))).isCloseTo(0.000364 + 3e-4, within(1e-12));
        assertThat(METER.limit(new Typed("", 9.94, Unit.OHM, 0.01))).isCloseTo(0.07952 + 0.01, within(1e-12));
        assertThat(METER.limit(new Typed("", 5, Unit.DIVISION, 0.5))).isEqualTo(0.25);
    }

    @Test
    void moreDigitsMeanALowerLimit() {
        double coarse = METER.limit(new Typed("431", 431, Unit.VOLT, 1));
        double fine = METER.limit(new Typed("431.0", 431, Unit.VOLT, 0.1));
        assertThat(fine).isLessThan(coarse);
    }

    @Test
    void shipsClassesFromCoarseToFine() {
        assertThat(Meter.CLASSES).hasSize(4);
        for (int i = 1; i < Meter.CLASSES.size(); i++) {
            assertThat(Meter.CLASSES.get(i).volts().percentOfReading())
                    .isLessThan(Meter.CLASSES.get(i - 1).volts().percentOfReading());
        }
        assertThat(Meter.HANDHELD.volts().words()).isEqualTo("±(0.5 % + 2 counts)");
        assertThat(Meter.HANDHELD.volts().brief()).isEqualTo("±(0.5 % + 2)");
    }

    @Test
    void refusesImpossibleReadings() {
        assertThatThrownBy(() -> new Typed("x", Double.NaN, Unit.VOLT, 1)).hasMessageContaining("finite");
        assertThatThrownBy(() -> new Typed("x", 1, Unit.VOLT, 0)).hasMessageContaining("above zero");
        assertThatThrownBy(() -> new Accuracy(0.5, -1)).hasMessageContaining("-1.0 counts");
        assertThatThrownBy(() -> new Estimate(Double.POSITIVE_INFINITY, ErrorBudget.exact()))
                .hasMessageContaining("finite");
    }

    @Test
    void anEstimateCarriesItsErrorsThroughAProduct() {
        Estimate volts = new Estimate(400, ErrorBudget.exact().and("meter", 0.01, "m"));
        Estimate amperes =
                new Estimate(0.03, ErrorBudget.exact().and("meter", 0.02, "m").and("resistor", 0.01));
        Estimate watts = volts.times(amperes);
        assertThat(watts.value()).isCloseTo(12, within(1e-12));
        assertThat(watts.worst()).isCloseTo(12 * 0.04, within(1e-12));
        assertThat(watts.errors().likely()).isCloseTo(2 / Math.sqrt(3) * Math.hypot(0.03, 0.01), within(1e-12));
        assertThat(watts.times(2).likely()).isCloseTo(2 * watts.likely(), within(1e-12));
        assertThat(watts.low()).isLessThan(12);
        assertThat(watts.high()).isGreaterThan(12);
    }

    @Test
    void sensitivityScalesEveryTerm() {
        ErrorBudget errors = ErrorBudget.exact().and("a", 0.01).and("b", 0.02, "m");
        assertThat(errors.times(-3).worst()).isCloseTo(0.09, within(1e-12));
        assertThat(errors.times(-3).terms()).extracting(ErrorBudget.Term::meter).containsExactly("", "m");
    }

    @Test
    void voltsAndCurrentBelongTogetherForTenMinutesAndFivePerCent() {
        assertThat(Pairing.together().stale()).isEmpty();
        assertThat(new Pairing(Optional.of(10.0), Optional.of(0.05), false).stale())
                .isEmpty();
        assertThat(new Pairing(Optional.of(10.1), Optional.empty(), false)
                        .stale()
                        .orElseThrow())
                .contains("10 minutes");
        assertThat(new Pairing(Optional.empty(), Optional.of(-0.06), false)
                        .stale()
                        .orElseThrow())
                .contains("6.0 %");
        assertThat(Pairing.apart().stale()).isPresent();
    }
}
