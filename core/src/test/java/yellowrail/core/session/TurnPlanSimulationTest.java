package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import yellowrail.core.session.SimulatedTurns.Evening;

/** The plan of turns over seeded amps, as a builder would follow it; {@code -Damps=1000} gives the figures of the documents. */
class TurnPlanSimulationTest {
    private static final int AMPS = Integer.getInteger("amps", 120);

    private static List<Evening> evenings(boolean held, boolean basic) {
        List<Evening> all = IntStream.range(0, AMPS)
                .parallel()
                .mapToObj(i -> new SimulatedTurns(9_000 + i, held, basic).turn())
                .toList();
        if (AMPS >= 1000) {
            System.out.printf(
                    "%s, %s: %d amps; on the mark with at most one correction %d (without any %d, with more %d);"
                            + " refused %d; above the ceiling on the way %d; stops between two ends %d of %d turns%n",
                    held ? "held bias" : "bias follows the mains",
                    basic ? "basic meter, 1 V digits" : "handheld meter",
                    AMPS,
                    good(all),
                    all.stream().filter(e -> e.onMark() && e.again() == 0).count(),
                    all.stream().filter(e -> e.onMark() && e.again() > 1).count(),
                    refused(all),
                    all.stream().filter(Evening::overCeiling).count(),
                    all.stream().mapToInt(Evening::bounded).sum(),
                    all.stream().mapToInt(Evening::turns).sum());
        }
        return all;
    }

    private static long good(List<Evening> all) {
        return all.stream().filter(e -> e.onMark() && e.again() <= 1).count();
    }

    private static long refused(List<Evening> all) {
        return all.stream().filter(e -> e.refused() > 0).count();
    }

    @Test
    void oneTurnEachAndOneCorrectionAtMost() {
        List<Evening> all = evenings(false, false);
        assertThat(good(all)).isGreaterThanOrEqualTo(Math.round(0.95 * AMPS));
        assertThat(all).noneMatch(Evening::overCeiling);
        assertThat(refused(all)).isLessThan(Math.round(0.05 * AMPS));
    }

    /** A held grid supply lets the current follow a wandering mains three times as steeply: told apart, and less sure. */
    @Test
    void aHeldBiasIsToldApart() {
        List<Evening> all = evenings(true, false);
        assertThat(good(all)).isGreaterThanOrEqualTo(Math.round(0.6 * AMPS));
        assertThat(all).noneMatch(Evening::overCeiling);
        assertThat(refused(all)).isLessThan(Math.round(0.05 * AMPS));
    }

    /** Plate volts in whole volts tell little of the supply: two ends to stop between, not a refusal. */
    @Test
    void aBasicMeterGetsTwoEndsAndNoRefusal() {
        List<Evening> all = evenings(false, true);
        assertThat(refused(all)).isLessThan(Math.round(0.05 * AMPS));
        assertThat(all).noneMatch(Evening::overCeiling);
        assertThat(all.stream().mapToInt(Evening::bounded).sum()).isPositive();
    }
}
