package yellowrail.core.soak;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import yellowrail.core.Pinned;

/** What is said of three hundred seeded curves: flat, settling, creeping, running away, noisy, short. */
class PlantedCurvesTest {
    private static final int CURVES = 300;

    private static List<Sample> curve(Random random) {
        int count = random.nextInt(10);
        double begin = 40 * (1 + 0.2 * random.nextGaussian());
        double drift = switch (random.nextInt(5)) {
            case 0 -> 0;
            case 1 -> 0.0004;
            case 2 -> -0.0006;
            case 3 -> 0.002;
            default -> 0.02 * random.nextGaussian();
        };
        double settling = random.nextBoolean() ? 0 : 0.08 * random.nextGaussian();
        double bend = random.nextInt(3) > 0 ? 0 : 0.0001 * random.nextGaussian();
        double noise = random.nextBoolean() ? 0 : 0.001;
        double minute = random.nextInt(16);
        List<Sample> samples = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            double share = 1
                    + drift * minute
                    + settling * Math.exp(-minute / 8)
                    + bend * minute * minute
                    + noise * random.nextGaussian();
            samples.add(new Sample(minute, Math.max(0.1, begin * share) / 1000));
            minute += 1 + random.nextInt(9);
        }
        return samples;
    }

    @Test
    void areJudgedAsTheyWere() throws IOException {
        Random random = new Random(1);
        List<String> lines = new ArrayList<>();
        for (int i = 0; i < CURVES; i++) {
            List<Sample> samples = curve(random);
            double now =
                    (samples.isEmpty() ? 0 : samples.get(samples.size() - 1).minutes()) + random.nextInt(8);
            double ceiling = 0.03 + 0.04 * random.nextDouble();
            lines.add(i + " " + Pinned.figures(Stability.of("V1", samples, now)));
            lines.add(i + " " + Pinned.figures(Drift.of("V1", samples)));
            lines.add(i + " " + Pinned.figures(Runaway.minutesTo(ceiling, samples)) + " "
                    + (samples.size() < 3 ? "" : Pinned.figures(Settling.fit(samples))));
        }
        Pinned.same("curves.txt", lines);
    }
}
