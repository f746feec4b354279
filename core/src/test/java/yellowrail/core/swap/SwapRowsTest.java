package yellowrail.core.swap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.StageIdle;
import yellowrail.core.stage.StageSolver;
import yellowrail.core.swap.Chassis.BiasControl;
import yellowrail.core.swap.Chassis.CathodeParts;
import yellowrail.core.swap.Chassis.GridCircuit;
import yellowrail.core.swap.Chassis.HeaterWinding;
import yellowrail.core.swap.Chassis.HighTension;
import yellowrail.core.swap.Chassis.Output;
import yellowrail.core.tube.Connection;

/** Every row with its verdicts, each case with figures worked by hand or solved apart. */
class SwapRowsTest {
    private static final Present PAIR = Swaps.fixed("6L6GC", 2, 400, 4200, 0.6);
    private static final Present CATHODE = Swaps.cathode("EL84", 2, 300, 8000, 142);
    private static final Present SINGLE = Swaps.single("6V6GT", 275, 5000, 390);

    private static Optional<Double> figure(Double value) {
        return Optional.ofNullable(value);
    }

    private static SwapRow row(Present present, String candidate, Chassis chassis, Criterion criterion) {
        return Swaps.row(Swaps.sheet(present, candidate, chassis), criterion);
    }

    /** Four tubes of 0.82 A by four of 1.35 A on a winding of 4.4 A that also feeds 0.6 A, as types near them: 0.9 and 1.5 A. */
    @ParameterizedTest(name = "{0} x {1} on {2} A and {3} A for others, reserve {4}, {5} channels: {6}")
    @CsvSource(
            nullValues = "?",
            delimiter = '|',
            value = {
                "4 | EL34  | 4.4 | 0.6 | 0    | 1 | FAIL    | 6.60 A of 4.40 A: 2.20 A over; with the present tubes it is 4.20 A",
                "4 | EL34  | 6.6 | 0.6 | 0    | 1 | PASS    | 0.00 A are left",
                "4 | EL34  | 6.6 | 0.6 | 0.05 | 1 | FAIL    | 6.60 A of 6.27 A",
                "4 | EL34  | ?   | 0.6 | 0    | 1 | UNKNOWN | What the heater winding may give is not answered",
                "4 | EL34  | 9.0 | ?   | 0    | 1 | UNKNOWN | What else hangs on the heater winding",
                "4 | 6V6GT | ?   | ?   | 0    | 1 | UNKNOWN | 11 W less than now",
                "2 | EL34  | 6.0 | 0.6 | 0    | 2 | FAIL    | 4 × 1.50 A and 0.60 A for other heaters make 6.60 A",
                "4 | KT120 | 9.0 | 0.6 | 0    | 1 | NOTE    | to be verified",
                "4 | 300B  | 9.0 | 0.6 | 0    | 1 | FAIL    | takes 5 V, the winding gives 6.3 V",
            })
    void heater(
            int tubes,
            String type,
            Double winding,
            Double others,
            double reserve,
            int channels,
            SwapVerdict verdict,
            String said) {
        Chassis chassis = Around.with(new HeaterWinding(figure(winding), figure(others), reserve))
                .channels(channels);
        SwapRow row = row(Swaps.fixed("6L6GC", tubes, 400, 4200, 0.6), type, chassis, Criterion.HEATER);
        assertThat(row.reason()).contains(said);
        assertThat(row.verdict()).isEqualTo(verdict);
    }

    @ParameterizedTest(name = "{0} Ω shared by {1}: {2}")
    @CsvSource(
            nullValues = "?",
            delimiter = '|',
            value = {
                "50e3  | 1 | 6550  | PASS    | 50 kΩ of 50 kΩ with fixed bias",
                "51e3  | 1 | 6550  | FAIL    | 51 kΩ of 50 kΩ",
                "47e3  | 2 | 6550  | FAIL    | 94 kΩ of 50 kΩ with fixed bias; the current of 2 tubes",
                "220e3 | 1 | 6L6GC | FAIL    | 220 kΩ of 100 kΩ",
                "?     | 1 | 6L6GC | UNKNOWN | The grid resistor is not answered",
                "100e3 | 1 | KT66  | UNKNOWN | is not known here",
                "100e3 | 1 | KT88  | NOTE    | to be verified",
            })
    void gridCircuit(Double ohms, int sharing, String type, SwapVerdict verdict, String said) {
        Chassis chassis = Around.with(new GridCircuit(figure(ohms), Optional.of(sharing)));
        SwapRow row = row(PAIR, type, chassis, Criterion.GRID_CIRCUIT);
        assertThat(row.reason()).contains(said);
        assertThat(row.verdict()).isEqualTo(verdict);
    }

