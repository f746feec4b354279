package yellowrail.app.swap;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import yellowrail.app.BrowserIT;
import yellowrail.app.amps.Amp;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.OutputTransformer;
import yellowrail.core.tube.Connection;

/** A swap accepted: refused first, a row mended, a new version of the amp, the work, the session, and the way back. */
class AcceptSwapIT extends BrowserIT {
    private static final String AROUND = "&winding=6&others=0.6&leak=100k&coldest=-70&hottest=-20&htDc=400&chokeDc=0"
            + "&htOthers=20&diameter=60&height=150&tied=none&wanted=60";

    private Amp amp(String name) {
        AmpDescription d = pair(name, "EL34");
        AmpDescription loaded = new AmpDescription(
                d.name(),
                d.stage(),
                d.bias(),
                d.groups(),
                d.supply(),
                new OutputTransformer(Optional.of(4000.0)),
                d.judging(),
                d.quirks());
        Amp amp = amps.keep(UUID.randomUUID(), UUID.randomUUID(), 0, loaded);
        keepRound(
                amp,
                Map.of(
                        "MAINS.",
                        "230",
                        "PLATE.V1",
                        "351 V",
                        "CURRENT.V1",
                        "380 mV",
                        "PLATE.V2",
                        "351 V",
                        "CURRENT.V2",
                        "382 mV"));
        return amp;
    }

    @Test
    void refusedMendedAcceptedAndUndone() {
        Amp amp = amp("Whimbrel 40");
        page.navigate(url("/amps/" + amp.id()));
        page.locator("nav.ways a:text-is('Swap')").click();
        assertThat(page.locator("h1")).containsText("Whimbrel 40: may other tubes go in?");
        assertThat(page.locator("#to1")).hasValue("EL34");
        assertThat(page.locator("button:has-text('Describe the amp with')")).hasCount(0);
        page.fill("#to1", "6L6GC");
        for (String[] answer : new String[][] {
            {"winding", "6"},
            {"others", "0.6"},
            {"leak", "220k"},
            {"coldest", "-70"},
            {"hottest", "-20"},
            {"htDc", "400"},
            {"chokeDc", "0"},
            {"htOthers", "20"},
            {"diameter", "60"},
            {"height", "150"},
            {"tied", "none"},
            {"wanted", "60"}
        }) {
            page.fill("#" + answer[0], answer[1]);
        }
        assertThat(page.locator(".head")).containsText("Fail: Grid-circuit resistance");
        assertThat(page.locator("button:has-text('Describe the amp with')")).hasCount(0);
        page.fill("#leak", "100k");
        assertThat(page.locator(".head")).containsText("Pass with notes");
        looksRight();
        page.locator("button:has-text('Describe the amp with 2 × 6L6GC')").dblclick();
        assertThat(page.locator("h1")).containsText("Whimbrel 40 is described with 2 × 6L6GC now");
        assertThat(page.locator("ol.work li").first()).containsText("Drain every supply node");
        assertThat(page.locator("ol.work")).containsText("Turn the bias to its coldest end before the 6L6GC go in");
        looksRight();
        assertThat(amps.amp(amp.id()).description().stage().tubeTypes()).isEqualTo(List.of("6L6GC"));
        assertThat(amps.amp(amp.id()).version()).isEqualTo(2);
        assertThat(amps.amp(amp.id(), 1).description()).isEqualTo(amp.description());
        page.locator("a:has-text('Begin the session for new tubes')").click();
        assertThat(page.locator("[name=purpose]")).hasValue("NEW_TUBES");
        assertThat(page.locator("[name=changing]")).hasValue("all");
        String work = page.evaluate("() => document.referrer").toString();
        page.locator("button:text-is('Begin')").click();
        page.waitForURL("**/bench/*-*");
        assertThat(page.locator("#bench")).containsText("New tubes");
        assertThat(sessions.ofAmp(amp.id())).hasSize(1);
        page.navigate(work);
        page.locator("button:has-text('Undo')").click();
        page.waitForURL("**/amps/" + amp.id());
        assertThat(amps.amp(amp.id()).description()).isEqualTo(amp.description());
        assertThat(amps.amp(amp.id()).version()).isEqualTo(3);
    }

    private int sent(Amp amp, String query, int seen, UUID version) throws Exception {
        return mvc.perform(post("/amps/" + amp.id() + "/swap?" + query)
                        .with(csrf())
                        .param("versionId", version.toString())
                        .param("seen", String.valueOf(seen))
                        .param("place", "1"))
                .andReturn()
                .getResponse()
                .getStatus();
    }

    private int work(Amp amp, String query) throws Exception {
        return mvc.perform(get("/amps/" + amp.id() + "/swap/work?place=1&before=1&" + query))
                .andReturn()
                .getResponse()
                .getStatus();
    }

    /** However it is sent: nothing but a sheet that passes, of this amp's tubes, as it was seen, changes a description. */
    @Test
    void everyOtherWayIsRefused() throws Exception {
        Amp amp = amp("Curlew 40");
        String stage = "tube=EL34&supply=350&load=4k&idle=60";
        UUID version = UUID.randomUUID();
        assertThat(sent(amp, "tube=nothing", 1, version)).as("not understood").isEqualTo(422);
        assertThat(sent(amp, stage + "&to1=6L6GC", 1, version))
                .as("nothing answered")
                .isEqualTo(422);
        assertThat(sent(amp, stage + "&to1=6550" + AROUND, 1, version))
                .as("fails")
                .isEqualTo(422);
        assertThat(sent(amp, "tube=6V6GT&supply=280&load=8k&idle=60&to1=6L6GC" + AROUND, 1, version))
                .as("a sheet of another amp's tubes")
                .isEqualTo(422);
        assertThat(sent(amp, stage + "&to1=6L6GC&count1=4" + AROUND, 1, version))
                .as("more sockets than there are")
                .isEqualTo(422);
        assertThat(amps.amp(amp.id()).version()).isEqualTo(1);
        assertThat(work(amp, stage + "&to1=6L6GC" + AROUND))
                .as("nothing was accepted")
                .isEqualTo(404);
        assertThat(sent(amp, stage + "&to1=6L6GC&wired1=triode" + AROUND, 1, version))
                .isEqualTo(302);
        assertThat(amps.amp(amp.id()).description().stage().connection()).isEqualTo(Connection.TRIODE);
        assertThat(work(amp, stage + "&to1=6L6GC&wired1=triode" + AROUND)).isEqualTo(200);
        assertThat(work(amp, stage + "&to1=KT88" + AROUND)).as("another type").isEqualTo(404);
        assertThat(sent(amp, stage + "&to1=6L6GC&wired1=triode" + AROUND, 1, version))
                .as("the same press again")
                .isEqualTo(302);
        assertThat(amps.amp(amp.id()).version()).isEqualTo(2);
        assertThat(sent(amp, stage + "&to1=6L6GC" + AROUND, 1, UUID.randomUUID()))
                .as("changed meanwhile")
                .isEqualTo(409);
    }
}
