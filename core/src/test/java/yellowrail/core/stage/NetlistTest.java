package yellowrail.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yellowrail.core.load.Speaker;
import yellowrail.core.load.SpeakerNetwork;
import yellowrail.core.load.SpeakerOnTap;
import yellowrail.core.load.Wiring;

/** The netlist runs in a general circuit simulator and gives what was computed. */
class NetlistTest {
    @TempDir
    private Path folder;

    static List<StageCases.Case> cases() {
        return StageCases.all().stream()
                .filter(c -> c.id().matches("(01|03|06|08|10|N01|N05|N09|N11)_.*"))
                .toList();
    }

    /** As downloaded: the simulator's batch mode prints the idle and the drive, within half a per cent of what was computed. */
    @ParameterizedTest
    @MethodSource("cases")
    void whatTheSimulatorPrintsIsWhatWasComputed(StageCases.Case c) throws Exception {
        StageSolver solver = new StageSolver(c.stage());
        Cycle idle = solver.idle();
        Cycle driven = solver.driven(c.levels().get(c.levels().size() - 1).peak());
        String printed = run(Netlist.of(c.stage(), driven));
        String still = printed.substring(printed.indexOf("idle"), printed.indexOf("driven"));
        String wave = printed.substring(printed.indexOf("driven"));
        close("idle B+", figure(still, "v(b)"), idle.supplyVolts());
        close("driven B+", figure(wave, "supply_volts"), driven.supplyVolts());
        close("watts", figure(wave, "load_watts"), driven.watts());
        for (int t = 0; t < idle.tubes().size(); t++) {
            Cycle.TubeCycle quiet = idle.tubes().get(t);
            Cycle.TubeCycle loud = driven.tubes().get(t);
            close("plate A " + t, figure(still, "i(vp" + t + ")"), quiet.plateAmperes());
            close("cathode A " + t, figure(still, "i(vk" + t + ")"), quiet.plateAmperes() + quiet.screenAmperes());
            close("plate W " + t, figure(still, "v(wp" + t + ")"), quiet.plateWatts());
            close("driven plate W " + t, figure(wave, "plate_watts_" + t), loud.plateWatts());
            close("driven screen W " + t, figure(wave, "screen_watts_" + t), loud.screenWatts());
        }
    }

    /** A stage, its speaker on 8 Ω, and a frequency. */
    record Reactive(StageCases.Case stage, Wiring speakers, double hertz) {
        @Override
        public String toString() {
            return stage.id() + ", " + speakers.drivers().size() + " speakers at " + hertz + " Hz";
        }
    }

    static Stream<Reactive> reactive() {
        Wiring one = new Wiring.Driver("A", new Speaker.Modelled(6.4, 0.6e-3, 30, 80, 46.4, 5));
        Wiring soft = new Wiring.Driver("B", new Speaker.Modelled(5.6, 0, 30, 110, 28, 2));
        Wiring two = new Wiring.Parallel(
                List.of(new Wiring.Series(List.of(one, soft)), new Wiring.Driver("16", new Speaker.Nominal(16))));
        double[] hertz = {80, 400, 5000};
        List<StageCases.Case> stages = cases();
        return IntStream.range(0, 12)
                .mapToObj(i -> new Reactive(
                        stages.get(i % stages.size()), i % 4 == 3 ? two : i % 2 == 0 ? one : soft, hertz[i % 3]));
    }

    /** Into a speaker: heat and peak volts within 3 % of the simulator's, over connections, bias schemes and frequencies. */
    @ParameterizedTest
    @MethodSource("reactive")
    void aSpeakerHeatsAsInTheSimulator(Reactive r) throws Exception {
        Stage stage = r.stage().stage();
        SpeakerOnTap load = new SpeakerOnTap(r.speakers(), Math.sqrt(stage.loadOhms() / 8), Optional.empty());
        double drive = new StageSolver(stage).fullDrive();
        ReactiveCycle cycle = new ReactiveSolver(stage, load).at(r.hertz(), drive);
        String printed = run(Netlist.of(stage, cycle, SpeakerNetwork.of(load).orElseThrow()));
        String wave = printed.substring(printed.indexOf("driven"));
        double most = 0;
        for (int side = 0; side < (stage.pushPull() ? 2 : 1); side++) {
            most = Math.max(most, figure(wave, "plate_most_volts_" + side));
        }
        assertThat(most).as("peak volts").isCloseTo(cycle.plateMost(), within(0.03 * cycle.plateMost()));
        for (int t = 0; t < cycle.tubes().size(); t++) {
            near(
                    "plate W " + t,
                    figure(wave, "plate_watts_" + t),
                    cycle.tubes().get(t).plateWatts());
            near(
                    "screen W " + t,
                    figure(wave, "screen_watts_" + t),
                    cycle.tubes().get(t).screenWatts());
        }
        near("speaker W", figure(wave, "load_watts"), cycle.watts());
    }

    private static void near(String what, double printed, double computed) {
        assertThat(printed).as(what).isCloseTo(computed, within(0.03 * Math.abs(computed)));
    }

    private static void close(String what, double printed, double computed) {
        assertThat(printed).as(what).isCloseTo(computed, within(0.005 * Math.abs(computed)));
    }

    private static double figure(String printed, String name) {
        Matcher found = Pattern.compile("(?im)^\\s*" + Pattern.quote(name) + "\\s*=\\s*([-+.\\deE]+)")
                .matcher(printed);
        assertThat(found.find()).as(name + " in " + printed).isTrue();
        return Double.parseDouble(found.group(1));
    }

    private String run(String netlist) throws IOException, InterruptedException {
        Path file = folder.resolve("stage.cir");
        Files.writeString(file, netlist);
        Path log = folder.resolve("log");
        Process process = new ProcessBuilder("ngspice", "-b", file.toString())
                .redirectErrorStream(true)
                .redirectOutput(log.toFile())
                .start();
        assertThat(process.waitFor(120, TimeUnit.SECONDS)).isTrue();
        return Files.readString(log);
    }
}
