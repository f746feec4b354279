package yellowrail.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import yellowrail.core.amp.Duty;
import yellowrail.core.amp.Topology;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.TubeModels;

/** What is played, against direct averages over the time of a signal through the static stage. */
class DutyTest {
    /** Samples of a signal; one period of the tone beneath it has no whole number of them. */
    private static final int SAMPLES = 400_000;

    private static final double PERIOD = 37.3;

    /** Places of a line of the stage over the drive, from one end to the other in full drives. */
    private static final int FINE = 400;

    private static final double MOST = 3;

    @Test
    void drivesAreWhatTheirNamesSay() {
        Waveform music = Waveform.of(Duty.MUSIC);
        Waveform clean = Waveform.of(Duty.CLEAN);
        // A full sine has a mean square of a half.
        assertThat(square(music.shares(), music.parts(), 10)).isCloseTo(0.5 / 8, within(2e-4));
        assertThat(square(clean.shares(), clean.parts(), 10)).isCloseTo(0.5 / 3, within(5e-4));
        assertThat(square(clean.shares(), clean.parts(), 1) / 0.5).isCloseTo(0.325, within(1e-3));
        assertThat(java.util.Arrays.stream(Waveform.of(Duty.HARD).parts()).sum())
                .isCloseTo(1, within(1e-12));
    }

    @Test
    void aSineDrivenHardHasTheCrestItIsNamedFor() {
        double peak = Waveform.clipping(Waveform.CREST);
        double sum = 0;
        for (int i = 0; i < SAMPLES; i++) {
            double x = Math.max(-1, Math.min(1, peak * Math.sin(2 * Math.PI * i / SAMPLES)));
            sum += x * x / SAMPLES;
        }
        assertThat(1 / Math.sqrt(sum)).isCloseTo(1.1, within(1e-6));
    }

    private static double square(double[] shares, double[] parts, double limit) {
        double sum = 0;
        for (int i = 0; i < shares.length; i++) {
            double x = Math.max(-limit, Math.min(limit, shares[i]));
            sum += parts[i] * x * x;
        }
        return sum;
    }

    @ParameterizedTest
    @EnumSource(
            value = Duty.class,
            names = {"MUSIC", "CLEAN", "HARD"})
    void averagesAreThoseOfTheSignalItself(Duty duty) {
        double[] parts = parts(signal(duty, new Random(20261201)));
        for (Stage stage : stages()) {
            Cycle found = new StageSolver(stage).played(duty);
            double[][] direct = direct(stage, parts, found.drive());
            for (int t = 0; t < stage.tubes().size(); t++) {
                Cycle.TubeCycle tube = found.tubes().get(t);
                String as = duty + " " + stage;
                assertThat(tube.plateWatts() / direct[t][0]).as(as).isCloseTo(1, within(0.02));
                assertThat(tube.screenWatts() / direct[t][1]).as(as).isCloseTo(1, within(0.02));
                assertThat((tube.plateAmperes() + tube.screenAmperes()) / direct[t][2])
                        .as(as)
                        .isCloseTo(1, within(0.02));
            }
        }
    }

    private static List<Stage> stages() {
        List<Stage> all = new ArrayList<>();
        all.add(stage("6L6GC", Connection.PENTODE, 0, 460, 4200, Biasing.fixed(-47), true));
        all.add(stage("EL34", Connection.PENTODE, 0, 460, 3400, Biasing.fixed(-38), true));
        all.add(stage("KT88", Connection.ULTRALINEAR, 0.4, 520, 4300, Biasing.fixed(-62), true));
        all.add(stage("EL84", Connection.PENTODE, 0, 330, 8000, Biasing.cathode(130, true), true));
        all.add(stage("6V6GT", Connection.PENTODE, 0, 320, 8000, Biasing.cathode(500, false), true));
        all.add(stage("EL34", Connection.TRIODE, 1, 400, 5000, Biasing.cathode(470, false), true));
        all.add(stage("6V6GT", Connection.PENTODE, 0, 270, 5000, Biasing.cathode(250, false), false));
        all.add(stage("EL84", Connection.PENTODE, 0, 270, 5200, Biasing.cathode(150, false), false));
        return all;
    }

    private static Stage stage(
            String type,
            Connection connection,
            double tap,
            double supply,
            double load,
            Biasing bias,
            boolean pushPull) {
        var model = TubeModels.of(type).orElseThrow();
        List<StageTube> tubes = new ArrayList<>(List.of(new StageTube(model, 0, 1.05, 470, 0)));
        if (pushPull) {
            tubes.add(new StageTube(model, 1, 0.95, 470, 0));
        }
        return new Stage(
                pushPull ? Topology.PUSH_PULL : Topology.SINGLE_ENDED,
                connection,
                tap,
                supply,
                90,
                Double.NaN,
                200,
                70,
                0,
                load,
                tubes,
                bias);
    }

