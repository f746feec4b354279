package yellowrail.core.swap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.swap.Chassis.GridCircuit;
import yellowrail.core.swap.Chassis.Rectification;
import yellowrail.core.swap.Chassis.ScreenParts;
import yellowrail.core.swap.Chassis.SocketWiring;
import yellowrail.core.tube.TubeType;

/** Parts around the tubes that a swap heats or loads otherwise. */
class PartsAroundTest {
    private static final Present PAIR = Swaps.fixed("6L6GC", 2, 400, 6600, 0.6);

    private static Optional<SwapRow> row(SwapSheet sheet, Criterion criterion) {
        return sheet.rows().stream().filter(r -> r.criterion() == criterion).findFirst();
    }

    private static SwapSheet capacitor(String now, String then, Double volts, double idle) {
        Chassis chassis = Around.with(new Rectification(
                Rectifier.find(now),
                Optional.ofNullable(then).flatMap(Rectifier::find),
                Optional.of(47e-6),
                Optional.ofNullable(volts),
                Optional.of(100.0)));
        SwapCandidate same = Swaps.candidate(PAIR, "6L6GC");
        return SwapSheet.of(new SwapQuestion(PAIR, chassis, same.idling(idle)));
    }

    @ParameterizedTest(name = "{0} by {1}, {2} V, idle {3}: {4}")
    @CsvSource(
            nullValues = "?",
            delimiter = '|',
            value = {
                "GZ34        | ?           | ?   | 0.6 | NONE    | ?",
                "solid state | ?           | ?   | 0.2 | NONE    | ?",
                "GZ34        | ?           | ?   | 0.2 | UNKNOWN | B+ rises",
                "GZ34        | solid state | ?   | 0.6 | UNKNOWN | 440 V at highest mains",
                "GZ34        | solid state | 400 | 0.6 | FAIL    | 440 V at highest mains",
                "GZ34        | solid state | 445 | 0.6 | UNKNOWN | too close to call",
                "GZ34        | solid state | 450 | 0.6 | PASS    | of 450 V",
                "GZ34        | ?           | 500 | 0.6 | PASS    | of 500 V",
                "solid state | ?           | 420 | 0.6 | FAIL    | over it",
                "solid state | GZ34        | ?   | 0.6 | NONE    | ?",
            })
    void firstCapacitor(String now, String then, Double volts, double idle, String verdict, String said) {
        Optional<SwapRow> row = row(capacitor(now, then, volts, idle), Criterion.FIRST_CAPACITOR);
        assertThat(row.map(r -> r.verdict().name()).orElse("NONE")).isEqualTo(verdict);
        row.ifPresent(r -> assertThat(r.reason()).contains(said));
        row.filter(r -> r.verdict() == SwapVerdict.FAIL)
                .ifPresent(r -> assertThat(r.mend()).contains("Capacitors for more volts"));
    }

    /** What it would have is what it is held against, and how it was worked out. */
    @Test
    void firstCapacitorShowsItsFigures() {
        SwapRow cold = row(capacitor("GZ34", "solid state", 550.0, 0.6), Criterion.FIRST_CAPACITOR)
                .orElseThrow();
        assertThat(cold.share()).isCloseTo(440.0 / 550, within(1e-9));
        assertThat(cold.formula()).contains("B+ without load, at highest mains");
        assertThat(row(capacitor("GZ34", "solid state", null, 0.6), Criterion.FIRST_CAPACITOR)
                        .orElseThrow()
                        .mend())
                .contains("Type the volts");
    }

    private static Optional<SwapRow> screens(String type, Double watts) {
        return row(
                Swaps.sheet(PAIR, type, Around.with(new ScreenParts(Optional.ofNullable(watts)))),
                Criterion.SCREEN_RESISTORS);
    }

