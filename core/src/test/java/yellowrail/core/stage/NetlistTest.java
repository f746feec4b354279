package yellowrail.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The netlist runs in a general circuit simulator and gives what was computed. */
class NetlistTest {
    @TempDir
    private Path folder;

    static List<StageCases.Case> cases() {
        return StageCases.all().stream()
                .filter(c -> c.id().matches("(01|03|06|08|10|N01|N05|N09|N11)_.*"))
                .toList();
    }

    @ParameterizedTest
    @MethodSource("cases")
    void idleCurrentsAndPowerAgreeWithinOnePerCent(StageCases.Case c) throws Exception {
        StageSolver solver = new StageSolver(c.stage());
        Cycle idle = solver.idle();
        List<double[]> still = run(Netlist.of(c.stage(), idle), idle.tubes().size(), false);
        double[] last = still.get(still.size() - 1);
        for (int t = 0; t < idle.tubes().size(); t++) {
            double computed =
                    idle.tubes().get(t).plateAmperes() + idle.tubes().get(t).screenAmperes();
            assertThat(last[2 + t]).as("cathode current " + t).isCloseTo(computed, within(0.01 * computed));
        }
        double peak = c.levels().get(c.levels().size() - 1).peak();
        Cycle driven = solver.driven(peak);
        List<double[]> wave = run(Netlist.of(c.stage(), driven), driven.tubes().size(), true);
        double volts = fundamental(wave);
        assertThat(volts * volts / 2 / c.stage().loadOhms())
                .isCloseTo(driven.fundamentalWatts(), within(0.01 * driven.fundamentalWatts()));
    }

    /** Amplitude over the last whole cycles of 1 kHz; the rows are evenly spaced. */
    private static double fundamental(List<double[]> wave) {
        int n = 2500;
        double real = 0;
        double imaginary = 0;
        for (int i = 0; i < n; i++) {
            double[] row = wave.get(wave.size() - n + i);
            double angle = 2 * Math.PI * 1000 * row[0];
            real += row[1] * Math.cos(angle);
            imaginary += row[1] * Math.sin(angle);
        }
        return 2 * Math.hypot(real, imaginary) / n;
    }

    /** Time, volts across the load, then each tube's cathode current. */
    private List<double[]> run(String netlist, int tubes, boolean driven) throws IOException, InterruptedException {
        StringBuilder saved = new StringBuilder();
        for (int t = 0; t < tubes; t++) {
            saved.append(" i(vk").append(t).append(')');
        }
        String control = ".control\nrun\nlinearize\nset wr_singlescale\nwrdata " + folder.resolve("out") + " "
                + "v(x0)-v(z)" + saved + "\nquit\n.endc\n.end\n";
        Path file = folder.resolve("stage.cir");
        Files.writeString(file, netlist.replace(".end\n", control));
        Process process = new ProcessBuilder("ngspice", "-b", file.toString())
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("log").toFile())
                .start();
        assertThat(process.waitFor(120, TimeUnit.SECONDS)).isTrue();
        Path out = folder.resolve("out");
        assertThat(out).as(Files.readString(folder.resolve("log"))).exists();
        List<double[]> rows = new ArrayList<>();
        for (String line : Files.readAllLines(out)) {
            String[] words = line.strip().split("\\s+");
            if (words.length == 2 + tubes && !words[0].equals("time")) {
                double[] row = new double[words.length];
                for (int i = 0; i < words.length; i++) {
                    row[i] = Double.parseDouble(words[i]);
                }
                rows.add(row);
            }
        }
        Files.delete(out);
        assertThat(rows).hasSizeGreaterThan(driven ? 2500 : 10);
        return rows;
    }
}
