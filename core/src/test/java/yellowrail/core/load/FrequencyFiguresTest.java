package yellowrail.core.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hipparchus.complex.Complex;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import yellowrail.core.amp.Duty;
import yellowrail.core.amp.Topology;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Judge;
import yellowrail.core.judging.Standing;
import yellowrail.core.stage.Heat;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageSolver;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.PublishedLimit;

/** What the judge is given of the heat over frequency, and how it stands. */
class FrequencyFiguresTest {
    private static final ModelTrust.Bands BANDS = new ModelTrust.Bands(0.1, 0.2, 0.1);
    private static final double[] HERTZ = HeatOverFrequency.spread(20, 20_000, 20);

    private static FrequencyFigures figures(Stage stage, Duty duty, PrimaryInductance inductance) {
        double turns = Math.sqrt(stage.loadOhms() / 8);
        FrequencyFigures figures = new FrequencyFigures(Instrument.GUITAR, BANDS, duty);
        for (At at : List.of(At.NOW, At.HIGHEST)) {
            double mains = at == At.NOW ? 1 : 1.1;
            Stage there = stage.atMains(mains, true);
            HeatOverFrequency heat =
                    HeatOverFrequency.of(there, duty, inductance.beside(HeatOverFrequencyTest.SPEAKER, turns), HERTZ);
            figures.with(
                    at,
                    mains,
                    heat,
                    inductance
                            .ends(HeatOverFrequencyTest.SPEAKER, turns)
                            .map(end -> heat.into(there, duty, end))
                            .toList());
        }
        return figures;
    }

    private static double figure(FrequencyFigures figures, PublishedLimit limit, At at) {
        return figures.of(limit, at).orElseThrow().figure().value();
    }

    /** The judge is given the hottest of a band at each mains, and nothing that does not hang on the frequency. */
    @Test
    void highestMainsIsHotterAndIsJudged() {
        FrequencyFigures figures =
                figures(HeatOverFrequencyTest.stage(Connection.PENTODE), Duty.TONE, PrimaryInductance.typed(40));
        for (PublishedLimit limit : List.of(Limit.PLATE_WATTS, DriveLimit.SCREEN_WATTS, DriveLimit.PEAK_PLATE_VOLTS)) {
            double now = figure(figures, limit, At.NOW);
            assertThat(figure(figures, limit, At.HIGHEST)).as(limit.words()).isBetween(now * 1.05, now * 1.4);
        }
        FrequencyFigures.Found found =
                figures.found(Limit.PLATE_WATTS, At.HIGHEST).orElseThrow();
        assertThat(found.lowHertz()).isBetween(80.0, 5000.0).isEqualTo(found.highHertz());
        assertThat(figures.of(Limit.PLATE_VOLTS, At.NOW)).isEmpty();
        assertThat(figures.at()).containsExactly(At.NOW, At.HIGHEST);
        assertThat(figures.mains(At.HIGHEST)).isEqualTo(1.1);
        assertThat(figures.unsolved()).isZero();
    }

    /** A class A stage is hottest at rest: whatever is played, its figure is never below that. */
    @ParameterizedTest
    @EnumSource(Duty.class)
    void neverBelowIdle(Duty duty) {
        FrequencyFigures figures = figures(HeatOverFrequencyTest.single(), duty, PrimaryInductance.typed(15));
        double idle = new StageSolver(HeatOverFrequencyTest.single()).idle().hottestPlateWatts();
        assertThat(idle).isCloseTo(10.06, within(0.01));
        assertThat(figure(figures, Limit.PLATE_WATTS, At.NOW)).isGreaterThanOrEqualTo(idle);
        assertThat(figures.found(Limit.PLATE_WATTS, At.NOW).orElseThrow().figure())
                .isLessThan(1.05 * idle);
    }

