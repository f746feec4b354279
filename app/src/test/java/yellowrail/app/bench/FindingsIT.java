package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.AppIT;
import yellowrail.app.amps.Amp;
import yellowrail.app.tubes.TubeStore;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Mains;
import yellowrail.core.reading.Meter;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Purpose;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.PublishedLimit;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeType;
import yellowrail.planted.PlantedAmps;

/** What was found stands on the page, the sheet and the card and goes on into the next session; what was changed is named. */
class FindingsIT extends AppIT {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Autowired
    private TubeStore tubes;

    private UUID session;

    private Amp keep(AmpDescription description) {
        return amps.keep(UUID.randomUUID(), UUID.randomUUID(), 0, description);
    }

    private void begin(Amp amp, Purpose purpose) {
        session = sessions.begin(UUID.randomUUID(), amp, Plan.usual(amp.description(), purpose, Meter.FINE));
    }

    private void tell(String kind, String... fields) throws Exception {
        Map<String, String> map = new HashMap<>();
        for (int i = 0; i < fields.length; i += 2) {
            map.put(fields[i], fields[i + 1]);
        }
        var response = mvc.perform(post("/api/v1/sessions/" + session + "/events")
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(JSON.writeValueAsString(
                                Map.of("id", UUID.randomUUID(), "kind", kind, "device", "desk", "fields", map))))
                .andReturn()
                .getResponse();
        assertThat(response.getStatus())
                .as(kind + map + response.getContentAsString())
                .isEqualTo(200);
    }

    private void reads(String quantity, String point, String text) throws Exception {
        tell("read", "quantity", quantity, "point", point, "text", text);
    }

    private void offAndDrained() throws Exception {
        tell("declare", "power", "OFF");
        tell("tick", "check", "STANDBY_PLAY", "point", "", "done", "yes");
        for (int i = 0; i < 2; i++) {
            reads("RESIDUAL", "reservoir", "0.4 V");
            reads("RESIDUAL", "bias", "0.4 V");
            clock.minutes(1.1);
        }
        for (String check : List.of("METER_PROVEN", "TUBES_COOL")) {
            tell("tick", "check", check, "point", "", "done", "yes");
        }
    }

    private void tubesOut() throws Exception {
        tell("declare", "power", "OFF");
        for (String check : List.of("LOAD", "CONTROLS_DOWN", "ONE_HAND", "JEWELLERY", "TUBES_COOL")) {
            tell("tick", "check", check, "point", "", "done", "yes");
        }
        reads("LOAD_OHMS", "", "8");
        tell("enter", "stop", "DRAINED");
        offAndDrained();
        tell("enter", "stop", "TUBES_OUT");
        tell("declare", "power", "ON_TUBES_OUT");
    }

    private void leakTest(String grid) throws Exception {
        reads("BIAS_NODE", "", "-44.1");
        reads("GRID_TUBE_OUT", "V2", grid);
        reads("GRID_LEAK_OHMS", "V2", "180k");
    }

    private String signed() throws Exception {
        offAndDrained();
        tell("enter", "stop", "CLOSE");
        tell("skip", "stop", "CLOSE", "reason", "stays on the bench");
        tell("enter", "stop", "SIGN_OFF");
        tell("sign", "by", "E");
        return sessions.issuedHtml(session).orElseThrow();
    }

    private JsonNode state() throws Exception {
        return JSON.readTree(mvc.perform(get("/api/v1/sessions/" + session))
                .andReturn()
                .getResponse()
                .getContentAsString());
    }

    private String body(String path) throws Exception {
        return mvc.perform(get(path)).andReturn().getResponse().getContentAsString();
    }

