package yellowrail.core.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class MeterTextTest {
    private static final Field PLATE = Field.of("plate volts", Unit.VOLT, Prefix.NONE, 20, 2000);
    private static final Field DROP =
            Field.of("the drop", Unit.VOLT, Prefix.MILLI, 1e-3, 4).accepting(Unit.AMPERE);
    private static final Field OHMS =
            Field.of("ohms", Unit.OHM, Prefix.NONE, 0.1, 1e7).aboveZero();
    private static final Field GRID =
            Field.of("grid volts", Unit.VOLT, Prefix.NONE, 1, 150).signed();

    private static Typed value(String text, Field field) {
        Understanding made = MeterText.understand(text, field);
        assertThat(made).as(text).isInstanceOf(Understanding.Understood.class);
        return ((Understanding.Understood) made).typed();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "431 | 431 | 1",
                "431 V | 431 | 1",
                "431,5V | 431.5 | 0.1",
                "0.431 kV | 431 | 1",
                "0.4310kV | 431 | 0.1",
                "'  431   volts ' | 431 | 1",
                "1.234,5 | 1234.5 | 0.1",
                "1,234.5 | 1234.5 | 0.1",
                "1 234 V | 1234 | 1",
                "4.31e2 | 431 | 1",
                "４３１ | 431 | 1"
            })
    void readsPlateVolts(String text, double volts, double lastDigit) {
        Typed typed = value(text, PLATE);
        assertThat(typed.value()).isCloseTo(volts, within(1e-9));
        assertThat(typed.lastDigit()).isCloseTo(lastDigit, within(1e-9));
        assertThat(typed.raw()).isEqualTo(text);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "36.4 | 0.0364 | 1e-4",
                "36.4 mV | 0.0364 | 1e-4",
                "36,4m | 0.0364 | 1e-4",
                "36.40mV | 0.0364 | 1e-5",
                "0.0364 V | 0.0364 | 1e-4",
                "36400 µV | 0.0364 | 1e-6",
                "36400uV | 0.0364 | 1e-6",
                "36400 μV | 0.0364 | 1e-6"
            })
    void readsADropInTheUnitShown(String text, double volts, double lastDigit) {
        Typed typed = value(text, DROP);
        assertThat(typed.value()).isCloseTo(volts, within(1e-12));
        assertThat(typed.lastDigit()).isCloseTo(lastDigit, within(1e-12));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1 k5 | 1500",
                "4k7 | 4700",
                "4K7 | 4700",
                "4R7 | 4.7",
                "1.00 Ω | 1",
                "1.5 kΩ | 1500",
                "470 ohms | 470",
                "1M2 | 1200000",
                "2.2k | 2200",
                "10R | 10"
            })
    void readsResistorsAsTheyAreMarked(String text, double ohms) {
        assertThat(value(text, OHMS).value()).isCloseTo(ohms, within(1e-9));
    }

    @ParameterizedTest
    @ValueSource(strings = {"−44.1", "-44.1", "–44.1 V", "- 44.1"})
    void takesEveryMinusSign(String text) {
        assertThat(value(text, GRID).value()).isEqualTo(-44.1);
    }

    @Test
    void takesACurrentWhereADropIsUsualButOnlyWithItsSymbol() {
        Typed typed = value("32.9 mA", DROP);
        assertThat(typed.unit()).isEqualTo(Unit.AMPERE);
        assertThat(typed.value()).isCloseTo(0.0329, within(1e-12));
    }

    @Test
    void asksAboutGroupingThatCouldMeanTwoThings() {
        Understanding made = MeterText.understand("1,234", PLATE);
        assertThat(made).isInstanceOf(Understanding.Ask.class);
        Understanding.Ask ask = (Understanding.Ask) made;
        assertThat(ask.choices()).extracting(Typed::value).containsExactly(1.234, 1234.0);
        assertThat(ask.question()).contains("1.234 V").contains("1234 V");
        assertThat(value("0,364", GRID).value()).isEqualTo(0.364);
    }

    @Test
    void asksWhenABareNumberOnlyFitsAnotherPrefix() {
        Understanding made = MeterText.understand("0.3271", DROP);
        assertThat(made).isInstanceOf(Understanding.Ask.class);
        assertThat(((Understanding.Ask) made).choices())
                .extracting(Typed::echo)
                .containsExactly("0.3271 mV", "327.1 mV");
        assertThat(MeterText.understand("0.431", PLATE)).isInstanceOf(Understanding.Ask.class);
        // With its unit typed it stands as typed.
        assertThat(value("0.3271 mV", DROP).value()).isCloseTo(0.0003271, within(1e-12));
        assertThat(value("0.431 V", PLATE).value()).isEqualTo(0.431);
    }

    @Test
    void asksWhetherACapitalMWasMeantAsMilli() {
        assertThat(MeterText.understand("36.4 MV", DROP)).isNotInstanceOf(Understanding.Understood.class);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "abc | no number",
                "431 bananas | bananas",
                "431 A | 431.0 A",
                "431 Ω | 431 Ω",
                "NaN | no number",
                "Infinity | no number",
                "1e308 | beyond what is read",
                "-431 | below zero",
                "4 31 | grouped",
                "1.2.3 | grouped",
                "4..3 | grouped",
                "<script>alert(1)</script> | no number"
            })
    void refusesWithWhatWasUnderstood(String text, String part) {
        Understanding made = MeterText.understand(text, PLATE);
        assertThat(made).as(text).isInstanceOf(Understanding.Refused.class);
        String sentence = ((Understanding.Refused) made).sentence();
        assertThat(sentence).contains(text).contains("This field takes volts");
        if (!text.equals("431 A")) {
            assertThat(sentence).contains(part);
        }
    }

    @Test
    void refusesZeroAndNegativeOhms() {
        assertThat(MeterText.understand("0", OHMS)).isInstanceOf(Understanding.Refused.class);
        assertThat(MeterText.understand("-4.7", OHMS)).isInstanceOf(Understanding.Refused.class);
        assertThat(MeterText.understand("0.00 Ω", OHMS)).isInstanceOf(Understanding.Refused.class);
    }

    @Test
    void refusesATextNoMeterShows() {
        String sentence =
                MeterText.understand("9".repeat(10_000), PLATE).complaint().orElseThrow();
        assertThat(sentence).contains("10000 characters").hasSizeLessThan(200);
    }

    @Test
    void leavesAnEmptyFieldEmpty() {
        assertThat(MeterText.understand("   ", PLATE)).isInstanceOf(Understanding.Empty.class);
        assertThat(MeterText.understand(null, PLATE)).isInstanceOf(Understanding.Empty.class);
    }

    @Test
    void echoesTheDigitsThatWereTyped() {
        assertThat(value("36.40mV", DROP).echo()).isEqualTo("36.40 mV");
        assertThat(value("0.0364V", DROP).echo()).isEqualTo("36.4 mV");
        assertThat(value("-44.10", GRID).echo()).isEqualTo("−44.10 V");
        assertThat(value("1.00", OHMS).echo()).isEqualTo("1.00 Ω");
    }

    /** Whatever is typed, the answer is one of the four kinds, and a value is finite and has a resolution. */
    @Test
    void survivesAnyText() {
        Random random = new Random(20261124);
        String alphabet = "0123456789.,'’ -−+eEmkMuµRVAΩ%xNaInf\u00a0\u2009<>&\"\t";
        for (int i = 0; i < 50_000; i++) {
            StringBuilder text = new StringBuilder();
            int length = random.nextInt(14);
            for (int j = 0; j < length; j++) {
                text.append(alphabet.charAt(random.nextInt(alphabet.length())));
            }
            for (Field field : new Field[] {PLATE, DROP, OHMS, GRID}) {
                Understanding made = MeterText.understand(text.toString(), field);
                made.value().ifPresent(t -> {
                    assertThat(t.value()).as(text.toString()).isFinite();
                    assertThat(t.lastDigit()).as(text.toString()).isPositive().isFinite();
                    assertThat(t.echo()).isNotBlank();
                });
            }
        }
    }

    /** Once stored, a figure like this would divide everything after it into nothing. */
    @ParameterizedTest
    @ValueSource(strings = {"1e-320 V", "1e-320", "1e-30 mV", "0.000000000000000001 V", "-1e-99 V", "1e-15 mV"})
    void lessThanAnyMeterShowsIsRefused(String text) {
        Field volts = Field.of("plate volts", Unit.VOLT, Prefix.NONE, 20, 2000).signed();
        Understanding made = MeterText.understand(text, volts);
        assertThat(made.value()).isEmpty();
        assertThat(made.complaint().orElseThrow()).contains("less than any meter shows");
    }

    @ParameterizedTest
    @ValueSource(strings = {"0", "0.0 V", "0.1 mV", "1 pF"})
    void whatAMeterShowsIsTaken(String text) {
        Field field = text.endsWith("F")
                ? Field.of("the capacitor", Unit.FARAD, Prefix.MICRO, 1e-12, 1)
                : Field.of("the volts", Unit.VOLT, Prefix.NONE, 1e-5, 2000);
        assertThat(MeterText.understand(text, field).value()).isPresent();
    }

    /** A prefix that would make nothing of it is not offered: nobody who types a figure means zero. */
    @Test
    void whatVanishesIsNoChoice() {
        Field field = Field.of("this", Unit.VOLT, Prefix.NONE, 1, 10);
        assertThat(MeterText.understand("0.000000000001", field).toString()).doesNotContain("value=0.0,");
    }
}
