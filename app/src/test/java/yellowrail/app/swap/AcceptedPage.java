package yellowrail.app.swap;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import yellowrail.app.AppIT;
import yellowrail.app.amps.Amp;
import yellowrail.app.bench.SheetIssuer;
import yellowrail.app.stage.FromAmp;
import yellowrail.core.reading.Meter;
import yellowrail.core.session.Entry;
import yellowrail.core.session.Event;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Power;
import yellowrail.core.session.Purpose;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.stops.Stops;

/** An amp with EL34s that was read, and the sheet of a swap as its page fills it in and a builder answers it. */
abstract class AcceptedPage extends AppIT {
    protected static final Map<String, String> ANSWERS = Map.ofEntries(
            Map.entry("to1", "6L6GC"),
            Map.entry("winding", "6"),
            Map.entry("others", "0.6"),
            Map.entry("leak", "100k"),
            Map.entry("coldest", "-70"),
            Map.entry("hottest", "-20"),
            Map.entry("htDc", "400"),
            Map.entry("chokeDc", "0"),
            Map.entry("htOthers", "20"),
            Map.entry("screenWatts", "7"),
            Map.entry("diameter", "60"),
            Map.entry("height", "150"),
            Map.entry("tied", "none"),
            Map.entry("tried", "yes"),
            Map.entry("oneToEight", "yes"),
            Map.entry("wanted", "60"));

    protected static final Event[] ON = {
        new Declared(Power.OFF),
        new Skipped(Stops.BEFORE_POWER, "trial"),
        new Skipped(Stops.DRAINED, "trial"),
        new Declared(Power.ON_TUBES_IN)
    };

    @Autowired
    protected FromAmp fromAmp;

    @Autowired
    protected AcceptedSwaps accepted;

    @Autowired
    protected SheetIssuer issuer;

    protected Amp amp() {
        return measured(pair("Curlew " + UUID.randomUUID().toString().substring(0, 6), "EL34"));
    }

    /** As the page of the amp fills it in, answered, with some fields other. */
    protected MockHttpServletResponse sent(Amp amp, Map<String, String> other, UUID version) throws Exception {
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

    protected UUID session(Amp amp, Event... events) {
        UUID id =
                sessions.begin(UUID.randomUUID(), amp, Plan.usual(amp.description(), Purpose.YEARLY_CHECK, Meter.FINE));
        for (Event event : events) {
            sessions.append(id, new Entry(UUID.randomUUID().toString(), clock.millis(), "desk", event));
        }
        return id;
    }
}
