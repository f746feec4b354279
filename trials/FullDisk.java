import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.TimeUnit;

/**
 * Fills the disk under a database while rounds are written, makes room again, and looks whether every acknowledged round is
 * there once: {@code java trials/FullDisk.java PORT FOLDER}. Loopback only.
 */
class FullDisk {
    private static final HttpClient HTTP = HttpClient.newHttpClient();
    private static String base;
    private static final String AMP = UUID.randomUUID().toString();
    private static final List<String> ACKNOWLEDGED = new ArrayList<>();
    private static final Map<Integer, Integer> ANSWERS = new TreeMap<>();

    public static void main(String[] arguments) throws Exception {
        base = "http://127.0.0.1:" + arguments[0] + "/api/v1";
        Path filler = Path.of(arguments[1], "filler");
        post("/amps", "{\"id\":\"" + AMP + "\",\"versionId\":\"" + UUID.randomUUID() + "\",\"seenVersion\":0,\"description\":"
                + "{\"name\":\"Full disk\",\"bias\":\"tracking\",\"socketName\":[\"V1\"],\"topology\":\"se\","
                + "\"socketType\":[\"6L6GC\"],\"method\":\"own\",\"r\":\"10\"}}");
        rounds(20);
        fill(filler);
        String said = "";
        for (int i = 0; i < 400 && !ANSWERS.containsKey(507); i++) {
            said = round();
        }
        System.out.println("disk: full; answers so far " + ANSWERS + ", the last one says: " + said.replaceAll(".*\"detail\":\"([^\"]*)\".*", "$1"));
        Files.delete(filler);
        int before = ACKNOWLEDGED.size();
        for (int i = 0; i < 600 && ACKNOWLEDGED.size() < before + 20; i++) {
            round();
            TimeUnit.MILLISECONDS.sleep(100);
        }
        String stored = HTTP.send(
                        HttpRequest.newBuilder(URI.create(base + "/amps/" + AMP + "/rounds")).build(),
                        HttpResponse.BodyHandlers.ofString())
                .body();
        long lost = ACKNOWLEDGED.stream().filter(id -> !stored.contains(id)).count();
        System.out.println("disk: room again; " + ACKNOWLEDGED.size() + " rounds acknowledged in all, " + lost + " lost; answers " + ANSWERS);
        if (lost > 0 || ACKNOWLEDGED.size() < before + 20) {
            System.exit(1);
        }
    }

    private static void rounds(int count) throws Exception {
        for (int i = 0; i < count; i++) {
            round();
        }
    }

    private static String round() throws Exception {
        String id = UUID.randomUUID().toString();
        HttpResponse<String> answer = post("/amps/" + AMP + "/rounds", "{\"id\":\"" + id + "\",\"note\":\"" + "a long note ".repeat(150)
                + "\",\"values\":{\"MAINS.\":\"230\",\"PLATE.V1\":\"431 V\",\"CURRENT.V1\":\"271.5 mV\"}}");
        ANSWERS.merge(answer.statusCode(), 1, Integer::sum);
        if (answer.statusCode() == 201) {
            ACKNOWLEDGED.add(id);
        }
        return answer.body();
    }

    private static HttpResponse<String> post(String path, String body) throws Exception {
        return HTTP.send(
                HttpRequest.newBuilder(URI.create(base + path))
                        .header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private static void fill(Path filler) {
        byte[] block = new byte[1 << 16];
        try (var out = Files.newOutputStream(filler)) {
            while (true) {
                out.write(block);
            }
        } catch (IOException full) {
            // As meant.
        }
    }
}
