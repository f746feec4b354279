package yellowrail.app.swap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Stream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.web.util.HtmlUtils;
import yellowrail.app.AppIT;
import yellowrail.app.amps.Amp;
import yellowrail.app.stage.FromAmp;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.OutputTransformer;
import yellowrail.core.reading.Meter;
import yellowrail.core.session.Entry;
import yellowrail.core.session.Event;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Power;
import yellowrail.core.session.Purpose;
import yellowrail.core.session.events.ClosedUnsigned;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.stops.Stops;

/** A swap is accepted for the amp its sheet was made for, while the amp is known to be off, or not at all. */
class PlantedAcceptingIT extends AppIT {
    private static final Map<String, String> ANSWERS = Map.ofEntries(
            Map.entry("to1", "6L6GC"),
            Map.entry("winding", "6"),
            Map.entry("others", "0.6"),
            Map.entry("leak", "100k"),
            Map.entry("coldest", "-70"),
            Map.entry("hottest", "-20"),
            Map.entry("htDc", "400"),
            Map.entry("chokeDc", "0"),
            Map.entry("htOthers", "20"),
            Map.entry("diameter", "60"),
            Map.entry("height", "150"),
            Map.entry("tied", "none"),
            Map.entry("wanted", "60"));

    private static final Event[] ON = {
        new Declared(Power.OFF),
        new Skipped(Stops.BEFORE_POWER, "trial"),
        new Skipped(Stops.DRAINED, "trial"),
        new Declared(Power.ON_TUBES_IN)
    };

    @Autowired
    private FromAmp fromAmp;

    @Autowired
    private AcceptedSwaps accepted;

    record Planted(Map<String, String> fields, int status, String why) {
        @Override
        public String toString() {
            return why;
        }
    }

