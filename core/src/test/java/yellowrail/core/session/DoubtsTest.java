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
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.idle.Slip;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.LimiterSet;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.events.Turned;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.TubeType;

/** What is asked before it becomes an entry of a session, and what is taken at once. */
class DoubtsTest {
    private static Bench on() {
        return Bench.pair(Purpose.YEARLY_CHECK).poweredUp();
    }

    private static Optional<Slip> doubt(Bench bench, Read read) {
        return Doubts.of(
                bench.session,
                bench.standards.types(),
                read,
                read.quantity() == Quantity.CURRENT
                        ? bench.session.plan().amp().groups().get(0).method().field()
                        : read.quantity().field());
    }

    private static String question(Bench bench, Quantity quantity, String point, double value) {
        return doubt(bench, Bench.read(quantity, point, value))
                .map(s -> s.instead() + "|" + s.question().replace(Slip.IF_REAL, "!"))
                .orElse("taken");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "CURRENT; V1; 0.31; taken",
                "CURRENT; V1; 3.1; 310.00 mV|!3.1000 V means 312 mA, more than twice the usual for X19",
                "INDIVIDUAL; V2; 0.031; taken",
                "INDIVIDUAL; V2; 0.31; 31.000 mA|!310.00 mA is more than twice the usual",
                "PLATE; V1; 398; taken",
                "PLATE; V1; 39.8; 398 V|Volts of 39.8 V are far from what the X19 works at",
                "SCREEN; V1; 390; taken",
                "MAINS; ; 231; taken",
                "MAINS; ; 23.1; 231 V|Mains of 23.1 V beside a nominal 230 V",
                "MAINS; ; 290; |!Mains of 290 V",
                "GRID; V1; -38; taken",
                "GRID; V1; 38; −38.0 V|!Grid and bias-supply volts are negative",
                "GRID_COLDEST; V1; 55; −55.0 V|!",
                "GRID_HOTTEST; V1; 30; −30.0 V|!",
                "GRID_TUBE_OUT; V1; 40; −40.0 V|!",
                "BIAS_NODE; ; 0; |!0 V is no bias",
                "HEATER; ; 6.3; taken",
                "HEATER; ; 0.63; 6 V|Heater volts of 630 mV beside a nominal 6.3 V",
                "HEATER_UNLOADED; ; 63; 6.30 V|Heater volts of 63.0 V beside a nominal 6.3 V",
                "UNLOADED; reservoir; 440; taken",
                "UNLOADED; reservoir; 44; 440 V|Volts of 44.0 V",
                "UNLOADED; reservoir; -440; 440.0 V|A B+ node stands above the chassis",
                "UNLOADED; bias; -60; taken",
                "UNLOADED; bias; 60; −60.0 V|!Grid and bias-supply volts",
                "SENSE_OHMS; V1; 9.9; taken",
                "SENSE_OHMS; V1; 99.4; 9.94 Ω|99.4 Ω beside 9.940 Ω marked on the part",
                "RESIDUAL; reservoir; 430; taken",
                "LOAD_OHMS; ; 8; taken"
            })
    void asksOrTakes(String quantity, String point, double value, String expected) {
        assertThat(question(on(), Quantity.valueOf(quantity), point == null ? "" : point, value))
                .startsWith(expected);
    }

    @Test
    void screensAreComparedWithThePlateOfThisPowerOn() {
        Bench bench = on();
        assertThat(question(bench, Quantity.SCREEN, "V1", 39)).isEqualTo("taken");
        bench.reads(Quantity.PLATE, "V2", 398);
        assertThat(question(bench, Quantity.SCREEN, "V1", 39)).startsWith("390 V|Screen volts of 39.0 V beside 398 V");
        bench.reads(Quantity.PLATE, "V1", 130);
        assertThat(question(bench, Quantity.SCREEN, "V1", 39)).isEqualTo("taken");
        bench.did(new Declared(Power.OFF)).minutes(1).did(new Declared(Power.ON_TUBES_IN));
        assertThat(question(bench, Quantity.SCREEN, "V2", 39)).isEqualTo("taken");
    }

    @Test
    void behindALimiterOrOnAMainsTurnedDownLowVoltsAreNoSlip() {
        Bench limited = on();
        limited.did(new LimiterSet(true));
        assertThat(question(limited, Quantity.PLATE, "V1", 60)).isEqualTo("taken");
        assertThat(question(limited, Quantity.MAINS, "", 90)).isEqualTo("taken");
        assertThat(question(limited, Quantity.UNLOADED, "reservoir", 60)).isEqualTo("taken");
        Bench lowest = on().reads(Quantity.MAINS, "", 220);
        assertThat(question(lowest, Quantity.PLATE, "V1", 60)).contains("far from");
        Bench down = on().reads(Quantity.MAINS, "", 219);
        assertThat(question(down, Quantity.PLATE, "V1", 60)).isEqualTo("taken");
        down.did(new Declared(Power.OFF)).minutes(1).did(new Declared(Power.ON_TUBES_IN));
        assertThat(question(down, Quantity.PLATE, "V1", 60)).contains("far from");
    }

    @ParameterizedTest
    @CsvSource({
        "CURRENT, V1, 0.31, 0.031",
        "INDIVIDUAL, V1, 0.031, 0.0031",
        "PLATE, V1, 150, 1500",
        "SCREEN, V1, 45, 450",
        "GRID, V1, -38, -3.8"
    })
    void tenTimesWhatItWasInThisSettingIsAsked(Quantity quantity, String point, double before, double now) {
        Bench bench = on().reads(quantity, point, before);
        String asked = question(bench, quantity, point, now);
        assertThat(asked).contains("beside").contains("read there before in this setting");
        assertThat(question(bench, quantity, "V2", now)).isNotEqualTo(asked);
        bench.did(new Turned("V1 control", Optional.empty(), ""));
        assertThat(question(bench, quantity, point, now)).doesNotContain("before in this setting");
    }

    @Test
    void tenfoldOfACurrentIsDangerousAndOfAnotherQuantityIsNot() {
        Bench bench = on().reads(Quantity.CURRENT, "V1", 0.031).reads(Quantity.PLATE, "V1", 100);
        assertThat(doubt(bench, Bench.read(Quantity.CURRENT, "V1", 0.31)).orElseThrow())
                .matches(s -> s.dangerous() && s.about() == Slip.About.READING);
        assertThat(doubt(bench, Bench.read(Quantity.PLATE, "V1", 1000)).orElseThrow())
                .matches(s -> !s.dangerous() && s.about() == Slip.About.OTHER);
    }

    @Test
    void whatIsCorrectedIsNoMeasureForItsCorrection() {
        Bench bench = on().reads(Quantity.CURRENT, "V1", 0.031);
        String id = bench.session.last(Quantity.CURRENT, "V1").orElseThrow().id();
        Typed typed = new Typed("310 mV", 0.31, Unit.VOLT, 1e-3);
        assertThat(doubt(bench, new Read(Quantity.CURRENT, "V1", typed, id, "range")))
                .isEmpty();
        assertThat(doubt(bench, new Read(Quantity.CURRENT, "V1", typed, "other", "range")))
                .isPresent();
    }

    @Test
    void withCathodeBiasGridVoltsMayStandAnywhere() {
        Bench bench = new Bench(Plan.usual(
                Bench.amp(BiasScheme.CATHODE, ControlLayout.NONE, 2, true), Purpose.YEARLY_CHECK, Meter.FINE));
        assertThat(question(bench, Quantity.GRID, "V1", 0.01)).isEqualTo("taken");
        assertThat(question(bench, Quantity.BIAS_NODE, "", 40)).startsWith("−40.0 V|");
        assertThat(question(bench, Quantity.CURRENT, "all", 15)).isEqualTo("taken");
        assertThat(question(bench, Quantity.CURRENT, "all", 150)).startsWith("15.00000 V|!");
    }

    @Test
    void laterNodesAreComparedWithOneAnother() {
        Bench bench = new Bench(Plan.usual(
                Bench.amp(
                        BiasScheme.FIXED_TRACKING,
                        ControlLayout.PER_TUBE,
                        2,
                        false,
                        List.of(
                                SupplyNode.single("reservoir", Optional.empty(), Optional.empty()),
                                SupplyNode.single("screens", Optional.empty(), Optional.empty()),
                                SupplyNode.single("bias", Optional.empty(), Optional.empty())
                                        .belowChassis()),
                        Optional.of(6.3)),
                Purpose.NEW_TUBES,
                Meter.FINE));
        bench.preflight().did(new Skipped(Stops.DRAINED, "adaptors")).did(new Declared(Power.ON_TUBES_OUT));
        bench.reads(Quantity.UNLOADED, "reservoir", 440);
        assertThat(question(bench, Quantity.UNLOADED, "screens", 430)).isEqualTo("taken");
        assertThat(question(bench, Quantity.UNLOADED, "screens", 4300))
                .startsWith("430.00 V|4300.0 V beside 440.0 V at reservoir");
        bench.did(new Declared(Power.OFF)).minutes(1).did(new Declared(Power.ON_TUBES_OUT));
        assertThat(question(bench, Quantity.UNLOADED, "screens", 4300)).doesNotContain("at reservoir");
    }

    @Test
    void heatersNotDescribedAreThoseOfTheType() {
        Bench bench = new Bench(Plan.usual(
                Bench.amp(BiasScheme.FIXED_TRACKING, ControlLayout.PER_TUBE, 2, false, Bench.NODES, Optional.empty()),
                Purpose.YEARLY_CHECK,
                Meter.FINE));
        Read read = Bench.read(Quantity.HEATER, "", 63);
        Field field = read.quantity().field();
        assertThat(Doubts.of(bench.session, bench.standards.types(), read, field)
                        .orElseThrow()
                        .question())
                .contains("what is read there lies between");
        TubeType known = ((Lookup.Found) Catalogue.shipped().find("EL34")).type();
        assertThat(Doubts.of(bench.session, Map.of("X19", known), read, field)
                        .orElseThrow()
                        .question())
                .contains("beside a nominal 6.3 V");
    }
}
