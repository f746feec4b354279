package yellowrail.core.soak;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.reading.Band;
import yellowrail.core.soak.Soak.Again;
import yellowrail.core.soak.Soak.Why;
import yellowrail.core.soak.SoakReading.Level;
import yellowrail.core.soak.SoakReading.MainsReading;

/** How much a soak may do: the last figure that passes, and the first that does not. */
class SoakEdgesTest {
    private static final Band FOLLOWS = new Band(1.4, 1.55, 1.6);

    private static SoakReading reading(double minutes, double milli, double digit, double mains, Level level) {
        long at = Math.round(minutes * 60_000);
        return new SoakReading(
                at,
                milli / 1000,
                digit,
                mains > 0 ? Optional.of(new MainsReading(at, mains)) : Optional.empty(),
                level);
    }

    private static SoakReading at(double minutes, double milli) {
        return reading(minutes, milli, 0.001, 230, Level.BELOW);
    }

    private static Soak soak(List<SoakReading> readings) {
        return Soak.of("V1", readings, List.of(), FOLLOWS, 30);
    }

    private static Soak flat(double... minutes) {
        List<SoakReading> readings = new ArrayList<>();
        for (double m : minutes) {
            readings.add(at(m, 40));
        }
        return soak(readings);
    }

    private static boolean fine(Soak soak) {
        return soak.whole() && soak.wants().isEmpty();
    }

    @Test
    void fourReadingsOverTheWholeSoak() {
        assertThat(fine(flat(10, 20, 30, 40))).isTrue();
        assertThat(fine(flat(10, 20, 30, 39.75))).isTrue();
        assertThat(fine(flat(10, 20, 30, 39.7))).isFalse();
        assertThat(fine(flat(10, 20, 30))).isFalse();
        assertThat(flat(10, 20, 30).wants().get(0).sentence())
                .contains("20 of 30 min")
                .contains("3 readings of at least 4");
        assertThat(flat(10).wants().get(0).sentence()).contains("1 reading of at least 4");
        assertThat(flat(10, 20, 30).wants().get(0).due()).contains(40 * 60_000L);
        assertThat(flat().wants().get(0).sentence()).contains("no reading yet");
        assertThat(flat().begunAt()).isEmpty();
        assertThat(flat(10, 20, 30).begunAt()).contains(600_000L);
    }

    @Test
    void noGapLongerThanAThirdOrAQuarterOfAnHour() {
        assertThat(Soak.longestGap(30)).isEqualTo(10);
        assertThat(Soak.longestGap(45)).isEqualTo(15);
        assertThat(Soak.longestGap(120)).isEqualTo(15);
        assertThat(fine(flat(10, 20.5, 31, 41.5))).isTrue();
        Soak late = flat(10, 20, 35.6, 45, 55);
        assertThat(fine(late)).isFalse();
        assertThat(late.again()).singleElement().satisfies(a -> {
            assertThat(a.why()).isEqualTo(Why.GAP);
            assertThat(a.sentence()).contains("16 min (15 min at most)");
        });
    }

    /** A reading that came late makes the soak three times its gap long; the newest part without it is as good. */
    @Test
    void aLongerGapLengthensIt() {
        Soak short30 = flat(10, 22, 31, 40);
        assertThat(short30.whole()).isFalse();
        assertThat(short30.again()).isEmpty();
        assertThat(short30.minutes()).isEqualTo(36);
        assertThat(short30.wants().get(0).sentence()).contains("30 of 36 min").contains("longer for the gap");
        assertThat(fine(flat(10, 22, 31, 40, 46))).isTrue();
        assertThat(fine(flat(10, 22, 31, 40, 45.6))).isFalse();
        assertThat(fine(flat(10, 25, 35, 45))).isFalse();
        assertThat(fine(flat(10, 25, 35, 45, 55))).isTrue();
        assertThat(flat(10, 25, 35, 45, 55).minutes())
                .as("the newest thirty minutes have no gap")
                .isEqualTo(30);
        assertThat(flat(10, 20, 30, 40).minutes()).isEqualTo(30);
    }

    @Test
    void theNewestPartThatSpansItCounts() {
        Soak soak = flat(10, 20, 30, 40, 50, 60);
        assertThat(soak.window()).hasSize(4);
        assertThat(soak.begunAt()).contains(30 * 60_000L);
    }

