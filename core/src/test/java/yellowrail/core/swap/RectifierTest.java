package yellowrail.core.swap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.swap.Chassis.Rectification;

class RectifierTest {
    private static final Present PAIR = Swaps.fixed("6L6GC", 2, 400, 4200, 0.6);

    private static SwapSheet sheet(String now, String then, Double first) {
        return Swaps.sheet(
                PAIR,
                "6L6GC",
                Around.with(new Rectification(
                        Optional.ofNullable(now).flatMap(Rectifier::find),
                        Optional.ofNullable(then).flatMap(Rectifier::find),
                        Optional.ofNullable(first).map(uf -> uf * 1e-6),
                        Optional.empty(),
                        Optional.of(100.0))));
    }

    @Test
    void theTableIsReadAndFoundByItsNames() {
        assertThat(Rectifier.find("5ar4").orElseThrow().designation()).isEqualTo("GZ34");
        assertThat(Rectifier.find("Solid State").orElseThrow().solidState()).isTrue();
        assertThat(Rectifier.find("5R4")).isEmpty();
        assertThat(Rectifier.find("GZ34").orElseThrow().ohms().orElseThrow()).isCloseTo(17 / 0.225, within(1e-9));
        assertThat(Rectifier.ALL).allMatch(r -> r.solidState() || r.amperes().isPresent());
    }

    @ParameterizedTest(name = "{0} by {1} before {2} uF: {3}")
    @CsvSource(
            nullValues = "?",
            delimiter = '|',
            value = {
                "GZ34  | ?           | 50  | PASS    | 50 µF of 60 µF right behind it",
                "GZ34  | ?           | 100 | FAIL    | charging it takes more than its plates may give",
                "GZ34  | ?           | ?   | UNKNOWN | the first capacitor is not answered",
                "5Y3GT | ?           | 20  | FAIL    | of 125 mA direct current: over it by",
                "5U4GB | ?           | 30  | NOTE    | to be verified",
                "5V4G  | ?           | 20  | FAIL    | of 175 mA direct current: over it by",
                "GZ34  | solid state | 60  | NOTE    | its heater winding is left free",
                "5U4GB | GZ34        | 40  | NOTE    | B+ at idle goes from",
                "GZ34  | 5U4GB       | 40  | UNKNOWN | its heater takes 3 A, now 1.9 A",
                "solid state | GZ34  | 40  | UNKNOWN | its heater takes 1.9 A, now 0 A",
                "solid state | ?     | ?   | PASS    | diodes are held by what winding and rectifier are said to give",
                "GZ34  | EZ81        | 40  | FAIL    | its heater takes 6.3 V",
                "?     | GZ34        | 40  | UNKNOWN | which one is fitted now is not answered",
                "GZ34  | ?           | 50  | PASS    | inverse at highest mains, before the tubes conduct, of 1500 V",
                "EZ90  | EZ80        | 40  | FAIL    | of 90.0 mA direct current",
            })
    void eachComesOutAsItWould(String now, String then, Double first, SwapVerdict verdict, String said) {
        SwapRow row = Swaps.row(sheet(now, then, first), Criterion.RECTIFIER);
        assertThat(row.reason()).contains(said);
        assertThat(row.verdict()).isEqualTo(verdict);
    }

    /** Twice the unloaded B+ at highest mains stands across a plate at rest. */
    @ParameterizedTest(name = "{0} behind {1} V: {2}")
    @CsvSource(
            delimiter = '|',
            value = {
                "GZ34 | 600 | PASS    | 1320 V inverse",
                "GZ34 | 675 | UNKNOWN | too close to call",
                "GZ34 | 700 | FAIL    | over it",
                "EZ81 | 400 | NOTE    | of 1300 V, to be verified",
                "EZ81 | 600 | FAIL    | over it",
            })
    void inverse(String name, double supply, SwapVerdict verdict, String said) {
        Present pair = Swaps.fixed("6L6GC", 2, supply, 5000, 0.3);
        SwapRow row = Swaps.row(
                Swaps.sheet(
                        pair,
                        "6L6GC",
                        Around.with(new Rectification(
                                Rectifier.find(name),
                                Optional.empty(),
                                Optional.of(10e-6),
                                Optional.empty(),
                                Optional.of(100.0)))),
                Criterion.RECTIFIER);
        assertThat(Stream.of(row.reason().split("; ")).filter(r -> r.contains("inverse")))
                .singleElement()
                .asString()
                .contains(said);
        assertThat(row.verdict()).isGreaterThanOrEqualTo(verdict);
    }

