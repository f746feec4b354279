package yellowrail.core.idle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.amp.sensing.SensedCurrent;
import yellowrail.core.reading.ErrorBudget;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeType;

/** Where a question begins and ends, at the very edges, and what it offers. */
class SlipsTest {
    private static final TubeType TYPE = Catalogue.shippedType("6L6GC").orElseThrow();
    private static final Ratings RATINGS = TYPE.strictest().orElseThrow();

    /** Plate volts of so many make the usual current 1 A, so that the current is its own ratio. */
    private static final double UNIT_VOLTS = 0.65 * 30;

    private static Typed volts(double value) {
        return Typed.of(value, Unit.VOLT);
    }

    private static SensedCurrent.Current seen(double amperes, int tubes) {
        return new SensedCurrent.Current(
                SensedCurrent.Kind.CATHODE, new Estimate(amperes, ErrorBudget.exact()), tubes, 0, "", "", List.of());
    }

    private static void is(Optional<Slip> slip, String asked, String choices) {
        switch (asked) {
            case "no" -> assertThat(slip).isEmpty();
            case "asks" -> assertThat(slip.orElseThrow()).matches(s -> s.asks() && !s.dangerous());
            case "danger" -> {
                assertThat(slip.orElseThrow()).matches(s -> s.asks() && s.dangerous());
                assertThat(slip.get().question()).startsWith(Slip.IF_REAL);
            }
            default -> throw new IllegalStateException(asked);
        }
        if (slip.isPresent()) {
            String[] expected = choices == null ? new String[0] : choices.split(" ");
            assertThat(slip.get().choices()).as(slip.get().question()).hasSize(expected.length);
            for (int i = 0; i < expected.length; i++) {
                double value = Double.parseDouble(expected[i]);
                assertThat(slip.get().choices().get(i).value()).isCloseTo(value, within(1e-9 + 1e-9 * Math.abs(value)));
            }
        }
    }

    @ParameterizedTest
    @CsvSource({
        "2.2,    1, true,  no,",
        "2.21,   1, true,  danger,",
        "2.5,    1, true,  danger,",
        "2.51,   1, true,  danger, 0.251",
        "10,     1, true,  danger, 1",
        "16.9,   1, true,  danger, 1.69",
        "17.1,   1, true,  danger,",
        "25.1,   1, true,  danger, 0.251",
        "100,    1, true,  danger, 1",
        "1000,   1, true,  danger, 1",
        "0.1,    1, true,  no,",
        "0.099,  1, true,  asks, 0.99",
        "0.026,  1, true,  asks, 0.26",
        "0.02,   1, true,  no,",
        "0.012,  1, true,  asks, 1.2",
        "0.099,  1, false, no,",
        "0.0099, 2, true,  asks, 0.99",
        "1,      1, true,  no,",
        "0,      1, true,  no,",
        "-1,     1, true,  no,"
    })
    void currents(double ratio, int tubes, boolean belowToo, String asked, String choices) {
        is(
                Slips.current(
                        Typed.of(ratio, Unit.AMPERE),
                        seen(ratio, tubes),
                        Optional.of(TYPE),
                        Optional.of(RATINGS),
                        Optional.of(UNIT_VOLTS),
                        belowToo),
                asked,
                choices);
    }

