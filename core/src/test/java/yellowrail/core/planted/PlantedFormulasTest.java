package yellowrail.core.planted;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import yellowrail.core.idle.IdleAnswer;
import yellowrail.core.idle.IdleCheck;
import yellowrail.core.target.Profiles;

/**
 * The formulas, limits and notes that a builder can open, word for word, of one planted case for each way of measuring and
 * each connection and bias. Written anew with {@code -Dwrite.figures=true} and read over line by line.
 */
class PlantedFormulasTest {
    private static final Path FILE = Path.of("src", "test", "resources", "planted", "formulas.txt");
    private static final List<String> KINDS = List.of(
            "method", "screen", "connection", "bias", "n", "ref", "g2n", "warmer", "where", "spread", "limiter");

    @Test
    void readAsTheyDid() throws IOException {
        List<String> now = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (String file : List.of("plainly-fine.txt", "never-green.txt", "edges.txt")) {
            for (PlantedCases.Case asked : PlantedCases.of(file)) {
                if (seen.add(KINDS.stream().map(asked::get).collect(Collectors.joining("/")))) {
                    now.add("# " + asked.why());
                    add(now, IdleCheck.answer(PlantedQuestion.of(asked), Profiles.SHIPPED));
                }
            }
        }
        if (Boolean.getBoolean("write.figures")) {
            Files.write(FILE, now);
        }
        assertThat(now).containsExactlyElementsOf(Files.readAllLines(FILE));
    }

    private static void add(List<String> lines, IdleAnswer answer) {
        answer.formulas()
                .forEach(f -> lines.add(f.name() + ": " + f.symbols() + " = " + f.numbers() + " = " + f.result()));
        answer.limits().forEach(l -> lines.add(l.toString()));
        answer.notes().forEach(lines::add);
        lines.add(answer.judgedAt());
    }
}
