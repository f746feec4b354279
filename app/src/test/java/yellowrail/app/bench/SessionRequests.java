package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.ResultActions;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.AppIT;
import yellowrail.app.amps.Amp;
import yellowrail.app.rounds.RoundStore;
import yellowrail.app.settings.SettingStore;
import yellowrail.app.tubes.TubeStore;
import yellowrail.core.reading.Meter;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Purpose;

/** What the tests of this kind share. */
abstract class SessionRequests extends AppIT {
    static final JsonMapper JSON = JsonMapper.builder().build();

    @Autowired
    TubeStore tubes;

    @Autowired
    SettingStore settings;

    UUID begin(Amp amp, Purpose purpose) {
        return sessions.begin(UUID.randomUUID(), amp, Plan.usual(amp.description(), purpose, Meter.FINE));
    }

    static String json(UUID id, String kind, String device, Map<String, String> fields) {
        return JSON.writeValueAsString(Map.of("id", id, "kind", kind, "device", device, "fields", fields));
    }

    ResultActions send(UUID session, UUID id, String kind, Map<String, String> fields) throws Exception {
        return mvc.perform(post("/api/v1/sessions/" + session + "/events")
                .contentType(MediaType.APPLICATION_JSON)
                .content(json(id, kind, "desk", fields)));
    }

    void tell(UUID session, String kind, String... fields) throws Exception {
        Map<String, String> map = new java.util.HashMap<>();
        for (int i = 0; i < fields.length; i += 2) {
            map.put(fields[i], fields[i + 1]);
        }
        send(session, UUID.randomUUID(), kind, map).andExpect(status().isOk());
    }

    void reads(UUID session, String quantity, String point, String text) throws Exception {
        tell(session, "read", "quantity", quantity, "point", point, "text", text);
    }

    void ticks(UUID session, String... checks) throws Exception {
        for (String check : checks) {
            tell(session, "tick", "check", check, "point", "", "done", "yes");
        }
    }

    void poweredUp(UUID session) throws Exception {
        tell(session, "declare", "power", "OFF");
        ticks(session, "LOAD", "CONTROLS_DOWN", "ONE_HAND", "JEWELLERY", "TUBES_COOL");
        reads(session, "LOAD_OHMS", "", "8");
        tell(session, "enter", "stop", "DRAINED");
        drained(session);
        tell(session, "enter", "stop", "MAINS");
        tell(session, "declare", "power", "ON_TUBES_IN");
        reads(session, "MAINS", "", "230");
        reads(session, "HEATER", "", "6.3");
    }

    void drained(UUID session) throws Exception {
        reads(session, "RESIDUAL", "reservoir", "0.4 V");
        clock.minutes(1.1);
        reads(session, "RESIDUAL", "reservoir", "0.6 V");
        ticks(session, "METER_PROVEN", "STANDBY_PLAY");
    }

    void round(UUID session, String first, String second) throws Exception {
        reads(session, "PLATE", "V1", "421 V");
        reads(session, "SCREEN", "V1", "372 V");
        reads(session, "CURRENT", "V1", first);
        reads(session, "PLATE", "V2", "421 V");
        reads(session, "CURRENT", "V2", second);
    }

    /** A session of a pair, proven and one step before its signature. */
    UUID provenUnsigned(Amp amp) throws Exception {
        UUID session = begin(amp, Purpose.YEARLY_CHECK);
        poweredUp(session);
        tell(session, "enter", "stop", "WARM_UP");
        for (int i = 0; i < 2; i++) {
            clock.minutes(7);
            round(session, "500 mV", "505 mV");
        }
        tell(session, "enter", "stop", "MEASURE");
        tell(session, "enter", "stop", "SOAK");
        for (int i = 0; i < 4; i++) {
            clock.minutes(9);
            reads(session, "MAINS", "", "230");
            round(session, "500 mV", "505 mV");
        }
        tell(session, "enter", "stop", "PLAY");
        ticks(session, "GLOW_IDLE", "GLOW_LOUD");
        tell(session, "enter", "stop", "CLOSE");
        tell(session, "declare", "power", "OFF");
        drained(session);
        ticks(session, "RESTORED", "LIMITER_OUT", "CLAMPS");
        tell(session, "enter", "stop", "SIGN_OFF");
        return session;
    }

