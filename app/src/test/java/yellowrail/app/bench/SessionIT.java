package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.hasItem;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.DataAccessException;
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
import yellowrail.core.session.Session;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.TubeType;

class SessionIT extends AppIT {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Autowired
    private TubeStore tubes;

    @Autowired
    private SettingStore settings;

    private UUID begin(Amp amp, Purpose purpose) {
        return sessions.begin(UUID.randomUUID(), amp, Plan.usual(amp.description(), purpose, Meter.FINE));
    }

    private static String json(UUID id, String kind, String device, Map<String, String> fields) {
        return JSON.writeValueAsString(Map.of("id", id, "kind", kind, "device", device, "fields", fields));
    }

    private ResultActions send(UUID session, UUID id, String kind, Map<String, String> fields) throws Exception {
        return mvc.perform(post("/api/v1/sessions/" + session + "/events")
                .contentType(MediaType.APPLICATION_JSON)
                .content(json(id, kind, "desk", fields)));
    }

    private void tell(UUID session, String kind, String... fields) throws Exception {
        Map<String, String> map = new java.util.HashMap<>();
        for (int i = 0; i < fields.length; i += 2) {
            map.put(fields[i], fields[i + 1]);
        }
        send(session, UUID.randomUUID(), kind, map).andExpect(status().isOk());
    }

    private void reads(UUID session, String quantity, String point, String text) throws Exception {
        tell(session, "read", "quantity", quantity, "point", point, "text", text);
    }

    private void ticks(UUID session, String... checks) throws Exception {
        for (String check : checks) {
            tell(session, "tick", "check", check, "point", "", "done", "yes");
        }
    }

