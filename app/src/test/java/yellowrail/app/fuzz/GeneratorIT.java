package yellowrail.app.fuzz;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import yellowrail.app.forms.Texts;
import yellowrail.app.fuzz.Routes.Route;
import yellowrail.app.process.AppProcess;
import yellowrail.app.process.Requests;

/**
 * What is taken can be shown: seeded things are sent through the real routes, and whatever was taken is opened on every page
 * and in every file that can show it. {@code -Dthings=20000} for a long run, {@code -Dfuzz.seed} for another one.
 */
class GeneratorIT {
    private static final int THINGS = Integer.getInteger("things", 300);
    private static final long SEED = Long.getLong("fuzz.seed", 20261127);
    private static final Pattern NAME = Pattern.compile("\"socketName\":\\[([^\\]]*)]");
    private static final Pattern NODE = Pattern.compile("\"nodeLabel\":\\[([^\\]]*)]");

    private final Random random = new Random(SEED);
    private final Nasty nasty = new Nasty(random, List.of());
    private final Things things = new Things(random, nasty);
    private final Entries entries = new Entries(random, nasty);
    private final Map<String, Integer> sent = new TreeMap<>();
    private final Map<String, Integer> taken = new TreeMap<>();
    private int opened;
    private AppProcess app;
    private List<Route> pages;
    private String cookie;

    @Test
    void whatIsTakenCanBeShown() throws Exception {
        pages = Routes.all().stream()
                .filter(Route::reads)
                .filter(r -> !r.path().startsWith("/bench/stream") && !r.path().contains("{reading"))
                .toList();
        try (AppProcess process = new AppProcess()) {
            app = process;
            cookie = new Requests(app)
                    .get("/")
                    .headers()
                    .firstValue("Set-Cookie")
                    .orElseThrow()
                    .split(";")[0];
            while (total(sent) < THINGS) {
                evening();
            }
            for (String page :
                    List.of("/", "/bench", "/amps", "/tubes", "/settings", "/api/v1/amps", "/api/v1/tubes")) {
                open(page);
            }
            System.out.println("generator: seed " + SEED + ", sent " + total(sent) + " " + sent + ", taken "
                    + total(taken) + " " + taken + ", pages and files opened " + opened);
            assertThat(total(taken)).isGreaterThan(THINGS / 20);
        }
    }

    private static int total(Map<String, Integer> counts) {
        return counts.values().stream().mapToInt(Integer::intValue).sum();
    }

    /** A type, a target, a meter, an amp; then rounds, results and a session of that amp. */
    private void evening() throws Exception {
        Map<String, String> type = things.type();
        if (form("type", "/tubes/keep", type)) {
            open("/tubes");
            open("name", Texts.line(type.get("designation")).replace('/', '-'), List.of("/tubes/{", "/api/v1/tubes/{"));
        }
        boolean settings = form("target", "/settings/targets", things.target());
        settings |= form("meter", "/settings/meters", things.meter());
        if (settings) {
            open("/settings");
        }
        UUID amp = UUID.randomUUID();
        String description = json("amp", "/api/v1/amps", things.amp(amp, 0));
        if (description.isEmpty()) {
            return;
        }
        List<String> points = points(description);
        open("amp", amp.toString(), List.of("/amps/{", "/api/v1/amps/{", "/bench/amp/{"));
        for (int i = sockets(points).isEmpty() ? 0 : nasty.below(4); i > 0; i--) {
            String kept = json("round", "/api/v1/amps/" + amp + "/rounds", things.round(sockets(points)));
            if (!kept.isEmpty()) {
                open("round", first(kept, "id"), List.of("/rounds/{", "/api/v1/rounds/{"));
            }
        }
        if (nasty.sometimes(2)) {
            form("result", "/amps/" + amp + "/results", things.result());
        }
        UUID session = UUID.randomUUID();
        if (!json("session", "/api/v1/sessions", entries.session(session, amp.toString()))
                .isEmpty()) {
            session(session, points);
        }
        open("amp", amp.toString(), List.of("/amps/{", "/api/v1/amps/{", "/bench/amp/{"));
        if (nasty.sometimes(5)) {
            open("/bench");
            open("/amps");
        }
    }

    private void session(UUID session, List<String> points) throws Exception {
        List<String> made = new ArrayList<>();
        for (int i = 5 + nasty.below(40); i > 0; i--) {
            String entry = entries.entry(points, made);
            if (!json("entry", "/api/v1/sessions/" + session + "/events", entry).isEmpty()) {
                made.add(first(entry, "id"));
            }
            if (nasty.sometimes(8)) {
                open("/bench/" + session + "/panel?readings=ALL");
            }
        }
        if (nasty.sometimes(2)) {
            for (String kind : List.of("skip", "sign")) {
                json("entry", "/api/v1/sessions/" + session + "/events", ending(kind));
            }
        }
        open("session", session.toString(), List.of("/bench/{", "/api/v1/sessions/{"));
    }