    /** One line of the planted entries. */
    record Planted(String kind, Map<String, String> fields, String outcome, String why) {
        @Override
        public String toString() {
            return outcome + ": " + why;
        }
    }

    static Stream<Planted> planted() throws java.io.IOException {
        return java.nio.file.Files.readAllLines(
                        java.nio.file.Path.of("src", "test", "resources", "planted", "events.txt"))
                .stream()
                .filter(line -> !line.isBlank() && !line.startsWith("#"))
                .map(line -> {
                    String[] parts = line.split("::");
                    Map<String, String> fields = new java.util.LinkedHashMap<>();
                    String[] sent = parts[0].split(";");
                    for (int i = 1; i < sent.length; i++) {
                        String[] pair = sent[i].split("=", 2);
                        fields.put(pair[0].strip(), pair[1].strip());
                    }
                    return new Planted(sent[0].strip(), fields, parts[1].strip(), parts[2].strip());
                });
    }

    static UUID warm;

    static final Map<String, String> SOUND = Map.of(
            "CURRENT", "500 mV",
            "PLATE", "421 V",
            "SCREEN", "372 V",
            "GRID", "-38 V",
            "MAINS", "230",
            "HEATER", "6.3");

    ResultActions begins(String id, Amp amp, String purpose) throws Exception {
        return mvc.perform(post("/api/v1/sessions")
                .contentType(MediaType.APPLICATION_JSON)
                .content(JSON.writeValueAsString(
                        Map.of("id", id, "amp", amp.id().toString(), "purpose", purpose, "meter", "fine handheld"))));
    }

    long days(UUID session) {
        java.time.LocalDate signed = sessions.look(
                session,
                s -> java.time.Instant.ofEpochMilli(s.state().lastAt())
                        .atZone(java.time.ZoneId.systemDefault())
                        .toLocalDate());
        return java.time.temporal.ChronoUnit.DAYS.between(
                signed, sessions.issued(session).orElseThrow().recheckOn());
    }

    tools.jackson.databind.JsonNode readings(UUID session) throws Exception {
        return JSON.readTree(mvc.perform(get("/api/v1/sessions/" + session))
                        .andReturn()
                        .getResponse()
                        .getContentAsString())
                .get("readings");
    }

    static yellowrail.core.amp.AmpDescription quad(String name) {
        var two = pair(name, "6550");
        List<yellowrail.core.amp.Socket> sockets = new ArrayList<>(two.sockets());
        List<yellowrail.core.amp.SenseGroup> groups = new ArrayList<>(two.groups());
        for (int i = 3; i <= 4; i++) {
            sockets.add(new yellowrail.core.amp.Socket("V" + i, 1, yellowrail.core.amp.Socket.Side.B, "6550"));
            groups.add(new yellowrail.core.amp.SenseGroup(
                    "V" + i, List.of("V" + i), two.groups().get(0).method()));
        }
        return new yellowrail.core.amp.AmpDescription(
                name,
                two.stage().seated(sockets),
                two.bias(),
                groups,
                two.supply(),
                two.output(),
                two.judging(),
                two.quirks());
    }

    /** What a device hears over its stream. */
    static final class Device implements AutoCloseable {
        private final ConcurrentLinkedQueue<Integer> heard = new ConcurrentLinkedQueue<>();
        private final Stream<String> lines;
        private final Thread reader;

        Device(HttpClient http, String address, UUID session) throws Exception {
            lines = http.send(
                            HttpRequest.newBuilder(URI.create(address + "/bench/stream"))
                                    .header("Accept", "text/event-stream")
                                    .build(),
                            HttpResponse.BodyHandlers.ofLines())
                    .body();
            reader = new Thread(() -> {
                try {
                    lines.filter(l -> l.startsWith("data:") && l.contains(session.toString()))
                            .forEach(l -> heard.add(Integer.valueOf(l.replaceAll(".*\"seq\":(\\d+).*", "$1"))));
                } catch (RuntimeException closed) {
                    // The stream ends with the test.
                }
            });
            reader.setDaemon(true);
            reader.start();
        }

        void hears(int seq) throws InterruptedException {
            for (int i = 0; i < 400 && !heard.contains(seq); i++) {
                TimeUnit.MILLISECONDS.sleep(25);
            }
            assertThat(heard).contains(seq);
        }

        @Override
        public void close() {
            reader.interrupt();
        }
    }

    @Autowired
    RoundStore roundStore;
}
