package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.hasItem;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import yellowrail.app.amps.Amp;
import yellowrail.app.fuzz.Routes;
import yellowrail.core.session.Purpose;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.TubeType;

/** A signed sheet and what it was judged by, through JSON. */
class SessionSheetIT extends SessionRequests {
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

    @Autowired
    private List<SessionFile> files;

    @Test
    void everyFileIsTriedByTheGenerator() throws Exception {
        assertThat(files.stream().map(SessionFile::name)).containsExactlyInAnyOrderElementsOf(Routes.FILES);
        UUID session = begin(keepPair("Files", "6550"), Purpose.YEARLY_CHECK);
        mvc.perform(get("/bench/" + session + "/nothing.txt")).andExpect(status().isNotFound());
    }
}