    @ParameterizedTest
    @CsvSource({"41.19, true", "41.21, false", "38.81, true", "38.79, false"})
    void aJumpOfThreePerCentBeginsItAgain(double milli, boolean whole) {
        Soak soak = soak(List.of(at(10, 40), at(20, milli), at(30, milli), at(40, milli)));
        assertThat(soak.whole()).isEqualTo(whole);
        assertThat(soak.again().isEmpty()).isEqualTo(whole);
    }

    @Test
    void coarseDigitsAllowAWiderJump() {
        List<SoakReading> coarse = List.of(
                reading(10, 40, 0.02, 230, Level.BELOW),
                reading(20, 41.5, 0.02, 230, Level.BELOW),
                reading(30, 41.5, 0.02, 230, Level.BELOW),
                reading(40, 41.5, 0.02, 230, Level.BELOW));
        assertThat(soak(coarse).whole()).isTrue();
        assertThat(soak(coarse).wants()).anyMatch(w -> w.sentence().contains("Type every digit"));
    }

    @ParameterizedTest
    @CsvSource({"0.005, true", "0.0051, false"})
    void theLastDigitIsAtMostHalfAPerCent(double digit, boolean passes) {
        List<SoakReading> readings = new ArrayList<>();
        for (double m : new double[] {10, 20, 30, 40}) {
            readings.add(reading(m, 40, digit, 230, Level.BELOW));
        }
        assertThat(fine(soak(readings))).isEqualTo(passes);
    }

    /** A straight line through the soak, so much in 30 min. */
    @ParameterizedTest
    @CsvSource({"1.19, true", "1.23, false", "-1.98, true", "-2.05, false"})
    void mayRiseByOnePointTwoAndFallByTwoPerCentInHalfAnHour(double percent, boolean passes) {
        List<SoakReading> readings = new ArrayList<>();
        for (int i = 0; i <= 6; i++) {
            readings.add(at(10 + 5 * i, 40 * (1 + percent / 100 * i / 6)));
        }
        Soak soak = soak(readings);
        assertThat(soak.wants().stream().noneMatch(w -> w.sentence().contains("in 30 min")))
                .isEqualTo(passes);
        if (!passes) {
            assertThat(soak.wants().get(0).sentence()).contains(percent > 0 ? "rises 1.2 %" : "falls 2.1 %");
        }
    }

    @ParameterizedTest
    @CsvSource({"40.23, true", "40.25, false", "39.77, true", "39.75, false"})
    void theLastOneLiesWithinSixTenthsOfTheThreeBeforeIt(double milli, boolean passes) {
        Soak soak = soak(List.of(at(10, 40), at(20, 40), at(30, 40), at(40, milli)));
        assertThat(soak.wants().stream().noneMatch(w -> w.sentence().contains("off the three before")))
                .isEqualTo(passes);
    }

