package yellowrail.app.fuzz;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.HttpURLConnection;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import yellowrail.app.fuzz.Routes.Route;
import yellowrail.app.process.AppProcess;
import yellowrail.app.process.Requests;

/**
 * Hostile requests over every route that the controllers and the API's description name: no answer in the 500s, none that
 * does not come, none that shows the inside, and memory stays what it was. {@code -Dfuzz=30000} for a long run, {@code
 * -Dfuzz.seed} for another one.
 */
class FuzzIT {
    private static final int REQUESTS = Integer.getInteger("fuzz", 1_000);
    private static final long SEED = Long.getLong("fuzz.seed", 20261127);
    private static final long MOST_RESIDENT_KB = 400 * 1024;
    private static final Pattern ID = Pattern.compile("[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}");
    private static final Pattern INSIDE = Pattern.compile(
            "\\n\\s*at [a-z]+\\.[a-zA-Z.$]+\\(|Exception[:\\s]|org\\.springframework|java\\.lang\\.|PSQLState");
    private static final List<String> METHODS =
            List.of("GET", "POST", "PUT", "DELETE", "PATCH", "HEAD", "OPTIONS", "TRACE");
    private static final List<String> TYPES = List.of(
            "application/json",
            "application/x-www-form-urlencoded",
            "multipart/form-data",
            "multipart/form-data; boundary=x",
            "text/plain",
            "application/xml",
            "application/json;charset=utf-16",
            "nonsense");

    private final List<String> ids = new ArrayList<>();
    private final Nasty nasty = new Nasty(new Random(SEED), ids);
    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();
    private final Map<Integer, Integer> answers = new TreeMap<>();
    private String cookie = "";
    private int again;

    @Test
    void nothingBreaksIt() throws Exception {
        try (AppProcess app = new AppProcess()) {
            Requests requests = new Requests(app);
            cookie = requests.get("/")
                    .headers()
                    .firstValue("Set-Cookie")
                    .orElseThrow()
                    .split(";")[0];
            List<Route> routes = new ArrayList<>(Routes.all());
            routes.removeIf(r -> r.path().startsWith("/bench/stream"));
            assertThat(described(requests))
                    .isSubsetOf(routes.stream().map(Route::path).toList());
            for (int i = 0; i < REQUESTS; i++) {
                ask(app, nasty.one(routes), i);
            }
            long resident = app.residentKilobytes();
            System.out.println("fuzz: seed " + SEED + ", " + REQUESTS + " requests over " + routes.size()
                    + " routes, answers " + answers + ", connections closed under one " + again + ", resident "
                    + resident / 1024 + " MB");
            assertThat(requests.get("/").statusCode()).isEqualTo(200);
            assertThat(resident).as("resident memory, kB").isLessThan(MOST_RESIDENT_KB);
        }
    }

    /** Paths in the API's own description: each is one of the controllers'. */
    private static TreeSet<String> described(Requests requests) throws Exception {
        TreeSet<String> paths = new TreeSet<>();
        Matcher path = Pattern.compile("\"(/api/v1/[^\"]*)\":\\{\"(?:get|post|put)")
                .matcher(requests.get("/api/v1/openapi.json").body());
        while (path.find()) {
            paths.add(path.group(1));
        }
        assertThat(paths).isNotEmpty();
        return paths;
    }

    private void ask(AppProcess app, Route route, int number) throws Exception {
        List<String> names = new ArrayList<>(route.names());
        String path = filled(route.path());
        String method = nasty.sometimes(12) ? nasty.one(METHODS) : route.method();
        if (method.equals("GET") || nasty.sometimes(10)) {
            path += "?" + fields(names, false);
        }
        String body = "";
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(app.address() + path))
                .timeout(Duration.ofSeconds(30))
                .header("Cookie", cookie)
                .header("Accept", nasty.sometimes(3) ? "application/json" : "text/html,*/*");
        if (method.equals("POST") || method.equals("PUT") || method.equals("PATCH")) {
            String type = nasty.sometimes(8)
                    ? nasty.one(TYPES)
                    : route.path().startsWith("/api/") ? TYPES.get(0) : TYPES.get(1);
            request.header("Content-Type", type);
            body = type.startsWith("application/json")
                    ? nasty.sometimes(12) ? nasty.text() : nasty.object(names, 0)
                    : (nasty.sometimes(15) ? "" : "_csrf=" + cookie.substring(cookie.indexOf('=') + 1) + "&")
                            + fields(names, true);
        }
        request.method(
                method,
                body.isEmpty()
                        ? HttpRequest.BodyPublishers.noBody()
                        : HttpRequest.BodyPublishers.ofString(body, StandardCharsets.UTF_8));
        String asked = "request " + number + " of seed " + SEED + ": " + method + " " + path + "\n" + body;
        HttpResponse<String> answer = answer(request.build(), asked);
        answers.merge(answer.statusCode(), 1, Integer::sum);
        assertThat(answer.statusCode()).as(asked).isLessThan(HttpURLConnection.HTTP_INTERNAL_ERROR);
        assertThat(INSIDE.matcher(answer.body()).find())
                .as(asked + "\n" + answer.body())
                .isFalse();
        Matcher id = ID.matcher(answer.body());
        if (ids.size() < 400 && id.find()) {
            ids.add(id.group());
        }
    }

    /** A connection kept from before can be closed under a request; that happens seldom, and on a new one it is answered. */
    private HttpResponse<String> answer(HttpRequest request, String asked) throws Exception {
        try {
            return http.send(request, HttpResponse.BodyHandlers.ofString());
        } catch (IOException closed) {
            again++;
            assertThat(again).as("closed connections; the last under " + asked).isLessThan(5 + REQUESTS / 1_000);
            try {
                return HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofString());
            } catch (IOException silent) {
                throw new AssertionError("no answer to " + asked, silent);
            }
        }
    }

    private String filled(String path) {
        String filled = path;
        while (filled.contains("{")) {
            int from = filled.indexOf('{');
            String value = nasty.sometimes(4) ? nasty.text() : nasty.id();
            String coded = URLEncoder.encode(value.isEmpty() ? "x" : value, StandardCharsets.UTF_8);
            filled = filled.substring(0, from)
                    + coded.substring(0, Math.min(coded.length(), 500)).replaceAll("%.?$", "")
                    + filled.substring(filled.indexOf('}', from) + 1);
        }
        return filled;
    }

    /** @param broken whether some are coded wrongly; in an address this client itself refuses that */
    private String fields(List<String> names, boolean broken) {
        StringBuilder fields = new StringBuilder();
        int count = nasty.sometimes(60) ? 1_200 : nasty.below(10);
        for (int i = 0; i < count; i++) {
            String name = names.isEmpty() || nasty.sometimes(10) ? nasty.text() : nasty.one(names);
            String value = nasty.text();
            fields.append(i == 0 ? "" : "&")
                    .append(URLEncoder.encode(name.substring(0, Math.min(60, name.length())), StandardCharsets.UTF_8))
                    .append("=")
                    .append(
                            broken && nasty.sometimes(80)
                                    ? "%ZZ"
                                    : URLEncoder.encode(
                                            value.substring(0, Math.min(count > 20 ? 5 : 900, value.length())),
                                            StandardCharsets.UTF_8));
        }
        return fields.toString();
    }
}
