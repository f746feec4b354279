package yellowrail.app.process;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.zip.CRC32;

/**
 * The jar unpacked and its classes laid out once, as it is for builders too: it starts sooner. One for all
 * runs side by side; the first that needs it makes it.
 */
final class UnpackedApp {
    private static final Path JAR = Path.of("target/yellow-rail.jar").toAbsolutePath();
    private static final Path FOLDER = Path.of("target/run-trials").toAbsolutePath();
    private static final Path LOCK = Path.of("target/run-trials.lock");
    private static final Path CLASSES = FOLDER.resolve("classes.jsa");
    private static final Path MADE = FOLDER.resolve("made-of");

    private UnpackedApp() {}

    /** @param settings where the database is that it may begin with */
    static List<String> command(Map<String, String> settings, Path log) throws IOException, InterruptedException {
        try (FileChannel file = FileChannel.open(LOCK, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                FileLock only = file.lock()) {
            String jar = only.isValid() ? content() : "";
            if (!Files.exists(MADE) || !Files.readString(MADE).equals(jar)) {
                make(settings, log);
                Files.writeString(MADE, jar);
            }
        }
        return java("-XX:SharedArchiveFile=" + CLASSES);
    }

    private static String content() throws IOException {
        CRC32 sum = new CRC32();
        sum.update(Files.readAllBytes(JAR));
        return Long.toHexString(sum.getValue());
    }

    private static void make(Map<String, String> settings, Path log) throws IOException, InterruptedException {
        does(
                List.of(
                        "java",
                        "-Djarmode=tools",
                        "-jar",
                        JAR.toString(),
                        "extract",
                        "--force",
                        "--destination",
                        FOLDER.toString()),
                settings,
                log);
        Files.deleteIfExists(CLASSES);
        List<String> once = java("-XX:ArchiveClassesAtExit=" + CLASSES);
        once.add(1, "-Dspring.context.exit=onRefresh");
        does(once, settings, log);
    }

    private static List<String> java(String classes) {
        return new ArrayList<>(List.of(
                "java",
                "-Xmx192m",
                "-Xss512k",
                "-XX:+UseSerialGC",
                // It lives for seconds: what starts soonest is soonest there to be killed.
                "-XX:TieredStopAtLevel=1",
                "-XX:ReservedCodeCacheSize=64m",
                "-XX:MaxDirectMemorySize=24m",
                classes,
                "-jar",
                FOLDER.resolve("yellow-rail.jar").toString()));
    }

    private static void does(List<String> command, Map<String, String> settings, Path log)
            throws IOException, InterruptedException {
        ProcessBuilder builder = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(log.toFile()));
        builder.environment().putAll(settings);
        if (builder.start().waitFor() != 0) {
            throw new IllegalStateException(String.join(" ", command) + " failed, see " + log);
        }
    }
}
