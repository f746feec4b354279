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
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.BiasTold;
import yellowrail.core.session.events.Chose;
import yellowrail.core.session.events.ClosedUnsigned;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Exchanged;
import yellowrail.core.session.events.Heard;
import yellowrail.core.session.events.Labelled;
import yellowrail.core.session.events.Noted;
import yellowrail.core.session.events.Placed;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.events.Turned;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.session.stops.TubesIn;

/** What a session refuses, one rule at a time, and what it takes instead. */
class RulesTest {
    private static Bench of(BiasScheme bias, Purpose purpose) {
        return new Bench(Plan.usual(Bench.amp(bias, ControlLayout.PER_TUBE, 2, false), purpose, Meter.FINE));
    }

    @ParameterizedTest
    @CsvSource({"A, true", "H, true", "I, false", "a, false", "AB, false"})
    void aSettingIsLabelledByOneLetter(String label, boolean taken) {
        Bench bench = Bench.pair(Purpose.EXPERIMENT).poweredUp();
        assertThat(bench.tell(new Labelled(label, false)).isEmpty()).isEqualTo(taken);
    }

    @Test
    void whatWasNotLabelledCannotBeHeardOrChosen() {
        Bench bench = Bench.pair(Purpose.EXPERIMENT).poweredUp();
        assertThat(bench.tell(new Heard("A", "softer")).orElseThrow()).contains("No setting was labelled “A”");
        bench.did(new Labelled("A", false));
        assertThat(bench.tell(new Heard("A", " ")).orElseThrow()).contains("Say what was heard");
        bench.did(new Heard("A", "softer")).did(new Chose("A"));
        assertThat(bench.tell(new Chose("B")).orElseThrow()).contains("No setting was labelled “B”");
    }

    @ParameterizedTest
    @CsvSource({
        "FIXED_UNKNOWN, FIXED_TRACKING, ''",
        "FIXED_UNKNOWN, FIXED_CONSTANT, ''",
        "FIXED_UNKNOWN, CATHODE, 'Fixed bias follows the mains, or comes from a regulated supply.'",
        "FIXED_TRACKING, FIXED_CONSTANT, 'description says how it is biased'"
    })
    void theBiasIsToldOnceAndOnlyWhereItIsOpen(BiasScheme described, BiasScheme told, String sentence) {
        assertThat(of(described, Purpose.YEARLY_CHECK).tell(new BiasTold(told)).orElse(""))
                .contains(sentence)
                .matches(s -> !sentence.isEmpty() || s.isEmpty());
    }

    @Test
    void aControlThatTheAmpHasNotIsNamedWithThoseItHas() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp();
        assertThat(bench.tell(new Turned("level", Optional.empty(), "")).orElseThrow())
                .isEqualTo("This amp has no “level”; it has V1 control, V2 control.");
        Bench none = new Bench(Plan.usual(
                Bench.amp(BiasScheme.FIXED_TRACKING, ControlLayout.NONE, 2, false), Purpose.YEARLY_CHECK, Meter.FINE));
        assertThat(none.poweredUp()
                        .tell(new Turned("level", Optional.empty(), ""))
                        .orElseThrow())
                .isEqualTo("This amp has no “level”.");
    }

    @Test
    void afterSigningOrClosingNothingIsTaken() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK);
        assertThat(bench.session.over()).isFalse();
        bench.did(new Declared(Power.OFF)).did(new ClosedUnsigned("tomorrow"));
        assertThat(bench.session.over()).isTrue();
        assertThat(bench.tell(new Noted(Noted.Topic.HUM, "x")).orElseThrow()).contains("closed without a sheet");
    }

    @Test
    void beforeTheFirstPowerOnItIsDrainedOrTheStopIsSkipped() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).preflight();
        assertThat(Declared.waits(bench.session, Power.ON_TUBES_IN, bench.now).orElseThrow())
                .startsWith("Drained is not done");
        bench.did(new Skipped(Stops.DRAINED, "adaptors")).did(new Declared(Power.ON_TUBES_IN));
        bench.minutes(1).did(new Declared(Power.OFF)).minutes(1).did(new Declared(Power.ON_TUBES_IN));
    }

    @Test
    void newTubesAreSeatedBeforePower() {
        Bench bench =
                Bench.pair(Purpose.NEW_TUBES).preflight().enters(Stops.DRAINED).drained();
        bench.did(new Skipped(Stops.TUBES_OUT, "known amp"));
        assertThat(Declared.waits(bench.session, Power.ON_TUBES_IN, bench.now).orElseThrow())
                .contains("key and seat");
        bench.did(new Placed("V1", "T-1")).did(new Placed("V2", "T-2")).ticks(TubesIn.KEYS);
        bench.did(new Declared(Power.ON_TUBES_IN));
        assertThat(bench.session.seating().labels()).isEqualTo(Map.of("V1", "T-1", "V2", "T-2"));
    }

    @Test
    void anExcursionOfLastTimeIsClosedByItsOwnTubeAlone() {
        Plan plan = Plan.usual(
                        Bench.amp(BiasScheme.FIXED_TRACKING, ControlLayout.PER_TUBE, 2, false),
                        Purpose.NEW_TUBES,
                        Meter.FINE)
                .after(Map.of(), List.of(new CarriedFinding(Finding.Code.EXCURSION, "V1", "", 5, "V1 read 75 mA.")));
        Bench bench = new Bench(plan);
        bench.preflight().enters(Stops.DRAINED).drained();
        assertThat(open(bench)).isTrue();
        bench.did(new Placed("V2", "T-2"));
        assertThat(open(bench)).isTrue();
        bench.did(new Exchanged("V1", "V2"));
        assertThat(open(bench)).isFalse();
    }

    private static boolean open(Bench bench) {
        return FindingList.of(bench.session, bench.judged()).stream()
                .anyMatch(f -> f.code() == Finding.Code.EXCURSION && f.open());
    }

    @Test
    void plateVoltsThatMovedBesideAMainsReadOnceAreSaidWithHowFar() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp().enters(Stops.WARM_UP);
        bench.minutes(10);
        double volts = 398;
        for (int i = 0; i < 5; i++) {
            bench.reads(Quantity.PLATE, "V1", volts)
                    .reads(Quantity.CURRENT, "V1", 0.31)
                    .reads(Quantity.PLATE, "V2", 398)
                    .reads(Quantity.CURRENT, "V2", 0.31)
                    .minutes(9);
            volts += 1.5;
        }
        assertThat(bench.outcome().proof().open())
                .anyMatch(w -> w.startsWith("V1: plate volts moved 1.5 % and the mains was not read beside them"))
                .noneMatch(w -> w.startsWith("V2: plate volts moved"));
    }

    /** A point beside a reading of the whole amp would be ignored. */
    @ParameterizedTest
    @CsvSource({"MAINS, V1", "HEATER, V1", "CHOKE, reservoir", "OUTPUT_VOLTS, V2"})
    void aReadingOfTheWholeAmpHasNoPoint(Quantity quantity, String point) {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp();
        Typed volts = Typed.of(6.3, Unit.VOLT);
        assertThat(bench.tell(Read.of(quantity, point, volts)).orElseThrow()).contains("leave the point empty");
        assertThat(bench.tell(Read.of(quantity, "", volts))).isEmpty();
    }
}
