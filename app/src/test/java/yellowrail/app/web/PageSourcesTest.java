package yellowrail.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Templates, styles and scripts are laid out for reading. */
class PageSourcesTest {
    private static final Path RESOURCES = Path.of("src/main/resources");
    private static final int COLUMNS = 140;
    private static final int LINES = 300;

    @Test
    void noTestIsLongerThanOneReads() throws IOException {
        List<String> longer = new ArrayList<>();
        for (String folder : List.of("src/test/java", "../core/src/test/java", "../core/src/planted/java")) {
            try (Stream<Path> files = Files.walk(Path.of(folder))) {
                for (Path file : files.filter(Files::isRegularFile).toList()) {
                    int lines = Files.readAllLines(file).size();
                    if (lines > LINES) {
                        longer.add(file + ": " + lines);
                    }
                }
            }
        }
        assertThat(longer).isEmpty();
    }

    static Stream<Path> sources() throws IOException {
        List<Path> sources = new ArrayList<>();
        for (String folder : List.of("templates", "static/css", "static/js")) {
            try (Stream<Path> files = Files.walk(RESOURCES.resolve(folder))) {
                files.filter(Files::isRegularFile).forEach(sources::add);
            }
        }
        return sources.stream();
    }

    @ParameterizedTest
    @MethodSource("sources")
    void hasNoLineOver140Columns(Path source) throws IOException {
        assertThat(Files.readAllLines(source).stream().filter(l -> l.length() > COLUMNS))
                .as(source.toString())
                .isEmpty();
    }
}
