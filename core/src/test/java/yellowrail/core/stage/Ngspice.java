package yellowrail.core.stage;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A general circuit simulator in batch mode. */
final class Ngspice {
    private Ngspice() {}

    /** What it prints of a netlist. */
    static String run(Path folder, String netlist) throws IOException, InterruptedException {
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

    static double figure(String printed, String name) {
        Matcher found = Pattern.compile("(?im)^\\s*" + Pattern.quote(name) + "\\s*=\\s*([-+.\\deE]+)")
                .matcher(printed);
        assertThat(found.find()).as(name + " in " + printed).isTrue();
        return Double.parseDouble(found.group(1));
    }
}