    @Test
    void aCurrentIsSaidAsItWasUnderstoodAndOfHowManyTubes() {
        assertThat(said(Typed.of(5.0, Unit.AMPERE), 1)).contains("5.000 A is more than twice the usual for 6L6GC");
        assertThat(said(Typed.of(6.2, Unit.AMPERE), 1))
                .contains("ten times the usual")
                .contains("did you mean 620.0 mA?");
        assertThat(said(Typed.of(40.0, Unit.AMPERE), 1)).contains("a hundred times");
        assertThat(said(Typed.of(400.0, Unit.AMPERE), 1)).contains("a thousand times");
        // One point of two or four tubes, and none once the number is known.
        assertThat(said(Typed.of(2.5, Unit.AMPERE), 1)).contains("the current of 2 tubes? Then it is 1.25 A each");
        assertThat(said(Typed.of(3.2, Unit.AMPERE), 1)).contains("the current of 4 tubes? Then it is 800 mA each");
        assertThat(said(Typed.of(6.1, Unit.AMPERE), 1)).doesNotContain("Does this point carry");
        assertThat(said(Typed.of(2.5, Unit.AMPERE), 2))
                .contains("in each of 2 tubes")
                .doesNotContain("Does this point");
        // Read as a drop, the amperes that it means stand beside it, and those of what may have been meant.
        assertThat(said(volts(10.0), 1)).contains("10.00 V means 10.0 A").contains("1.000 V, which is 1.00 A?");
    }

    private static String said(Typed reading, int tubes) {
        return Slips.current(
                        reading,
                        seen(reading.value(), tubes),
                        Optional.of(TYPE),
                        Optional.of(RATINGS),
                        Optional.of(UNIT_VOLTS),
                        true)
                .orElseThrow()
                .question();
    }

    @Test
    void withoutPlateVoltsTheUsualOnesStandIn() {
        // 0.65 · 30 W at three quarters of 500 V: 52 mA.
        Optional<Slip> twice = Slips.current(
                Typed.of(0.12, Unit.AMPERE),
                seen(0.12, 1),
                Optional.of(TYPE),
                Optional.of(RATINGS),
                Optional.empty(),
                true);
        assertThat(twice).isPresent();
        assertThat(Slips.current(
                        Typed.of(0.11, Unit.AMPERE),
                        seen(0.11, 1),
                        Optional.of(TYPE),
                        Optional.of(RATINGS),
                        Optional.of(0.0),
                        true))
                .isEmpty();
        assertThat(Slips.current(
                        Typed.of(9, Unit.AMPERE),
                        seen(9, 1),
                        Optional.of(TYPE),
                        Optional.empty(),
                        Optional.of(400.0),
                        true))
                .isEmpty();
    }

    /** A 6L6GC: 500 V, so from 80 V, less than which no stage has, to 800 V. */
    @ParameterizedTest
    @CsvSource({
        "80,   true,  no,",
        "79.9, true,  asks, 799",
        "79.9, false, no,",
        "8,    true,  asks, 80",
        "7.9,  true,  asks,",
        "43,   true,  asks, 430",
        "800,  true,  no,",
        "801,  true,  asks, 80.1",
        "801,  false, asks, 80.1",
        "8000, true,  asks, 800",
        "8010, true,  asks,",
        "430,  true,  no,"
    })
    void plateVolts(double value, boolean full, String asked, String choices) {
        is(Slips.plateVolts(volts(value), Optional.of(TYPE), full), asked, choices);
    }

    @Test
    void plateVoltsGoByTheLargestRatingOfTheType() {
        double most = TYPE.ratings().stream()
                .flatMap(r -> r.figure(Limit.PLATE_VOLTS).stream())
                .mapToDouble(f -> f.value())
                .max()
                .orElseThrow();
        assertThat(most).isEqualTo(500);
        TubeType kt88 = Catalogue.shippedType("KT88").orElseThrow();
        assertThat(Slips.plateVolts(volts(119), Optional.of(kt88), true)).isPresent();
        assertThat(Slips.plateVolts(volts(121), Optional.of(kt88), true)).isEmpty();
        assertThat(Slips.plateVolts(volts(5000), Optional.empty(), true)).isEmpty();
        assertThat(Slips.plateVolts(volts(79), Optional.empty(), true)).isPresent();
    }

