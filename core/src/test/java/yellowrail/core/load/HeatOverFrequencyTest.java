package yellowrail.core.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import yellowrail.core.amp.Topology;
import yellowrail.core.judging.At;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.ReactiveCycle;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageIdle;
import yellowrail.core.stage.StageTube;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.PublishedLimit;
import yellowrail.core.tube.TubeModels;

/** Plates are hottest at the impedance dip, screens at the resonance and in the treble; connections differ. */
class HeatOverFrequencyTest {
    private static final Wiring SPEAKER = new Wiring.Driver("A", new Speaker.Modelled(6.4, 0.0006, 30, 80, 46.4, 5));

    private static Stage stage(Connection connection) {
        var model = TubeModels.of("6L6GC").orElseThrow();
        Stage stage = new Stage(
                Topology.PUSH_PULL,
                connection,
                0.43,
                420,
                60,
                Double.NaN,
                0,
                70,
                0,
                4200,
                List.of(new StageTube(model, 0, 1, 470, 0), new StageTube(model, 1, 1, 470, 0)),
                Biasing.fixed(-40));
        return StageIdle.at(stage, 18);
    }

    private static HeatOverFrequency heat(Connection connection, Optional<Double> henries) {
        SpeakerOnTap load = new SpeakerOnTap(SPEAKER, Math.sqrt(4200 / 8.0), henries);
        return HeatOverFrequency.of(stage(connection), load, HeatOverFrequency.spread(20, 20_000, 40));
    }

    @ParameterizedTest
    @EnumSource(Connection.class)
    void everyFrequencyIsSolvedAndTheDipIsWhereThePlateIsHottest(Connection connection) {
        HeatOverFrequency heat = heat(connection, Optional.empty());
        assertThat(heat.unsolved()).isZero();
        assertThat(heat.points()).hasSize(40);
        double dip = heat.hottestPlate(60, 5000).orElseThrow().hertz();
        if (connection != Connection.TRIODE) {
            assertThat(dip).isBetween(200.0, 1000.0);
        }
        double screen = heat.hottestScreen(60, 5000).orElseThrow().hertz();
        if (connection == Connection.PENTODE) {
            assertThat(screen < 120 || screen > 2000).as(screen + " Hz").isTrue();
        }
        assertThat(heat.hottestPlate(1, 2)).isEmpty();
    }

    /** A pentode's power follows the impedance, a triode's hardly. */
    @Test
    void connectionsDiffer() {
        double pentode = spread(heat(Connection.PENTODE, Optional.empty()));
        double triode = spread(heat(Connection.TRIODE, Optional.empty()));
        assertThat(pentode).isGreaterThan(0);
        assertThat(triode).isGreaterThan(0);
        assertThat(Math.abs(pentode - triode) / pentode).isGreaterThan(0.1);
    }

    private static double spread(HeatOverFrequency heat) {
        double most = heat.points().stream()
                .mapToDouble(ReactiveCycle::hottestScreenWatts)
                .max()
                .orElseThrow();
        double least = heat.points().stream()
                .mapToDouble(ReactiveCycle::hottestScreenWatts)
                .min()
                .orElseThrow();
        return most / least;
    }

    /** A primary of little inductance is a low load at low notes: more heat than without it. */
    @Test
    void aSmallPrimaryLoadsLowNotes() {
        ReactiveCycle endless =
                heat(Connection.PENTODE, Optional.empty()).points().get(0);
        ReactiveCycle small =
                heat(Connection.PENTODE, Optional.of(8.0)).points().get(0);
        assertThat(small.watts()).isLessThan(0.7 * endless.watts());
        assertThat(small.hottestPlateWatts()).isGreaterThan(endless.hottestPlateWatts());
    }

    /** A peak narrower than the steps of the plot is not stepped over. */
    @Test
    void peaksAndDipsAreAmongTheFrequencies() {
        Wiring narrow = new Wiring.Driver("A", new Speaker.Modelled(6.4, 0.0006, 30, 87, 60, 40));
        SpeakerOnTap load = new SpeakerOnTap(narrow, 20, Optional.empty());
        double[] hertz = HeatOverFrequency.frequencies(load, 20, 20_000, 40);
        assertThat(hertz).hasSizeGreaterThan(40).isSorted();
        double most =
                Arrays.stream(hertz).map(f -> load.at(f).norm() / 400).max().orElseThrow();
        assertThat(most).isBetween(58.0, 60.5);
    }

    @Test
    void frequenciesAreSpreadEvenlyOverTheLogarithm() {
        double[] hertz = HeatOverFrequency.spread(20, 2000, 3);
        assertThat(hertz[0]).isEqualTo(20);
        assertThat(hertz[1]).isCloseTo(200, within(1e-9));
        assertThat(hertz[2]).isCloseTo(2000, within(1e-9));
    }

    /** The judge is given the hottest of a band at each mains, and nothing that does not hang on the frequency. */
    @Test
    void highestMainsIsHotterAndIsJudged() {
        SpeakerOnTap load = new SpeakerOnTap(SPEAKER, Math.sqrt(4200 / 8.0), Optional.empty());
        double[] hertz = HeatOverFrequency.spread(60, 5000, 12);
        Stage stage = stage(Connection.PENTODE);
        FrequencyFigures figures = new FrequencyFigures(80, 5000, new ModelTrust.Bands(0.1, 0.2, 0.1))
                .with(At.NOW, 1, HeatOverFrequency.of(stage, load, hertz))
                .with(At.HIGHEST, 1.1, HeatOverFrequency.of(stage.atMains(1.1, true), load, hertz));
        for (PublishedLimit limit : List.of(Limit.PLATE_WATTS, DriveLimit.SCREEN_WATTS, DriveLimit.PEAK_PLATE_VOLTS)) {
            double now = figures.of(limit, At.NOW).orElseThrow().figure().value();
            assertThat(figures.of(limit, At.HIGHEST).orElseThrow().figure().value())
                    .as(limit.words())
                    .isBetween(now * 1.05, now * 1.4);
        }
        assertThat(figures.where(Limit.PLATE_WATTS, At.HIGHEST).orElseThrow().hertz())
                .isGreaterThanOrEqualTo(80);
        assertThat(figures.of(Limit.PLATE_VOLTS, At.NOW)).isEmpty();
        assertThat(figures.at()).containsExactly(At.NOW, At.HIGHEST);
        assertThat(figures.mains(At.HIGHEST)).isEqualTo(1.1);
        assertThat(figures.unsolved()).isZero();
    }
}
