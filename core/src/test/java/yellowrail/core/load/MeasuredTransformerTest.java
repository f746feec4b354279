package yellowrail.core.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yellowrail.core.load.LoadBench.read;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yellowrail.core.reading.Accuracy;
import yellowrail.core.reading.Meter;

class MeasuredTransformerTest {
    private static MeasuredTransformer of(AcReading... readings) {
        return MeasuredTransformer.of(List.of(readings));
    }

    private static List<Remark.Code> codes(MeasuredTransformer measured) {
        return measured.remarks().stream().map(Remark::code).toList();
    }

    @Test
    void tellsRatioAndOhmsFromTheLowSide() {
        TapRatio tap = of(read("tap-8", "0.1828", "primary", "4.766")).taps().get(0);
        assertThat(tap.turns().value()).isCloseTo(26.07, within(0.01));
        assertThat(tap.impedance().value()).isCloseTo(680, within(1.0));
        assertThat(tap.primaryOhms().value()).isCloseTo(5438, within(5.0));
        // A per cent of volts is two of ohms.
        assertThat(tap.primaryOhms().errors().likely())
                .isCloseTo(2 * tap.turns().errors().likely(), within(1e-9));
        assertThat(tap.bothSides()).isFalse();
    }

    @Test
    void halfOfThePrimaryCountsHalf() {
        MeasuredTransformer half = of(read("half-a", "12.00", "tap-8", "0.921"));
        assertThat(half.taps().get(0).turns().value()).isCloseTo(26.06, within(0.01));
    }

    @Test
    void bothSidesAgreeAndTheirMeanIsTaken() {
        MeasuredTransformer both =
                of(read("tap-8", "0.1828", "primary", "4.740"), read("primary", "30.00", "tap-8", "1.147"));
        assertThat(both.agrees()).isTrue();
        assertThat(both.taps().get(0).bothSides()).isTrue();
        assertThat(both.taps().get(0).turns().value()).isCloseTo((25.93 + 26.155) / 2, within(0.01));
        assertThat(codes(both)).doesNotContain(Remark.Code.ONE_SIDE_ONLY);
    }

    @Test
    void sidesThatDisagreeTellNothing() {
        MeasuredTransformer apart =
                of(read("tap-8", "0.1828", "primary", "4.766"), read("primary", "30.00", "tap-8", "1.250"));
        assertThat(apart.agrees()).isFalse();
        assertThat(apart.taps()).isEmpty();
        assertThat(codes(apart)).contains(Remark.Code.SIDES_DISAGREE);
        assertThat(apart.remarks().get(0).sentence())
                .contains("26.07")
                .contains("24.00")
                .contains("Read both again");
    }

    /** With a coarse meter the same difference is explained, with a fine one it is not. */
    @Test
    void whatTheMeterExplainsIsNoContradiction() {
        Meter coarse = new Meter(
                "coarse", new Accuracy(1, 1), new Accuracy(1, 1), new Accuracy(1, 1), Optional.of(new Accuracy(3, 5)));
        assertThat(of(
                                read("tap-8", "0.1828", "primary", "4.766", coarse),
                                read("primary", "30.00", "tap-8", "1.200", coarse))
                        .agrees())
                .isTrue();
        assertThat(of(
                                read("tap-8", "0.18280", "primary", "4.766", Meter.BENCH),
                                read("primary", "30.00", "tap-8", "1.2000", Meter.BENCH))
                        .agrees())
                .isFalse();
    }

    @Test
    void aThirdReadingThatAgreesWithOneDoesNotHideTheOther() {
        MeasuredTransformer three = of(
                read("tap-8", "0.1828", "primary", "4.766"),
                read("primary", "30.00", "tap-8", "1.250"),
                read("primary", "30.00", "tap-8", "1.150"));
        assertThat(three.agrees()).isFalse();
        assertThat(three.taps()).isEmpty();
    }

    @Test
    void aDriveThatWasNotSafeDoesNotCount() {
        MeasuredTransformer bold = of(read("tap-8", "6.3", "primary", "164.2"));
        assertThat(bold.taps()).isEmpty();
        assertThat(codes(bold)).containsExactly(Remark.Code.UNSAFE_DRIVE);
        // Not even when its other side happens to stand below the limit: the ratio was not known when it was connected.
        assertThat(of(read("tap-8", "1.0", "primary", "26.07")).taps()).isEmpty();
        // Once it is known, the same drive counts.
        MeasuredTransformer known =
                of(read("tap-8", "0.1828", "primary", "4.766"), read("tap-8", "1.0", "primary", "26.07"));
        assertThat(known.taps().get(0).from()).hasSize(2);
        assertThat(codes(known)).doesNotContain(Remark.Code.UNSAFE_DRIVE);
    }

    /** What is marked 16 Ω may be the 4 Ω lead: twice the volts that the marking promises. */
    @Test
    void aTapThatWasNotMeasuredItselfIsNotKnown() {
        MeasuredTransformer known = of(read("tap-8", "0.1828", "primary", "4.766"));
        assertThat(known.drive(Lead.tap(8), 1.1).refusal()).isEmpty();
        assertThat(known.drive(Lead.tap(16), 1.1).refusal()).isPresent();
        assertThat(known.drive(Lead.tap(16), 0.2).refusal()).isEmpty();
        assertThat(codes(of(read("tap-8", "0.1828", "primary", "4.766"), read("tap-16", "1.1", "primary", "20.3"))))
                .contains(Remark.Code.UNSAFE_DRIVE);
    }

