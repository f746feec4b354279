package yellowrail.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;

/**
 * Lines that are what they were, word for word and figure for figure. What changed on purpose is written anew with {@code
 * -Dwrite.figures=true} and read over line by line.
 */
public final class Pinned {
    private static final Pattern LONG = Pattern.compile("-?\\d+\\.\\d{5,}(?:E-?\\d+)?|-?\\d+(?:\\.\\d+)?E-?\\d+");

    private Pinned() {}

    /** Compares the lines with a file of {@code src/test/resources/planted}. */
    public static void same(String file, List<String> lines) throws IOException {
        Path path = Path.of("src", "test", "resources", "planted", file);
        if (Boolean.getBoolean("write.figures")) {
            Files.write(path, lines);
        }
        assertThat(lines).containsExactlyElementsOf(Files.readAllLines(path));
    }

    /** A record's own words with its long figures cut to five digits: the last ones differ from one machine to another. */
    public static String figures(Object value) {
        return LONG.matcher(value.toString()).replaceAll(Pinned::short5).replace('\n', ' ');
    }

    private static String short5(MatchResult figure) {
        return String.format(Locale.ROOT, "%.4e", Double.parseDouble(figure.group()));
    }
}
