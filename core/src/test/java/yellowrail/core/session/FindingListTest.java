package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.reading.Meter;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.CauseFound;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Exchanged;
import yellowrail.core.session.events.Named;
import yellowrail.core.session.events.Placed;
import yellowrail.core.session.events.Turned;
import yellowrail.core.session.stops.BeforePower;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.session.stops.TubesIn;

/** What is found, where it points, and which fact closes it. */
class FindingListTest {
    private static final double[] CREEPS = {31.2, 31.6, 32.1, 32.7};

    private static List<Finding> found(Bench bench) {
        return FindingList.of(bench.session, bench.judged());
    }

    private static Finding of(Bench bench, Finding.Code code) {
        return found(bench).stream().filter(f -> f.code() == code).findFirst().orElseThrow();
    }

    private static Bench warm() {
        return Bench.pair(Purpose.YEARLY_CHECK)
                .poweredUp()
                .enters(Stops.WARM_UP)
                .minutes(11);
    }

    /** V1 steady, V2 creeping, or the other way round. */
    private static void watch(Bench bench, boolean firstCreeps, boolean secondCreeps) {
        for (double milli : CREEPS) {
            bench.reads(Quantity.MAINS, "", 230)
                    .round(firstCreeps ? milli : 31.0, secondCreeps ? milli : 31.0, 398)
                    .minutes(6);
        }
    }

    private static void exchange(Bench bench) {
        bench.did(new Declared(Power.OFF)).minutes(5).drained().ticks(BeforePower.TUBES_COOL);
        bench.did(new Exchanged("V1", "V2")).ticks(TubesIn.KEYS);
        bench.did(new Declared(Power.ON_TUBES_IN)).minutes(11);
    }

    @Test
    void aCreepPointsToItsTubeAndIsClosedByAWholeSoakOfIt() {
        Bench bench = warm();
        watch(bench, false, true);
        Finding creep = of(bench, Finding.Code.CREEP);
        assertThat(creep.about()).isEqualTo("V2");
        assertThat(creep.open()).isTrue();
        assertThat(creep.tube()).isEmpty();
        for (int i = 0; i < 5; i++) {
            bench.minutes(3)
                    .reads(Quantity.MAINS, "", 230)
                    .round(31.0, 32.7, 398)
                    .minutes(6);
        }
        assertThat(of(bench, Finding.Code.CREEP).closedBy()).contains("a whole soak since without it");
    }

    @Test
    void aTubeThatIsTakenOutTakesItsCreepAlong() {
        Bench bench = warm();
        watch(bench, false, true);
        bench.did(new Declared(Power.OFF)).minutes(5).drained().ticks(BeforePower.TUBES_COOL);
        bench.did(new Placed("V2", "T-9"));
        assertThat(of(bench, Finding.Code.CREEP).closedBy()).contains("the tube was taken out");
    }

    @ParameterizedTest
    @CsvSource({"true, false, V1, follows the tube", "false, true, V2, stays with the position", "true, true, amp, both"
    })
    void anExchangePointsToTubePositionOrBoth(boolean first, boolean second, String about, String words) {
        Bench bench = warm();
        watch(bench, false, true);
        exchange(bench);
        watch(bench, first, second);
        Finding swap = of(bench, Finding.Code.SWAP);
        assertThat(swap.about()).isEqualTo(about);
        assertThat(swap.sentence()).contains(words);
        assertThat(swap.open()).isTrue();
        bench.did(new CauseFound("SWAP/" + about, "coupling capacitor changed"));
        // Saying so does not acquit a tube: it is taken out.
        assertThat(of(bench, Finding.Code.SWAP).open()).isEqualTo(about.equals("V1"));
        bench.did(new Declared(Power.OFF)).minutes(5).drained().ticks(BeforePower.TUBES_COOL);
        bench.did(new Placed("V1", "T-9"));
        assertThat(of(bench, Finding.Code.SWAP).open()).isFalse();
    }

    @Test
    void aCreepThatIsGoneAfterTheExchangeIsNoFindingOfIt() {
        Bench bench = warm();
        watch(bench, false, true);
        exchange(bench);
        watch(bench, false, false);
        assertThat(found(bench)).noneMatch(f -> f.code() == Finding.Code.SWAP);
        assertThat(SwapResult.all(bench.session)).hasSize(1);
    }

    @Test
    void aLeakIsClosedByReadingAgainOnly() {
        Bench bench = Bench.pair(Purpose.FAULT)
                .preflight()
                .enters(Stops.DRAINED)
                .drained()
                .enters(Stops.TUBES_OUT);
        bench.did(new Declared(Power.ON_TUBES_OUT)).reads(Quantity.BIAS_NODE, "", -44.1);
        bench.reads(Quantity.GRID_LEAK_OHMS, "V2", 180e3).minutes(1).reads(Quantity.GRID_TUBE_OUT, "V2", -41.8);
        Finding leak = of(bench, Finding.Code.LEAK);
        assertThat(leak.open()).isTrue();
        bench.did(new CauseFound("LEAK/V2", "capacitor changed"));
        assertThat(of(bench, Finding.Code.LEAK).open()).isTrue();
        bench.minutes(1).reads(Quantity.GRID_TUBE_OUT, "V2", -41.9);
        assertThat(of(bench, Finding.Code.LEAK).since()).isEqualTo(leak.since());
        bench.minutes(1).reads(Quantity.GRID_TUBE_OUT, "V2", -43.9);
        assertThat(of(bench, Finding.Code.LEAK).closedBy().orElseThrow()).startsWith("read again");
        bench.minutes(1).reads(Quantity.GRID_TUBE_OUT, "V2", -41.8);
        assertThat(of(bench, Finding.Code.LEAK).open()).isTrue();
    }