    /** The heat by the square of the current over a cycle is more than that of its average. */
    @Test
    void screenResistors() {
        assertThat(screens("6L6GC", null)).as("nothing changes for them").isEmpty();
        Present small = Swaps.fixed("6V6GT", 2, 280, 8000, 0.7);
        SwapSheet colder = SwapSheet.of(new SwapQuestion(
                small,
                Around.with(new ScreenParts(Optional.empty())),
                Swaps.candidate(small, "6V6GT").idling(0.6)));
        assertThat(row(colder, Criterion.SCREEN_RESISTORS))
                .as("what the smallest resistor stands twice")
                .isEmpty();
        assertThat(screens("EL34", null).orElseThrow().verdict()).isEqualTo(SwapVerdict.UNKNOWN);
        assertThat(screens("EL34", null).orElseThrow().mend()).contains("or more");
        SwapSheet sheet = Swaps.sheet(PAIR, "EL34", Around.with(new ScreenParts(Optional.of(5.0))));
        SwapRow five = row(sheet, Criterion.SCREEN_RESISTORS).orElseThrow();
        double watts = 5 * five.share();
        double average = SolvedStage.cycles(sheet.after().orElseThrow().highest()).stream()
                .flatMap(c -> c.tubes().stream())
                .mapToDouble(t -> t.screenAmperes())
                .max()
                .orElseThrow();
        assertThat(watts).isBetween(1.2 * 470 * average * average, 5 * 470 * average * average);
        assertThat(five.verdict()).isEqualTo(SwapVerdict.PASS);
        assertThat(five.mend()).isEmpty();
        assertThat(screens("EL34", 1.8 * watts).orElseThrow().verdict()).isEqualTo(SwapVerdict.NOTE);
        assertThat(screens("EL34", 1.8 * watts).orElseThrow().reason()).contains("less than twice");
        assertThat(screens("EL34", 1.02 * watts).orElseThrow().verdict()).isEqualTo(SwapVerdict.UNKNOWN);
        assertThat(screens("EL34", 0.3 * watts).orElseThrow().verdict()).isEqualTo(SwapVerdict.FAIL);
        assertThat(screens("EL34", 0.3 * watts).orElseThrow().mend()).contains("or more");
    }

    @ParameterizedTest(name = "{0} V, idle {1}, {2}k: {3}")
    @CsvSource({
        "480, 0.75, 220, UNKNOWN",
        "540, 0.75, 100, NOTE",
        "540, 0.75, 470, FAIL",
        "600, 1.0, 220, FAIL",
        "300, 0.4, 220, NOTE",
        "300, 0.4, 101, NOTE",
    })
    void aLimitThatFallsWithHeat(double supply, double idle, double kiloOhms, SwapVerdict verdict) {
        Present present = Swaps.fixed("KT88", 2, supply, 4500, idle);
        SwapSheet sheet =
                Swaps.sheet(present, "KT88", Around.with(new GridCircuit(Optional.of(1e3 * kiloOhms), Optional.of(1))));
        SwapRow row = Swaps.row(sheet, Criterion.GRID_CIRCUIT);
        assertThat(row.verdict()).as(row.reason()).isEqualTo(verdict);
        if (row.reason().contains("falls")) {
            assertThat(row.reason()).contains("35 W of plate and screen the limit falls to 100 kΩ");
            assertThat(row.mend()).contains("At most 100 kΩ");
        }
    }

    /** Where nothing is computed, how hot the tube gets is not known. */
    @Test
    void aLimitThatFallsOverAnUnsolvedStage() {
        Present present = Swaps.fixed("KT88", 2, 300, 4500, 0.4);
        Chassis chassis = Around.with(new GridCircuit(Optional.of(220e3), Optional.of(1)));
        SwapQuestion question = new SwapQuestion(present, chassis, Swaps.candidate(present, "KT88"));
        assertThat(GridRow.of(question, Optional.empty()).verdict()).isEqualTo(SwapVerdict.UNKNOWN);
        assertThat(GridOhmsAbove.ALL).allMatch(g -> g.cathodeOhms() >= g.fixedOhms());
    }

