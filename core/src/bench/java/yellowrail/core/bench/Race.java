package yellowrail.core.bench;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowrail.core.tube.Connection;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.DriveSweep;
import yellowrail.core.stage.Netlist;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.stage.StageSolver;

/**
 * One level of drive here and in a general circuit simulator, in one run on one machine: the same stage, the same drive, the
 * same averages to start from, which spares the simulator the seconds its supplies would take to settle.
 */
public final class Race {
    private static final int ROUNDS = 200;

    private Race() {}

    public static void main(String[] none) throws Exception {
        race("pentode, fixed bias", Stages.pair(Connection.PENTODE, Biasing.fixed(-40)));
        race("ultralinear, fixed bias", Stages.pair(Connection.ULTRALINEAR, Biasing.fixed(-40)));
        race("pentode, cathode bias", Stages.pair(Connection.PENTODE, Biasing.cathode(250, true)));
    }

    private static void race(String name, StageSetting setting) throws Exception {
        Stage stage = setting.stage();
        double peak = DriveSweep.of(stage, 8).full().drive();
        double ours = Double.POSITIVE_INFINITY;
        Cycle cycle = null;
        // The best of each: what the machine does beside it slows both.
        for (int i = 0; i < ROUNDS; i++) {
            long begin = System.nanoTime();
            StageSolver solver = new StageSolver(stage);
            solver.idle();
            cycle = solver.driven(peak);
            ours = Math.min(ours, (System.nanoTime() - begin) / 1e6);
        }
        double theirs = Double.POSITIVE_INFINITY;
        for (int i = 0; i < 3; i++) {
            theirs = Math.min(theirs, simulate(Netlist.of(stage, cycle)));
        }
        System.out.printf(
                Locale.ROOT, "%-24s idle and full drive here %.2f ms, simulator %.0f ms: %.0f times%n", name, ours, theirs, theirs / ours);
    }

    private static double simulate(String netlist) throws Exception {
        Path folder = Files.createTempDirectory("race");
        Path file = folder.resolve("stage.cir");
        Path log = folder.resolve("log");
        Files.writeString(file, netlist.replace(".end\n", ".control\nrun\nquit\n.endc\n.end\n"));
        List<String> command = new ArrayList<>(List.of("ngspice", "-b", file.toString()));
        long begin = System.nanoTime();
        int code = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(log.toFile())
                .start()
                .waitFor();
        double milli = (System.nanoTime() - begin) / 1e6;
        if (code != 0) {
            throw new IllegalStateException(Files.readString(log));
        }
        Files.delete(file);
        Files.delete(log);
        Files.delete(folder);
        return milli;
    }
}
