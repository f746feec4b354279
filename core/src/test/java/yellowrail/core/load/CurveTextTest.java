package yellowrail.core.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Curves as programs write them and as hands do: each read, or refused with a sentence. */
class CurveTextTest {
    private static final Speaker.Modelled CONE = new Speaker.Modelled(6.4, 0.6e-3, 30, 80, 46.4, 5);

    private static String lines(String format, int count) {
        StringBuilder text = new StringBuilder();
        for (double hertz : HeatOverFrequency.spread(10, 20e3, count)) {
            var z = CONE.at(hertz);
            text.append(String.format(Locale.ROOT, format, hertz, z.norm(), Math.toDegrees(z.getArgument())));
        }
        return text.toString();
    }

    static Stream<Arguments> odd() {
        String two = lines("%.3f\t%.4f%n", 600);
        String three = lines("%.3f %.4f %.3f%n", 600);
        List<String> shuffled = new ArrayList<>(three.lines().toList());
        java.util.Collections.shuffle(shuffled, new java.util.Random(5));
        return Stream.of(
                Arguments.of("tabs", two, 600, ""),
                Arguments.of("blanks and a phase", three, 600, ""),
                Arguments.of("commas", lines("%.3f,%.4f,%.3f%n", 600), 600, ""),
                Arguments.of("commas and blanks", lines("%.3f, %.4f, %.3f%n", 600), 600, ""),
                Arguments.of("semicolons", lines("%.3f;%.4f%n", 600), 600, ""),
                Arguments.of("decimal commas and tabs", two.replace('.', ','), 600, ""),
                Arguments.of(
                        "decimal commas and semicolons",
                        lines("%.3f;%.4f;%.3f%n", 600).replace('.', ','),
                        600,
                        ""),
                Arguments.of("decimal commas and blanks", three.replace('.', ','), 600, ""),
                Arguments.of("comments and a head", "* made by hand\n# Freq Z\nFrequency\tImpedance\n" + two, 600, ""),
                Arguments.of("a byte order mark", "\uFEFF" + two, 600, ""),
                Arguments.of("lines of another system", two.replace("\n", "\r\n"), 600, ""),
                Arguments.of("lines of an old system", two.replace("\n", "\r"), 600, ""),
                Arguments.of("unsorted", String.join("\n", shuffled), 600, ""),
                Arguments.of("every point twice", two + two, 600, ""),
                Arguments.of("exponents", lines("%.4e %.4e %.4e%n", 600), 600, ""),
                Arguments.of("blank lines", two.replace("\n", "\n\n"), 600, ""),
                Arguments.of("fifty thousand points", lines("%.6f %.4f %.3f%n", 50_000), 50_000, ""),
                Arguments.of("a hundred thousand points", lines("%.9f %.12f %.9f%n", 100_000), 100_000, ""),
                Arguments.of("thousands and points", lines("%,.3f\t%.4f%n", 600), 600, ""),
                Arguments.of(
                        "thousands or decimals",
                        "1,000 8\n2,000 9\n3,000 9\n4,000 9\n5,000 9\n",
                        0,
                        "“5,000” can be 5.000 or 5000"),
                Arguments.of(
                        "commas and points as decimals", "20,5 8.1\n30,55 8.2\n", 0, "both stand as decimal signs"),
                Arguments.of("decibels", "Hz dB deg\n20 78 10\n30 79 9\n", 0, "decibels are no ohms"),
                Arguments.of("ohms beside decibels", "Hz Ohm (0 dB = 1 V)\n" + two, 600, ""),
                Arguments.of("three tabs and then blanks", "20\t8\n30 8\n", 0, "has 1 column"),
                Arguments.of("empty", "", 0, "There is no point in this text"),
                Arguments.of("comments alone", "# nothing\n* more\n", 0, "There is no point in this text"),
                Arguments.of("one column", "20\n30\n40\n50\n60\n", 0, "has 1 column"),
                Arguments.of("four columns", "20,5,8,1\n30,5,8,1\n", 0, "apart by commas, decimals take a point"),
                Arguments.of("a line short", two + "500\n", 0, "the lines before have 2"),
                Arguments.of("words within", "20 8\n30 eight\n", 0, "Line 2: “eight” is no number."),
                Arguments.of("binary", "PK\u0003\u0004\u0000\u0000", 0, "This is no text"),
                Arguments.of("too few", "20 8\n30 8\n", 0, "5 to 100000 points, not 2"),
                Arguments.of("more than one curve", two + two.replace("\t", "\t3"), 0, "is this more than one curve?"),
                Arguments.of("magnitude and phase the wrong way", lines("%1$.3f %3$.3f %2$.3f%n", 600), 0, "above 0"),
                Arguments.of("a phase that is none", "20 8 100\n30 8 10\n", 0, "within −90 to 90°"),
                Arguments.of("a frequency of zero", "0 8\n30 8\n", 0, "Line 1: a frequency of 0 Hz"),
                Arguments.of("beyond what a speaker has", two.replace("\t", "\t900000"), 0, "Ω; 0.1 Ω to 100 kΩ"),
                Arguments.of("too long", "#".repeat(CurveText.LONGEST + 1), 0, "million characters"),
                Arguments.of("too many points", "20 8\n".repeat(100_001), 0, "At most 100000 points"));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("odd")
    void readOrRefused(String what, String text, int points, String complaint) {
        CurveText.Read read = CurveText.read(text);
        if (complaint.isEmpty()) {
            ImpedanceCurve curve = read.curve().orElseThrow(() -> new AssertionError(read.complaint()));
            assertThat(curve.size()).isEqualTo(points);
            assertThat(curve.at(80).norm()).isCloseTo(CONE.at(80).norm(), within(2.0));
            assertThat(curve.at(1000).norm()).isCloseTo(CONE.at(1000).norm(), within(0.05));
        } else {
            assertThat(read.curve()).isEmpty();
            assertThat(read.complaint()).contains(complaint);
        }
    }

    /** Without a phase it follows from the magnitudes. */
    @Test
    void phaseFromMagnitudes() {
        ImpedanceCurve curve =
                CurveText.read(lines("%.5f\t%.6f%n", 400)).curve().orElseThrow();
        assertThat(curve.phaseMeasured()).isFalse();
        for (double hertz : HeatOverFrequency.spread(20, 10e3, 60)) {
            double computed = Math.toDegrees(curve.at(hertz).getArgument());
            double real = Math.toDegrees(CONE.at(hertz).getArgument());
            assertThat(computed).as(hertz + " Hz").isCloseTo(real, within(2.5));
        }
    }

    @Test
    void whatIsWrittenIsReadAgain() {
        ImpedanceCurve curve =
                CurveText.read(lines("%.5f %.6f %.4f%n", 80)).curve().orElseThrow();
        ImpedanceCurve again = CurveText.read(CurveText.write(curve)).curve().orElseThrow();
        assertThat(again.size()).isEqualTo(80);
        for (double hertz : HeatOverFrequency.spread(10, 20e3, 33)) {
            assertThat(again.at(hertz).subtract(curve.at(hertz)).norm()).isLessThan(1e-3);
        }
    }

    /** Nominal ohms as marked, or by the lowest impedance above the resonance as those of the model are. */
    @Test
    void nominalOhms() {
        ImpedanceCurve curve =
                CurveText.read(lines("%.5f %.6f %.4f%n", 400)).curve().orElseThrow();
        assertThat(new Speaker.Measured(curve, Optional.empty()).nominalOhms())
                .isCloseTo(CONE.nominalOhms(), within(0.05));
        Speaker marked = new Speaker.Measured(curve, Optional.of(8.0));
        assertThat(marked.nominalOhms()).isEqualTo(8);
        assertThat(marked.words()).contains("400 points from 10 Hz to 20000 Hz").contains("8 Ω as marked");
        assertThat(marked.hasCurve()).isTrue();
    }
}