    private static String ending(String kind) {
        String fields =
                kind.equals("skip") ? "{\"stop\":\"CLOSE\",\"reason\":\"late\"}" : "{\"by\":\"E\",\"remarks\":\"\"}";
        return "{\"id\":\"" + UUID.randomUUID() + "\",\"kind\":\"" + kind + "\",\"device\":\"desk\",\"fields\":"
                + fields + "}";
    }

    private static List<String> points(String description) {
        List<String> points = new ArrayList<>(List.of(""));
        for (Pattern pattern : List.of(NAME, NODE)) {
            Matcher found = pattern.matcher(description);
            if (found.find()) {
                Matcher name = Pattern.compile("\"((?:[^\"\\\\]|\\\\.)*)\"").matcher(found.group(1));
                while (name.find()) {
                    points.add(name.group(1));
                }
            }
        }
        points.addAll(List.of("A", "B", "all", "1"));
        return points;
    }

    /** What rounds are read at: the sockets, sense points of their own among them. */
    private static List<String> sockets(List<String> points) {
        return points.stream().filter(p -> p.startsWith("V")).toList();
    }

    private static String first(String json, String field) {
        Matcher found = Pattern.compile("\"" + field + "\":\"([^\"]+)\"").matcher(json);
        return found.find() ? found.group(1) : "";
    }

    /** Every page and file whose address names the thing. */
    private void open(String kind, String name, List<String> beginnings) throws Exception {
        String coded = URLEncoder.encode(name, StandardCharsets.UTF_8).replace("+", "%20");
        if (coded.isEmpty()
                || coded.contains("%2F")
                || coded.contains("%5C")
                || coded.contains("%25")
                || coded.contains("%3B")) {
            return; // an address cannot name it; lists show it
        }
        for (Route page : pages) {
            boolean names = beginnings.stream().anyMatch(page.path()::startsWith);
            if (names) {
                String path = page.path()
                        .replaceFirst("\\{[^}]+}", Matcher.quoteReplacement(coded))
                        .replace("{version}", "1")
                        .replace("{swapId}", UUID.randomUUID().toString());
                boolean files = path.contains("{name:");
                for (String file : files ? Routes.FILES : List.of("")) {
                    open(path.replaceFirst("\\{name:.*", file));
                }
            }
        }
    }

    private void open(String path) throws Exception {
        HttpResponse<String> answer = send(HttpRequest.newBuilder(URI.create(app.address() + path)), path, "");
        opened++;
        assertThat(answer.statusCode()).as(told(path, "")).isIn(200, 302, 404, 409);
    }

    private String told(String path, String body) {
        return "seed " + SEED + ", after " + sent + ": " + path + "\n" + body;
    }

    /** The answer when it was taken, else nothing. */
    private String json(String kind, String path, String body) throws Exception {
        HttpResponse<String> answer = send(
                HttpRequest.newBuilder(URI.create(app.address() + path))
                        .header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofString(body)),
                path,
                body);
        return count(kind, answer.statusCode() < 300) ? answer.body() + " " : "";
    }

    private boolean form(String kind, String path, Map<String, String> fields) throws Exception {
        StringBuilder body = new StringBuilder("_csrf=" + cookie.substring(cookie.indexOf('=') + 1));
        fields.forEach((name, value) ->
                body.append("&").append(name).append("=").append(URLEncoder.encode(value, StandardCharsets.UTF_8)));
        HttpResponse<String> answer = send(
                HttpRequest.newBuilder(URI.create(app.address() + path))
                        .header("Cookie", cookie)
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .POST(HttpRequest.BodyPublishers.ofString(body.toString())),
                path,
                body.toString());
        assertThat(answer.statusCode()).as(told(path, body.toString())).isNotEqualTo(403);
        return count(kind, answer.statusCode() < 400);
    }

    private boolean count(String kind, boolean accepted) {
        sent.merge(kind, 1, Integer::sum);
        if (accepted) {
            taken.merge(kind, 1, Integer::sum);
        }
        return accepted;
    }

    private HttpResponse<String> send(HttpRequest.Builder request, String path, String body) throws Exception {
        HttpResponse<String> answer =
                app.http().send(request.timeout(Duration.ofSeconds(30)).build(), HttpResponse.BodyHandlers.ofString());
        assertThat(answer.statusCode())
                .as(told(path, body) + "\n" + answer.body())
                .isLessThan(500);
        return answer;
    }
}
