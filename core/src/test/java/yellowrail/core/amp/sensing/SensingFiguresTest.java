package yellowrail.core.amp.sensing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.reading.Accuracy;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Connection;

/** Figures, ranges and formulas of each way of taking current, reckoned by hand. */
class SensingFiguresTest {
    private static final Meter EXACT = new Meter("exact", new Accuracy(0, 0), new Accuracy(0, 0), new Accuracy(0, 0));

    private static Typed volts(double value) {
        return new Typed(value + " V", value, Unit.VOLT, 0.001);
    }

    private static Typed ohms(double value) {
        return new Typed(value + " Ω", value, Unit.OHM, 0.1);
    }

    private static Typed amperes(double value) {
        return new Typed(value + " A", value, Unit.AMPERE, 1e-4);
    }

    private static SensedCurrent.Current see(SensingMethod method, Typed reading) {
        return (SensedCurrent.Current) method.see(reading, EXACT);
    }

    private static HalfPrimary half(Connection connection, int tubes) {
        return new HalfPrimary(ohms(90), Optional.of(20.0), tubes, connection, 0.4);
    }

    @Test
    void aWarmHalfPrimaryOfTwoTubes() {
        double warm = 90 * (1 + 0.0039 * 20);
        HalfPrimary two = half(Connection.PENTODE, 2);
        assertThat(see(two, volts(warm * 0.08)).perTube().value()).isCloseTo(0.04, within(1e-12));
        assertThat(see(two, volts(7)).symbols()).endsWith("/ N");
        assertThat(see(two, volts(7)).numbers()).endsWith("/ 2");
        assertThat(see(half(Connection.PENTODE, 1), volts(7)).symbols()).doesNotContain("/ N");
        TubeCurrents each = new TubeCurrents(0.04, 0.005);
        assertThat(two.readingAt(each).orElseThrow()).isCloseTo(0.04 * warm * 2, within(1e-12));
        assertThat(half(Connection.ULTRALINEAR, 2).readingAt(each).orElseThrow())
                .isCloseTo(0.042 * warm * 2, within(1e-12));
        assertThat(half(Connection.TRIODE, 2).readingAt(each).orElseThrow()).isCloseTo(0.045 * warm * 2, within(1e-12));
        assertThat(two.field().low()).isCloseTo(1e-3 * warm, within(1e-12));
        assertThat(two.field().high()).isCloseTo(0.4 * warm * 2, within(1e-9));
    }

    @Test
    void otherLoadsOfATestPointWeighOnlyWithWhatRemains() {
        CombinedPoint point = new CombinedPoint(SenseResistor.marked(2, 0), 4, 0.02);
        SensedCurrent.Current seen = see(point, volts(0.24));
        assertThat(seen.perTube().value()).isCloseTo(0.025, within(1e-12));
        assertThat(seen.perTube().errors().terms().stream()
                        .filter(t -> t.source().equals("other loads"))
                        .findFirst()
                        .orElseThrow()
                        .relative())
                .isCloseTo(0.1 * 0.02 / 0.1, within(1e-12));
        // Nothing but the other loads: no current, and no division by it.
        assertThat(see(point, volts(0.04)).perTube().value()).isZero();
        assertThat(see(point, volts(0.04)).perTube().errors().worst()).isZero();
        assertThat(point.readingAt(new TubeCurrents(0.023, 0.002)).orElseThrow())
                .isCloseTo(0.24, within(1e-12));
    }

    @Test
    void aReadingAtTheZeroOfAnAdaptorIsNoCurrentAndNotBelowIt() {
        assertThat(see(new SocketAdaptor(1, 1, 0.001), volts(0.001)).perTube().value())
                .isZero();
    }

    @Test
    void aSharedResistorDividesByItsTubesAndSaysSo() {
        SharedResistor two = new SharedResistor(SenseResistor.marked(10, 1), 2);
        assertThat(see(two, volts(0.8)).perTube().value()).isCloseTo(0.04, within(1e-12));
        assertThat(see(two, volts(0.8)).symbols()).isEqualTo("Ik = Vs / Rs / N");
        assertThat(see(two, volts(0.8)).numbers()).endsWith(" / 2");
        assertThat(see(two, amperes(0.08)).perTube().value()).isCloseTo(0.04, within(1e-12));
        assertThat(see(two, amperes(0.08)).symbols()).isEqualTo("Ik = I / N");
        OwnResistor own = new OwnResistor(SenseResistor.marked(10, 1));
        assertThat(see(own, volts(0.4)).symbols()).isEqualTo("Ik = Vs / Rs");
        assertThat(see(own, volts(0.4)).numbers()).endsWith("Ω");
    }