    private void poweredUp(UUID session) throws Exception {
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

    private void drained(UUID session) throws Exception {
        reads(session, "RESIDUAL", "reservoir", "0.4 V");
        clock.minutes(1.1);
        reads(session, "RESIDUAL", "reservoir", "0.6 V");
        ticks(session, "METER_PROVEN", "STANDBY_PLAY");
    }

    private void round(UUID session, String first, String second) throws Exception {
        reads(session, "PLATE", "V1", "421 V");
        reads(session, "SCREEN", "V1", "372 V");
        reads(session, "CURRENT", "V1", first);
        reads(session, "PLATE", "V2", "421 V");
        reads(session, "CURRENT", "V2", second);
    }

    /** A session of a pair, proven and one step before its signature. */
    private UUID provenUnsigned(Amp amp) throws Exception {
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

    @Test
    void theSameEventStoresOnceAndAnotherUnderItsIdIsRefused() throws Exception {
        UUID session = begin(keepPair("Once", "6550"), Purpose.YEARLY_CHECK);
        UUID id = UUID.randomUUID();
        Map<String, String> load = Map.of("quantity", "LOAD_OHMS", "point", "", "text", "8 Ω");
        send(session, id, "read", load)
                .andExpect(status().isOk())
                .andExpect(jsonPath("$.repeated").value(false))
                .andExpect(jsonPath("$.echo").value("8 Ω"));
        send(session, id, "read", load)
                .andExpect(status().isOk())
                .andExpect(jsonPath("$.repeated").value(true));
        send(session, id, "read", Map.of("quantity", "LOAD_OHMS", "point", "", "text", "16 Ω"))
                .andExpect(status().isConflict());
        UUID other = begin(keepPair("Other", "6550"), Purpose.YEARLY_CHECK);
        send(other, id, "read", load).andExpect(status().isConflict());
        assertThat(sessions.<Integer>look(session, s -> s.state().readings().size()))
                .isEqualTo(1);
        assertThat(sessions.<Integer>look(other, s -> s.state().readings().size()))
                .isZero();
    }

    @Test
    void whatIsRefusedSaysWhyAndStoresNothing() throws Exception {
        UUID session = begin(keepPair("Refused", "6550"), Purpose.YEARLY_CHECK);
        send(session, UUID.randomUUID(), "read", Map.of("quantity", "SENSE_OHMS", "point", "V1", "text", "9.94"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.detail").value(containsString("Ohms are locked")));
        send(session, UUID.randomUUID(), "read", Map.of("quantity", "LOAD_OHMS", "point", "", "text", "eight"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.field").value("text"));
        send(session, UUID.randomUUID(), "read", Map.of("quantity", "LOAD_OHMS", "point", "", "text", "8 V"))
                .andExpect(status().isUnprocessableContent());
        send(session, UUID.randomUUID(), "read", Map.of("quantity", "NONSENSE", "point", "", "text", "8"))
                .andExpect(jsonPath("$.field").value("quantity"));
        send(session, UUID.randomUUID(), "enter", Map.of("stop", "SOAK"))
                .andExpect(jsonPath("$.detail").value(containsString("Before power is not done")));
        send(session, UUID.randomUUID(), "dance", Map.of())
                .andExpect(jsonPath("$.field").value("kind"));
        send(session, UUID.randomUUID(), "note", Map.of("topic", "HUM", "text", "x".repeat(2001)))
                .andExpect(jsonPath("$.field").value("text"));
        mvc.perform(post("/api/v1/sessions/" + session + "/events")
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"id\":\"x\",\"kind\":\"declare\"}"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.field").value("id"));
        send(UUID.randomUUID(), UUID.randomUUID(), "declare", Map.of("power", "OFF"))
                .andExpect(status().isNotFound());
        assertThat(sessions.<Integer>look(session, s -> s.seq())).isZero();
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

    private static UUID warm;

    @ParameterizedTest
    @MethodSource("planted")
    void slipsAreAskedBeforeTheyAreStoredAndWordsThatAreNoneRefused(Planted planted) throws Exception {
        if (warm == null) {
            UUID begun = begin(keepPair("Planted", "6550"), Purpose.YEARLY_CHECK);
            poweredUp(begun);
            tell(begun, "enter", "stop", "WARM_UP");
            clock.minutes(7);
            round(begun, "500 mV", "505 mV");
            warm = begun;
        }
        int before = sessions.<Integer>look(warm, s -> s.seq());
        UUID id = UUID.randomUUID();
        var answer =
                send(warm, id, planted.kind(), planted.fields()).andReturn().getResponse();
        String said = answer.getContentAsString();
        int after = sessions.<Integer>look(warm, s -> s.seq());
        switch (planted.outcome()) {
            case "taken" -> {
                assertThat(answer.getStatus()).as(said).isEqualTo(200);
                assertThat(after).isEqualTo(before + 1);
            }
            case "refused" -> {
                assertThat(answer.getStatus()).as(said).isEqualTo(422);
                assertThat(JSON.readTree(said).get("field").asString()).isNotBlank();
                assertThat(after).isEqualTo(before);
            }
            case "asked", "danger" -> {
                assertThat(answer.getStatus()).as(said).isEqualTo(409);
                var question = JSON.readTree(said);
                assertThat(question.get("choices").isArray()).isTrue();
                assertThat(question.get("dangerous").asBoolean())
                        .as(said)
                        .isEqualTo(planted.outcome().equals("danger"));
                assertThat(after).isEqualTo(before);
                Map<String, String> confirmed = new java.util.LinkedHashMap<>(planted.fields());
                confirmed.put("confirmed", "yes");
                send(warm, id, planted.kind(), confirmed).andExpect(status().isOk());
                assertThat(sessions.<Integer>look(warm, s -> s.seq())).isEqualTo(before + 1);
                // Back to what it was, as a correction would be: the next line starts from a sound session.
                Map<String, String> mended = new java.util.LinkedHashMap<>(planted.fields());
                mended.put("text", SOUND.get(planted.fields().get("quantity")));
                mended.put("supersedes", id.toString());
                mended.put("reason", "slipped");
                send(warm, UUID.randomUUID(), "read", mended).andExpect(status().isOk());
            }
            default -> throw new IllegalStateException(planted.outcome());
        }
    }

    private static final Map<String, String> SOUND = Map.of(
            "CURRENT", "500 mV",
            "PLATE", "421 V",
            "SCREEN", "372 V",
            "GRID", "-38 V",
            "MAINS", "230",
            "HEATER", "6.3");

    @Test
    void aBiasNodeStandsBelowTheChassisAndItsSignIsRight() throws Exception {
        UUID session = begin(keepPair("Bias node", "6550"), Purpose.YEARLY_CHECK);
        poweredUp(session);
        reads(session, "BIAS_NODE", "", "−60 V");
        send(session, UUID.randomUUID(), "read", Map.of("quantity", "BIAS_NODE", "point", "", "text", "60 V"))
                .andExpect(status().isConflict());
    }

    @Test
    void aSupplyNodeOfEightVoltsOrBelowTheChassisIsAskedAbout() throws Exception {
        UUID session = begin(keepPair("Node", "6550"), Purpose.NEW_TUBES);
        tell(session, "declare", "power", "OFF");
        ticks(session, "LOAD", "CONTROLS_DOWN", "ONE_HAND", "JEWELLERY", "TUBES_COOL");
        reads(session, "LOAD_OHMS", "", "8");
        tell(session, "enter", "stop", "DRAINED");
        drained(session);
        tell(session, "enter", "stop", "TUBES_OUT");
        tell(session, "declare", "power", "ON_TUBES_OUT");
        reads(session, "MAINS", "", "230");
        for (String slip : List.of("8 V", "45.8 V", "4580", "-458 V")) {
            send(session, UUID.randomUUID(), "read", Map.of("quantity", "UNLOADED", "point", "reservoir", "text", slip))
                    .andExpect(status().isConflict());
        }
        reads(session, "UNLOADED", "reservoir", "458");
    }

    @Test
    void theSameIdWithAnotherAmpOrPlanIsAConflictAndAMalformedOneIsRefused() throws Exception {
        Amp amp = keepPair("Same id", "6550");
        Amp other = keepPair("Other amp", "6550");
        UUID id = UUID.randomUUID();
        for (int i = 0; i < 2; i++) {
            begins(id.toString(), amp, "YEARLY_CHECK").andExpect(status().isCreated());
        }
        begins(id.toString(), other, "YEARLY_CHECK").andExpect(status().isConflict());
        begins(id.toString(), amp, "NEW_TUBES").andExpect(status().isConflict());
        begins("7", amp, "YEARLY_CHECK").andExpect(status().isUnprocessableContent());
        begins("", amp, "YEARLY_CHECK").andExpect(status().isUnprocessableContent());
        begins(UUID.randomUUID().toString(), amp, "yearly").andExpect(status().isUnprocessableContent());
    }

    private ResultActions begins(String id, Amp amp, String purpose) throws Exception {
        return mvc.perform(post("/api/v1/sessions")
                .contentType(MediaType.APPLICATION_JSON)
                .content(JSON.writeValueAsString(
                        Map.of("id", id, "amp", amp.id().toString(), "purpose", purpose, "meter", "fine handheld"))));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "update bench_event set device = 'x'",
                "delete from bench_event",
                "update bench_session set purpose = 'FAULT'",
                "delete from bench_session",
                "update issued_sheet set state = 'PROVEN'",
                "delete from issued_sheet",
                "truncate bench_event cascade"
            })
    void nothingOfASessionIsEverChanged(String statement) throws Exception {
        UUID session = provenUnsigned(keepPair("Kept", "6550"));
        tell(session, "sign", "by", "E. R.");
        assertThatThrownBy(() -> jdbc.sql(statement).update())
                .isInstanceOf(DataAccessException.class)
                .hasMessageContaining("written once");
    }

    @Test
    void aClockThatIsWrongCountsOnlyByItsDifferences() throws Exception {
        UUID session = begin(keepPair("Clock", "6550"), Purpose.YEARLY_CHECK);
        String body = "{\"id\":\"" + UUID.randomUUID()
                + "\",\"kind\":\"read\",\"device\":\"old phone\",\"madeAt\":1000,\"sentAt\":61000,"
                + "\"fields\":{\"quantity\":\"LOAD_OHMS\",\"point\":\"\",\"text\":\"8\"}}";
        long before = clock.millis();
        mvc.perform(post("/api/v1/sessions/" + session + "/events")
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andExpect(status().isOk());
        long at = sessions.look(session, s -> s.state().readings().get(0).at());
        assertThat(at).isBetween(before - 60_000, clock.millis() - 60_000);
    }

    @Test
    void aSignedSheetIsKeptAsIssued() throws Exception {
        Amp amp = keepPair("Signed", "6550");
        UUID session = provenUnsigned(amp);
        mvc.perform(get("/bench/" + session + "/sheet")).andExpect(content().string(containsString("Not signed.")));
        mvc.perform(get("/bench/" + session + "/sheet.pdf")).andExpect(status().isNotFound());
        tell(session, "sign", "by", "E. R.", "remarks", "<b>bold</b> & plain");
        IssuedRow issued = sessions.issued(session).orElseThrow();
        assertThat(issued.state()).isEqualTo("PROVEN");
        String html = sessions.issuedHtml(session).orElseThrow();
        double current = 0.505 / 10.02;
        double watts = (421 - 0.505) * current * (1 - 0.045);
        assertThat(html)
                .contains("&lt;b&gt;bold&lt;/b&gt; &amp; plain")
                .contains(String.format(java.util.Locale.ROOT, "%.1f ±", watts))
                .contains("Local electrical codes apply");
        byte[] pdf = sessions.issuedPdf(session).orElseThrow();
        try (var document = Loader.loadPDF(pdf)) {
            String text = new PDFTextStripper().getText(document);
            assertThat(document.getNumberOfPages()).isEqualTo(1);
            assertThat(text).contains("Signed", "proven", "E. R.", "Next check", "Ω");
        }
        // Another target and another formula of today change nothing that was issued.
        settings.keep(UUID.randomUUID(), new Window("middle", 0.1, 0.2, "narrow"));
        try {
            mvc.perform(get("/bench/" + session + "/sheet"))
                    .andExpect(content().string(containsString(html.strip().substring(0, 200))))
                    .andExpect(content().string(containsString("not set by today")));
            assertThat(sessions.issuedPdf(session).orElseThrow()).isEqualTo(pdf);
        } finally {
            settings.keep(
                    UUID.randomUUID(),
                    yellowrail.core.target.Profiles.named("middle").orElseThrow());
        }
        // It joins the amp's history, once.
        assertThat(rounds.rounds(amp.id())).hasSize(1);
        assertThat(rounds.rounds(amp.id())
                        .get(0)
                        .judged(settings.windows())
                        .verdict()
                        .allClear())
                .isTrue();
        send(session, UUID.randomUUID(), "note", Map.of("topic", "HUM", "text", "later"))
                .andExpect(status().isUnprocessableContent());
        mvc.perform(get("/bench/" + session)).andExpect(status().is3xxRedirection());
        mvc.perform(get("/bench/" + session + "/recheck.ics"))
                .andExpect(content().string(containsString("BEGIN:VEVENT")))
                .andExpect(content()
                        .string(containsString("DTSTART;VALUE=DATE:"
                                + issued.recheckOn().toString().replace("-", ""))));
        byte[] letter = mvc.perform(get("/bench/" + session + "/sheet.pdf").param("paper", "letter"))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        try (var document = Loader.loadPDF(letter)) {
            assertThat(document.getNumberOfPages()).isEqualTo(1);
            assertThat(document.getPage(0).getMediaBox().getWidth())
                    .isCloseTo(612f, org.assertj.core.api.Assertions.within(1f));
        }
        mvc.perform(get("/bench/" + session + "/card.pdf")).andExpect(content().contentType("application/pdf"));
        mvc.perform(get("/bench/" + session + "/readings.csv"))
                .andExpect(content().string(containsString("PLATE,V1,421 V,421.0,V,SOAK,ON_TUBES_IN,no,yes")));
        mvc.perform(get("/bench")).andExpect(content().string(containsString("due on")));
    }

    @Test
    void theScheduleGrowsWithProvenSessions() throws Exception {
        Amp amp = keepPair("Schedule", "6550");
        UUID first = provenUnsigned(amp);
        tell(first, "sign", "by", "E");
        UUID second = provenUnsigned(amp);
        tell(second, "sign", "by", "E");
        long one = days(first);
        long two = days(second);
        assertThat(one).isEqualTo(1);
        assertThat(two).isEqualTo(7);
        mvc.perform(get("/bench/amp/" + amp.id())).andExpect(content().string(containsString("proven, signed")));
    }

    private long days(UUID session) {
        java.time.LocalDate signed = sessions.look(
                session,
                s -> java.time.Instant.ofEpochMilli(s.state().lastAt())
                        .atZone(java.time.ZoneId.systemDefault())
                        .toLocalDate());
        return java.time.temporal.ChronoUnit.DAYS.between(
                signed, sessions.issued(session).orElseThrow().recheckOn());
    }

    @Test
    void anAmpChangedMeanwhileLeavesTheReadingsAndTakesTheProof() throws Exception {
        TubeType shipped = ((Lookup.Found) tubes.catalogue().find("6550")).type();
        Amp amp = keepPair("Meanwhile", "6550");
        UUID session = begin(amp, Purpose.YEARLY_CHECK);
        poweredUp(session);
        round(session, "500 mV", "505 mV");
        var before = readings(session);
        double rated = sessions.look(
                session,
                s -> s.types()
                        .get("6550")
                        .strictest()
                        .orElseThrow()
                        .plateWatts()
                        .orElseThrow()
                        .value());
        amps.keep(UUID.randomUUID(), amp.id(), amp.version(), quad("Meanwhile"));
        assertThat(amps.amp(amp.id()).description().sockets()).hasSize(4);
        mvc.perform(get("/bench/" + session + "/panel"))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("V2")));
        assertThat(sessions.<Double>look(
                        session,
                        s -> s.types()
                                .get("6550")
                                .strictest()
                                .orElseThrow()
                                .plateWatts()
                                .orElseThrow()
                                .value()))
                .isEqualTo(rated);
        assertThat(sessions.<Integer>look(session, s -> s.state().sockets().size()))
                .isEqualTo(2);
        assertThat(readings(session)).isEqualTo(before);
        mvc.perform(get("/api/v1/sessions/" + session))
                .andExpect(jsonPath("$.proof.wants[*].sentence")
                        .value(hasItem(containsString("The description of this amp was changed"))));
        assertThat(shipped.designation()).isEqualTo("6550");
        UUID fresh = begin(amps.amp(amp.id()), Purpose.YEARLY_CHECK);
        assertThat(sessions.<Integer>look(fresh, s -> s.state().sockets().size()))
                .isEqualTo(4);
    }

    private tools.jackson.databind.JsonNode readings(UUID session) throws Exception {
        return JSON.readTree(mvc.perform(get("/api/v1/sessions/" + session))
                        .andReturn()
                        .getResponse()
                        .getContentAsString())
                .get("readings");
    }

    private static yellowrail.core.amp.AmpDescription quad(String name) {
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
                two.topology(),
                two.connection(),
                two.tap(),
                two.bias(),
                two.controls(),
                sockets,
                groups,
                two.screenOhms(),
                two.chokeOhms(),
                two.mains(),
                two.nodes(),
                two.transformers(),
                two.quirks(),
                two.makersFigure(),
                two.target(),
                two.judgeBy(),
                two.ceiling());
    }

    /** What a device hears over its stream. */
    private static final class Device implements AutoCloseable {
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

    @Test
    void tenDevicesOnOneSessionStayConsistent() throws Exception {
        UUID session = begin(keepPair("Ten", "6550"), Purpose.YEARLY_CHECK);
        poweredUp(session);
        int start = sessions.look(session, BenchSession::seq);
        String address = "http://localhost:" + port;
        HttpClient http = HttpClient.newHttpClient();
        List<Device> devices = new ArrayList<>();
        for (int i = 0; i < 10; i++) {
            devices.add(new Device(http, address, session));
        }
        Set<String> acknowledged = ConcurrentHashMap.newKeySet();
        List<Thread> senders = new ArrayList<>();
        for (int d = 0; d < 10; d++) {
            int device = d;
            senders.add(new Thread(() -> {
                for (int i = 0; i < 10; i++) {
                    UUID id = UUID.randomUUID();
                    String body = json(
                            id,
                            "read",
                            "device " + device,
                            Map.of(
                                    "quantity",
                                    "CURRENT",
                                    "point",
                                    i % 2 == 0 ? "V1" : "V2",
                                    "text",
                                    (500 + device) + "." + i + " mV"));
                    try {
                        // Every entry goes twice, as after a lost answer.
                        for (int twice = 0; twice < 2; twice++) {
                            int code = http.send(
                                            HttpRequest.newBuilder(URI.create(
                                                            address + "/api/v1/sessions/" + session + "/events"))
                                                    .header("Content-Type", "application/json")
                                                    .POST(HttpRequest.BodyPublishers.ofString(body))
                                                    .build(),
                                            HttpResponse.BodyHandlers.discarding())
                                    .statusCode();
                            assertThat(code).isEqualTo(200);
                        }
                        acknowledged.add(id.toString());
                        TimeUnit.MILLISECONDS.sleep(20);
                    } catch (Exception failed) {
                        throw new IllegalStateException(failed);
                    }
                }
            }));
        }
        for (Thread sender : senders) {
            sender.start();
        }
        for (Thread sender : senders) {
            sender.join();
        }
        assertThat(acknowledged).hasSize(100);
        int end = sessions.look(session, BenchSession::seq);
        assertThat(end).isEqualTo(start + 100);
        for (Device device : devices) {
            device.hears(end);
            device.close();
        }
        List<String> ids = sessions.look(
                session,
                s -> s.state().readings().stream()
                        .map(r -> r.id())
                        .filter(acknowledged::contains)
                        .toList());
        assertThat(ids).hasSize(100).doesNotHaveDuplicates();
        // The stored events give the state that is in memory.
        Object live = sessions.look(session, s -> s.state().fingerprint());
        Object replayed = sessions.look(
                session,
                s -> Session.replay(s.state().plan(), List.copyOf(s.state().entries()))
                        .fingerprint());
        assertThat(replayed).isEqualTo(live);
        assertThat(jdbc.sql("select count(*) from bench_event where session_id = ?")
                        .param(session)
                        .query(Integer.class)
                        .single())
                .isEqualTo(end);
    }

    @Test
    void anotherInstancesEventsAreSeen() throws Exception {
        UUID session = begin(keepPair("Two instances", "6550"), Purpose.YEARLY_CHECK);
        tell(session, "declare", "power", "OFF");
        try (Device device = new Device(HttpClient.newHttpClient(), "http://localhost:" + port, session)) {
            // As another instance would store it.
            jdbc.sql(
                            "insert into bench_event (id, session_id, seq, kind, body, happened_at, device) values (?, ?, 2, 'Noted',"
                                    + " '{\"event\":\"Noted\",\"topic\":\"HUM\",\"text\":\"from elsewhere\"}'::jsonb, ?, 'other')")
                    .params(UUID.randomUUID(), session, clock.millis())
                    .update();
            jdbc.sql("select pg_notify('yellow_rail', ?)")
                    .param("elsewhere changed " + session + " 2")
                    .query(String.class)
                    .list();
            device.hears(2);
        }
        assertThat(sessions.<Integer>look(session, BenchSession::seq)).isEqualTo(2);
        tell(session, "note", "topic", "HUM", "text", "and from here");
        assertThat(sessions.<Integer>look(session, BenchSession::seq)).isEqualTo(3);
    }

    @Test
    void aSessionIsBegunByTheApiAndBadAnswersAreNamed() throws Exception {
        Amp amp = keepPair("Begun", "6550");
        UUID id = UUID.randomUUID();
        String form = JSON.writeValueAsString(Map.of(
                "id",
                id,
                "amp",
                amp.id(),
                "purpose",
                "FAULT",
                "meter",
                "handheld",
                "ref",
                "chassis",
                "hands",
                "10 V",
                "soak",
                "45",
                "heaterAmber",
                "5",
                "heaterRed",
                "10"));
        for (int twice = 0; twice < 2; twice++) {
            mvc.perform(post("/api/v1/sessions")
                            .contentType(MediaType.APPLICATION_JSON)
                            .content(form))
                    .andExpect(status().isCreated());
        }
        mvc.perform(get("/api/v1/sessions/" + id))
                .andExpect(jsonPath("$.purpose").value("Fault"))
                .andExpect(jsonPath("$.here").value("BEFORE_POWER"));
        assertThat(sessions.<Double>look(id, s -> s.state().plan().soakMinutes()))
                .isEqualTo(45);
        String bad = JSON.writeValueAsString(Map.of(
                "id",
                UUID.randomUUID(),
                "amp",
                "none",
                "purpose",
                "DANCE",
                "meter",
                "eye",
                "hands",
                "60",
                "soak",
                "2",
                "heaterAmber",
                "5",
                "heaterRed",
                "10"));
        mvc.perform(post("/api/v1/sessions")
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(bad))
                .andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.errors[*].field").value(hasItem("amp")))
                .andExpect(jsonPath("$.errors[*].field").value(hasItem("purpose")))
                .andExpect(jsonPath("$.errors[*].field").value(hasItem("meter")));
    }

    @Autowired
    private RoundStore roundStore;

    @Test
    void anUnmeasuredSessionLeavesNoRoundBehind() throws Exception {
        Amp amp = keepPair("Nothing", "6550");
        UUID session = begin(amp, Purpose.YEARLY_CHECK);
        tell(session, "declare", "power", "OFF");
        tell(session, "enter", "stop", "CLOSE");
        tell(session, "skip", "stop", "CLOSE", "reason", "only looked");
        tell(session, "enter", "stop", "SIGN_OFF");
        tell(session, "sign", "by", "E");
        assertThat(sessions.issued(session).orElseThrow().state()).isEqualTo("NOT_SET");
        assertThat(roundStore.rounds(amp.id())).isEmpty();
    }
}
