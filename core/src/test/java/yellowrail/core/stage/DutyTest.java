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
    private static final int SAMPLES = 400_000;

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
        double[] parts = SignalAverages.parts(duty, new Random(20261201));
        for (Stage stage : stages()) {
            Cycle found = new StageSolver(stage).played(duty);
            double[][] direct = SignalAverages.direct(stage, parts, found.drive());
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
}
