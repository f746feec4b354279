package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.hasItem;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
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
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.springframework.http.MediaType;
import yellowrail.app.amps.Amp;
import yellowrail.core.session.Purpose;
import yellowrail.core.session.Session;

/** Several devices and instances on one session. */
class SessionDevicesIT extends SessionRequests {
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
