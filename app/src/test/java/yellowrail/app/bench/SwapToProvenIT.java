package yellowrail.app.bench;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import yellowrail.app.amps.Amp;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.reading.Meter;
import yellowrail.core.session.Entry;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Power;
import yellowrail.core.session.Purpose;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.stops.Stops;

/** A swap from the sheet to the signature: refused while the amp is on, accepted, worked through, set, proven. */
class SwapToProvenIT extends BenchPage {
    private void answers(Amp amp) {
        page.navigate(url("/amps/" + amp.id() + "/swap"));
        page.fill("#to1", "6L6GC");
        Map.of(
                        "winding",
                        "6",
                        "others",
                        "0.6",
                        "leak",
                        "100k",
                        "coldest",
                        "-70",
                        "hottest",
                        "-20",
                        "htDc",
                        "400",
                        "chokeDc",
                        "0",
                        "htOthers",
                        "20",
                        "tied",
                        "none")
                .forEach((field, text) -> page.fill("#" + field, text));
        page.fill("#wanted", "60");
        page.selectOption("#tried", "yes");
        assertThat(page.locator(".head")).containsText("Pass with notes");
    }

    private void tell(UUID session, yellowrail.core.session.Event event) {
        sessions.append(session, new Entry(UUID.randomUUID().toString(), clock.millis(), "desk", event));
    }

    @Test
    void fromTheSheetToTheSignature() {
        Amp amp = measured(heated(pair("Journey swap", "EL34"), BiasScheme.FIXED_TRACKING));
        UUID on =
                sessions.begin(UUID.randomUUID(), amp, Plan.usual(amp.description(), Purpose.YEARLY_CHECK, Meter.FINE));
        tell(on, new Declared(Power.OFF));
        tell(on, new Skipped(Stops.BEFORE_POWER, "trial"));
        tell(on, new Skipped(Stops.DRAINED, "trial"));
        tell(on, new Declared(Power.ON_TUBES_IN));
        answers(amp);
        // Asked once: it stands there the next time.
        page.locator("button:has-text('Keep these answers with the amp')").click();
        assertThat(page.locator("#keep")).containsText("Kept");
        looksRight();
        page.locator("button:has-text('Describe the amp with 2 × 6L6GC')").click();
        assertThat(page.locator("[role=alert]").first()).containsText("declared on with the tubes in");
        tell(on, new Declared(Power.OFF));
        page.navigate(url("/amps/" + amp.id() + "/swap"));
        assertThat(page.locator("#leak")).hasValue("100k");
        answers(amp);
        page.locator("button:has-text('Describe the amp with 2 × 6L6GC')").click();
        assertThat(page.locator("h1")).containsText("is described with 2 × 6L6GC now");
        int steps = page.locator("ol.work li").count();
        for (int step = 0; step < steps; step++) {
            page.locator("#step-" + step + " button").click();
            assertThat(page.locator("#step-" + step)).containsText("Done");
            assertThat(page).hasURL(Pattern.compile(".*#step-" + step + "$"));
        }
        assertThat(page.locator("h2").first()).containsText("Work, " + steps + " of " + steps + " done");
        page.locator("a:has-text('Begin the session for new tubes')").click();
        page.locator("button:text-is('Begin')").click();
        page.waitForURL("**/bench/*-*");
        beforePower();
        newTubes();
        warmsUp(51.0, 50.8);
        goesTo("MEASURE");
        reads("MAINS", "", "230");
        round(51.0, 50.8, 351);
        // Of 30 W: of the 25 W of the tubes before, the same watts would be above every window.
        assertThat(page.locator("#bench").innerText()).contains("of 30 W").doesNotContain("of 25 W");
        watched();
        goesTo("PLAY");
        ticksAll();
        closes();
        assertThat(signs()).contains("proven").contains("6L6GC").doesNotContain("EL34");
        assertThat(amps.amp(amp.id()).description().stage().tubeTypes()).isEqualTo(List.of("6L6GC"));
    }

    private void watched() {
        goesTo("SOAK");
        for (int i = 0; i < 5; i++) {
            clock.minutes(6.2);
            reads("MAINS", "", "230");
            for (int tube = 0; tube < 2; tube++) {
                reads("PLATE", "V" + (tube + 1), "351");
                reads("CURRENT", "V" + (tube + 1), tube == 0 ? "506.9" : "509.0");
            }
        }
    }

    private void newTubes() {
        for (String socket : List.of("V1", "V2")) {
            page.selectOption("#place-socket", socket);
            page.fill("#place-tube", "S-" + socket);
            page.fill("#place-type", "6L6GC");
            clicks(page.locator("button:has-text('Put in')"));
        }
        goesTo("TUBES_OUT");
        declares("ON_TUBES_OUT");
        reads("MAINS", "", "230");
        reads("UNLOADED", "reservoir", "372");
        for (String socket : List.of("V1", "V2")) {
            reads("GRID_COLDEST", socket + " control", "-62.2");
            reads("GRID_HOTTEST", socket + " control", "−20.7 V");
        }
        clicks(page.locator("form[data-kind=direction] button").nth(0));
        clicks(page.locator("form[data-kind=direction] button").nth(1));
        ticksAll();
        goesTo("TUBES_IN");
        declares("OFF");
        drainsButGlow();
        declares("ON_TUBES_IN");
        ticksAll();
        reads("CURRENT", "V1", "200 mV");
        reads("CURRENT", "V2", "196 mV");
        goesTo("MAINS");
        reads("MAINS", "", "230");
        reads("HEATER", "", "6.3");
    }
}