    @Test
    void currentsAreCarriedToOneMains() {
        List<SoakReading> readings = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            double mains = 226 + 3 * i;
            readings.add(reading(10 + 10 * i, 40 * Math.pow(mains / 226, 1.5), 0.001, mains, Level.BELOW));
        }
        assertThat(fine(soak(readings))).isTrue();
        assertThat(soak(readings).carried()).isTrue();
        List<SoakReading> unmoved = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            unmoved.add(reading(10 + 10 * i, 40, 0.001, 226 + 1.5 * i, Level.BELOW));
        }
        assertThat(soak(unmoved).wants()).anyMatch(w -> w.sentence().contains("falls"));
    }

    @Test
    void aWideExponentAndAMovingMainsCannotBeToldApart() {
        List<SoakReading> readings = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            double mains = 230 + i;
            readings.add(reading(10 + 10 * i, 40 * Math.pow(mains / 230, 4.5), 0.001, mains, Level.BELOW));
        }
        Soak held = Soak.of("V1", readings, List.of(), new Band(3, 4.5, 7), 30);
        assertThat(held.whole()).isTrue();
        assertThat(held.wants().get(0).sentence()).contains("as far as can be told");
    }

    @Test
    void mainsReadFarFromAnEndIsNotCarried() {
        List<SoakReading> readings = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            long at = (10 + 10 * i) * 60_000L;
            readings.add(new SoakReading(at, 0.04, 0.001, Optional.of(new MainsReading(600_000, 230)), Level.BELOW));
        }
        assertThat(soak(readings).carried()).isFalse();
        assertThat(fine(soak(readings))).isTrue();
        readings.set(
                3,
                new SoakReading(
                        2_400_000, 0.04, 0.001, Optional.of(new MainsReading(2_400_000 - 900_000, 230)), Level.BELOW));
        assertThat(soak(readings).carried()).isTrue();
        readings.set(
                3,
                new SoakReading(
                        2_400_000, 0.04, 0.001, Optional.of(new MainsReading(2_400_000 - 900_001, 230)), Level.BELOW));
        assertThat(soak(readings).carried()).isFalse();
    }

    @Test
    void aReadingAtALimitBeginsItAgainAfterIt() {
        for (Level level : List.of(Level.TOUCHING, Level.ABOVE)) {
            List<SoakReading> readings = new ArrayList<>();
            for (int i = 0; i < 5; i++) {
                readings.add(reading(10 + 10 * i, 40, 0.001, 230, i == 1 ? level : Level.BELOW));
            }
            Soak soak = soak(readings);
            assertThat(soak.whole()).isFalse();
            assertThat(soak.begunAt()).contains(30 * 60_000L);
            assertThat(soak.again().get(0).why()).isEqualTo(level == Level.ABOVE ? Why.ABOVE : Why.TOUCHING);
            assertThat(soak.again().get(0).sentence()).contains("40.0 mA");
        }
    }

    @Test
    void whatCameFromOutsideBeginsItAgain() {
        List<SoakReading> readings = List.of(at(10, 40), at(20, 40), at(30, 40), at(40, 40));
        Again before = new Again(15 * 60_000L, Why.AMENDED, "a");
        Soak soak = Soak.of("V1", readings, List.of(before), FOLLOWS, 30);
        assertThat(soak.whole()).isFalse();
        assertThat(soak.begunAt()).contains(20 * 60_000L);
        Again same = new Again(20 * 60_000L, Why.CAUSE, "c");
        assertThat(Soak.of("V1", readings, List.of(same), FOLLOWS, 30).begunAt())
                .contains(20 * 60_000L);
        Again after = new Again(41 * 60_000L, Why.CAUSE, "b");
        Soak none = Soak.of("V1", readings, List.of(after), FOLLOWS, 30);
        assertThat(none.window()).isEmpty();
        assertThat(none.again()).containsExactly(after);
        Again early = new Again(60_000L, Why.CAUSE, "d");
        assertThat(fine(Soak.of("V1", readings, List.of(early), FOLLOWS, 30))).isTrue();
    }

    @Test
    void theRobustLineIsTheMedianOfAllPairs() {
        List<Sample> samples = List.of(new Sample(0, 1), new Sample(1, 2), new Sample(2, 3), new Sample(3, 40));
        assertThat(RobustLine.slope(samples)).isCloseTo((1 + 13) / 2.0, within(1e-9));
        assertThat(RobustLine.slope(List.of(new Sample(0, 1)))).isZero();
        assertThat(RobustLine.slope(List.of(new Sample(1, 1), new Sample(1, 5))))
                .isZero();
        assertThat(RobustLine.median(List.of(3.0, 1.0, 2.0))).isEqualTo(2);
        assertThat(RobustLine.median(List.of(4.0, 1.0, 2.0, 3.0))).isEqualTo(2.5);
    }

    @Test
    void oneReadingThatIsOffIsNoCreep() {
        assertThat(Drift.creeps("V1", line(40, 40, 40, 60))).isFalse();
        assertThat(Drift.creeps("V1", line(40, 40, 40, 60, 40))).isFalse();
        assertThat(Drift.creeps("V1", line(40, 40.5, 41.1, 41.9))).isTrue();
        assertThat(Drift.creeps("V1", line(40, 40.5, 41.1))).isFalse();
        assertThat(Drift.creeps("V1", line(40, 40, 40, 40))).isFalse();
    }

    private static List<Sample> line(double... milli) {
        List<Sample> samples = new ArrayList<>();
        for (double m : milli) {
            samples.add(new Sample(10 + 6 * samples.size(), m / 1000));
        }
        return samples;
    }
}
