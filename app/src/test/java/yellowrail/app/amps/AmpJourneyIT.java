package yellowrail.app.amps;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import yellowrail.app.BrowserIT;

class AmpJourneyIT extends BrowserIT {
    @Test
    void describesAStereoAmpAndEntersARound() {
        page.navigate(url("/amps/new"));
        page.fill("#name", "Avocet Test");
        page.selectOption("#tubes", "4");
        assertThat(page.locator("input[name=socketName]")).hasCount(4);
        page.selectOption("#channels", "2");
        assertThat(page.locator("select[name=socketChannel]").nth(2)).hasValue("2");
        page.locator("input[name=socketType]").first().fill("7591");
        page.selectOption("#method", "combined");
        page.selectOption("#grouping", "channel");
        assertThat(page.locator("#rows")).containsText("channel 2, Ω");
        page.selectOption("#target", "middle");
        page.fill("#quirks", "Plug in a lead, else it stays muted");
        page.click("text=Keep this amp");
        assertThat(page.locator("h1")).hasText("Avocet Test");
        assertThat(page.locator(".map .hollow")).hasCount(4);
        assertThat(page.locator(".pins"))
                .hasAttribute("aria-label", java.util.regex.Pattern.compile(".*plate at pin 3.*"));

        page.click("text=Enter a round");
        assertThat(page.locator("body")).containsText("Plug in a lead");
        page.fill("[id='MAINS.']", "231");
        page.fill("[id='PLATE.V1']", "430 V");
        page.fill("[id='CURRENT.channel_1']", "62.1 mV");
        page.fill("[id='PLATE.V3']", "x");
        page.click("text=Keep this round");
        assertThat(page.locator("[id='say-PLATE.V3']")).containsText("no number");
        assertThat(page.locator("[id='CURRENT.channel_1']")).hasValue("62.1 mV");
        page.fill("[id='PLATE.V3']", "");
        page.click("text=Keep this round");
        assertThat(page.locator(".told")).containsText("nothing is overwritten");
        assertThat(page.getByTestId("verdict")).containsText("mean only");
        assertThat(page.getByTestId("verdict")).containsText("sampled");
        assertThat(page.locator("body")).containsText("Not measured: V3, V4");
        assertThat(page.locator("body")).not().containsText("not asked");
        page.locator(".dist h1").isVisible();
        looksRight();
    }

    @Test
    void slowRowsNeitherOvertakeANewerPickNorTakeWhatWasTyped() {
        page.navigate(url("/amps/new"));
        // Its rows arrive before the others are held up and counted.
        page.waitForResponse("**/amps/rows", () -> page.selectOption("#method", "combined"));
        List<Route> slow = new ArrayList<>();
        page.route("**/amps/rows", route -> {
            slow.add(route);
            if (slow.size() == 2) route.resume();
        });
        page.selectOption("#channels", "2");
        page.selectOption("#grouping", "channel");
        assertThat(page.locator("#rows")).containsText("channel 2, Ω");
        slow.get(0).resume();

        page.selectOption("#tubes", "4");
        page.waitForCondition(() -> slow.size() == 3);
        page.locator("input[name=socketType]").first().fill("7591");
        slow.get(2).resume();
        page.waitForCondition(() -> slow.size() == 4);
        slow.get(3).resume();
        assertThat(page.locator("input[name=socketName]")).hasCount(4);
        assertThat(page.locator("input[name=socketType]").first()).hasValue("7591");
        assertThat(page.locator("input[name=socketType]").first()).isFocused();
        assertThat(page.locator("#rows")).containsText("channel 2, Ω");
    }

    @Test
    void correctsAReadingByANewOneAndComparesTwoRounds() {
        Amp amp = keepPair("Godwit 50", "6L6GC");
        UUID first = keepRound(amp, pairValues("274 mV", "218 mV"));
        keepRound(amp, pairValues("309 mV", "301 mV"));
        page.navigate(url("/rounds/" + first));
        page.locator("tr", new Page.LocatorOptions().setHasText("274 mV"))
                .locator("a")
                .click();
        page.fill("#text", "abc");
        page.fill("#reason", "misread the range");
        page.click("text=Keep the correction");
        assertThat(page.locator("#say-text")).containsText("abc");
        page.fill("#text", "284 mV");
        page.click("text=Keep the correction");
        assertThat(page.locator("tr.superseded")).containsText("274 mV");
        assertThat(page.locator("body")).containsText("replaces 274 mV: misread the range");

        page.navigate(url("/amps/" + amp.id() + "/compare"));
        assertThat(page.locator("tbody")).containsText("× 1.09");
        assertThat(page.locator("tbody")).containsText("imbalance of the sides");
        looksRight();
    }