    @Test
    void aDropIsTypedInMillivoltsUpToAHundredOhms() {
        assertThat(new SharedResistor(SenseResistor.marked(49, 1), 2).field().shown())
                .isEqualTo(Prefix.MILLI);
        assertThat(new SharedResistor(SenseResistor.marked(50, 1), 2).field().shown())
                .isEqualTo(Prefix.NONE);
        assertThat(new SharedResistor(SenseResistor.marked(10, 1), 4).field().low())
                .isCloseTo(0.01, within(1e-12));
        assertThat(new SharedResistor(SenseResistor.marked(10, 1), 4).field().high())
                .isCloseTo(16, within(1e-9));
        assertThat(new SupplyResistor(SenseResistor.marked(100, 5)).field().low())
                .isCloseTo(0.1, within(1e-12));
    }

    @Test
    void aSupplyResistorCarriesEverything() {
        assertThat(new SupplyResistor(SenseResistor.marked(100, 5)).totalAmperes(volts(16)))
                .isCloseTo(0.16, within(1e-12));
    }

    @Test
    void aBridgedMeterNamesItsFormula() {
        PlateMilliamps bridged = new PlateMilliamps(Optional.of(new PlateMilliamps.Bridge(8, 92)), true);
        assertThat(see(bridged, amperes(0.03)).symbols()).contains("R winding");
        assertThat(see(new CathodeMilliamps(), amperes(0.03)).symbols()).isEqualTo("I as read");
    }

    @Test
    void nodesInSeriesShareVoltsAndCapacitance() {
        SupplyNode pair = new SupplyNode("reservoir", Optional.of(200e-6), Optional.of(350.0), 2, false);
        assertThat(pair.nodeFarads().orElseThrow()).isCloseTo(100e-6, within(1e-12));
        assertThat(pair.nodeRatedVolts()).contains(700.0);
    }

    @Test
    void aMeasuredResistanceReplacesTheOneDescribed() {
        SenseResistor marked = SenseResistor.marked(10, 5);
        Typed measured = ohms(9.8);
        for (SensingMethod method : List.of(
                new OwnResistor(marked),
                new SharedResistor(marked, 2),
                new CombinedPoint(marked, 2, 0.01),
                new CathodeResistor(marked, 2))) {
            assertThat(method.takesOhms()).isTrue();
            SensingMethod now = method.remeasured(measured).orElseThrow();
            assertThat(now).isInstanceOf(method.getClass()).isNotEqualTo(method);
            assertThat(now.element().orElseThrow().ohms()).isEqualTo(9.8);
            assertThat(now.tubes()).isEqualTo(method.tubes());
        }
        HalfPrimary half = half(Connection.ULTRALINEAR, 2);
        assertThat(half.takesOhms()).isTrue();
        assertThat(((HalfPrimary) half.remeasured(ohms(88)).orElseThrow())
                        .coldOhms()
                        .value())
                .isEqualTo(88);
        SensingMethod grid = new GridVoltsOnly();
        assertThat(grid.takesOhms()).isFalse();
        assertThat(grid.remeasured(measured)).isEmpty();
    }

    @Test
    void leadsExplainSixTenthsOfAnOhmAndADriftedPartAFifth() {
        assertThat(measured(1, 1.55).looksLikeLeads()).isTrue();
        assertThat(measured(1, 1.7).looksLikeLeads()).isFalse();
        assertThat(measured(8, 8.3).looksLikeLeads()).isFalse();
        assertThat(new SenseResistor(10, 1, Optional.of(ohms(10.1)), false).contradicted(EXACT))
                .isFalse();
        assertThat(new SenseResistor(10, 1, Optional.of(ohms(10.3)), false).contradicted(EXACT))
                .isTrue();
        assertThat(new SenseResistor(10, 1, Optional.of(ohms(12)), true).contradicted(EXACT))
                .isFalse();
        assertThat(new SenseResistor(10, 1, Optional.of(ohms(12.1)), true).contradicted(EXACT))
                .isTrue();
    }

    private static SenseResistor measured(double marked, double ohms) {
        return new SenseResistor(marked, 1, Optional.of(ohms(ohms)), false);
    }

    @Test
    void theMainsCarriesAsFarAsAnEstimateReachesAndNoFurther() {
        assertThat(BiasScheme.CATHODE.dissipationFactor(BiasScheme.LEAST_RATIO)).isFinite();
        assertThat(BiasScheme.CATHODE.dissipationFactor(BiasScheme.MOST_RATIO)).isFinite();
    }
}