    /** A stiffer one lifts B+, by the drops at the current that flows; the idle keeps its per cent. */
    @Test
    void anotherOneMovesBPlusAndTheReading() {
        SwapSheet sheet = sheet("5U4GB", "solid state", 40.0);
        double before = sheet.before().orElseThrow().drive().idle().supplyVolts();
        var idle = sheet.after().orElseThrow().drive().idle();
        double drawn = idle.tubes().stream()
                .mapToDouble(t -> t.plateAmperes() + t.screenAmperes())
                .sum();
        double ohms = 50 / 0.275 - 1;
        double source = PAIR.stage().supplyOhms();
        assertThat(sheet.after().orElseThrow().stage().supplyOhms())
                .isCloseTo(Math.max(0, source - ohms), within(1e-9));
        assertThat(idle.supplyVolts()).isCloseTo(400 - Math.max(0, source - ohms) * drawn, within(0.01));
        assertThat(idle.supplyVolts()).isGreaterThan(before + 5);
        assertThat(idle.hottestPlateWatts()).isCloseTo(18, within(1e-3));
        assertThat(Swaps.row(sheet, Criterion.RECTIFIER).reason()).contains("60 % is then");
    }

    private static SwapRow fed(Present present, String name, Double firstMicro, Double ohms) {
        return Swaps.row(
                Swaps.sheet(
                        present,
                        "6L6GC",
                        Around.with(new Rectification(
                                Rectifier.find(name),
                                Optional.empty(),
                                Optional.ofNullable(firstMicro).map(f -> f * 1e-6),
                                Optional.empty(),
                                Optional.ofNullable(ohms)))),
                Criterion.RECTIFIER);
    }

    @ParameterizedTest(name = "{0} behind {1} ohm: {2}")
    @CsvSource(
            nullValues = "?",
            delimiter = '|',
            value = {
                "GZ34  | 100 | PASS    | of 750 mA through each plate",
                "GZ34  | ?   | UNKNOWN | the ohms of half its winding are not answered",
                "GZ34  | 45  | UNKNOWN | too close to call",
                "GZ34  | 10  | FAIL    | ohms in each lead to its plates lower them",
                "5U4GB | 60  | NOTE    | of 1.00 A through each plate",
                "EZ80  | 200 | FAIL    | its limit or its drop is not known here",
            })
    void peaks(String name, Double ohms, SwapVerdict verdict, String said) {
        SwapRow row = fed(PAIR, name, 32.0, ohms);
        assertThat(row.reason()).contains(said);
        assertThat(row.verdict()).isEqualTo(verdict);
    }

    @ParameterizedTest(name = "{0} behind {1} V without load: {2}")
    @CsvSource(
            delimiter = '|',
            value = {
                "GZ34  | 450 | PASS    | of 250 mA direct current",
                "GZ34  | 670 | UNKNOWN | which is what it may give from 474 V RMS",
                "GZ34  | 790 | FAIL    | it may have 550 V at most",
                "5U4GB | 450 | NOTE    | (up to 450 V RMS of winding, to be verified with the maker's sheet)",
                "5U4GB | 650 | UNKNOWN | may give from 460 V RMS is not known here: it has all of it up to 450 V RMS",
            })
    void lessFromMoreVolts(String name, double supply, SwapVerdict verdict, String said) {
        Present pair = Swaps.fixed("6L6GC", 2, supply, 12000, 0.2);
        SwapRow row = fed(pair, name, 32.0, 200.0);
        assertThat(row.reason()).contains(said);
        assertThat(row.verdict()).isEqualTo(verdict);
    }

    /** Combinations that its makers publish side by side come to the peak rating: RMS volts of half the winding, its least ohms. */
    @ParameterizedTest(name = "{0} V RMS, {1} ohm, {2} V, {3} A")
    @CsvSource({"300, 75, 330, 0.25", "350, 100, 385, 0.25", "450, 150, 490, 0.25"})
    void peaksOfPublishedCombinations(double rms, double ohms, double volts, double amperes) {
        Rectifier gz34 = Rectifier.find("GZ34").orElseThrow();
        assertThat(gz34.amperesFrom(rms)).contains(0.25);
        assertThat(RectifierPeak.amperes(gz34, ohms, volts, amperes)).isCloseTo(0.75, within(0.03));
    }

    @Test
    void aboveItsVoltsItGivesLess() {
        Rectifier gz34 = Rectifier.find("GZ34").orElseThrow();
        assertThat(gz34.amperesFrom(500).orElseThrow()).isCloseTo(0.205, within(1e-9));
        assertThat(gz34.amperesFrom(560)).contains(0.0);
        assertThat(Rectifier.find("5U4GB").orElseThrow().amperesFrom(500)).isEmpty();
        assertThat(Rectifier.find("solid state").orElseThrow().amperesFrom(300)).isEmpty();
    }

    /** Where no rectifier is told, none is judged by itself: the supply's row asks for what it may give. */
    @Test
    void untoldItHasNoRow() {
        assertThat(Swaps.sheet(PAIR, "6L6GC", Around.generous()).rows())
                .noneMatch(r -> r.criterion() == Criterion.RECTIFIER);
    }
}
