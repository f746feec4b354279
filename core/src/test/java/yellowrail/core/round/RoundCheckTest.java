package yellowrail.core.round;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Connection;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.OwnResistor;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.SenseResistor;
import yellowrail.core.amp.SharedResistor;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.Socket.Side;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.Transformers;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.idle.Verdict;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Pairing;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.target.Profiles;
import yellowrail.core.target.Target;
import yellowrail.core.tube.Catalogue;
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
        return new RoundReadings(
                Meter.FINE,
                PlateVolts.Reference.CHASSIS,
                Optional.of(230.0),
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
}
