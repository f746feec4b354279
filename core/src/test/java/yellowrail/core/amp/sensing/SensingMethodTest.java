package yellowrail.core.amp.sensing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.reading.Band;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

class SensingMethodTest {
    private static Typed typed(double value, Unit unit) {
        return Typed.of(value, unit);
    }

    private static SensedCurrent.Current current(SensingMethod method, double value) {
        SensedCurrent seen = method.see(typed(value, method.field().unit()), Meter.FINE);
        assertThat(seen).isInstanceOf(SensedCurrent.Current.class);
        return (SensedCurrent.Current) seen;
    }

    @Test
    void theAdaptorsZeroIsTakenOff() {
        SocketAdaptor adaptor = new SocketAdaptor(1, 1, 0.0012);
        assertThat(current(adaptor, 0.0362).perTube().value()).isCloseTo(0.035, within(1e-12));
        assertThat(adaptor.readingAt(new TubeCurrents(0.033, 0.002)).orElseThrow())
                .isCloseTo(0.0362, within(1e-12));
        assertThat(adaptor.see(typed(0.0005, Unit.VOLT), Meter.FINE)).isInstanceOf(SensedCurrent.Nothing.class);
    }

    @Test
    void otherLoadsAreTakenOffACombinedPoint() {
        CombinedPoint point = new CombinedPoint(SenseResistor.marked(1, 1), 4, 0.008);
        assertThat(current(point, 0.128).perTube().value()).isCloseTo(0.030, within(1e-12));
        assertThat(current(point, 0.128).mean()).isTrue();
        assertThat(point.see(typed(0.004, Unit.VOLT), Meter.FINE)).isInstanceOf(SensedCurrent.Nothing.class);
    }

    /** A milliammeter of 8 Ω across a half primary of 92 Ω reads 8 % low. */
    @Test
    void aMeterThatBridgesAWindingReadsLow() {
        PlateMilliamps bridged = new PlateMilliamps(Optional.of(new PlateMilliamps.Bridge(8, 92)), true);
        assertThat(current(bridged, 0.0276).perTube().value()).isCloseTo(0.030, within(1e-9));
        assertThat(current(bridged, 0.0276).kind()).isEqualTo(SensedCurrent.Kind.PLATE);
        PlateMilliamps unaware = new PlateMilliamps(Optional.empty(), false);
        assertThat(unaware.see(typed(0.03, Unit.AMPERE), Meter.FINE)).isInstanceOf(SensedCurrent.Nothing.class);
    }

    @Test
    void whatAMethodCannotTellIsNotTold() {
        for (SensingMethod method : List.of(
                new GridVoltsOnly(),
                new PanelMeter(1, Optional.empty()),
                new SupplyResistor(SenseResistor.marked(100, 5)))) {
            assertThat(method.see(typed(5, method.field().unit()), Meter.FINE))
                    .isInstanceOf(SensedCurrent.Nothing.class);
            assertThat(method.readingAt(new TubeCurrents(0.03, 0.002))).isEmpty();
        }
        PanelMeter calibrated = new PanelMeter(1, Optional.of(new PanelMeter.Calibration(4, 0.032, 0.03)));
        assertThat(current(calibrated, 5).perTube().value()).isCloseTo(0.040, within(1e-12));
    }

    @Test
    void refusesImpossibleElements() {
        assertThatThrownBy(() -> SenseResistor.marked(0, 1)).hasMessageContaining("0.0 Ω");
        assertThatThrownBy(() -> SenseResistor.marked(-10, 1)).hasMessageContaining("-10");
        assertThatThrownBy(() -> SenseResistor.marked(Double.NaN, 1)).hasMessageContaining("NaN");
        assertThatThrownBy(() -> new SharedResistor(SenseResistor.marked(1, 1), 9))
                .hasMessageContaining("9 tubes");
        assertThatThrownBy(() -> Mains.around(230, Optional.of(400.0))).hasMessageContaining("400");
        assertThatThrownBy(
                        () -> new SenseGroup("pair", List.of("V1"), new SharedResistor(SenseResistor.marked(1, 1), 2)))
                .hasMessageContaining("2 tubes and stands at 1");
    }