    @ParameterizedTest
    @CsvSource({
        "0.2,   no,",
        "0.199, asks,",
        "0.15,  asks, 1.5",
        "0.16,  asks,",
        "0.02,  asks, 0.2",
        "0.019, asks,",
        "1.5,   no,",
        "1.51,  asks,",
        "2.1,   asks, 0.21",
        "14.9,  asks, 1.49",
        "15.1,  asks,"
    })
    void screenVoltsBesideOneVoltOfPlate(double value, String asked, String choices) {
        is(Slips.screenVolts(volts(value), Optional.of(1.0)), asked, choices);
        assertThat(Slips.screenVolts(volts(value), Optional.empty())).isEmpty();
        assertThat(Slips.screenVolts(volts(value), Optional.of(0.0))).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "0.6,   true,  no,",
        "0.59,  true,  asks,",
        "0.59,  false, no,",
        "0.12,  true,  asks, 1.2",
        "0.13,  true,  asks,",
        "0.06,  true,  asks, 0.6",
        "0.059, true,  asks,",
        "1.2,   true,  no,",
        "1.21,  true,  danger,",
        "1.21,  false, danger,",
        "6.1,   true,  danger, 0.61",
        "11.9,  true,  danger, 1.19",
        "12.1,  true,  danger,"
    })
    void mainsBesideOneVolt(double value, boolean full, String asked, String choices) {
        is(Slips.mains(volts(value), 1, full), asked, choices);
    }

    @ParameterizedTest
    @CsvSource({
        "0.6,   no,",
        "0.59,  asks,",
        "0.139, asks, 1.39",
        "0.15,  asks,",
        "0.06,  asks, 0.6",
        "0.059, asks,",
        "1.4,   no,",
        "1.41,  asks,",
        "6.1,   asks, 0.61",
        "13.9,  asks, 1.39",
        "14.1,  asks,"
    })
    void heaterVoltsBesideOneVolt(double value, String asked, String choices) {
        is(Slips.heaterVolts(volts(value), Optional.of(1.0)), asked, choices);
        assertThat(Slips.heaterVolts(volts(value), Optional.empty())).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"-38, no,", "-0.1, no,", "0, danger,", "38, danger, -38", "0.5, danger, -0.5"})
    void gridVolts(double value, String asked, String choices) {
        is(Slips.gridVolts(volts(value), Slip.About.GRID_VOLTS), asked, choices);
    }

    @ParameterizedTest
    @CsvSource({
        "1,      no,",
        "5,      no,",
        "8.7,    no,",
        "8.9,    danger, 0.89",
        "10,     danger, 1",
        "11.1,   danger, 1.11",
        "11.3,   no,",
        "100,    danger, 1",
        "1000,   danger, 1",
        "10000,  no,",
        "0.1,    asks, 1",
        "0.01,   asks, 1",
        "0.001,  asks, 1",
        "0.0001, no,",
        "-10,    no,",
        "0,      no,"
    })
    void besideAnotherReading(double value, String asked, String choices) {
        is(Slips.besides(Slip.About.READING, volts(value), volts(1), "there"), asked, choices);
        Optional<Slip> other = Slips.besides(Slip.About.OTHER, volts(value), volts(1), "there");
        assertThat(other.isPresent()).isEqualTo(!asked.equals("no"));
        other.ifPresent(o -> assertThat(o.dangerous()).isFalse());
        assertThat(Slips.besides(Slip.About.READING, Typed.of(value, Unit.OHM), volts(1), "there"))
                .isEmpty();
        assertThat(Slips.besides(Slip.About.READING, volts(value), volts(0), "there"))
                .isEmpty();
    }

    @Test
    void aRangeIsAskedAboutInItsOwnUnitOnly() {
        Field field = Field.of("volts here", Unit.VOLT, Prefix.NONE, 1, 10);
        assertThat(Slips.range(Slip.About.OTHER, volts(5), field)).isEmpty();
        assertThat(Slips.range(Slip.About.OTHER, volts(50), field)).isPresent();
        assertThat(Slips.range(Slip.About.OTHER, Typed.of(50, Unit.OHM), field)).isEmpty();
        is(Optional.of(Slips.belowChassis(volts(-458))), "asks", "458");
    }
}
