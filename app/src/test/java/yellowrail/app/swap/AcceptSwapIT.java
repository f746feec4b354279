package yellowrail.app.swap;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import yellowrail.app.BrowserIT;
import yellowrail.app.amps.Amp;
import yellowrail.core.session.Entry;
import yellowrail.core.session.Power;
import yellowrail.core.session.events.Declared;

/** A swap accepted: refused first, a row mended, a new version of the amp, the work, the session, and the way back. */
class AcceptSwapIT extends BrowserIT {
    @Test
    void refusedMendedAcceptedAndUndone() {
        Amp amp = measured(pair("Whimbrel 40", "EL34"));
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
        page.selectOption("#tried", "yes");
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
        // Each step is ticked where it stands, and stays ticked.
        page.locator("#step-0 button").click();
        page.waitForURL("**#step-0");
        assertThat(page.locator("#step-0")).containsText("Done");
        assertThat(page.locator("h2").first()).containsText("Work, 1 of");
        String work = page.url();
        page.locator("a:has-text('Begin the session for new tubes')").click();
        assertThat(page.locator("[name=purpose]")).hasValue("NEW_TUBES");
        assertThat(page.locator("[name=changing]")).hasValue("all");
        page.locator("button:text-is('Begin')").click();
        page.waitForURL("**/bench/*-*");
        assertThat(page.locator("#bench")).containsText("New tubes");
        assertThat(sessions.ofAmp(amp.id())).hasSize(1);
        page.navigate(url("/amps/" + amp.id()));
        page.locator("a:has-text('work to go with 2 × 6L6GC')").click();
        assertThat(page.locator("#step-0")).containsText("Done");
        // Back: not while a session's power is not declared, and not with the new tubes in.
        page.locator("button:has-text('Describe the amp with 2 × EL34 again')").click();
        assertThat(page.locator("[role=alert]")).containsText("Say first which tubes are in the sockets now");
        page.check("[name=now][value=AFTER]");
        page.locator("button:has-text('Describe the amp with 2 × EL34 again')").click();
        assertThat(page.locator("[role=alert]")).containsText("take them out first");
        page.check("[name=now][value=NONE]");
        page.locator("button:has-text('Describe the amp with 2 × EL34 again')").click();
        assertThat(page.locator("[role=alert]")).containsText("the amp's power is not declared there");
        looksRight();
        sessions.append(
                sessions.ofAmp(amp.id()).get(0),
                new Entry(UUID.randomUUID().toString(), clock.millis(), "desk", new Declared(Power.OFF)));
        page.check("[name=now][value=NONE]");
        page.locator("button:has-text('Describe the amp with 2 × EL34 again')").click();
        page.waitForURL("**/amps/" + amp.id());
        assertThat(amps.amp(amp.id()).description()).isEqualTo(amp.description());
        assertThat(amps.amp(amp.id()).version()).isEqualTo(3);
        page.navigate(work);
        assertThat(page.locator(".page")).containsText("The amp was described anew since");
        assertThat(page.locator("button:has-text('again')")).hasCount(0);
    }
}
