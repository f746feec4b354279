package yellowrail.core.round;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.params.provider.Arguments.arguments;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.Socket.Side;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.Transformers;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.amp.sensing.SharedResistor;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.idle.Verdict;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Pairing;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.target.Profiles;
import yellowrail.core.target.Target;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.TubeType;

class RoundCheckTest {
    private static final Map<String, TubeType> TYPES =
            Map.of("6550", ((Lookup.Found) Catalogue.shipped().find("6550")).type());
    private static final List<Socket> QUAD = List.of(
            new Socket("V1", 1, Side.A, "6550"),
            new Socket("V2", 1, Side.A, "6550"),
            new Socket("V3", 1, Side.B, "6550"),
            new Socket("V4", 1, Side.B, "6550"));

    private static AmpDescription amp(List<SenseGroup> groups) {
        return new AmpDescription(
                "Harrier 120",
                Topology.PUSH_PULL,
                Connection.PENTODE,
                0,
                BiasScheme.FIXED_TRACKING,
                ControlLayout.PER_TUBE,
                QUAD,
                groups,
                Optional.empty(),
                Optional.of(60.0),
                Mains.around(230, Optional.empty()),
                List.of(),
                Transformers.unknown(),
                "",
                "",
                "middle",
                "",
                Optional.empty());
    }

    private static final AmpDescription OWN = amp(QUAD.stream()
            .map(s -> new SenseGroup(s.name(), List.of(s.name()), new OwnResistor(SenseResistor.marked(10, 1))))
            .toList());
    private static final AmpDescription SHARED = amp(List.of(new SenseGroup(
            "all", List.of("V1", "V2", "V3", "V4"), new SharedResistor(SenseResistor.marked(0.5, 1), 4))));

    private static Typed volts(double value) {
        return Typed.of(value, Unit.VOLT);
    }

    private static RoundReadings readings(
            Map<String, Typed> points, Map<String, Typed> individual, Map<String, Typed> plate, Optional<Typed> choke) {
        return readings(Optional.of(230.0), points, individual, plate, choke);
    }

    private static RoundReadings readings(
            Optional<Double> mains,
            Map<String, Typed> points,
            Map<String, Typed> individual,
            Map<String, Typed> plate,
            Optional<Typed> choke) {
        return new RoundReadings(
                Meter.FINE,
                PlateVolts.Reference.CHASSIS,
                mains,
                false,
                false,
                Pairing.together(),
                Optional.empty(),
                points,
                individual,
                plate,
                Map.of(),
                Map.of("V1", volts(280)),
                Map.of(),
                choke,
                Map.of());
    }

    private static RoundAnswer check(AmpDescription amp, RoundReadings readings) {
        Optional<Target> target = Profiles.named("middle").map(w -> w);
        return RoundCheck.check(amp, TYPES, readings, target, Profiles.SHIPPED);
    }

    private static Map<String, Typed> four(double... values) {
        Map<String, Typed> map = new HashMap<>();
        for (int i = 0; i < values.length; i++) {
            map.put("V" + (i + 1), volts(values[i]));
        }
        return map;
    }

    @Test
    void theWorstTubeLeadsAndSidesAreCompared() {
        RoundAnswer answer = check(
                OWN, readings(four(0.50, 0.52, 0.49, 0.80), Map.of(), Map.of("V1", volts(430)), Optional.empty()));
        assertThat(answer.worst()).isEqualTo("V4");
        assertThat(answer.verdict().place()).isEqualTo(Verdict.Place.ABOVE_CEILING);
        assertThat(answer.sockets().get(3).voltsFrom()).isEqualTo("V1");
        assertThat(answer.balances()).hasSize(1);
        assertThat(answer.balances().get(0).imbalance()).isCloseTo(2 * 0.27 / 2.31, within(1e-9));
        assertThat(answer.unmeasured()).isEmpty();
    }

