package yellowrail.app.kill;

import java.io.File;
import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.TimeUnit;

/** The application's jar and a database cluster of its own, with full durability, started and killed as processes. */
final class Bench implements AutoCloseable {
    private final Path root = Path.of("..").toAbsolutePath().normalize();
    private final String data =
            root.resolve(".data/kill-" + ProcessHandle.current().pid()).toString();
    private final Path log = Path.of("target/kill-trial.log").toAbsolutePath();
    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(2)).build();
    private final int port;
    private Process app;

    Bench() throws Exception {
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        startDatabase();
        if (run("durable").exitValue() != 0) {
            throw new IllegalStateException("the trial's cluster is not durable");
        }
        startApp();
    }

    String address() {
        return "http://localhost:" + port;
    }

    HttpClient http() {
        return http;
    }

    private Process run(String... arguments) throws Exception {
        String[] command = new String[arguments.length + 1];
        command[0] = root.resolve("bin/db").toString();
        System.arraycopy(arguments, 0, command, 1, arguments.length);
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
        builder.environment().remove("YR_DB_OPTS");
        builder.environment().put("YR_DATA", data);
        builder.redirectInput(new File("/dev/null"));
        builder.redirectOutput(ProcessBuilder.Redirect.appendTo(log.toFile()));
        Process process = builder.start();
        if (!process.waitFor(120, TimeUnit.SECONDS)) {
            throw new IllegalStateException("bin/db " + String.join(" ", arguments) + " hangs");
        }
        return process;
    }

    void startDatabase() throws Exception {
        if (run("start").exitValue() != 0) {
            throw new IllegalStateException("the database did not start, see " + log);
        }
    }

    void startApp() throws Exception {
        Map<String, String> settings = new HashMap<>();
        for (String line : Files.readAllLines(Path.of(data, "db.env"))) {
            settings.put(line.substring(0, line.indexOf('=')), line.substring(line.indexOf('=') + 1));
        }
        ProcessBuilder builder = new ProcessBuilder(
                        "java",
                        "-Xmx256m",
                        "-XX:+UseSerialGC",
                        "-XX:TieredStopAtLevel=1",
                        "-jar",
                        Path.of("target/yellow-rail.jar").toAbsolutePath().toString())
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(log.toFile()));
        builder.environment().putAll(settings);
        builder.environment().put("YR_PORT", String.valueOf(port));
        app = builder.start();
        for (int i = 0; i < 1800; i++) {
            if (answers()) {
                return;
            }
            TimeUnit.MILLISECONDS.sleep(100);
        }
        throw new IllegalStateException("the application did not start, see " + log);
    }

    private boolean answers() throws InterruptedException {
        try {
            HttpRequest request = HttpRequest.newBuilder(URI.create(address() + "/amps"))
                    .timeout(Duration.ofSeconds(5))
                    .build();
            return http.send(request, HttpResponse.BodyHandlers.discarding()).statusCode() == 200;
        } catch (IOException notYet) {
            return false;
        }
    }

    void killApp() throws InterruptedException {
        app.destroyForcibly();
        app.waitFor();
    }

    void killDatabase() throws Exception {
        Path pidFile =
                Files.exists(Path.of(data, "pg/data/postmaster.pid")) ? Path.of(data, "pg/data/postmaster.pid") : null;
        long pid = pidFile != null
                ? Long.parseLong(Files.readAllLines(pidFile).get(0).strip())
                : pidFromScript();
        ProcessHandle.of(pid).ifPresent(ProcessHandle::destroyForcibly);
        for (int i = 0;
                i < 100 && ProcessHandle.of(pid).filter(ProcessHandle::isAlive).isPresent();
                i++) {
            TimeUnit.MILLISECONDS.sleep(50);
        }
    }

    /** The cluster stands elsewhere when the server's user cannot enter the checkout: the script knows where. */
    private long pidFromScript() throws Exception {
        ProcessBuilder builder = new ProcessBuilder(root.resolve("bin/db").toString(), "pid");
        builder.environment().put("YR_DATA", data);
        Process process = builder.start();
        return Long.parseLong(new String(process.getInputStream().readAllBytes()).strip());
    }

    @Override
    public void close() throws Exception {
        app.destroy();
        app.waitFor(30, TimeUnit.SECONDS);
        run("stop");
        ProcessBuilder builder =
                new ProcessBuilder(root.resolve("bin/db").toString(), "destroy").redirectErrorStream(true);
        builder.environment().put("YR_DATA", data);
        builder.redirectOutput(ProcessBuilder.Redirect.appendTo(log.toFile()));
        Process process = builder.start();
        process.getOutputStream().write((Path.of(data).getFileName() + "\n").getBytes());
        process.getOutputStream().close();
        process.waitFor(60, TimeUnit.SECONDS);
    }
}
