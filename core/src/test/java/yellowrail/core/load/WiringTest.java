package yellowrail.core.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.hipparchus.complex.Complex;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class WiringTest {
    private static final Speaker.Modelled GUITAR = new Speaker.Modelled(6.4, 0.0006, 30, 80, 46.4, 5);

    @ParameterizedTest
    @CsvSource({
        "8, 8",
        "16 | 16, 8",
        "16|16|8, 4",
        "8 + 8, 16",
        "(8 + 8) | (8 + 8), 8",
        "2x16, 8",
        "4 x 8, 2",
        "8 ∥ 8, 4",
        "16 // 16, 8",
        "8Ω | 8 ohm, 4",
        "dc 6.4, 8",
        "'7,5', 7.5",
        "8 | 8 + 4, 8",
        "8 | (8 + 4), 4.8",
        "A | A, 3.9",
    })
    void isUnderstood(String text, double ohms) {
        WiringText.Read read = WiringText.read(text, Map.of("A", GUITAR));
        assertThat(read.complaint()).isEmpty();
        assertThat(read.wiring().orElseThrow().nominalOhms()).isCloseTo(ohms, within(0.25));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "|",
                "8 |",
                "| 8",
                "8 8",
                "(8 | 8",
                "8)",
                "B",
                "8 + ",
                "0",
                "dc",
                "-8",
                "17x8",
                "0x8",
                "1e3",
                "3000",
                "8 & 8",
                "2x",
                "()",
                "4x(4x(2x8))"
            })
    void isRefusedWithASentence(String text) {
        WiringText.Read read = WiringText.read(text, Map.of("A", GUITAR));
        assertThat(read.wiring()).isEmpty();
        assertThat(read.complaint()).startsWith("“" + text.strip() + "”").endsWith(".");
    }

    @Test
    void aLongTextIsRefused() {
        assertThat(WiringText.read("8 |".repeat(100), Map.of()).complaint()).contains("200 characters");
    }

    @Test
    void unequalSpeakersShareUnequally() {
        Wiring beside = WiringText.read("8 | 16", Map.of()).wiring().orElseThrow();
        assertThat(beside.shares(400).get(0)).isCloseTo(2.0 / 3, within(1e-12));
        Wiring after = WiringText.read("8 + 16", Map.of()).wiring().orElseThrow();
        assertThat(after.shares(400).get(0)).isCloseTo(1.0 / 3, within(1e-12));
    }

    @Test
    void oneSpeakerIsNoGroup() {
        assertThatThrownBy(() -> new Wiring.Series(List.of(new Wiring.Driver("8", new Speaker.Nominal(8)))))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /** Trees of random speakers against node equations that know nothing of series and parallel. */
    @Test
    void randomTreesAreWhatNodeEquationsSay() {
        Random random = new Random(17);
        for (int i = 0; i < 500; i++) {
            int[] left = {1 + random.nextInt(Wiring.MOST_DRIVERS)};
            Wiring wiring = tree(random, left, 0);
            double hertz = 20 * Math.pow(1000, random.nextDouble());
            NodeEquations nodes = new NodeEquations(wiring, hertz);
            Complex z = wiring.at(hertz);
            assertThat(z.subtract(nodes.impedance()).norm()).isLessThan(1e-9 * z.norm());
            List<Double> shares = wiring.shares(hertz);
            assertThat(shares).hasSize(wiring.drivers().size());
            for (int d = 0; d < shares.size(); d++) {
                assertThat(shares.get(d)).isCloseTo(nodes.share(d), within(1e-9));
            }
            assertThat(shares.stream().mapToDouble(s -> s).sum()).isCloseTo(1, within(1e-9));
        }
    }

    private static Wiring tree(Random random, int[] left, int depth) {
        if (left[0] <= 1 || depth > 4 || random.nextInt(4) == 0) {
            left[0]--;
            return new Wiring.Driver("d", speaker(random));
        }
        List<Wiring> parts = new ArrayList<>();
        int count = 2 + random.nextInt(3);
        for (int i = 0; i < count && (left[0] > 0 || i < 2); i++) {
            parts.add(i < 2 && left[0] <= 0 ? leaf(random) : tree(random, left, depth + 1));
        }
        List<Wiring> few = parts.stream().mapToInt(p -> p.drivers().size()).sum() > Wiring.MOST_DRIVERS
                ? List.of(leaf(random), leaf(random))
                : parts;
        return random.nextBoolean() ? new Wiring.Series(few) : new Wiring.Parallel(few);
    }

    private static Wiring leaf(Random random) {
        return new Wiring.Driver("d", speaker(random));
    }

    private static Speaker speaker(Random random) {
        double ohms = 2 + 30 * random.nextDouble();
        return random.nextBoolean()
                ? new Speaker.Nominal(ohms)
                : new Speaker.Modelled(
                        ohms,
                        random.nextDouble() * 2e-3,
                        5 + 100 * random.nextDouble(),
                        30 + 200 * random.nextDouble(),
                        ohms * (1.5 + 10 * random.nextDouble()),
                        0.5 + 10 * random.nextDouble());
    }
}
