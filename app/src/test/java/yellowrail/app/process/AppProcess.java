package yellowrail.app.process;

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
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;

/** The application's jar and a database cluster of its own, with full durability, started and killed as processes. */
public final class AppProcess implements AutoCloseable {
    private final Path root = Path.of("..").toAbsolutePath().normalize();
    private final String data =
            root.resolve(".data/kill-" + ProcessHandle.current().pid()).toString();
    private final Path log = Path.of("target/kill-trial.log").toAbsolutePath();
    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(2)).build();
    private final int port;
    private Process app;

    private final Thread hook = new Thread(this::end);

    public AppProcess() throws Exception {
        // A test run that is ended leaves nothing running.
        Runtime.getRuntime().addShutdownHook(hook);
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        startDatabase();
        if (run("durable").exitValue() != 0) {
            throw new IllegalStateException("the trial's cluster is not durable");
        }
        startApp();
    }

    public String address() {
        return "http://localhost:" + port;
    }

    public HttpClient http() {
        return http;
    }

    private Process run(String... arguments) throws Exception {
        String[] command = new String[arguments.length + 1];
        command[0] = root.resolve("bin/db").toString();
        System.arraycopy(arguments, 0, command, 1, arguments.length);
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
        builder.environment().remove("YR_DB_OPTS");
        builder.environment().put("YR_DATA", data);
        // A port of its own: while this server is dead no other cluster that starts takes its port, so that it comes
        // back there.
        builder.environment()
                .put(
                        "YR_DB_PORT",
                        String.valueOf(21_000 + ProcessHandle.current().pid() % 1000 * 10));
        builder.redirectInput(new File("/dev/null"));
        builder.redirectOutput(ProcessBuilder.Redirect.appendTo(log.toFile()));
        Process process = builder.start();
        if (!process.waitFor(120, TimeUnit.SECONDS)) {
            throw new IllegalStateException("bin/db " + String.join(" ", arguments) + " hangs");
        }
        return process;
    }

    public void startDatabase() throws Exception {
        if (run("start").exitValue() != 0) {
            throw new IllegalStateException("the database did not start, see " + log);
        }
    }

    public void startApp() throws Exception {
        launchApp();
        awaitApp();
    }

    /** Starts the application and does not wait for it. */
    public void launchApp() throws IOException, InterruptedException {
        ProcessBuilder builder = new ProcessBuilder(UnpackedApp.command(settings(), log))
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(log.toFile()));
        builder.environment().putAll(settings());
        builder.environment().put("YR_PORT", String.valueOf(port));
        app = builder.start();
    }

    /** Where the database is and who may enter. */
    public Map<String, String> settings() throws IOException {
        Map<String, String> settings = new HashMap<>();
        for (String line : Files.readAllLines(Path.of(data, "db.env"))) {
            settings.put(line.substring(0, line.indexOf('=')), line.substring(line.indexOf('=') + 1));
        }
        return settings;
    }

    public void awaitApp() throws InterruptedException {
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

    /** Memory of the application that is in the computer, kB. */
    public long residentKilobytes() throws IOException {
        return Files.readAllLines(Path.of("/proc", String.valueOf(app.pid()), "status")).stream()
                .filter(l -> l.startsWith("VmRSS"))
                .mapToLong(l -> Long.parseLong(l.replaceAll("\\D", "")))
                .findFirst()
                .orElseThrow();
    }

    public void killApp() throws InterruptedException {
        app.destroyForcibly();
        app.waitFor();
    }

    /** Asks the application to end, as Ctrl-C does. */
    public void stopApp() throws InterruptedException {
        app.destroy();
        if (!app.waitFor(60, TimeUnit.SECONDS)) {
            throw new IllegalStateException("the application does not end when it is asked to");
        }
    }

    public void killDatabase() throws Exception {
        ProcessHandle server = database();
        server.destroyForcibly();
        for (int i = 0; i < 100 && server.isAlive(); i++) {
            TimeUnit.MILLISECONDS.sleep(50);
        }
    }

    /** Stops every process of the database where it stands: its connections stay open, and nothing answers. */
    public void freezeDatabase() throws Exception {
        signal("-STOP");
    }

    public void thawDatabase() throws Exception {
        signal("-CONT");
    }

    private void signal(String signal) throws Exception {
        ProcessHandle server = database();
        List<String> command = new ArrayList<>(List.of("kill", signal, String.valueOf(server.pid())));
        server.descendants().forEach(p -> command.add(String.valueOf(p.pid())));
        // One that ended meanwhile is none of ours any more.
        new ProcessBuilder(command).redirectErrorStream(true).start().waitFor();
    }

    private ProcessHandle database() throws Exception {
        Path known = Path.of(data, "pg/data/postmaster.pid");
        long pid = Files.exists(known)
                ? Long.parseLong(Files.readAllLines(known).get(0).strip())
                : pidFromScript();
        return ProcessHandle.of(pid).orElseThrow();
    }

    /** An empty database in the place of this one. */
    public void emptyDatabase() throws Exception {
        if (run("fresh").exitValue() != 0) {
            throw new IllegalStateException("the database was not emptied, see " + log);
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
    public void close() {
        end();
        Runtime.getRuntime().removeShutdownHook(hook);
    }

    private void end() {
        try {
            if (app != null) {
                app.destroy();
                if (!app.waitFor(30, TimeUnit.SECONDS)) {
                    app.destroyForcibly();
                }
            }
            ProcessBuilder builder =
                    new ProcessBuilder(root.resolve("bin/db").toString(), "destroy").redirectErrorStream(true);
            builder.environment().put("YR_DATA", data);
            builder.redirectOutput(ProcessBuilder.Redirect.appendTo(log.toFile()));
            Process process = builder.start();
            process.getOutputStream().write((Path.of(data).getFileName() + "\n").getBytes());
            process.getOutputStream().close();
            process.waitFor(60, TimeUnit.SECONDS);
        } catch (IOException | InterruptedException failed) {
            throw new IllegalStateException("the trial left " + data, failed);
        }
    }
}
