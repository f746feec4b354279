package yellowrail.core.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hipparchus.complex.Complex;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import yellowrail.core.amp.Duty;
import yellowrail.core.amp.Topology;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.DriveSweep;
import yellowrail.core.stage.Heat;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageIdle;
import yellowrail.core.stage.StageTube;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.TubeModels;

/** Plates are hottest at the impedance dip, screens at the resonance and in the treble; idle and what is quieter are in it. */
class HeatOverFrequencyTest {
    static final Wiring SPEAKER = new Wiring.Driver("A", new Speaker.Modelled(6.4, 0.0006, 30, 80, 46.4, 5));

    static Stage stage(Connection connection) {
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

    /** A single tube in class A with a cathode resistor, hottest at rest. */
    static Stage single() {
        var model = TubeModels.of("6V6GT").orElseThrow();
        Stage stage = new Stage(
                Topology.SINGLE_ENDED,
                Connection.PENTODE,
                0,
                290,
                150,
                Double.NaN,
                0,
                200,
                0,
                5000,
                List.of(new StageTube(model, 0, 1, 100, 0)),
                Biasing.cathode(250, false));
        return StageIdle.at(stage, 10.06);
    }

    private static HeatOverFrequency heat(Stage stage, Duty duty, int count) {
        SpeakerOnTap load = new SpeakerOnTap(SPEAKER, Math.sqrt(stage.loadOhms() / 8.0), Optional.empty());
        return HeatOverFrequency.of(stage, duty, load, HeatOverFrequency.frequencies(load, 20, 20_000, count));
    }

    private static HeatOverFrequency.Point hottest(HeatOverFrequency heat, double low, double high, boolean screen) {
        return heat.points().stream()
                .filter(p -> p.hertz() >= low && p.hertz() <= high)
                .reduce((a, b) -> watts(b, screen) > watts(a, screen) ? b : a)
                .orElseThrow();
    }

    private static double watts(HeatOverFrequency.Point p, boolean screen) {
        Heat heat = p.heat().get(p.heat().containsKey(Duty.TONE) ? Duty.TONE : Duty.CLEAN);
        return screen ? heat.screenWatts() : heat.plateWatts();
    }

    @ParameterizedTest
    @EnumSource(Connection.class)
    void everyFrequencyIsSolvedAndTheDipIsWhereThePlateIsHottest(Connection connection) {
        for (Duty duty : List.of(Duty.TONE, Duty.NOT_SAID)) {
            HeatOverFrequency heat = heat(stage(connection), duty, 40);
            assertThat(heat.unsolved()).isZero();
            assertThat(heat.points()).hasSizeGreaterThanOrEqualTo(40);
            double plate = hottest(heat, 60, 5000, false).hertz();
            if (connection != Connection.TRIODE) {
                assertThat(plate).isBetween(200.0, 1000.0);
            }
            double screen = hottest(heat, 60, 5000, true).hertz();
            if (connection == Connection.PENTODE) {
                assertThat(screen < 120 || screen > 2000).as(screen + " Hz").isTrue();
            }
        }
    }

    /** Over a resistor the average over a band is what the stage computes for what is played, and a tone's its worst level. */
    @ParameterizedTest
    @EnumSource(Connection.class)
    void aResistorGivesWhatTheStageDoes(Connection connection) {
        Stage stage = stage(connection);
        DriveSweep sweep = DriveSweep.of(stage, 24);
        double[] hertz = HeatOverFrequency.spread(100, 1000, 3);
        HeatOverFrequency played = HeatOverFrequency.of(stage, Duty.HARD, f -> new Complex(stage.loadOhms()), hertz);
        for (Duty duty : Duty.PLAYED) {
            Heat wanted = Heat.of(sweep.played().get(duty));
            Heat got = played.mean(duty, 100, 1000).orElseThrow();
            assertThat(got.plateWatts())
                    .as(duty.words())
                    .isCloseTo(wanted.plateWatts(), within(0.01 * wanted.plateWatts()));
            assertThat(got.screenWatts())
                    .as(duty.words())
                    .isCloseTo(wanted.screenWatts(), within(0.015 * wanted.screenWatts()));
        }
        HeatOverFrequency tone = HeatOverFrequency.of(stage, Duty.TONE, f -> new Complex(stage.loadOhms()), hertz);
        for (HeatOverFrequency.Point p : tone.points()) {
            double wanted = sweep.hottestPlate(Duty.TONE).hottestPlateWatts();
            assertThat(tone.hottest(p, Duty.TONE).plateWatts()).isCloseTo(wanted, within(0.02 * wanted));
        }
    }

    /** Twelve points an octave give what four do. */
    @Test
    void theMeanHangsLittleOnTheNumberOfPoints() {
        HeatOverFrequency few = heat(stage(Connection.PENTODE), Duty.CLEAN, 40);
        HeatOverFrequency many = heat(stage(Connection.PENTODE), Duty.CLEAN, 120);
        for (Instrument band : Instrument.values()) {
            Heat a = few.mean(Duty.CLEAN, band.lowHertz(), band.highHertz()).orElseThrow();
            Heat b = many.mean(Duty.CLEAN, band.lowHertz(), band.highHertz()).orElseThrow();
            assertThat(a.plateWatts()).isCloseTo(b.plateWatts(), within(0.01 * b.plateWatts()));
            assertThat(a.screenWatts()).isCloseTo(b.screenWatts(), within(0.01 * b.screenWatts()));
        }
        assertThat(few.mean(Duty.CLEAN, 1, 2)).isEmpty();
    }

    /** A straight line of heat over the logarithm of the frequency has its middle as its mean, wherever the band ends. */
    @ParameterizedTest
    @CsvSource({"20, 20000", "40, 4000", "80, 160", "100, 101"})
    void theMeanIsOverOctaves(double low, double high) {
        List<HeatOverFrequency.Point> points = Arrays.stream(HeatOverFrequency.spread(20, 20_000, 7))
                .mapToObj(f -> new HeatOverFrequency.Point(
                        f, new Complex(8), Map.of(Duty.MUSIC, new Heat(Math.log(f), 2)), null))
                .toList();
        Heat mean = new HeatOverFrequency(30, new Heat(0, 0), points, 0)
                .mean(Duty.MUSIC, low, high)
                .orElseThrow();
        assertThat(mean.plateWatts()).isCloseTo(Math.log(low * high) / 2, within(1e-9));
        assertThat(mean.screenWatts()).isCloseTo(2, within(1e-9));
    }

    /** What differs in a part of the band is solved there alone, to what it would be if all were solved. */
    @Test
    void anotherInductanceIsSolvedWhereItDiffers() {
        Stage stage = stage(Connection.PENTODE);
        double turns = Math.sqrt(4200 / 8.0);
        SpeakerOnTap usual = new SpeakerOnTap(SPEAKER, turns, Optional.of(45.0));
        SpeakerOnTap small = new SpeakerOnTap(SPEAKER, turns, Optional.of(18.0));
        double[] hertz = HeatOverFrequency.spread(20, 20_000, 20);
        HeatOverFrequency heat = HeatOverFrequency.of(stage, Duty.TONE, usual, hertz);
        HeatOverFrequency into = heat.into(stage, Duty.TONE, small);
        HeatOverFrequency whole = HeatOverFrequency.of(stage, Duty.TONE, small, hertz);
        assertThat(into.points().get(19)).isSameAs(heat.points().get(19));
        for (int i = 0; i < hertz.length; i++) {
            Heat a = into.points().get(i).heat().get(Duty.TONE);
            Heat b = whole.points().get(i).heat().get(Duty.TONE);
            assertThat(a.plateWatts()).as(hertz[i] + " Hz").isCloseTo(b.plateWatts(), within(0.01 * b.plateWatts()));
        }
    }

    /** A primary of little inductance is a low load at low notes: more heat than without it. */
    @Test
    void aSmallPrimaryLoadsLowNotes() {
        Stage stage = stage(Connection.PENTODE);
        double turns = Math.sqrt(4200 / 8.0);
        double[] hertz = {20, 20.5};
        var endless = HeatOverFrequency.of(stage, Duty.TONE, new SpeakerOnTap(SPEAKER, turns, Optional.empty()), hertz);
        var small = HeatOverFrequency.of(stage, Duty.TONE, new SpeakerOnTap(SPEAKER, turns, Optional.of(8.0)), hertz);
        assertThat(small.points().get(0).full().watts())
                .isLessThan(0.7 * endless.points().get(0).full().watts());
        assertThat(watts(small.points().get(0), false))
                .isGreaterThan(watts(endless.points().get(0), false));
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
}
