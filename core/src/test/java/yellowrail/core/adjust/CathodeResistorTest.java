package yellowrail.core.adjust;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.reading.Band;

/** The cathode resistor to fit, preferred values, the balance swing and the amp's own mains exponent. */
class CathodeResistorTest extends AdjustBench {
    @Test
    void theCathodeResistorOfTheStory() {
        CathodeFit fit = CathodeFit.of(
                new CathodeFit.Wish(2, 15.4, 0.03407, 0.0290, 272.6, Optional.empty()),
                Optional.of(0.007),
                Optional.of(0.005),
                Optional.of(0.009),
                times -> true);
        assertThat(fit.ohms().orElseThrow()).isCloseTo(278, within(0.5));
        assertThat(fit.low()).isCloseTo(275, within(0.5));
        assertThat(fit.high()).isCloseTo(283, within(0.5));
        assertThat(fit.constantVolts()).isCloseTo(266, within(0.6));
        assertThat(fit.e12()).contains(270.0);
        assertThat(fit.e96()).contains(280.0);
        assertThat(fit.chosen()).contains(270.0);
        assertThat(fit.idleWatts()).isCloseTo(0.95, within(0.01));
        assertThat(fit.ratingWatts()).isEqualTo(3);
        assertThat(fit.cathodeVolts()).isNotCloseTo(15.4, within(0.3));
        CathodeFit unknown = CathodeFit.of(
                new CathodeFit.Wish(2, 15.4, 0.03407, 0.0290, 272.6, Optional.of(24.0)),
                Optional.empty(),
                times -> true);
        assertThat(unknown.ohms()).isEmpty();
        assertThat(unknown.chosen()).as("nothing tells where it would lead").isEmpty();
        assertThat(unknown.formulas().get(0).result()).contains("not known");
        // Full drive asks for more than three times idle here: 2·24²/265.5 = 4.3 W.
        assertThat(unknown.ratingWatts()).isEqualTo(5);
        assertThat(unknown.bypassVolts()).isEqualTo(36);
    }

    @ParameterizedTest
    @CsvSource({"278,270,270,280", "99,100,100,100", "1.04,1,1,1.05", "9600,10000,10000,9530", "0.5,0.47,0.51,0.499"})
    void preferredValues(double ohms, double e12, double e24, double e96) {
        assertThat(Preferred.nearestE12(ohms)).isEqualTo(e12);
        assertThat(Preferred.nearestE24(ohms)).isEqualTo(e24);
        assertThat(Preferred.nearestE96(ohms)).isEqualTo(e96);
    }

    @Test
    void theDrawerGivesSinglesSeriesAndParallelPairs() {
        List<Preferred.Made> made = Preferred.fromDrawer(278, List.of(560.0, 270.0, 10.0));
        assertThat(made.get(0).words()).isEqualTo("560 Ω ∥ 560 Ω");
        assertThat(made.get(0).ohms()).isEqualTo(280);
        assertThat(made.get(1).words()).isEqualTo("270 Ω + 10 Ω in series");
        assertThat(made).hasSize(3);
        assertThat(Preferred.fromDrawer(278, List.of())).isEmpty();
    }

    @Test
    void theSwingMirrorsWithMatchedTubesOnly() {
        SwingTest alike = SwingTest.of(new SwingTest.Sides(0.036, 0.028), new SwingTest.Sides(0.0282, 0.0355));
        assertThat(alike.symmetric()).isTrue();
        SwingTest unlike = SwingTest.of(new SwingTest.Sides(0.040, 0.028), new SwingTest.Sides(0.032, 0.034));
        assertThat(unlike.symmetric()).isFalse();
        assertThat(unlike.sentence()).contains("16.2 %").contains("A draws more than B");
        assertThatThrownBy(() -> new SwingTest.Sides(0, 1)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void theMainsExponentComesFromTwoMains() {
        MainsExponent.Reading low = new MainsExponent.Reading(12.25, 0.002, 230, 0.001);
        Band x = MainsExponent.of(low, at(12.25 * Math.pow(1.06, 2.7), 230 * 1.06))
                .orElseThrow();
        assertThat(x.mid()).isCloseTo(2.7, within(1e-9));
        assertThat(x.high() - x.mid()).isCloseTo((0.004 + 2.7 * 0.002) / Math.log(1.06), within(1e-9));
        assertThat(x.mid() - x.low()).isCloseTo(x.high() - x.mid(), within(1e-9));
        // 4.9 % apart is too near; a stage whose heat falls with the mains there is none.
        assertThat(MainsExponent.of(low, at(13.8, 230 * 1.049))).isEmpty();
        assertThat(MainsExponent.of(low, at(13.8, 230 * 1.051))).isPresent();
        assertThat(MainsExponent.of(low, at(11, 245))).isEmpty();
        assertThat(MainsExponent.of(low, at(12.25 * Math.pow(1.06, 9.1), 230 * 1.06)))
                .isEmpty();
        assertThat(MainsExponent.of(low, at(0, 245))).isEmpty();
    }
}