    @Test
    void tellsTheSecondTabThatTheAmpChanged() {
        Amp amp = keepPair("Ruff 20", "EL84");
        page.navigate(url("/amps/" + amp.id() + "/edit"));
        Page other = tab();
        other.navigate(url("/amps/" + amp.id() + "/edit"));
        other.fill("#quirks", "from the other tab");
        other.click("text=Keep this amp");
        assertThat(other.locator(".told")).containsText("Kept");
        page.fill("#name", "Ruff 20 mine");
        page.click("text=Keep this amp");
        assertThat(page.locator("[role=alert]")).containsText("changed in another window");
        assertThat(page.locator("#name")).hasValue("Ruff 20 mine");
        assertThat(amps.amp(amp.id()).version()).isEqualTo(2);
        page.click("text=Keep this amp");
        assertThat(page.locator("h1")).hasText("Ruff 20 mine");
        assertThat(amps.amp(amp.id()).version()).isEqualTo(3);
    }

    @Test
    void keepsADraftThroughAReload() {
        page.navigate(url("/amps/" + keepPair("Snipe 5", "6V6GT").id() + "/rounds/new"));
        page.fill("[id='PLATE.V1']", "312 V");
        page.reload();
        assertThat(page.locator("[id='PLATE.V1']")).hasValue("312 V");
    }

    @Test
    void keepsAnUnsavedAmpWithItsRowsThroughAReload() {
        page.navigate(url("/amps/new"));
        page.fill("#name", "Sora 30");
        page.selectOption("#method", "combined");
        page.selectOption("#tubes", "4");
        assertThat(page.locator("input[name=socketName]")).hasCount(4);
        page.locator("#socketType3").fill("6550");
        page.locator("#rm0").fill("0.98");
        page.reload();
        assertThat(page.locator("form .back")).containsText("is back. It is not saved yet");
        assertThat(page.locator("#name")).hasValue("Sora 30");
        assertThat(page.locator("#socketType3")).hasValue("6550");
        assertThat(page.locator("#rm0")).hasValue("0.98");
        assertThat(page.locator("#method")).hasValue("combined");
        looksRight();
        page.click("text=Discard it");
        assertThat(page.locator("#name")).hasValue("");
        assertThat(page.locator("input[name=socketName]")).hasCount(2);

        page.fill("#name", "Sora 30");
        page.locator("#socketType0").fill("EL84");
        page.click("text=Keep this amp");
        assertThat(page.locator("h1")).hasText("Sora 30");
        page.navigate(url("/amps/new"));
        assertThat(page.locator("#name")).hasValue("");
        assertThat(page.locator("form .back")).hasCount(0);
    }

    @Test
    void whatWasTypedOverAnOlderDescriptionStillMeetsTheNewerOne() {
        Amp amp = keepPair("Bunting 15", "EL84");
        page.navigate(url("/amps/" + amp.id() + "/edit"));
        page.fill("#name", "Bunting 15 mine");
        Page other = tab();
        other.navigate(url("/amps/" + amp.id() + "/edit"));
        other.fill("#quirks", "from the other tab");
        other.click("text=Keep this amp");
        assertThat(other.locator(".told")).containsText("Kept");
        page.reload();
        assertThat(page.locator("#name")).hasValue("Bunting 15 mine");
        page.click("text=Keep this amp");
        assertThat(page.locator("[role=alert]")).containsText("changed in another window");
        assertThat(amps.amp(amp.id()).version()).isEqualTo(2);
    }

    @Test
    void storesOnceOnADoubleClick() {
        Amp amp = keepPair("Teal 8", "6V6GT");
        page.navigate(url("/amps/" + amp.id() + "/rounds/new"));
        page.fill("[id='PLATE.V1']", "312 V");
        page.fill("[id='CURRENT.V1']", "281 mV");
        page.locator("text=Keep this round").dblclick();
        assertThat(page.locator(".told")).containsText("Kept");
        assertThat(rounds.rounds(amp.id())).hasSize(1);
    }

    @Test
    void showsTheWholeAmpOnEverySize() {
        Amp amp = keepPair("Wigeon 60", "6550");
        keepRound(amp, pairValues("465 mV", "470 mV"));
        page.navigate(url("/amps/" + amp.id()));
        assertThat(page.locator(".map")).containsText("V2");
        looksRight();
        page.click("text=See it from above");
        assertThat(page.locator("body")).containsText("Sockets, seen from above");
        page.navigate(url("/amps"));
        looksRight();
        page.navigate(url("/amps/" + amp.id() + "/edit"));
        looksRight();
        page.navigate(url("/amps/" + amp.id() + "/rounds/new"));
        looksRight();
    }

    @Test
    void escapesScriptInNames() {
        Amp amp = keepPair("<script>alert(1)</script>", "EL84");
        keepRound(amp, Map.of("PLATE.V1", "300 V"));
        page.navigate(url("/amps/" + amp.id()));
        assertThat(page.locator("h1")).hasText("<script>alert(1)</script>");
        assertThat(page.content()).doesNotContain("<script>alert(1)");
    }
}
