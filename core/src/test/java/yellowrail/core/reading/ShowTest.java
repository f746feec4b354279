package yellowrail.core.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ShowTest {
    @ParameterizedTest
    @CsvSource({
        "0.0364, VOLT, 3, 36.4 mV",
        "431, VOLT, 4, 431.0 V",
        "1234, VOLT, 4, 1234 V",
        "12340, VOLT, 4, 12.34 kV",
        "0.99996, AMPERE, 4, 1.000 A",
        "0.03291, AMPERE, 4, 32.91 mA",
        "0.000002, AMPERE, 2, 2.0 µA",
        "4700, OHM, 2, 4700 Ω",
        "47000, OHM, 3, 47.0 kΩ",
        "1500000, OHM, 2, 1.5 MΩ",
        "0.00022, FARAD, 3, 220 µF",
        "0.00000000047, FARAD, 2, 470 pF",
        "12.5, PERCENT, 3, 12.5 %",
        "-44.1, VOLT, 3, −44.1 V"
    })
    void writesWithAFittingPrefix(double value, Unit unit, int digits, String text) {
        assertThat(Show.si(value, unit, digits)).isEqualTo(text);
    }

    @ParameterizedTest
    @CsvSource({
        "9.996, 3, 10.0",
        "0.09996, 3, 0.100",
        "99.96, 3, 100",
        "999.6, 3, 1000",
        "12345, 3, 12300",
        "0.00012345, 2, 0.00012",
        "-0.5, 2, −0.50",
        "0, 3, 0",
        "1, 1, 1"
    })
    void roundsToSignificantDigits(double value, int digits, String text) {
        assertThat(Show.significant(value, digits)).isEqualTo(text);
    }

    @Test
    void dropsTrailingZerosOnlyBehindThePoint() {
        assertThat(Show.plain(30.0, 3)).isEqualTo("30");
        assertThat(Show.plain(2.5, 3)).isEqualTo("2.5");
        assertThat(Show.plain(800, 3)).isEqualTo("800");
        assertThat(Show.siPlain(0.150, Unit.AMPERE, 3)).isEqualTo("150 mA");
        assertThat(Show.siPlain(500e3, Unit.OHM, 3)).isEqualTo("500 kΩ");
    }

    @Test
    void writesWhatIsNoNumberAsUnknown() {
        assertThat(Show.significant(Double.NaN, 3)).isEqualTo("unknown");
        assertThat(Show.fixed(Double.POSITIVE_INFINITY, 1)).isEqualTo("unknown");
        assertThat(Show.si(Double.NaN, Unit.VOLT)).isEqualTo("not a number");
    }

    @Test
    void writesHugeAndTinyValuesWithoutAnExponent() {
        assertThat(Show.fixed(1e20, 1)).isEqualTo("100000000000000000000.0");
        assertThat(Show.significant(1e-25, 2)).startsWith("0.0000000000000000000000001");
    }

    /** The quick writer agrees with exact decimal arithmetic except where the value is a tie of the last place. */
    @Test
    void agreesWithExactArithmetic() {
        Random random = new Random(1);
        for (int i = 0; i < 20_000; i++) {
            double value = (random.nextDouble() - 0.5) * Math.pow(10, random.nextInt(14) - 6);
            int digits = 1 + random.nextInt(6);
            BigDecimal exact = new BigDecimal(value).round(new MathContext(digits, RoundingMode.HALF_UP));
            double shown = Double.parseDouble(Show.significant(value, digits).replace('−', '-'));
            assertThat(shown).isCloseTo(exact.doubleValue(), within(Math.abs(exact.doubleValue()) * 1e-12 + 1e-300));
            int decimals = random.nextInt(5);
            double fixed = Double.parseDouble(Show.fixed(value, decimals).replace('−', '-'));
            assertThat(Math.abs(fixed - value)).isLessThanOrEqualTo(0.5000001 * Math.pow(10, -decimals));
        }
    }

    @ParameterizedTest
    @CsvSource({"0.38, 1", "1.4, 1", "0.14, 2", "4.2, 0", "42, 0", "0.0096, 3", "0, 2", "0.0196, 2"})
    void givesAValueTheDecimalsItsUncertaintyDeserves(double uncertainty, int decimals) {
        assertThat(Show.decimalsFor(uncertainty)).isEqualTo(decimals);
    }
}