    /** Of parallel tubes it is asked how many hang on one; a pair's cannot share. */
    @Test
    void whetherParallelTubesShareIsAsked() {
        Chassis unsaid = Around.with(new GridCircuit(Optional.of(47e3), Optional.empty()));
        Present four = Swaps.fixed("6L6GC", 4, 400, 2100, 0.6);
        assertThat(row(four, "6L6GC", unsaid, Criterion.GRID_CIRCUIT).verdict()).isEqualTo(SwapVerdict.UNKNOWN);
        assertThat(row(PAIR, "6L6GC", unsaid, Criterion.GRID_CIRCUIT).verdict()).isEqualTo(SwapVerdict.PASS);
    }

    @ParameterizedTest(name = "taps {0}: {1}")
    @CsvSource(
            nullValues = "?",
            value = {"true, NOTE", "false, FAIL", "?, UNKNOWN"})
    void ultralinearAsksForItsTaps(Boolean taps, SwapVerdict verdict) {
        SwapCandidate c = Swaps.candidate(PAIR, "6L6GC");
        SwapCandidate ultralinear = new SwapCandidate(
                c.type(), c.editions(), c.curves(), 2, Connection.ULTRALINEAR, 0.43, 0.6, Optional.empty());
        Chassis chassis = Around.with(new Output(Optional.empty(), Optional.ofNullable(taps)));
        SwapSheet sheet = SwapSheet.of(new SwapQuestion(PAIR, chassis, ultralinear));
        assertThat(Swaps.row(sheet, Criterion.CONNECTION).verdict()).isEqualTo(verdict);
        assertThat(Swaps.sheet(PAIR, "6L6GC", chassis).rows()).noneMatch(r -> r.criterion() == Criterion.CONNECTION);
    }

    /** The same resistor is judged otherwise with cathode bias. */
    @Test
    void gridCircuitGoesByTheBias() {
        Chassis chassis = Around.with(new GridCircuit(Optional.of(470e3), Optional.of(1)));
        assertThat(row(CATHODE, "EL84", chassis, Criterion.GRID_CIRCUIT).verdict())
                .isEqualTo(SwapVerdict.PASS);
        assertThat(row(Swaps.fixed("EL84", 2, 300, 8000, 0.6), "EL84", chassis, Criterion.GRID_CIRCUIT)
                        .verdict())
                .isEqualTo(SwapVerdict.FAIL);
    }

    /** Ends are set from what the stage needs: solved apart, by the stage's own function. */
    @ParameterizedTest(name = "cold end {0} V and hot end {1} V from what is needed: {2}")
    @CsvSource(
            nullValues = "?",
            delimiter = '|',
            value = {
                "-10 | 10  | PASS    | the control gives",
                "-3.2| 10  | NOTE    | for a strong tube",
                "-10 | 3.2 | NOTE    | for a weak tube",
                "-0.5| 10  | UNKNOWN | for a typical tube it is too close to call",
                "-10 | 0.5 | UNKNOWN | for a typical tube it is too close to call",
                "4   | 20  | FAIL    | The cold end is short by",
                "-20 | -4  | FAIL    | The hot end is short by",
                "?   | 10  | UNKNOWN | is not answered",
            })
    void biasRange(Double cold, Double hot, SwapVerdict verdict, String said) {
        SwapQuestion question = new SwapQuestion(PAIR, Around.generous(), Swaps.candidate(PAIR, "KT88"));
        double needed =
                StageIdle.at(SolvedStage.tubed(question), 0.6 * 35).biasing().gridA();
        Chassis chassis = Around.with(
                new BiasControl(figure(cold).map(c -> needed + c), figure(hot).map(h -> needed + h)));
        SwapRow row = row(PAIR, "KT88", chassis, Criterion.BIAS_RANGE);
        assertThat(row.reason()).contains(said).contains("With the bias where it is now");
        assertThat(row.verdict()).isEqualTo(verdict);
    }

