package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import yellowrail.core.reading.Meter;
import yellowrail.core.session.Entry;
import yellowrail.core.session.Event;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Power;
import yellowrail.core.session.Purpose;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Noted;
import yellowrail.core.session.events.Read;

/** Many tabs, what is sent to them, and what becomes of streams that nobody listens to. */
class StreamIT extends BenchPage {
    @Autowired
    private SessionBroadcaster broadcaster;

    private UUID session() {
        var amp = keepPair("Streams", "6550");
        return sessions.begin(UUID.randomUUID(), amp, Plan.usual(amp.description(), Purpose.YEARLY_CHECK, Meter.FINE));
    }

    private void tell(UUID session, Event event) {
        sessions.append(session, new Entry(UUID.randomUUID().toString(), clock.millis(), "elsewhere", event));
    }

    private static void follows(Page tab, int seq) {
        tab.waitForFunction("s => Number(document.getElementById('bench')?.dataset.seq) >= s", seq);
    }

    @Test
    void nineTabsOfOneBrowserFollowThroughOneStream() throws Exception {
        UUID session = session();
        List<Page> tabs = new ArrayList<>();
        for (int i = 0; i < 9; i++) {
            Page tab = tab();
            tab.navigate(url("/bench/" + session));
            tabs.add(tab);
        }
        tell(session, new Declared(Power.OFF));
        tabs.forEach(t -> follows(t, 1));
        // Streams that other tests left open are let go as silent.
        for (int i = 0; i < 600 && broadcaster.listening() != 1; i++) {
            TimeUnit.MILLISECONDS.sleep(100);
        }
        assertThat(broadcaster.listening()).isEqualTo(1);
        // The tab that holds the stream goes; another takes it.
        tabs.remove(0).close();
        tell(session, new Noted(Noted.Topic.HUM, "one"));
        tell(session, new Noted(Noted.Topic.HUM, "two"));
        tabs.forEach(t -> follows(t, 3));
    }

    @Test
    void aPanelIsSentWithoutWhatAPageHas() throws Exception {
        UUID session = session();
        String whole = panel(session, "");
        List<String> names = names(whole);
        assertThat(names).hasSizeGreaterThan(5);
        String same = panel(session, String.join(" ", names));
        assertThat(names(same)).isEqualTo(names);
        assertThat(same.replaceAll("<!--part:[0-9a-f]+-->", "")).isEmpty();
        tell(session, new Declared(Power.OFF));
        String changed = panel(session, String.join(" ", names));
        assertThat(changed).contains("off and unplugged").hasSizeLessThan(whole.length());
        assertThat(panel(session, "x x \u00e9 <script>")).hasSizeGreaterThan(changed.length());
    }

    private static List<String> names(String html) {
        List<String> names = new ArrayList<>();
        var part = java.util.regex.Pattern.compile("<!--part:([0-9a-f]+)-->").matcher(html);
        while (part.find()) {
            names.add(part.group(1));
        }
        return names;
    }

    private String panel(UUID session, String parts) throws Exception {
        return mvc.perform(org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get(
                                "/bench/" + session + "/panel")
                        .header("X-Parts", parts))
                .andReturn()
                .getResponse()
                .getContentAsString();
    }

    @Test
    void theNewestReadingsAreShownAndTheOthersOnRequest() {
        UUID session = session();
        tell(session, new Declared(Power.OFF));
        for (int i = 0; i < 40; i++) {
            tell(
                    session,
                    Read.of(
                            yellowrail.core.round.Quantity.LOAD_OHMS,
                            "",
                            new yellowrail.core.reading.Typed(
                                    "8." + i + " Ω", 8 + i / 100.0, yellowrail.core.reading.Unit.OHM, 0.1)));
        }
        page.navigate(url("/bench/" + session));
        page.click("summary:has-text('Readings (40)')");
        assertThat(page.locator(".log > li").count()).isEqualTo(24);
        page.click("#show-all");
        page.waitForFunction("() => document.querySelectorAll('.log > li').length === 40");
        assertThat(page.locator("#show-all").count()).isZero();
    }

    @Test
    void aStreamThatIsClosedOrSilentIsLetGo() throws Exception {
        HttpClient http = HttpClient.newHttpClient();
        // Streams of pages that other tests closed are let go first, else one that goes meanwhile hides the new one.
        listening(0);
        HttpResponse<java.io.InputStream> stream = http.send(
                HttpRequest.newBuilder(URI.create(url("/bench/stream"))).build(),
                HttpResponse.BodyHandlers.ofInputStream());
        assertThat(broadcaster.listening()).isEqualTo(1);
        assertThat(http.send(
                                HttpRequest.newBuilder(URI.create(url("/bench/stream/" + UUID.randomUUID())))
                                        .build(),
                                HttpResponse.BodyHandlers.discarding())
                        .statusCode())
                .isEqualTo(404);
        stream.body().close();
        listening(0);
    }

