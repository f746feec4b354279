package yellowrail.app.forms;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** What fields take and refuse, held against a file: written anew with {@code -Dwrite.shapes=true}. */
public final class GoldenAnswers {
    private static final Path GOLDEN = Path.of("src", "test", "resources", "golden", "fields");

    /** What is typed into every field. */
    public static final List<String> TYPED = List.of(
            "", "??", "0", "-7", "1", "4", "12", "0.6", "47 k", "250 mA", "431 V", "90 %", "1e7", "yes", "none", "1 6");

    private GoldenAnswers() {}

    /** Refusals, each with its field and what could be picked. */
    public static String refusals(FieldErrors complaints) {
        return complaints.byField().entrySet().stream()
                .map(e -> e.getKey() + " → " + e.getValue().sentence()
                        + e.getValue().choices())
                .collect(Collectors.joining(" / "));
    }

    /** What differs from the usual, by name. */
    public static String differing(Map<String, ?> usual, Map<String, ?> now) {
        return now.entrySet().stream()
                .filter(e -> !e.getValue().equals(usual.get(e.getKey())))
                .map(e -> e.getKey() + "=" + e.getValue())
                .collect(Collectors.joining(", "));
    }

    public static void same(String file, List<String> lines) {
        Path path = GOLDEN.resolve(file);
        try {
            if (Boolean.getBoolean("write.shapes")) {
                Files.createDirectories(GOLDEN);
                Files.write(path, lines);
            }
            assertThat(lines).containsExactlyElementsOf(Files.readAllLines(path));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