    @Test
    void cathodeBiasLandsWhereItsResistorPutsIt() {
        SwapSheet sheet = Swaps.sheet(CATHODE, "EL84", Around.generous());
        double share = StageIdle.watts(CATHODE.stage()) / 12;
        assertThat(sheet.after().orElseThrow().drive().idle().hottestPlateWatts())
                .isCloseTo(12 * share, within(1e-6));
        SwapRow same = Swaps.row(sheet, Criterion.CATHODE_RESISTOR);
        assertThat(same.verdict()).isEqualTo(SwapVerdict.PASS);
        assertThat(same.reason()).contains("On 142 Ω it idles at " + Math.round(100 * share) + " % of its rating");
        SwapCandidate candidate = Swaps.candidate(CATHODE, "EL84");
        SwapCandidate other = new SwapCandidate(
                candidate.type(),
                candidate.editions(),
                candidate.curves(),
                2,
                Connection.PENTODE,
                0.5,
                candidate.idleShare(),
                Optional.of(220.0));
        SwapSheet colder = SwapSheet.of(new SwapQuestion(CATHODE, Around.generous(), other));
        assertThat(Swaps.row(colder, Criterion.CATHODE_RESISTOR).verdict()).isEqualTo(SwapVerdict.NOTE);
        assertThat(Swaps.row(colder, Criterion.CATHODE_RESISTOR).reason())
                .contains("On 220 Ω")
                .contains("takes about 150 Ω")
                .contains("replaces the fitted 142 Ω");
        assertThat(colder.after().orElseThrow().drive().idle().hottestPlateWatts())
                .isEqualTo(StageIdle.watts(CATHODE.stage().biased(Biasing.cathode(220, true))), within(1e-6));
    }

    @ParameterizedTest(name = "{0} W and {1} V at the cathode: {2}")
    @CsvSource(
            nullValues = "?",
            delimiter = '|',
            value = {
                "5   | 50 | PASS    | at the resistor rated for 5 W",
                "3   | 50 | NOTE    | at the resistor rated for 3 W",
                "1   | 50 | FAIL    | at the resistor rated for 1 W",
                "5   | 16 | NOTE    | at the bypass capacitor rated for 16 V",
                "5   | 10 | FAIL    | at the bypass capacitor rated for 10 V",
                "5   | 0  | PASS    | at the resistor rated for 5 W",
                "5   | ?  | UNKNOWN | what the parts stand is not answered",
            })
    void cathodeParts(Double watts, Double volts, SwapVerdict verdict, String said) {
        Chassis chassis = Around.with(new CathodeParts(figure(watts), figure(volts)));
        SwapRow row = row(CATHODE, "EL84", chassis, Criterion.CATHODE_PARTS);
        assertThat(row.reason()).contains(said);
        assertThat(row.verdict()).isEqualTo(verdict);
    }

    @ParameterizedTest(name = "supply {0} A, choke {1} A, others {2} A, {3} channels: {4}")
    @CsvSource(
            nullValues = "?",
            delimiter = '|',
            value = {
                "0.5  | 0    | 0.02 | 1 | PASS    | winding and rectifier 500 mA",
                "0.5  | 0.1  | 0.02 | 1 | FAIL    | choke 100 mA: over it by",
                "0.25 | 0    | 0.02 | 2 | FAIL    | winding and rectifier 250 mA: over it by",
                "?    | 0    | 0.02 | 1 | UNKNOWN | is not answered",
                "0.5  | ?    | 0.02 | 1 | UNKNOWN | is not answered",
                "0.5  | 0    | ?    | 1 | UNKNOWN | is not answered",
            })
    void supplyCurrent(Double winding, Double choke, Double others, int channels, SwapVerdict verdict, String said) {
        Chassis chassis = Around.with(new HighTension(figure(winding), figure(choke), figure(others)))
                .channels(channels);
        SwapRow row = row(PAIR, "6L6GC", chassis, Criterion.SUPPLY_CURRENT);
        assertThat(row.reason()).contains(said);
        assertThat(row.verdict()).isEqualTo(verdict);
    }

