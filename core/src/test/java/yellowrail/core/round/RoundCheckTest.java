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
import yellowrail.core.amp.Bias;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.amp.Judging;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.OutputTransformer;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.Socket.Side;
import yellowrail.core.amp.StageLayout;
import yellowrail.core.amp.Supply;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.Windings;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.idle.Verdict;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.target.Profiles;
import yellowrail.core.target.Target;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.TubeType;

class RoundCheckTest extends RoundBench {
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
        assertThat(each.contradictions()).isEmpty();
        single.put("V4", Typed.of(0.050, Unit.AMPERE));
        assertThat(check(SHARED, readings(point, single, Map.of("V1", volts(430)), Optional.empty()))
                        .contradictions())
                .anyMatch(w -> w.sentence().contains("Read both again"));
    }

    @Test
    void theMakersFigureAndThePickedRatingSystemHoldForEverySocket() {
        TubeType small = ((Lookup.Found) Catalogue.shipped().find("6V6GT")).type();
        AmpDescription picked = new AmpDescription(
                "Crake 12",
                new StageLayout(
                        Topology.PUSH_PULL,
                        Connection.PENTODE,
                        0,
                        List.of(new Socket("V1", 1, Side.A, "6V6GT")),
                        Optional.empty()),
                new Bias(BiasScheme.FIXED_TRACKING, ControlLayout.LEVEL),
                List.of(new SenseGroup("V1", List.of("V1"), new OwnResistor(SenseResistor.marked(10, 1)))),
                new Supply(Mains.around(230, Optional.empty()), List.of(), Optional.empty(), Windings.UNKNOWN),
                OutputTransformer.UNKNOWN,
                new Judging(Target.MakersFigure.NAME, Optional.empty(), "DESIGN_MAXIMUM", "250 mV"),
                "");
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
        assertThat(answer.contradictions())
                .anyMatch(w -> w.sentence().contains("cannot draw more than the supply gives"));
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