    @Test
    void whatWasNotMeasuredIsSaidAndNotAssumed() {
        RoundAnswer answer =
                check(OWN, readings(four(0.52, 0.52), Map.of(), Map.of("V1", volts(430)), Optional.empty()));
        assertThat(answer.unmeasured()).containsExactly("V3", "V4");
        assertThat(answer.verdict().qualifiers()).contains(Verdict.Qualifier.SAMPLED);
        assertThat(answer.verdict().allClear()).isFalse();
        assertThat(answer.balances()).isEmpty();
        RoundAnswer nothing = check(OWN, readings(Map.of(), Map.of(), Map.of(), Optional.empty()));
        assertThat(nothing.verdict().place()).isEqualTo(Verdict.Place.UNKNOWN);
    }

    @Test
    void anInnocentMeanIsOvertakenByTheSingleReadings() {
        Map<String, Typed> point = Map.of("all", volts(0.5 * 0.204));
        RoundAnswer mean = check(SHARED, readings(point, Map.of(), Map.of("V1", volts(430)), Optional.empty()));
        assertThat(mean.verdict().place()).isEqualTo(Verdict.Place.IN_WINDOW);
        assertThat(mean.verdict().qualifiers()).contains(Verdict.Qualifier.MEAN_ONLY);
        assertThat(mean.balances()).isEmpty();
        Map<String, Typed> single = new HashMap<>();
        double[] amperes = {0.084, 0.048, 0.040, 0.032};
        for (int i = 0; i < 4; i++) {
            single.put("V" + (i + 1), Typed.of(amperes[i], Unit.AMPERE));
        }
        RoundAnswer each = check(SHARED, readings(point, single, Map.of("V1", volts(430)), Optional.empty()));
        assertThat(each.worst()).isEqualTo("V1");
        assertThat(each.verdict().place()).isEqualTo(Verdict.Place.ABOVE_CEILING);
        assertThat(each.warnings()).isEmpty();
        single.put("V4", Typed.of(0.050, Unit.AMPERE));
        assertThat(check(SHARED, readings(point, single, Map.of("V1", volts(430)), Optional.empty()))
                        .warnings())
                .anyMatch(w -> w.contains("Read both again"));
    }

    @Test
    void theMakersFigureAndThePickedRatingSystemHoldForEverySocket() {
        TubeType small = ((Lookup.Found) Catalogue.shipped().find("6V6GT")).type();
        AmpDescription picked = new AmpDescription(
                "Crake 12",
                Topology.PUSH_PULL,
                Connection.PENTODE,
                0,
                BiasScheme.FIXED_TRACKING,
                ControlLayout.LEVEL,
                List.of(new Socket("V1", 1, Side.A, "6V6GT")),
                List.of(new SenseGroup("V1", List.of("V1"), new OwnResistor(SenseResistor.marked(10, 1)))),
                Optional.empty(),
                Optional.empty(),
                Mains.around(230, Optional.empty()),
                List.of(),
                Transformers.unknown(),
                "",
                "250 mV",
                Target.MakersFigure.NAME,
                "DESIGN_MAXIMUM",
                Optional.empty());
        RoundReadings readings =
                readings(Map.of("V1", volts(0.252)), Map.of(), Map.of("V1", volts(310)), Optional.empty());
        RoundAnswer answer = RoundCheck.check(
                picked,
                Map.of("6V6GT", small),
                readings,
                Optional.of(new Target.MakersFigure(volts(0.250))),
                Profiles.SHIPPED);
        assertThat(answer.sockets()
                        .get(0)
                        .answer()
                        .ratings()
                        .orElseThrow()
                        .plateWatts()
                        .orElseThrow()
                        .value())
                .isEqualTo(14);
        assertThat(answer.verdict().place()).isEqualTo(Verdict.Place.IN_WINDOW);
    }

    @Test
    void theChokeChecksTheSum() {
        assertThat(CrossCheck.supply(0.205, true, 0.210)).isEmpty();
        RoundAnswer answer = check(
                OWN,
                readings(
                        four(0.50, 0.52, 0.49, 0.54),
                        Map.of(),
                        Map.of("V1", volts(430)),
                        Optional.of(volts(60 * 0.15))));
        assertThat(answer.warnings()).anyMatch(w -> w.contains("cannot draw more than the supply gives"));
        // All four tubes are in the window, but the readings contradict each other.
        assertThat(answer.sockets()).allMatch(s -> s.answer().verdict().allClear());
        assertThat(answer.verdict().place()).isEqualTo(Verdict.Place.UNKNOWN);
        assertThat(answer.verdict().reasons().get(0)).contains("cannot draw more");
        assertThat(CrossCheck.combined("all", 0.1208, true, 0.1208)).isEmpty();
        assertThat(CrossCheck.combined("all", 0.1208, true, 0.1258)).isPresent();
    }