    /** A limit inside the model's band is never called kept. */
    @Test
    void currentInsideItsBandIsTooCloseToCall() {
        double drawn = SolvedStage.supplyAmperes(Swaps.sheet(PAIR, "6L6GC", Around.generous())
                .after()
                .orElseThrow()
                .drive());
        Chassis chassis = Around.with(new HighTension(Optional.of(1.01 * drawn), Optional.of(0.0), Optional.of(0.0)));
        SwapRow row = row(PAIR, "6L6GC", chassis, Criterion.SUPPLY_CURRENT);
        assertThat(row.verdict()).isEqualTo(SwapVerdict.UNKNOWN);
        assertThat(row.reason()).contains("too close to call");
    }

    @ParameterizedTest(name = "core rated for {0} A: {1}")
    @CsvSource(
            nullValues = "?",
            delimiter = '|',
            value = {"0.1 | PASS", "0.02 | FAIL", "? | UNKNOWN"})
    void coreCurrentOfASingleEndedStage(Double rated, SwapVerdict verdict) {
        Chassis chassis = Around.with(new Output(figure(rated), Optional.empty()));
        assertThat(row(SINGLE, "6V6GT", chassis, Criterion.CORE_CURRENT).verdict())
                .isEqualTo(verdict);
        assertThat(Swaps.sheet(PAIR, "6L6GC", chassis).rows()).noneMatch(r -> r.criterion() == Criterion.CORE_CURRENT);
    }

    /** More swing than the present tubes take is not known to be there; power with the old swing is solved apart. */
    @Test
    void driveBeyondTheOldSwingIsANote() {
        SwapSheet sheet = Swaps.sheet(PAIR, "KT88", Around.generous());
        SwapRow row = Swaps.row(sheet, Criterion.DRIVE);
        double old = sheet.before().orElseThrow().drive().full().drive();
        assertThat(row.verdict()).isEqualTo(SwapVerdict.NOTE);
        double watts =
                new StageSolver(sheet.after().orElseThrow().stage()).driven(old).watts();
        assertThat(row.reason()).contains("with the old swing it comes to " + String.format("%.1f W", watts));
        assertThat(row(PAIR, "6L6GC", Around.generous(), Criterion.DRIVE).verdict())
                .isEqualTo(SwapVerdict.PASS);
    }

    /** A load far from any published for the type, and with most power elsewhere, is a note with both figures. */
    @Test
    void loadOfOtherTubesIsANote() {
        assertThat(row(Swaps.fixed("6L6GC", 2, 460, 4200, 0.6), "6L6GC", Around.generous(), Criterion.LOAD)
                        .verdict())
                .isEqualTo(SwapVerdict.PASS);
        SwapRow row = row(Swaps.fixed("6L6GC", 2, 350, 4200, 0.5), "6V6GT", Around.generous(), Criterion.LOAD);
        assertThat(row.verdict()).isEqualTo(SwapVerdict.NOTE);
        assertThat(row.reason()).contains("it belongs to other tubes").contains("another load gives up to");
    }

    /** What cannot be a stage is refused with its reason, and nothing that follows from it is called good. */
    @Test
    void tubesThatMakeNoStageAreUnknown() {
        SwapCandidate c = Swaps.candidate(PAIR, "6L6GC");
        SwapCandidate three = new SwapCandidate(
                c.type(), c.editions(), c.curves(), 3, Connection.PENTODE, 0.5, 0.6, Optional.empty());
        SwapSheet sheet = SwapSheet.of(new SwapQuestion(PAIR, Around.generous(), three));
        assertThat(sheet.overall()).isEqualTo(SwapVerdict.UNKNOWN);
        assertThat(sheet.trouble()).contains("3 tubes do not make a push-pull stage");
        assertThat(sheet.power()).contains("does not by itself raise output power");
        org.junit.jupiter.api.Assertions.assertThrows(
                NoSolution.class, () -> SolvedStage.tubed(new SwapQuestion(PAIR, Around.generous(), three)));
    }
}