    @Test
    void aLeakIsPrintedAndGoesOnUntilTheGridIsReadAgainWithoutIt() throws Exception {
        Amp amp = keep(PlantedAmps.of("pair"));
        begin(amp, Purpose.FAULT);
        tubesOut();
        leakTest("-41.8");
        assertThat(state().get("findings").get(0).get("code").asString()).isEqualTo("LEAK");
        for (String stop : List.of("DRAINED", "BEFORE_POWER", "TUBES_OUT")) {
            tell("enter", "stop", stop);
            assertThat(body("/bench/" + session + "/panel")).contains("Open: <span>grid shift, V2");
        }
        String sheet = signed();
        assertThat(sheet).contains("points to a leaky coupling capacitor").contains("Open.");
        byte[] card = mvc.perform(get("/bench/" + session + "/card.pdf"))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        try (var pdf = Loader.loadPDF(card)) {
            assertThat(new PDFTextStripper().getText(pdf)).contains("Open:").contains("leaky coupling");
        }
        begin(amp, Purpose.FAULT);
        assertThat(state().get("findings").get(0).get("key").asString()).isEqualTo("LEAK/V2");
        // Saying something does not close it: the grid is read again.
        tell("cause", "finding", "LEAK/V2", "fact", "capacitor changed");
        assertThat(state().get("findings").get(0).get("closedBy").asString()).isEmpty();
        tubesOut();
        leakTest("-43.9");
        assertThat(state().get("findings").get(0).get("closedBy").asString()).contains("no finding");
        assertThat(signed()).contains("Closed:").doesNotContain("Open.");
        begin(amp, Purpose.FAULT);
        assertThat(state().get("findings")).isEmpty();
    }

    @Test
    void labelsOfTubesGoOnIntoTheNextSession() throws Exception {
        Amp amp = keep(PlantedAmps.of("pair"));
        begin(amp, Purpose.NEW_TUBES);
        tell("declare", "power", "OFF");
        for (String check : List.of("LOAD", "CONTROLS_DOWN", "ONE_HAND", "JEWELLERY")) {
            tell("tick", "check", check, "point", "", "done", "yes");
        }
        reads("LOAD_OHMS", "", "8");
        offAndDrained();
        tell("place", "socket", "V1", "tube", "T-7");
        tell("close", "reason", "tomorrow");
        begin(amp, Purpose.YEARLY_CHECK);
        assertThat(sessions.<String>look(session, s -> s.state().tube("V1"))).isEqualTo("T-7");
        assertThat(sessions.open()).contains(session);
    }

    @Test
    void aDescriptionOrATypeChangedMeanwhileIsNamedAndTheNewerOneJudges() throws Exception {
        TubeType shipped = ((Lookup.Found) tubes.catalogue().find("EL34")).type();
        TubeType own = renamed(shipped, "Z34", 25);
        tubes.keep(UUID.randomUUID(), own);
        AmpDescription description = typed(PlantedAmps.of("pair"), "Z34", 253);
        Amp amp = keep(description);
        begin(amp, Purpose.YEARLY_CHECK);
        assertThat(state().get("proof").toString()).doesNotContain("changed since");
        tubes.keep(UUID.randomUUID(), renamed(shipped, "Z34", 18));
        assertThat(state().get("proof").get("again").toString())
                .contains("The type Z34 was changed since this session was begun");
        clock.minutes(3);
        amps.keep(UUID.randomUUID(), amp.id(), amp.version(), typed(description, "Z34", 264));
        // By the clock that dates entries: what is read after this was read after the change.
        assertThat(amps.changedAt(amp.id())).isGreaterThan(System.currentTimeMillis() + 170_000);
        assertThat(tubes.changedAt("Z34").orElseThrow()).isGreaterThan(0);
        assertThat(state().get("proof").get("again").toString())
                .contains("The description of this amp was changed")
                .contains("judged by the newer one");
        assertThat(body("/bench/" + session + "/sheet")).contains("The type Z34 was changed");
    }

    private static TubeType renamed(TubeType t, String name, double watts) {
        List<Ratings> ratings = t.ratings().stream()
                .map(r -> {
                    Map<PublishedLimit, Figure> figures = new HashMap<>(r.figures());
                    figures.put(Limit.PLATE_WATTS, new Figure(watts, false));
                    return new Ratings(r.system(), r.edition(), figures, r.nonePublished());
                })
                .toList();
        return new TubeType(
                name,
                List.of(),
                "",
                Optional.empty(),
                t.heaterVolts(),
                t.heaterAmperes(),
                ratings,
                t.screenShare(),
                t.envelope(),
                Map.of(),
                "typed in",
                true,
                t.kind(),
                t.transconductance());
    }

    private static AmpDescription typed(AmpDescription a, String type, double highest) {
        return a.wired(a.stage()
                        .seated(a.sockets().stream()
                                .map(s -> new yellowrail.core.amp.Socket(s.name(), s.channel(), s.side(), type))
                                .toList()))
                .fed(a.supply().at(new Mains(Optional.empty(), 230, 207, highest)));
    }
}
