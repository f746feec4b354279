package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.stops.Stops;

/** Limits to the last digit: what a plan takes, and how long a reading of the mains stands for others. */
class PlanLimitsTest {
    @ParameterizedTest
    @CsvSource({"0.99, false", "1, true", "30, true", "30.01, false"})
    void handsGoInFromOneToThirtyVolts(double volts, boolean taken) {
        assertThat(Plan.handsRefusal(volts).isEmpty()).isEqualTo(taken);
    }

    @ParameterizedTest
    @CsvSource({"9.99, false", "10, true", "1440, true", "1440.1, false"})
    void aSoakSpansTenMinutesToADay(double minutes, boolean taken) {
        assertThat(Plan.soakRefusal(minutes).isEmpty()).isEqualTo(taken);
    }

    @ParameterizedTest
    @CsvSource({"0, 10, false", "0.1, 10, true", "10, 10, true", "10.1, 10, false", "5, 25, true", "5, 25.1, false"})
    void heaterBandsRise(double amber, double red, boolean taken) {
        assertThat(Plan.heaterRefusal(amber, red).isEmpty()).isEqualTo(taken);
    }

    private static Bench warm() {
        return Bench.pair(Purpose.YEARLY_CHECK)
                .poweredUp()
                .enters(Stops.WARM_UP)
                .minutes(12);
    }

    private static Optional<Double> mains(Bench bench) {
        return bench.judged().present().isEmpty()
                ? Optional.empty()
                : bench.judged().presentReadings().flatMap(r -> r.mains());
    }

    /** Milliseconds between the mains and the last current. */
    @ParameterizedTest
    @CsvSource({"3600000, true", "3600001, false"})
    void aMainsReadingStandsForAnHour(long millis, boolean stands) {
        Bench bench = warm();
        // The one of the power-on is older by minutes and stands even less.
        bench.reads(Quantity.MAINS, "", 231);
        bench.now += millis;
        bench.round(31.6, 31.4, 397);
        assertThat(mains(bench).isPresent()).isEqualTo(stands);
    }

    /** Two readings of one moment: the later entry holds. */
    @ParameterizedTest
    @CsvSource({"231, 234", "234, 231"})
    void ofTwoMainsReadingsOfOneMomentTheLaterHolds(double first, double second) {
        Bench bench = warm();
        bench.reads(Quantity.MAINS, "", first).reads(Quantity.MAINS, "", second).round(31.6, 31.4, 397);
        assertThat(mains(bench)).contains(second);
    }

    /** Screen volts stand beside a current for ten minutes. */
    @ParameterizedTest
    @CsvSource({"600000, true", "600001, false"})
    void whatStandsBesideACurrentCountsForTenMinutes(long millis, boolean counts) {
        Bench bench = warm();
        bench.reads(Quantity.MAINS, "", 230).reads(Quantity.SCREEN, "V1", 380);
        bench.now += millis;
        bench.round(31.6, 31.4, 397);
        assertThat(bench.judged().presentReadings().orElseThrow().screenVolts().containsKey("V1"))
                .isEqualTo(counts);
    }

    @ParameterizedTest
    @CsvSource({"true", "false"})
    void anotherPowerOnHasItsOwnMains(boolean again) {
        Bench bench = warm();
        bench.reads(Quantity.MAINS, "", 231)
                .did(new Declared(Power.OFF))
                .minutes(1)
                .drained();
        bench.did(new Declared(Power.ON_TUBES_IN)).minutes(12);
        if (again) {
            bench.reads(Quantity.MAINS, "", 229);
        }
        bench.round(31.6, 31.4, 397);
        assertThat(mains(bench)).isEqualTo(again ? Optional.of(229.0) : Optional.empty());
    }
}