    @Test
    void dissipationFollowsTheMainsByTheSchemesExponent() {
        assertThat(BiasScheme.FIXED_TRACKING.dissipationFactor(1.1)).isCloseTo(1.269, within(0.001));
        assertThat(BiasScheme.FIXED_CONSTANT.dissipationFactor(1.1)).isCloseTo(Math.pow(1.1, 5.8), within(1e-9));
        assertThat(BiasScheme.CATHODE.dissipationFactor(1.1)).isCloseTo(1.222, within(0.001));
        assertThat(BiasScheme.FIXED_UNKNOWN.dissipationFactor(1.1))
                .isEqualTo(BiasScheme.FIXED_CONSTANT.dissipationFactor(1.1));
        assertThat(BiasScheme.CATHODE.dissipationFactor(1.151)).isNaN();
        assertThat(BiasScheme.CATHODE.dissipationFactor(0.879)).isNaN();
        assertThat(BiasScheme.CATHODE.dissipationFactor(0.881)).isFinite();
    }

    /** The rows of the table, halfway between two of them, beyond its ends. */
    @ParameterizedTest
    @CsvSource({
        "0.2, 6.6, 9.7",
        "0.3, 6.0, 8.9",
        "0.4, 5.4, 8.1",
        "0.45, 5.2, 7.8",
        "0.5, 5.0, 7.5",
        "0.6, 4.6, 7.0",
        "0.7, 4.35, 6.7",
        "0.8, 4.1, 6.4",
        "1.2, 4.1, 6.4"
    })
    void withBiasHeldConstantTheExponentDependsOnTheIdle(double idle, double low, double high) {
        Band x = BiasScheme.FIXED_CONSTANT.wattsExponent(idle);
        assertThat(x.low()).isCloseTo(low, within(1e-9));
        assertThat(x.high()).isCloseTo(high, within(1e-9));
        assertThat(x.mid()).isCloseTo((low + high) / 2, within(1e-9));
        assertThat(BiasScheme.FIXED_CONSTANT.amperesExponent(idle))
                .isEqualTo(new Band(x.low() - 1, x.mid() - 1, x.high() - 0.8));
    }

    @Test
    void theOtherSchemesHaveOneExponent() {
        assertThat(BiasScheme.FIXED_TRACKING.wattsExponent(0.3)).isEqualTo(new Band(2.3, 2.5, 2.6));
        assertThat(BiasScheme.CATHODE.wattsExponent(0.9)).isEqualTo(new Band(2.1, 2.1, 2.2));
        assertThat(BiasScheme.CATHODE.amperesExponent(0.9)).isEqualTo(new Band(1.1, 1.15, 1.2));
        assertThat(BiasScheme.FIXED_UNKNOWN.outcomes())
                .containsExactly(BiasScheme.FIXED_TRACKING, BiasScheme.FIXED_CONSTANT);
        assertThat(BiasScheme.MIXED.outcomes()).containsExactly(BiasScheme.CATHODE, BiasScheme.FIXED_CONSTANT);
        assertThat(BiasScheme.CATHODE.outcomes()).containsExactly(BiasScheme.CATHODE);
    }

    /** A meter shows more digits of a small resistor than its marking has: who types no more read the marking. */
    @ParameterizedTest(name = "{0} marked, {1} typed by {2}: measured {3}")
    @CsvSource({
        "10, 10, 1, false", "10, 10, 0.1, true", "10, 10, 0.01, true", "10, 9.9, 0.1, true", "10, 11, 1, true",
        "1, 1, 1, false", "1, 1, 0.1, true", "0.47, 0.47, 0.01, false", "0.47, 0.47, 0.001, true", "100, 100, 1, false",
        "100, 100, 0.1, true", "220, 220, 1, true", "270, 270, 1, true", "47, 47, 1, false", "47.5, 47.5, 0.1, true",
    })
    void theMarkingsOwnDigitsAreNoMeasurement(double marked, double typed, double lastDigit, boolean measured) {
        SenseResistor resistor = new SenseResistor(
                marked, 5, Optional.of(new Typed("typed", typed, Unit.OHM, lastDigit)), typed != marked);
        assertThat(resistor.repeatsMarking()).isEqualTo(!measured);
        assertThat(resistor.ohms()).isEqualTo(typed);
        assertThat(resistor.words().contains("until all digits of the meter are typed"))
                .isEqualTo(!measured);
        if (!measured) {
            assertThat(resistor.relativeLimit(Meter.FINE)).isEqualTo(0.05);
            assertThat(resistor.contradicted(Meter.FINE)).isFalse();
        }
    }
}