    @Test
    void moreThanThirtyVoltsReadAreAStopWhateverWasExpected() {
        MeasuredTransformer high = of(read("tap-8", "0.19", "primary", "61.0"));
        assertThat(high.taps()).isEmpty();
        assertThat(codes(high)).containsExactly(Remark.Code.UNSAFE_DRIVE);
        assertThat(high.remarks().get(0).sentence()).contains("61.0 V AC stood on the whole primary");
    }

    @Test
    void halvesAreHalves() {
        assertThat(codes(of(read("primary", "30.0", "half-a", "15.1")))).doesNotContain(Remark.Code.UNLIKE_HALVES);
        assertThat(codes(of(read("primary", "30.0", "half-a", "13.9")))).contains(Remark.Code.UNLIKE_HALVES);
        assertThat(codes(of(read("half-a", "15.0", "half-b", "15.0")))).doesNotContain(Remark.Code.UNLIKE_HALVES);
        assertThat(codes(of(read("half-a", "15.0", "half-b", "16.5")))).contains(Remark.Code.UNLIKE_HALVES);
        // Read against a tap, an unlike half shows as well.
        MeasuredTransformer unlike =
                of(read("half-a", "12.00", "tap-8", "0.921"), read("half-b", "12.00", "tap-8", "0.870"));
        assertThat(unlike.agrees()).isFalse();
        assertThat(codes(unlike)).contains(Remark.Code.UNLIKE_HALVES);
    }

    @Test
    void aScreenTapIsAShareOfItsHalf() {
        MeasuredTransformer of =
                of(read("half-a", "15.00", "screen-a", "6.45"), read("primary", "30.0", "screen-b", "6.45"));
        assertThat(of.screenTap().orElseThrow().value()).isCloseTo(0.43, within(0.001));
    }

    @Test
    void unlikeScreenTapsAreAContradiction() {
        MeasuredTransformer unlike =
                of(read("half-a", "15.00", "screen-a", "6.45"), read("half-b", "15.00", "screen-b", "3.00"));
        assertThat(codes(unlike)).contains(Remark.Code.UNLIKE_HALVES);
        assertThat(unlike.agrees()).isFalse();
    }

    @Test
    void tapsThatAreNotWhatTheyAreMarkedFor() {
        MeasuredTransformer fits =
                of(read("primary", "30.00", "tap-8", "1.151"), read("primary", "30.00", "tap-16", "1.630"));
        assertThat(codes(fits)).doesNotContain(Remark.Code.TAPS_NOT_AS_MARKED);
        MeasuredTransformer swapped =
                of(read("primary", "30.00", "tap-16", "1.151"), read("primary", "30.00", "tap-8", "1.630"));
        assertThat(codes(swapped)).contains(Remark.Code.TAPS_NOT_AS_MARKED);
        // A tap that was not read follows from its marking.
        assertThat(fits.turnsOf(Lead.tap(4)).orElseThrow().value()).isCloseTo(26.06 * Math.sqrt(2), within(0.05));
    }

    @Test
    void aCoarseReadingIsSaid() {
        assertThat(codes(of(read("primary", "6.31", "tap-8", "0.24")))).contains(Remark.Code.COARSE_READING);
        assertThat(codes(of(read("primary", "30.00", "tap-8", "2.151", Meter.FINE))))
                .doesNotContain(Remark.Code.COARSE_READING);
        Meter unknown = new Meter("mine", new Accuracy(0.1, 1), new Accuracy(1, 1), new Accuracy(1, 1));
        MeasuredTransformer of = of(read("primary", "30.00", "tap-8", "1.151", unknown));
        assertThat(codes(of)).contains(Remark.Code.METER_NOT_KNOWN);
        assertThat(of.taps().get(0).turns().errors().worst())
                .isGreaterThan(of(read("primary", "30.00", "tap-8", "1.151"))
                        .taps()
                        .get(0)
                        .turns()
                        .errors()
                        .worst());
    }

    @Test
    void isHeldAgainstTheMarking() {
        MeasuredTransformer measured = of(read("tap-8", "0.1828", "primary", "4.766"));
        assertThat(new Transformer(Optional.of(5200.0), List.of(4.0, 8.0), measured).againstMarking())
                .isEmpty();
        assertThat(new Transformer(Optional.of(21_700.0), List.of(8.0), measured)
                        .againstMarking()
                        .orElseThrow()
                        .sentence())
                .contains("about a quarter");
        assertThat(new Transformer(Optional.of(1360.0), List.of(8.0), measured)
                        .againstMarking()
                        .orElseThrow()
                        .sentence())
                .contains("about four times");
        Transformer fitted = new Transformer(Optional.of(3400.0), List.of(4.0, 8.0), measured);
        assertThat(fitted.againstMarking()).isPresent();
        assertThat(fitted.source(8)).isEqualTo(Transformer.Source.MEASURED);
        assertThat(fitted.source(4)).isEqualTo(Transformer.Source.BY_ANOTHER_TAP);
        assertThat(fitted.reflected(8, 8).orElseThrow().value()).isCloseTo(5438, within(5.0));
    }
}