    @Test
    void aContradictionIsClosedByReadingAllOfItAgain() {
        Bench bench = warm();
        bench.reads(Quantity.PLATE, "V1", 430).reads(Quantity.CURRENT, "V1", 0.3);
        bench.reads(Quantity.PLATE, "V2", 395)
                .reads(Quantity.CURRENT, "V2", 0.3)
                .minutes(1);
        assertThat(of(bench, Finding.Code.CONTRADICTION).open()).isTrue();
        bench.reads(Quantity.CURRENT, "V1", 0.3)
                .reads(Quantity.CURRENT, "V2", 0.3)
                .minutes(1);
        assertThat(of(bench, Finding.Code.CONTRADICTION).open()).isTrue();
        bench.round(31, 31, 398);
        assertThat(of(bench, Finding.Code.CONTRADICTION).closedBy()).contains("read again, and it agrees");
    }

    private static Bench carrying(CarriedFinding... carried) {
        return new Bench(Plan.usual(
                        Bench.amp(BiasScheme.FIXED_TRACKING, ControlLayout.PER_TUBE, 2, false),
                        Purpose.YEARLY_CHECK,
                        Meter.FINE)
                .after(Map.of("V2", "T7"), List.of(carried)));
    }

    @ParameterizedTest
    @CsvSource({"EXCURSION, V1", "STOPPED, amp", "CONTRADICTION, amp", "PLATE_MOVED, V2"})
    void whatIsCarriedOnIsClosedByWhatWasFound(Finding.Code code, String about) {
        Bench bench = carrying(new CarriedFinding(code, about, "", 5, "found then"));
        assertThat(found(bench)).singleElement().satisfies(f -> {
            assertThat(f.key()).isEqualTo(code + "/" + about);
            assertThat(f.open()).isTrue();
            assertThat(f.since()).isEqualTo(5);
        });
        assertThat(FindingList.carriedOn(bench.session, bench.judged())).hasSize(1);
        bench.did(new CauseFound(code + "/" + about, "a loose wire"));
        assertThat(found(bench).get(0).closedBy()).contains("a loose wire");
        assertThat(FindingList.carriedOn(bench.session, bench.judged())).isEmpty();
    }

    @Test
    void aCarriedCreepOfATubeEndsWithTheTubeOrAWholeSoak() {
        CarriedFinding creep = new CarriedFinding(Finding.Code.CREEP, "V2", "T7", 5, "V2 crept");
        Bench bench = carrying(creep);
        assertThat(bench.session.tube("V2")).isEqualTo("T7");
        bench.did(new CauseFound("CREEP/V2", "x"));
        Bench soaked = carrying(creep).poweredUp().soaked(31.6, 31.3, 398);
        assertThat(of(soaked, Finding.Code.CREEP).closedBy()).contains("a whole soak since without it");
        Bench replaced = carrying(creep).preflight().enters(Stops.DRAINED).drained();
        assertThat(of(replaced, Finding.Code.CREEP).open()).isTrue();
        replaced.did(new Placed("V2", "T8"));
        assertThat(of(replaced, Finding.Code.CREEP).closedBy()).contains("the tube was taken out");
    }

    @Test
    void aTubeThatIsGivenAnotherLabelIsNotTakenOut() {
        CarriedFinding creep = new CarriedFinding(Finding.Code.CREEP, "V2", "T7", 5, "V2 crept");
        Bench bench = carrying(creep).did(new Named("V2", "N-12"));
        assertThat(of(bench, Finding.Code.CREEP).open()).isTrue();
        // The next session knows it by its new label, and is not told that it was taken out either.
        CarriedFinding on = FindingList.carriedOn(bench.session, bench.judged()).get(0);
        assertThat(on.tube()).isEqualTo("N-12");
        Bench next = new Bench(bench.session
                .plan()
                .after(bench.session.seating().labels(), FindingList.carriedOn(bench.session, bench.judged())));
        assertThat(of(next, Finding.Code.CREEP).open()).isTrue();
        // Another tube that bears the old label is another tube.
        bench.preflight().enters(Stops.DRAINED).drained().did(new Placed("V1", "T7"));
        assertThat(of(bench, Finding.Code.CREEP).open()).isTrue();
        bench.did(new Placed("V2", "T8"));
        assertThat(of(bench, Finding.Code.CREEP).closedBy()).contains("the tube was taken out");
    }

    @Test
    void aCarriedExcursionIsAnsweredByATurn() {
        Bench bench = carrying(new CarriedFinding(Finding.Code.EXCURSION, "V1", "", 5, "hot"))
                .poweredUp();
        assertThat(of(bench, Finding.Code.EXCURSION).open()).isTrue();
        bench.did(new Turned("V1 control", Optional.empty(), ""));
        assertThat(of(bench, Finding.Code.EXCURSION).closedBy()).contains("the setting was changed afterwards");
    }
}
