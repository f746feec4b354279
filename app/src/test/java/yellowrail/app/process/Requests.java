package yellowrail.app.process;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;

/** Requests to an application that may be killed at any moment. */
public record Requests(AppProcess app) {
    private static final Duration PATIENCE = Duration.ofSeconds(30);

    private HttpRequest.Builder to(String path) {
        return HttpRequest.newBuilder(URI.create(app.address() + path)).timeout(PATIENCE);
    }

    private HttpResponse<String> answer(HttpRequest request) throws IOException, InterruptedException {
        return app.http().send(request, HttpResponse.BodyHandlers.ofString());
    }

    public HttpResponse<String> get(String path) throws IOException, InterruptedException {
        return answer(to(path).build());
    }

    /** Status of a JSON request; 0 when nothing answered. */
    public int post(String path, String json) throws InterruptedException {
        try {
            return answer(to("/api/v1" + path)
                            .header("Content-Type", "application/json")
                            .timeout(Duration.ofSeconds(8))
                            .POST(HttpRequest.BodyPublishers.ofString(json))
                            .build())
                    .statusCode();
        } catch (IOException down) {
            return 0;
        }
    }

    /** Sends a form as a browser would, with the token from the page and its cookie. */
    public HttpResponse<String> send(String path, String fields) throws IOException, InterruptedException {
        String cookie =
                get("/").headers().firstValue("Set-Cookie").orElseThrow().split(";")[0];
        String token = cookie.substring(cookie.indexOf('=') + 1);
        return answer(to(path).header("Cookie", cookie)
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString("_csrf=" + token + "&" + fields))
                .build());
    }

    /** Status of a form; 0 when nothing answered. */
    public int sent(String path, String fields) throws InterruptedException {
        try {
            return send(path, fields).statusCode();
        } catch (IOException down) {
            return 0;
        }
    }
}
