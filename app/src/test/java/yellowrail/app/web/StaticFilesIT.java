package yellowrail.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import yellowrail.app.AppIT;

class StaticFilesIT extends AppIT {
    private HttpResponse<String> fetch(String path, String... headers) throws IOException, InterruptedException {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create("http://localhost:" + port + path));
        if (headers.length > 0) {
            request.headers(headers);
        }
        return HttpClient.newHttpClient().send(request.build(), HttpResponse.BodyHandlers.ofString());
    }

    private Set<String> linked() throws IOException, InterruptedException {
        Set<String> linked = new TreeSet<>();
        for (String page : List.of("/", "/stage", "/load")) {
            Pattern.compile("(?:href|src)=\"(/(?:css|js|img|webjars)/[^\"]+)\"")
                    .matcher(fetch(page).body())
                    .results()
                    .map((MatchResult m) -> m.group(1))
                    .forEach(linked::add);
        }
        return linked;
    }

    /** A build gives all its files one date: going by it, a browser would keep the scripts of an earlier version. */
    @Test
    void areKnownByContentAndNotByDate() throws Exception {
        Set<String> linked = linked();
        assertThat(linked).hasSizeGreaterThan(8).anyMatch(l -> l.startsWith("/webjars/"));
        for (String path : linked) {
            HttpResponse<String> first = fetch(path);
            assertThat(first.statusCode()).as(path).isEqualTo(200);
            assertThat(first.headers().allValues("Cache-Control")).as(path).containsExactly("no-cache");
            String tag = first.headers().firstValue("ETag").orElseThrow();
            assertThat(fetch(path, "If-None-Match", tag).statusCode()).as(path).isEqualTo(304);
            assertThat(fetch(path, "If-Modified-Since", "Fri, 01 Jan 2038 00:00:00 GMT")
                            .statusCode())
                    .as(path)
                    .isEqualTo(200);
            assertThat(fetch(path, "If-None-Match", "\"of-another-version\"").statusCode())
                    .as(path)
                    .isEqualTo(200);
        }
    }
}