    /** A louder duty includes every quieter one, and an octave of it is never below the band. */
    @Test
    void louderIsNeverCooler() {
        FrequencyFigures figures =
                figures(HeatOverFrequencyTest.stage(Connection.PENTODE), Duty.NOT_SAID, PrimaryInductance.typed(40));
        for (PublishedLimit limit : List.of(Limit.PLATE_WATTS, DriveLimit.SCREEN_WATTS)) {
            double last = 0;
            for (Duty duty : Duty.PLAYED) {
                FrequencyFigures playing = figures.playing(duty);
                double now = figure(playing, limit, At.NOW);
                assertThat(now).isGreaterThanOrEqualTo(last);
                assertThat(figure(playing.worstOctave(), limit, At.NOW)).isGreaterThanOrEqualTo(now);
                last = now;
            }
        }
        FrequencyFigures.Found octave = figures.playing(Duty.CLEAN)
                .worstOctave()
                .found(DriveLimit.SCREEN_WATTS, At.NOW)
                .orElseThrow();
        assertThat(octave.highHertz()).isEqualTo(2 * octave.lowHertz());
        assertThat(octave.lowHertz() < 130 || octave.lowHertz() > 1500)
                .as(octave.toString())
                .isTrue();
    }

    /** An inductance that nobody measured: whichever it turns out to be, the figure lies inside the band. */
    @ParameterizedTest
    @EnumSource(
            value = Duty.class,
            names = {"CLEAN", "TONE"})
    void whatTheInductanceMayBeIsInsideTheBand(Duty duty) {
        Random random = new Random(9);
        for (Stage stage : Stream.of(
                        HeatOverFrequencyTest.stage(Connection.PENTODE),
                        HeatOverFrequencyTest.stage(Connection.ULTRALINEAR),
                        HeatOverFrequencyTest.stage(Connection.TRIODE),
                        HeatOverFrequencyTest.single())
                .toList()) {
            PrimaryInductance usual = PrimaryInductance.usual(stage.loadOhms(), stage.topology());
            FrequencyFigures figures = figures(stage, duty, usual);
            for (int i = 0; i < 2; i++) {
                double henries = usual.least() * Math.pow(usual.most() / usual.least(), random.nextDouble());
                FrequencyFigures real = figures(stage, duty, PrimaryInductance.typed(henries));
                for (PublishedLimit limit :
                        List.of(Limit.PLATE_WATTS, DriveLimit.SCREEN_WATTS, DriveLimit.PEAK_PLATE_VOLTS)) {
                    var band = figures.of(limit, At.NOW).orElseThrow().figure();
                    assertThat(figure(real, limit, At.NOW))
                            .as(limit.words() + " with " + henries + " H")
                            .isBetween(band.low(), band.high());
                }
            }
        }
    }

    @Test
    void usualInductanceIsByTheLoadAndItsBandIsSaid() {
        PrimaryInductance usual = PrimaryInductance.usual(4200, Topology.PUSH_PULL);
        assertThat(usual.henries()).isCloseTo(44.6, within(0.1));
        assertThat(usual.most() / usual.least()).isCloseTo(6.25, within(1e-9));
        assertThat(usual.assumption().orElseThrow()).contains("45 H", "18 H", "110 H", "not known");
        PrimaryInductance single = PrimaryInductance.usual(5000, Topology.SINGLE_ENDED);
        assertThat(single.henries()).isCloseTo(19.9, within(0.1));
        assertThat(single.most() / single.least()).isCloseTo(4, within(1e-9));
        assertThat(PrimaryInductance.typed(12).assumption()).isEmpty();
        assertThat(PrimaryInductance.typed(12).ends(HeatOverFrequencyTest.SPEAKER, 20))
                .isEmpty();
    }

    private static HeatOverFrequency made(double idle, Map<Duty, Double> plate, double dipAt) {
        return new HeatOverFrequency(
                30,
                new Heat(idle, 1),
                Arrays.stream(HERTZ)
                        .mapToObj(f -> new HeatOverFrequency.Point(
                                f,
                                Complex.ONE,
                                plate.entrySet().stream()
                                        .collect(Collectors.toMap(
                                                Map.Entry::getKey,
                                                e -> new Heat(
                                                        e.getValue() * (Math.abs(Math.log(f / dipAt)) < 0.3 ? 2 : 1),
                                                        1))),
                                null))
                        .toList(),
                0);
    }

