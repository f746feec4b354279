package yellowrail.core.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.hipparchus.complex.Complex;
import org.junit.jupiter.api.Test;

class SpeakerTest {
    /** 40 Ω beside 15.9155 mH and 248.68 µF, behind 6.4 Ω and 0.6 mH beside 30 Ω. */
    private static final double PEAK_QUALITY = 40 / Math.sqrt(0.0159155 / 0.00024868);

    static final Speaker.Modelled SPEAKER = new Speaker.Modelled(6.4, 0.0006, 30, 80, 46.4, PEAK_QUALITY);

    @Test
    void aModelIsItsNetwork() {
        for (double hertz = 20; hertz < 20_000; hertz *= 1.3) {
            double omega = 2 * Math.PI * hertz;
            Complex tank = new Complex(1 / 40.0)
                    .add(new Complex(0, omega * 0.00024868))
                    .add(new Complex(0, omega * 0.0159155).reciprocal())
                    .reciprocal();
            Complex coil =
                    new Complex(0, omega * 0.0006).reciprocal().add(1 / 30.0).reciprocal();
            Complex wanted = tank.add(coil).add(6.4);
            assertThat(SPEAKER.at(hertz).subtract(wanted).norm()).isLessThan(1e-3 * wanted.norm());
        }
        assertThat(SPEAKER.nominalOhms()).isCloseTo(8, within(0.6));
    }

    @Test
    void aCoilIsUsuallyFourFifthsOfTheMarking() {
        assertThat(new Speaker.VoiceCoil(6.4).nominalOhms()).isCloseTo(8, within(1e-9));
        assertThat(new Speaker.VoiceCoil(6.4).words()).contains("estimated");
    }

    @Test
    void impossibleSpeakersAreRefused() {
        assertThatThrownBy(() -> new Speaker.Nominal(0)).hasMessageContaining("0.5");
        assertThatThrownBy(() -> new Speaker.Modelled(6.4, 0.0006, 30, 80, 6.0, 5))
                .hasMessageContaining("peak");
    }
}
