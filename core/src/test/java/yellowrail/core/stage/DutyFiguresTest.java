package yellowrail.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yellowrail.core.amp.Duty;

/**
 * Stages with their heat by what is played, worked out sample by sample: written anew with {@code -Dwrite.figures=true} by
 * {@link SignalAverages}, not by what is tested. A duty's figure is the highest of it, of what is quieter, and of idle.
 */
class DutyFiguresTest {
    private static final Path FILE = Path.of("src", "test", "resources", "planted", "duty-figures.txt");
    private static final List<Duty> DUTIES = List.of(Duty.MUSIC, Duty.CLEAN, Duty.HARD, Duty.TONE);

    /** One line: fields, then plate and screen watts of each duty. */
    record Worked(String fields, Map<Duty, Heat> heat, String why) {
        @Override
        public String toString() {
            return why + ": " + fields;
        }
    }

    static List<Worked> worked() throws IOException {
        List<Worked> all = new ArrayList<>();
        for (String line : Files.readAllLines(FILE)) {
            if (line.isBlank() || line.startsWith("#")) {
                continue;
            }
            String[] parts = line.split("::");
            Map<Duty, Heat> heat = new LinkedHashMap<>();
            for (String one : parts[1].split(";")) {
                String[] words = one.strip().split("[ /]+");
                if (words.length == 3) {
                    heat.put(
                            Duty.valueOf(words[0].toUpperCase(Locale.ROOT)),
                            new Heat(Double.parseDouble(words[1]), Double.parseDouble(words[2])));
                }
            }
            all.add(new Worked(parts[0].strip(), heat, parts[2].strip()));
        }
        return Boolean.getBoolean("write.figures") ? written(all) : all;
    }

    private static List<Worked> written(List<Worked> lines) throws IOException {
        List<String> text = new ArrayList<>(Files.readAllLines(FILE).stream()
                .filter(l -> l.isBlank() || l.startsWith("#"))
                .toList());
        List<Worked> anew = new ArrayList<>();
        for (Worked line : lines) {
            Map<Duty, Heat> heat = byHand(stage(line));
            StringBuilder figures = new StringBuilder();
            heat.forEach((duty, h) -> figures.append(String.format(
                    Locale.ROOT,
                    "%s %.2f / %.2f; ",
                    duty.name().toLowerCase(Locale.ROOT),
                    h.plateWatts(),
                    h.screenWatts())));
            text.add(line.fields() + " :: " + figures.toString().strip() + " :: " + line.why());
            anew.add(new Worked(line.fields(), heat, line.why()));
        }
        Files.write(FILE, text);
        return anew;
    }

    private static Stage stage(Worked line) {
        return JudgedStage.of(JudgedStage.fields(line.fields())).setting().stage();
    }

    private static Map<Duty, Heat> byHand(Stage stage) {
        StageSolver solver = new StageSolver(stage);
        Cycle idle = solver.idle();
        double full = solver.full().drive();
        Map<Duty, Heat> heat = new LinkedHashMap<>();
        Heat most = Heat.of(idle);
        for (Duty duty : Duty.PLAYED) {
            double[][] sums = SignalAverages.direct(stage, SignalAverages.parts(duty, new Random(28)), full);
            double plate = 0;
            double screen = 0;
            for (double[] tube : sums) {
                plate = Math.max(plate, tube[0]);
                screen = Math.max(screen, tube[1]);
            }
            most = most.most(new Heat(plate, screen));
            heat.put(duty, most);
        }
        Heat tone = Heat.of(idle);
        for (int i = 1; i <= 60; i++) {
            tone = tone.most(Heat.of(new StageSolver(stage).driven(full * i / 60)));
        }
        heat.put(Duty.TONE, tone);
        return heat;
    }

    @ParameterizedTest
    @MethodSource("worked")
    void areWhatWasWorkedOut(Worked line) {
        DriveSweep drive = DriveSweep.of(stage(line), StageJudge.LEVELS);
        assertThat(line.heat().keySet()).containsExactlyInAnyOrderElementsOf(DUTIES);
        line.heat().forEach((duty, wanted) -> {
            assertThat(drive.hottestPlate(duty).hottestPlateWatts())
                    .as(duty.words() + ", plate")
                    .isCloseTo(wanted.plateWatts(), within(0.02 * wanted.plateWatts()));
            assertThat(drive.hottestScreen(duty).hottestScreenWatts())
                    .as(duty.words() + ", screen")
                    .isCloseTo(wanted.screenWatts(), within(0.02 * wanted.screenWatts() + 0.005));
        });
    }
}