    private void listening(int streams) throws InterruptedException {
        for (int i = 0; i < 300 && broadcaster.listening() != streams; i++) {
            TimeUnit.MILLISECONDS.sleep(100);
        }
        assertThat(broadcaster.listening()).isEqualTo(streams);
    }

    @Test
    void anEntryThatWaitedAndIsRefusedIsMendedOrDroppedAndTheRestGoesOn() {
        UUID session = session();
        page.navigate(url("/bench/" + session));
        page.waitForFunction("() => window.indexedDB");
        String queued = """
                (session) => new Promise((done, failed) => {
                  const request = indexedDB.open('yellow-rail', 1);
                  request.onsuccess = () => {
                    const transaction = request.result.transaction('queue', 'readwrite');
                    const entry = (id, text) => ({ id, session, kind: 'read', madeAt: Date.now() - 60000,
                      fields: { quantity: 'LOAD_OHMS', point: '', text } });
                    transaction.objectStore('queue').add(entry('4b1de8c2-0000-4000-8000-000000000001', 'eight'));
                    transaction.objectStore('queue').add(entry('4b1de8c2-0000-4000-8000-000000000002', '8'));
                    transaction.objectStore('queue').add(entry('4b1de8c2-0000-4000-8000-000000000003', 'nine'));
                    transaction.oncomplete = done;
                    transaction.onerror = failed;
                  };
                })""";
        tell(session, new Declared(Power.OFF));
        page.evaluate(queued, session.toString());
        page.reload();
        page.waitForFunction("() => document.querySelectorAll('#queue .refused').length === 2");
        follows(page, 2);
        assertThat(page.locator("#queue .refused p").first().textContent()).contains("eight");
        page.locator("#queue .refused input").first().fill("7.9");
        page.locator("#queue .refused button:has-text('Record it as read now')")
                .first()
                .click();
        follows(page, 3);
        page.locator("#queue .refused button:has-text('Drop it')").first().click();
        page.waitForFunction("() => document.getElementById('queue').hidden");
        assertThat(sessions.<List<String>>look(
                        session,
                        s -> s.state().readings().stream()
                                .map(r -> r.typed().raw())
                                .toList()))
                .containsExactly("8", "7.9");
    }

    /** A field that went away while the answer was under way: what was typed into it is still there to be mended. */
    @Test
    void aReadingThatIsRefusedWithoutItsFieldIsKept() {
        UUID session = session();
        tell(session, new Declared(Power.OFF));
        page.navigate(url("/bench/" + session));
        follows(page, 1);
        page.evaluate("""
                () => {
                  const send = window.fetch;
                  let away = false;
                  const rename = () => {
                    const field = away && document.getElementById('ask-load-ohms-');
                    if (field) field.id = 'gone';
                  };
                  // The page may be exchanged meanwhile: the field stays away.
                  new MutationObserver(rename).observe(document.body, { childList: true, subtree: true });
                  window.fetch = (...request) => {
                    away ||= String(request[0]).endsWith('/events');
                    rename();
                    return send(...request);
                  };
                }""");
        page.fill("#ask-load-ohms-", "800");
        page.press("#ask-load-ohms-", "Enter");
        page.waitForSelector("#queue .refused button:has-text('800 is right, read now')");
        page.locator("#queue .refused input").fill("8");
        tell(session, new Noted(Noted.Topic.HUM, "meanwhile"));
        follows(page, 2);
        assertThat(page.locator("#queue .refused input").inputValue()).isEqualTo("8");
        page.click("#queue .refused button:has-text('Record it as read now')");
        follows(page, 3);
        assertThat(sessions.<String>look(
                        session, s -> s.state().readings().get(0).typed().raw()))
                .isEqualTo("8");
    }

    /** What is mended and entered in the instant its refusal shows is taken; the same once more is not. */
    @Test
    void whatIsMendedAtOnceIsTaken() {
        UUID session = session();
        tell(session, new Declared(Power.OFF));
        page.navigate(url("/bench/" + session));
        follows(page, 1);
        page.evaluate("""
                () => {
                  new MutationObserver((seen, observer) => {
                    const field = document.getElementById('ask-load-ohms-');
                    if (!field?.form.querySelector('.complaint').textContent.trim()) return;
                    observer.disconnect();
                    field.value = '8.2';
                    field.form.requestSubmit();
                    field.form.requestSubmit();
                  }).observe(document.body, { childList: true, subtree: true });
                }""");
        page.fill("#ask-load-ohms-", "eight");
        page.press("#ask-load-ohms-", "Enter");
        follows(page, 2);
        assertThat(sessions.<List<String>>look(
                        session,
                        s -> s.state().readings().stream()
                                .map(r -> r.typed().raw())
                                .toList()))
                .containsExactly("8.2");
    }
}
