package yellowrail.core.soak;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

class SoakTest {
    private static List<Sample> every(double minutes, double... milliamperes) {
        List<Sample> samples = new ArrayList<>();
        for (int i = 0; i < milliamperes.length; i++) {
            samples.add(new Sample(i * minutes, milliamperes[i] / 1000));
        }
        return samples;
    }

    private static final List<Sample> LEFT = every(5, 31.2, 31.9, 32.8, 33.9, 35.2);
    private static final List<Sample> RIGHT = every(5, 30.6, 31.0, 31.2, 31.3, 31.3);

    @Test
    void theStoryAcceleratesOnTheLeftAndIsSettledOnTheRight() {
        Drift left = Drift.of("left", LEFT);
        assertThat(left.kind()).isEqualTo(Drift.Kind.ACCELERATING);
        assertThat(1000 * left.perMinute()).isCloseTo(0.24, within(0.005));
        assertThat(left.sentence()).contains("creeping, accelerating").contains("+0.24 mA/min");
        Drift right = Drift.of("right", RIGHT);
        assertThat(right.kind()).isEqualTo(Drift.Kind.STEADY);
        assertThat(1000 * right.perMinute()).isCloseTo(0.01, within(0.001));
    }

    @Test
    void theCeilingIsProjectedAlongTheBend() {
        double minutes = Runaway.minutesTo(0.040, LEFT).orElseThrow();
        // Straight on it would be 4.8 mA / 0.24 mA/min = 20 min; the bend makes it sooner.
        assertThat(minutes).isBetween(10.0, 16.0);
        assertThat(Runaway.minutesTo(0.0375, LEFT).orElseThrow()).isLessThan(Runaway.STOP_MINUTES);
        assertThat(Runaway.minutesTo(0.035, LEFT)).contains(0.0);
        assertThat(Runaway.minutesTo(0.040, RIGHT)).isEmpty();
        assertThat(Runaway.minutesTo(0.040, every(5, 31, 30, 29))).isEmpty();
        assertThat(Runaway.minutesTo(0.040, List.of())).isEmpty();
        assertThat(Runaway.minutesTo(0.040, every(5, 38)).isEmpty()).isTrue();
    }

    @Test
    void fewReadingsAreNotJudged() {
        assertThat(Drift.of("V1", every(5, 31, 31, 31)).kind()).isEqualTo(Drift.Kind.TOO_FEW);
        assertThat(Drift.of("V1", every(3, 31, 31, 31, 31)).kind()).isEqualTo(Drift.Kind.TOO_FEW);
        assertThat(Drift.of("V1", List.of()).sentence()).contains("0 readings");
    }

