package yellowrail.core.adjust;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.adjust.MainsExponent.Reading;
import yellowrail.core.adjust.SupplySag.Load;

/** What lies exactly at a limit of the sag, the mains exponent and the line between them. */
class EdgesTest {
    @ParameterizedTest
    @CsvSource({
        "0, 20, 200, 250",
        "18, 0, 200, 250",
        "18, 20, 0, 250",
        "18, 20, 200, 0",
        "18, 20, 200, 209",
        "18, 18.9, 200, 210",
        "18, 40, 200, 210"
    })
    void noExponentOfNothingOfMainsTooNearOrOfWhatNoStageHas(double w1, double w2, double m1, double m2) {
        assertThat(MainsExponent.of(new Reading(w1, 0, m1, 0), new Reading(w2, 0, m2, 0)))
                .matches(x -> x.isEmpty() || w1 == 18 && w2 == 18.9);
    }

    @Test
    void anExponentOfTwoMainsFivePerCentApart() {
        assertThat(MainsExponent.apart(200, 210)).isTrue();
        assertThat(MainsExponent.apart(200, 190)).isTrue();
        assertThat(MainsExponent.apart(200, 209.9)).isFalse();
        var band = MainsExponent.of(new Reading(10, 0.01, 200, 0.005), new Reading(16, 0.01, 250, 0.005))
                .orElseThrow();
        double x = Math.log(1.6) / Math.log(1.25);
        assertThat(band.mid()).isCloseTo(x, within(1e-12));
        assertThat(band.high() - band.mid()).isCloseTo((0.02 + x * 0.01) / Math.log(1.25), within(1e-12));
        assertThat(band.mid() - band.low()).isCloseTo(band.high() - band.mid(), within(1e-12));
    }

    private static SupplySag between(double amperes1, double volts1, double amperes2, double volts2, double mains2) {
        return SupplySag.between(
                new Load(amperes1, volts1, 0.00001, 0.05, Optional.of(200.0), 0),
                new Load(amperes2, volts2, 0.00001, 0.05, Optional.of(mains2), 0));
    }

    @ParameterizedTest
    @CsvSource({"200, Known", "202, Known", "202.1, Refused", "198, Known", "197.9, Refused"})
    void mainsOnePerCentApartStillTell(double mains, String expected) {
        assertThat(between(0.05, 400, 0.06, 390 * mains / 200, mains).getClass().getSimpleName())
                .isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource({"0.0400, 0.0410, Refused", "0.0400, 0.0420, Known", "0.0420, 0.0400, Known"})
    void theCurrentHasToMove(double first, double second, String expected) {
        assertThat(between(first, 420 - 500 * first, second, 420 - 500 * second, 200)
                        .getClass()
                        .getSimpleName())
                .isEqualTo(expected);
    }

    @Test
    void aSupplyThatRisesWithTheCurrentIsNone() {
        assertThat(between(0.05, 400, 0.06, 410, 200)).isInstanceOf(SupplySag.Refused.class);
        SupplySag.Known level = (SupplySag.Known) between(0.05, 400, 0.06, 400, 200);
        assertThat(level.ohms()).isZero();
        assertThat(level.unloaded()).isEqualTo(400);
    }

    @Test
    void theLineThroughItsEdges() {
        assertThatThrownBy(() -> new SagLine(0, 10)).hasMessageContaining("0.0 V");
        assertThatThrownBy(() -> new SagLine(10, -1)).hasMessageContaining("-1.0 Ω");
        assertThatThrownBy(() -> new SagLine(Double.POSITIVE_INFINITY, 0)).isInstanceOf(IllegalArgumentException.class);
        SagLine line = new SagLine(400, 1000);
        assertThat(line.mostWatts()).isEqualTo(40);
        assertThat(line.currentFor(40).orElseThrow()).isEqualTo(0.2);
        assertThat(line.currentFor(40.001)).isEmpty();
        assertThat(new SagLine(400, 0).mostWatts()).isInfinite();
    }
}