    /** Shares of full drive over the time, unlimited. */
    private static double[] signal(Duty duty, Random random) {
        double sigma = Math.sqrt(duty == Duty.MUSIC ? 1 / 16.0 : 1 / 6.0);
        double[] signal = new double[SAMPLES];
        // Two slow random quantities on a carrier are noise in a narrow band.
        double[] in = slow(random);
        double[] across = slow(random);
        double peak = Waveform.clipping(1.1);
        for (int i = 0; i < SAMPLES; i++) {
            double angle = 2 * Math.PI * i / PERIOD;
            boolean hard = duty == Duty.HARD && i % 2000 < 1000;
            signal[i] = hard ? peak * Math.sin(angle) : sigma * (in[i] * Math.cos(angle) + across[i] * Math.sin(angle));
        }
        return signal;
    }

    /** A random quantity of variance 1 that moves slowly against the carrier. */
    private static double[] slow(Random random) {
        double[] values = new double[SAMPLES];
        double keep = Math.exp(-1 / (2 * PERIOD));
        double sum = 0;
        double now = random.nextGaussian();
        for (int i = 0; i < SAMPLES; i++) {
            now = keep * now + Math.sqrt(1 - keep * keep) * random.nextGaussian();
            values[i] = now;
            sum += now * now / SAMPLES;
        }
        for (int i = 0; i < SAMPLES; i++) {
            values[i] /= Math.sqrt(sum);
        }
        return values;
    }

    /**
     * Sample by sample: averages are looked for by walking, without slopes, and full drive follows them.
     *
     * @param near drive to begin with, V
     * @return plate W, screen W and cathode A of each tube
     */
    private static double[][] direct(Stage stage, double[] parts, double near) {
        Equations equations = new Equations(stage);
        equations.start();
        equations.limited = true;
        double[][] sums = {};
        double full = near;
        for (int round = 0; round < 200; round++) {
            sums = sampled(equations, parts, full);
            double all = 0;
            double screens = 0;
            double difference = 0;
            for (int t = 0; t < sums.length; t++) {
                all += sums[t][3] + sums[t][4];
                screens += sums[t][4];
                difference += equations.sign(t) * (sums[t][3] + equations.tap * sums[t][4]);
            }
            walk(equations.mean, 0, stage.supplyVolts() - stage.supplyOhms() * all);
            walk(equations.mean, 1, equations.mean[0] - stage.screenFeedOhms() * screens);
            walk(equations.mean, 2, difference);
            double room = Double.POSITIVE_INFINITY;
            for (int t = 0; t < sums.length; t++) {
                int column = equations.cathodeColumn(t);
                if (column >= 0) {
                    double amperes = 0;
                    for (int other = 0; other < sums.length; other++) {
                        amperes += equations.cathodeColumn(other) == column ? sums[other][2] : 0;
                    }
                    walk(equations.mean, column, stage.biasing().cathodeOhms() * amperes);
                }
                room = Math.min(room, equations.cathodeVolts(t) - equations.bias(t));
            }
            full = room;
        }
        return sums;
    }

    private static void walk(double[] mean, int at, double to) {
        mean[at] += 0.1 * (to - mean[at]);
    }

    /** Averages over the signal; what a sample gives is read off a fine line of the static stage. */
    private static double[][] sampled(Equations equations, double[] parts, double full) {
        double[][] sums = new double[equations.tubeCount][5];
        double[] u = equations.unsolved();
        for (int i = 0; i <= FINE; i++) {
            equations.solve(u, full * MOST * (2.0 * i / FINE - 1));
            for (int t = 0; t < sums.length; t++) {
                TubePoint p = equations.point(t);
                double cathode = equations.cathodeVolts(t);
                sums[t][0] += parts[i] * p.plate * (u[equations.tube(t).side()] - cathode);
                sums[t][1] += parts[i] * p.screen * (u[equations.sides + t] - cathode);
                sums[t][2] += parts[i] * (p.plate + p.screen);
                sums[t][3] += parts[i] * p.plate;
                sums[t][4] += parts[i] * p.screen;
            }
        }
        return sums;
    }

    /** The part of the time for which each place of that line stands, between two of them in parts. */
    private static double[] parts(double[] signal) {
        double[] parts = new double[FINE + 1];
        for (double x : signal) {
            double place = (Math.max(-MOST, Math.min(MOST, x)) / MOST + 1) / 2 * FINE;
            int i = (int) Math.min(FINE - 1, Math.floor(place));
            parts[i] += (1 - (place - i)) / signal.length;
            parts[i + 1] += (place - i) / signal.length;
        }
        return parts;
    }
}