    @Test
    void refusesADescriptionThatDoesNotFitTogether() {
        assertThatThrownBy(() -> amp(List.of())).hasMessageContaining("no sense point");
        SenseGroup unknown = new SenseGroup("x", List.of("V9"), new OwnResistor(SenseResistor.marked(1, 1)));
        assertThatThrownBy(() -> amp(List.of(unknown))).hasMessageContaining("unknown socket");
    }

    /** One line: what is planted, the readings of it, and whether an expert calls it plainly fine. */
    static Stream<Arguments> planted() {
        return Stream.of(
                arguments("a quad at 60 %", four(0.5, 0.5, 0.5, 0.5), four(421, 421, 421, 421), 12.0, 230.0, 0.0, true),
                arguments(
                        "plates two volts apart",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(421, 421, 419, 419),
                        12.0,
                        230.0,
                        0.0,
                        true),
                arguments(
                        "a choke within a tenth",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(421, 421, 421, 421),
                        12.9,
                        230.0,
                        0.0,
                        true),
                arguments(
                        "a mains that moved a volt",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(421, 421, 421, 421),
                        12.0,
                        230.0,
                        0.004,
                        true),
                arguments(
                        "plates of 430 and 395 V",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(430, 430, 395, 395),
                        12.0,
                        230.0,
                        0.0,
                        false),
                arguments(
                        "plates of one side apart",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(421, 412, 421, 421),
                        12.0,
                        230.0,
                        0.0,
                        false),
                arguments(
                        "no drop over the choke",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(421, 421, 421, 421),
                        0.0,
                        230.0,
                        0.0,
                        false),
                arguments(
                        "half the current in the choke",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(421, 421, 421, 421),
                        6.0,
                        230.0,
                        0.0,
                        false),
                arguments(
                        "twice the current in the choke",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(421, 421, 421, 421),
                        24.0,
                        230.0,
                        0.0,
                        false),
                arguments(
                        "a mains that moved four per cent",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(421, 421, 421, 421),
                        12.0,
                        230.0,
                        0.04,
                        false),
                arguments(
                        "a stored mains of 470 V",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(421, 421, 421, 421),
                        12.0,
                        470.0,
                        0.0,
                        false),
                arguments(
                        "a mains of 270 V",
                        four(0.5, 0.5, 0.5, 0.5),
                        four(421, 421, 421, 421),
                        12.0,
                        270.0,
                        0.0,
                        false),
                arguments("three of four read", four(0.5, 0.5, 0.5), four(421, 421, 421, 421), 12.0, 230.0, 0.0, false),
                arguments(
                        "one tube above its rating",
                        four(0.5, 0.5, 0.5, 0.95),
                        four(421, 421, 421, 421),
                        14.7,
                        230.0,
                        0.0,
                        false));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("planted")
    void whatContradictsIsNeverGreenAndWhatIsFineIs(
            String why,
            Map<String, Typed> points,
            Map<String, Typed> plate,
            double choke,
            double mains,
            double moved,
            boolean fine) {
        RoundAnswer answer = check(OWN, moved(points, plate, choke, mains, moved));
        assertThat(answer.verdict().allClear())
                .as(answer.verdict().sentences().toString())
                .isEqualTo(fine);
        if (!fine) {
            assertThat(answer.verdict().sentences()).isNotEmpty();
        }
    }

    private static RoundReadings moved(
            Map<String, Typed> points, Map<String, Typed> plate, double choke, double mains, double moved) {
        return readings(Optional.of(mains), points, Map.of(), plate, Optional.of(volts(choke)))
                .mainsMoved(Optional.of(moved));
    }

    @Test
    void theTubeThatLeadsIsCalledTheHottestOnlyWhereItIs() {
        RoundAnswer cold =
                check(OWN, readings(four(0.5, 0.5, 0.5, 0.4), Map.of(), four(421, 421, 421, 421), Optional.empty()));
        assertThat(cold.worst()).isEqualTo("V4");
        assertThat(cold.verdict().now().sentence()).startsWith("V4: ");
        RoundAnswer hot =
                check(OWN, readings(four(0.5, 0.5, 0.5, 0.7), Map.of(), four(421, 421, 421, 421), Optional.empty()));
        assertThat(hot.verdict().now().sentence()).startsWith("V4, the hottest: ");
    }

    @Test
    void aZeroOnASharedPointBesideSingleReadingsContradicts() {
        Map<String, Typed> alone = Map.of(
                "V1", Typed.of(0.05, Unit.AMPERE),
                "V2", Typed.of(0.05, Unit.AMPERE),
                "V3", Typed.of(0.05, Unit.AMPERE),
                "V4", Typed.of(0.05, Unit.AMPERE));
        Map<String, Typed> plates = four(421, 421, 421, 421);
        assertThat(check(SHARED, readings(Map.of("all", volts(0.1)), alone, plates, Optional.empty()))
                        .verdict()
                        .allClear())
                .isTrue();
        RoundAnswer zero = check(SHARED, readings(Map.of("all", volts(0)), alone, plates, Optional.empty()));
        assertThat(zero.verdict().allClear()).isFalse();
        assertThat(zero.warnings()).anyMatch(w -> w.contains("one of them is wrong"));
    }

    /** Whatever earlier versions stored is answered, and an extreme is never an all-clear. */
    @Test
    void judgingAnswersWhateverIsStored() {
        java.util.Random random = new java.util.Random(20261126);
        double[] extremes = {-1e6, -470, -1, -1e-9, 0, 1e-12, 1e-3, 0.5, 10, 421, 470, 1e4, 1e9};
        for (int i = 0; i < 4000; i++) {
            Map<String, Typed> points = some(random, extremes, Unit.VOLT, "V1", "V2", "V3", "V4", "all");
            Map<String, Typed> individual = some(random, extremes, Unit.AMPERE, "V1", "V2", "V3", "V4");
            AmpDescription amp = random.nextBoolean() ? OWN : SHARED;
            RoundReadings stored = new RoundReadings(
                    Meter.FINE,
                    PlateVolts.Reference.values()[random.nextInt(PlateVolts.Reference.values().length)],
                    random.nextInt(4) == 0 ? Optional.empty() : Optional.of(extremes[random.nextInt(extremes.length)]),
                    random.nextBoolean(),
                    random.nextBoolean(),
                    Pairing.together(),
                    random.nextBoolean() ? Optional.empty() : Optional.of(0.05),
                    points,
                    individual,
                    some(random, extremes, Unit.VOLT, "V1", "V2", "V3", "V4"),
                    some(random, extremes, Unit.VOLT, "V1", "V2"),
                    some(random, extremes, Unit.VOLT, "V1", "V3"),
                    some(random, extremes, Unit.VOLT, "V1", "V3"),
                    random.nextBoolean()
                            ? Optional.empty()
                            : Optional.of(volts(extremes[random.nextInt(extremes.length)])),
                    Map.of(),
                    random.nextBoolean() ? Optional.empty() : Optional.of(extremes[random.nextInt(extremes.length)]),
                    Optional.empty());
            RoundAnswer answer = check(amp, stored);
            assertThat(answer.verdict().sentences()).as(stored.toString()).isNotEmpty();
            if (!answer.unmeasured().isEmpty() || !answer.warnings().isEmpty()) {
                assertThat(answer.verdict().allClear()).as(stored.toString()).isFalse();
            }
        }
    }

    private static Map<String, Typed> some(java.util.Random random, double[] extremes, Unit unit, String... names) {
        Map<String, Typed> map = new HashMap<>();
        for (String name : names) {
            if (random.nextInt(4) > 0) {
                map.put(name, Typed.of(extremes[random.nextInt(extremes.length)], unit));
            }
        }
        return map;
    }
}