    static List<Planted> planted() throws IOException {
        try (var in = PlantedAcceptingIT.class.getResourceAsStream("/planted/accepting.txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(l -> !l.isBlank() && !l.startsWith("#"))
                    .map(l -> l.split("::", 3))
                    .map(p -> new Planted(fields(p[0]), Integer.parseInt(p[1].strip()), p[2].strip()))
                    .toList();
        }
    }

    private static Map<String, String> fields(String text) {
        Map<String, String> fields = new HashMap<>();
        for (String field : text.split(";")) {
            if (field.contains("=")) {
                String[] pair = field.strip().split("=", 2);
                fields.put(pair[0], pair[1]);
            }
        }
        return fields;
    }

    private Amp amp() {
        AmpDescription d = pair("Curlew " + UUID.randomUUID().toString().substring(0, 6), "EL34");
        Amp amp = amps.keep(
                UUID.randomUUID(),
                UUID.randomUUID(),
                0,
                new AmpDescription(
                        d.name(),
                        d.stage(),
                        d.bias(),
                        d.groups(),
                        d.supply(),
                        new OutputTransformer(Optional.of(4000.0)),
                        d.judging(),
                        d.quirks()));
        keepRound(
                amp,
                Map.of(
                        "MAINS.",
                        "230",
                        "PLATE.V1",
                        "351 V",
                        "SCREEN.V1",
                        "349 V",
                        "CURRENT.V1",
                        "380 mV",
                        "PLATE.V2",
                        "351 V",
                        "SCREEN.V2",
                        "349 V",
                        "CURRENT.V2",
                        "382 mV"));
        return amp;
    }

    /** As the page of the amp fills it in, answered, with some fields other. */
    private MockHttpServletResponse sent(Amp amp, Map<String, String> other, UUID version) throws Exception {
        Map<String, String> fields = new HashMap<>(fromAmp.of(amp, 1).form().texts());
        fields.put("lowest", "94 %");
        fields.putAll(ANSWERS);
        fields.put("place", "1");
        fields.put("versionId", version.toString());
        fields.put("seen", "1");
        fields.put("device", "bench phone");
        fields.putAll(other);
        MockHttpServletRequestBuilder request =
                post("/amps/" + amp.id() + "/swap").with(csrf());
        fields.forEach(request::param);
        return mvc.perform(request).andReturn().getResponse();
    }

    @ParameterizedTest
    @MethodSource("planted")
    void isAcceptedForWhatItWasMadeForAlone(Planted planted) throws Exception {
        Amp amp = amp();
        UUID version = UUID.randomUUID();
        MockHttpServletResponse answer = sent(amp, planted.fields(), version);
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(planted.status());
        boolean took = planted.status() == 302;
        assertThat(amps.amp(amp.id()).version()).isEqualTo(took ? 2 : 1);
        assertThat(accepted.newestOf(amp.id()).isPresent()).isEqualTo(took);
        if (took) {
            assertThat(answer.getRedirectedUrl()).endsWith("/swap/accepted/" + version);
        } else {
            assertThat(answer.getContentAsString()).contains("role=\"alert\"");
        }
    }

    @Test
    void whatWasDecidedIsStoredAndShownAsItWas() throws Exception {
        Amp amp = amp();
        UUID version = UUID.randomUUID();
        sent(amp, Map.of(), version);
        // Pressed twice.
        assertThat(sent(amp, Map.of(), version).getStatus()).isEqualTo(302);
        assertThat(amps.amp(amp.id()).version()).isEqualTo(2);
        AcceptedSwap swap = accepted.newestOf(amp.id()).orElseThrow();
        assertThat(swap.swap().from()).isEqualTo("2 × EL34");
        assertThat(swap.swap().type()).isEqualTo("6L6GC");
        assertThat(swap.swap().rows()).hasSizeGreaterThan(10);
        assertThat(swap.device()).isEqualTo("bench phone");
        assertThat(swap.version()).isEqualTo(2);
        String page = mvc.perform(get("/amps/" + amp.id() + "/swap/accepted/" + version))
                .andReturn()
                .getResponse()
                .getContentAsString();
        String told = HtmlUtils.htmlUnescape(page);
        swap.swap().work().forEach(w -> assertThat(told).contains(w));
        assertThat(mvc.perform(get("/amps/" + amp.id() + "/swap/accepted/" + UUID.randomUUID()))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(404);
        // Another sheet under the same id is none.
        assertThat(sent(amp, Map.of("wanted", "55"), version).getStatus()).isEqualTo(409);
        assertThat(sent(amp, Map.of(), UUID.randomUUID()).getRedirectedUrl())
                .as("the same swap from a page written anew")
                .endsWith("/swap/accepted/" + version);
        assertThat(sent(amp, Map.of("wanted", "55"), UUID.randomUUID()).getStatus())
                .as("described anew since it was seen")
                .isEqualTo(409);
    }

    /** Two presses on their way at once are one: both lead to the work. */
    @RepeatedTest(5)
    void pressedTwiceAtOnceIsAcceptedOnce() throws Exception {
        Amp amp = amp();
        UUID version = UUID.randomUUID();
        List<CompletableFuture<MockHttpServletResponse>> presses = Stream.generate(() ->
                        CompletableFuture.supplyAsync(() -> {
                            try {
                                return sent(amp, Map.of(), version);
                            } catch (Exception failed) {
                                throw new IllegalStateException(failed);
                            }
                        }))
                .limit(3)
                .toList();
        for (CompletableFuture<MockHttpServletResponse> press : presses) {
            MockHttpServletResponse answer = press.get();
            assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(302);
        }
        assertThat(amps.amp(amp.id()).version()).isEqualTo(2);
    }

    private UUID session(Amp amp, Event... events) {
        UUID id =
                sessions.begin(UUID.randomUUID(), amp, Plan.usual(amp.description(), Purpose.YEARLY_CHECK, Meter.FINE));
        for (Event event : events) {
            sessions.append(id, new Entry(UUID.randomUUID().toString(), clock.millis(), "desk", event));
        }
        return id;
    }

    @Test
    void notWhileASessionHasItsPowerOnOrNotDeclared() throws Exception {
        Amp amp = amp();
        UUID open = session(amp, ON);
        UUID version = UUID.randomUUID();
        MockHttpServletResponse on = sent(amp, Map.of(), version);
        assertThat(on.getStatus()).isEqualTo(409);
        assertThat(on.getContentAsString()).contains("the amp is declared on with the tubes in there");
        assertThat(amps.amp(amp.id()).version()).isEqualTo(1);
        sessions.append(open, new Entry(UUID.randomUUID().toString(), clock.millis(), "desk", new Declared(Power.OFF)));
        UUID other = session(amp);
        assertThat(sent(amp, Map.of(), version).getContentAsString()).contains("power is not declared there");
        sessions.append(
                other,
                new Entry(UUID.randomUUID().toString(), clock.millis(), "desk", new ClosedUnsigned("only tried")));
        // Another amp's session stands in nobody's way.
        session(amp(), ON);
        assertThat(sent(amp, Map.of(), version).getStatus()).isEqualTo(302);
        // Off declared hours ago is not known any more.
        Amp late = amp();
        session(late, new Declared(Power.OFF));
        clock.minutes(6.2 * 60);
        assertThat(sent(late, Map.of(), UUID.randomUUID()).getStatus()).isEqualTo(409);
    }
}