    private static OverFrequency judged(Duty duty, double music, double clean, double hard) {
        Judge judge = Judge.by(
                List.of(Catalogue.shippedType("6L6GC").orElseThrow().strictest().orElseThrow()), true);
        FrequencyFigures figures = new FrequencyFigures(
                        Instrument.GUITAR, new ModelTrust.Bands(0.02, 0.02, 0.02), Duty.NOT_SAID)
                .with(
                        At.NOW,
                        1,
                        made(5, Map.of(Duty.MUSIC, music, Duty.CLEAN, clean, Duty.HARD, hard), 400),
                        List.of());
        return OverFrequency.of(Limit.PLATE_WATTS, duty, List.of(figures), judge, true);
    }

    /** 30 W: what is played decides, an open question where it is not said, and one octave is a caution beside it. */
    @Test
    void standsByWhatIsPlayed() {
        assertThat(judged(Duty.MUSIC, 20, 24, 40).standing()).isEqualTo(Standing.INSIDE);
        assertThat(judged(Duty.HARD, 20, 24, 40).standing()).isEqualTo(Standing.OVER);
        OverFrequency open = judged(Duty.NOT_SAID, 20, 24, 40);
        assertThat(open.standing()).isEqualTo(Standing.OPEN_QUESTION);
        assertThat(open.hangsOn()).contains("what is played", "driven hard");
        assertThat(judged(Duty.NOT_SAID, 50, 50, 50).standing()).isEqualTo(Standing.OVER);
        OverFrequency.Octave octave = judged(Duty.MUSIC, 20, 24, 40).octave().orElseThrow();
        assertThat(octave.standing()).isEqualTo(Standing.OVER);
        assertThat(octave.found().lowHertz()).isBetween(200.0, 400.0);
        assertThat(judged(Duty.MUSIC, 10, 12, 14).octave()).isEmpty();
        assertThat(judged(Duty.HARD, 20, 24, 40).octave()).isEmpty();
    }

    /** An unknown inductance widens the band by what it can change: what it could lift over the rating is too close to call. */
    @Test
    void anInductanceThatDecidesTakesTheGreenAway() {
        Judge judge = Judge.by(
                List.of(Catalogue.shippedType("6L6GC").orElseThrow().strictest().orElseThrow()), true);
        Map<Duty, Double> usual = Map.of(Duty.MUSIC, 24.0, Duty.CLEAN, 24.0, Duty.HARD, 24.0);
        Map<Duty, Double> hot = Map.of(Duty.MUSIC, 34.0, Duty.CLEAN, 34.0, Duty.HARD, 34.0);
        FrequencyFigures known = new FrequencyFigures(
                        Instrument.GUITAR, new ModelTrust.Bands(0.02, 0.02, 0.02), Duty.NOT_SAID)
                .with(At.NOW, 1, made(5, usual, 1e9), List.of());
        FrequencyFigures blank = new FrequencyFigures(
                        Instrument.GUITAR, new ModelTrust.Bands(0.02, 0.02, 0.02), Duty.NOT_SAID)
                .with(At.NOW, 1, made(5, usual, 1e9), List.of(made(5, hot, 1e9)));
        // A curve that ends within the band hides what lies beyond it.
        assertThat(OverFrequency.of(Limit.PLATE_WATTS, Duty.MUSIC, List.of(known), judge, false)
                        .standing())
                .isEqualTo(Standing.UNKNOWN);
        assertThat(OverFrequency.of(Limit.PLATE_WATTS, Duty.MUSIC, List.of(known), judge, true)
                        .standing())
                .isEqualTo(Standing.INSIDE);
        OverFrequency close = OverFrequency.of(Limit.PLATE_WATTS, Duty.MUSIC, List.of(blank), judge, true);
        assertThat(close.standing()).isEqualTo(Standing.TOO_CLOSE);
        assertThat(close.value().figure().errors().toString()).contains("inductance");
        assertThat(Optional.of(close.found().duty())).contains(Duty.MUSIC);
    }
}