    /** What is to stay free of every rating is kept by what is proposed, and said of what is asked for. */
    @Test
    void theMarginOfTheStage() {
        Present margin = new Present(
                PAIR.type(), PAIR.ratings(), PAIR.trust(), PAIR.setting(), PAIR.scheme(), 0.9, 1.1, 0.5, List.of());
        SwapCandidate asked = Swaps.candidate(PAIR, "6L6GC");
        SwapSheet sheet = SwapSheet.of(new SwapQuestion(margin, Around.generous(), asked));
        SwapRow plates = Swaps.row(sheet, Criterion.PLATE_HEAT);
        assertThat(plates.verdict()).isEqualTo(SwapVerdict.NOTE);
        assertThat(plates.reason()).contains("given 50 % of its ratings").contains("passes 15.0 W");
        SwapSheet settled = SwapSheet.of(new SwapQuestion(margin, Around.generous(), asked.idling(0.6)));
        assertThat(settled.question().candidate().idleShare()).isLessThan(0.5);
        assertThat(Swaps.row(SwapSheet.of(new SwapQuestion(PAIR, Around.generous(), asked)), Criterion.PLATE_HEAT)
                        .reason())
                .doesNotContain("given");
    }

    @ParameterizedTest(name = "4 tubes, {0} sockets: {1}")
    @CsvSource(
            nullValues = "?",
            value = {"?, UNKNOWN", "2, FAIL", "3, FAIL", "4, NOTE", "8, NOTE"})
    void moreTubesWantSockets(Integer sockets, SwapVerdict verdict) {
        SwapCandidate c = Swaps.candidate(PAIR, "6L6GC");
        SwapCandidate four =
                new SwapCandidate(c.type(), c.editions(), c.curves(), 4, c.connection(), 0.5, 0.6, Optional.empty());
        SwapRow row = PinRow.of(new SwapQuestion(
                PAIR,
                Around.with(new SocketWiring(
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        false,
                        Optional.empty(),
                        Optional.ofNullable(sockets))),
                four));
        assertThat(row.verdict()).isEqualTo(verdict);
        assertThat(row.reason()).contains("sockets");
    }

    /** Whatever else is asked, a pin that kills fails; and a type without known pins has no more sockets for being the same. */
    @Test
    void socketsHideNothing() {
        SwapCandidate c = Swaps.candidate(PAIR, "7591");
        SwapCandidate four =
                new SwapCandidate(c.type(), c.editions(), c.curves(), 4, c.connection(), 0.5, 0.6, Optional.empty());
        assertThat(PinRow.of(new SwapQuestion(PAIR, Around.generous(), four)).verdict())
                .isEqualTo(SwapVerdict.FAIL);
        Present bare = Swaps.fixed("EL84", 2, 300, 8000, 0.6);
        TubeType unknown = Swaps.type("6973");
        Present same = new Present(
                unknown, bare.ratings(), bare.trust(), bare.setting(), bare.scheme(), 0.9, 1.1, 1, List.of());
        SwapCandidate e = Swaps.candidate(bare, "EL84");
        SwapCandidate more =
                new SwapCandidate(unknown, e.editions(), e.curves(), 4, e.connection(), 0.5, 0.6, Optional.empty());
        assertThat(PinRow.of(new SwapQuestion(same, Around.generous(), more)).verdict())
                .isEqualTo(SwapVerdict.UNKNOWN);
    }

    /** With cathode bias nothing turns the tubes off: behind a slow rectifier B+ is what they leave of it. */
    @Test
    void firstCapacitorWithCathodeBias() {
        Present cathode = Swaps.cathode("6L6GC", 2, 400, 6600, 270);
        Chassis chassis = Around.with(new Rectification(
                Rectifier.find("GZ34"), Optional.empty(), Optional.of(47e-6), Optional.of(430.0), Optional.of(100.0)));
        SwapRow row = row(Swaps.sheet(cathode, "6L6GC", chassis), Criterion.FIRST_CAPACITOR)
                .orElseThrow();
        assertThat(row.share()).isLessThan(440.0 / 430);
        assertThat(row.formula()).contains("warms up with the tubes");
        assertThat(row(Swaps.sheet(PAIR, "6L6GC", chassis), Criterion.FIRST_CAPACITOR)
                        .orElseThrow()
                        .share())
                .isCloseTo(440.0 / 430, within(1e-9));
    }
}
