package yellowrail.app.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import yellowrail.app.AppIT;
import yellowrail.app.results.ResultStore;
import yellowrail.app.speakers.SpeakerStore;
import yellowrail.app.transformers.TransformerStore;

/** Every page that the demo's pages lead to is valid HTML, but for htmx's attributes, and has one heading of its own. */
class HtmlIT extends AppIT {
    private static final Path CHECKER = Path.of("../htmlcheck/target/lib");
    private static final Pattern LINK = Pattern.compile("href=\"(/[^\"#]*)");
    private static final Pattern ID = Pattern.compile("[0-9a-f]{8}-[0-9a-f-]{27}|(?<=/tubes/)[^/?]+|(?<==)[^&]*");
    /** htmx's own; and odd letters, which other tests put into the database, some by force. */
    private static final List<String> LEFT = List.of(
            "Attribute “hx-",
            "Trailing slash on void elements",
            "Forbidden code point",
            "not mappable to XML 1.0",
            "Normalization Form C",
            "Private Use Area");

    private static final int OF_A_KIND = 4;
    private static final int MOST = 150;

    @Autowired
    private ResultStore results;

    @Autowired
    private TransformerStore transformers;

    @Autowired
    private SpeakerStore speakers;

    @TempDir
    private Path folder;

    @Test
    void everyPageIsValidAndHasOneHeading() throws Exception {
        new DemoData(amps, rounds, sessions, results, transformers, speakers).fill();
        Map<String, String> pages = reached();
        assertThat(pages).hasSizeGreaterThan(25);
        List<String> headings = new ArrayList<>();
        Map<String, String> byFile = new TreeMap<>();
        for (Map.Entry<String, String> page : pages.entrySet()) {
            long count =
                    Pattern.compile("<h1\\b").matcher(page.getValue()).results().count();
            if (count != 1) {
                headings.add(page.getKey() + " has " + count + " h1");
            }
            String file = "page" + byFile.size() + ".html";
            byFile.put(file, page.getKey());
            Files.writeString(folder.resolve(file), page.getValue());
        }
        assertThat(headings).isEmpty();
        assertThat(found(byFile)).isEmpty();
    }

    /** HTML pages by their address, following links from the first one. */
    private Map<String, String> reached() throws Exception {
        HttpClient http = HttpClient.newBuilder()
                .followRedirects(HttpClient.Redirect.NORMAL)
                .build();
        Map<String, String> pages = new TreeMap<>();
        Map<String, Integer> kinds = new HashMap<>();
        Set<String> seen = new HashSet<>(Set.of("/"));
        Deque<String> open = new ArrayDeque<>(seen);
        while (!open.isEmpty() && pages.size() < MOST) {
            String path = open.poll();
            HttpResponse<String> answer = http.send(
                    HttpRequest.newBuilder(URI.create("http://localhost:" + port + path))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
            if (!answer.headers().firstValue("Content-Type").orElse("").startsWith("text/html")) {
                continue;
            }
            assertThat(answer.statusCode()).as(path).isEqualTo(200);
            pages.put(path, answer.body());
            Matcher links = LINK.matcher(answer.body());
            while (links.find()) {
                String link = links.group(1).replace("&amp;", "&");
                String kind = ID.matcher(link).replaceAll("*");
                if (seen.add(link) && kinds.merge(kind, 1, Integer::sum) <= OF_A_KIND) {
                    open.add(link);
                }
            }
        }
        return pages;
    }

    private List<String> found(Map<String, String> byFile) throws IOException, InterruptedException {
        assertThat(CHECKER).as("copied there by the module htmlcheck").isDirectory();
        List<String> command = new ArrayList<>(List.of(
                ProcessHandle.current().info().command().orElse("java"),
                "-cp",
                CHECKER.toAbsolutePath() + "/*",
                "nu.validator.client.SimpleCommandLineValidator",
                "--format",
                "gnu"));
        byFile.keySet().forEach(f -> command.add(folder.resolve(f).toString()));
        Process checker = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said = new String(checker.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        checker.waitFor();
        return said.lines()
                .filter(l -> LEFT.stream().noneMatch(l::contains))
                .map(l -> named(l, byFile))
                .toList();
    }

    private static String named(String line, Map<String, String> byFile) {
        Matcher file = Pattern.compile("page\\d+\\.html").matcher(line);
        return file.find() ? byFile.get(file.group()) + line.substring(file.end()) : line;
    }
}