    @Test
    void aSettlingCurrentIsFollowedToItsEnd() {
        List<Sample> samples = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            samples.add(new Sample(3 * i, 0.030 * (1 + 0.25 * Math.exp(-3 * i / 9.0))));
        }
        Drift drift = Drift.of("V1", samples);
        assertThat(drift.kind()).isEqualTo(Drift.Kind.SETTLING);
        assertThat(drift.settlesAt().orElseThrow()).isCloseTo(0.030, within(0.00005));
        assertThat(drift.settlesInMinutes().orElseThrow()).isCloseTo(9 * Math.log(0.25 / 0.01) - 21, within(0.3));
        Drift few = Drift.of(
                "V1",
                samples.subList(0, 6).stream().filter(s -> s.minutes() != 3).toList());
        assertThat(few.settlesAt()).isEmpty();
    }

    @Test
    void aSlowCreepIsNotSteadyAlthoughUnderOnePerCentInFiveMinutes() {
        Drift slow = Drift.of("V1", every(5, 30.0, 30.2, 30.4, 30.6, 30.8, 31.0, 31.2));
        assertThat(slow.kind()).isEqualTo(Drift.Kind.CREEPING);
        Drift falling = Drift.of("V1", every(5, 31.2, 31.0, 30.8, 30.6, 30.4));
        assertThat(falling.kind()).isEqualTo(Drift.Kind.FALLING);
    }

    @Test
    void aRandomSteadyCurrentIsNeverCalledCreepingAndACreepNeverSteady() {
        Random random = new Random(14);
        for (int trial = 0; trial < 400; trial++) {
            double start = 0.02 + 0.05 * random.nextDouble();
            double perHalfHour = 0.05 + 0.3 * random.nextDouble();
            List<Sample> steady = new ArrayList<>();
            List<Sample> creeping = new ArrayList<>();
            for (int i = 0; i < 8; i++) {
                double noise = 1 + 0.0005 * (random.nextDouble() - 0.5);
                steady.add(new Sample(5 * i, start * noise));
                creeping.add(new Sample(5 * i, start * (1 + perHalfHour * i / 6.0) * noise));
            }
            assertThat(Drift.of("V1", steady).kind()).isEqualTo(Drift.Kind.STEADY);
            assertThat(Drift.of("V1", creeping).kind().rising()).isTrue();
        }
    }

    @Test
    void warmedUpIsAReadingNotATimer() {
        Stability nothing = Stability.of("V1", List.of(), 3);
        assertThat(nothing.stable()).isFalse();
        assertThat(nothing.waitMinutes()).isEqualTo(7);
        Stability early = Stability.of("V1", List.of(new Sample(2, 0.03), new Sample(8, 0.03)), 8);
        assertThat(early.stable()).isFalse();
        Stability one = Stability.of("V1", List.of(new Sample(11, 0.03)), 12);
        assertThat(one.stable()).isFalse();
        assertThat(one.sentence()).contains("read again in 4 min");
        Stability moving = Stability.of("V1", List.of(new Sample(6, 0.030), new Sample(11, 0.0307)), 11);
        assertThat(moving.stable()).isFalse();
        assertThat(moving.sentence()).contains("moved 2.3 % in 5 min");
        assertThat(Stability.of("V1", List.of(new Sample(6, 0.030), new Sample(11, 0.0302)), 11)
                        .stable())
                .isTrue();
        // A jump and return in between is movement.
        assertThat(Stability.of("V1", List.of(new Sample(10, 0.030), new Sample(12, 0.033), new Sample(16, 0.030)), 16)
                        .stable())
                .isFalse();
        // Far apart readings are judged by their rate.
        assertThat(Stability.of("V1", List.of(new Sample(10, 0.030), new Sample(30, 0.0306)), 30)
                        .stable())
                .isTrue();
    }

    @Test
    void theSwapTellsTubeFromPosition() {
        assertThat(SwapTest.of(true, false).sentence("T7", "V2", "V1"))
                .contains("T7 was moved from V2 to V1")
                .contains("follows the tube");
        assertThat(SwapTest.of(false, true).sentence("T7", "V2", "V1")).contains("stays with the position");
        assertThat(SwapTest.of(true, true).sentence("T7", "V2", "V1")).contains("inconclusive");
        assertThat(SwapTest.of(false, false)).isEqualTo(SwapTest.GONE);
    }

    @Test
    void theGridShiftOfTheStoryIsPartlyTheMeter() {
        SwapTest.GridShift shift = SwapTest.GridShift.of(-41.8, -44.1, Optional.of(180e3), 10e6);
        assertThat(shift.shift()).isCloseTo(2.3, within(0.001));
        assertThat(shift.explained()).isCloseTo(0.8, within(0.05));
        assertThat(shift.remaining()).isCloseTo(1.5, within(0.05));
        assertThat(shift.finding()).isTrue();
        assertThat(shift.sentence())
                .contains("leaky coupling capacitor")
                .contains("10 MΩ")
                .contains("180 kΩ");
        assertThat(SwapTest.GridShift.of(-43.4, -44.1, Optional.of(180e3), 10e6).finding())
                .isFalse();
        assertThat(SwapTest.GridShift.of(-41.8, -44.1, Optional.empty(), 10e6).sentence())
                .contains("not known");
    }
}
