package yellowrail.app.tubes;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import yellowrail.app.BrowserIT;
import yellowrail.app.amps.Amp;

class TubePagesIT extends BrowserIT {
    @Test
    void showsEveryPublicationAndWhatIsNotKnown() {
        page.navigate(url("/tubes"));
        assertThat(page.locator("tbody tr", new com.microsoft.playwright.Page.LocatorOptions().setHasText("6V6GT")))
                .containsText("design maximum");
        looksRight();
        page.click("text=KT88");
        assertThat(page.locator("body")).containsText("35 W (verify)");
        assertThat(page.locator("body")).containsText("46 W");
        looksRight();
        page.navigate(url("/tubes/KT90"));
        assertThat(page.locator("body")).containsText("not known");
        page.navigate(url("/tubes/6973"));
        assertThat(page.locator("aside")).containsText("not known for sure");
    }

    @Test
    void takesAnOwnTypeAndJudgesByIt() {
        page.navigate(url("/tubes/6L6GC"));
        assertThat(page.locator("table.rows").first()).containsText("plate volts, DC");
        page.navigate(url("/tubes/new"));
        // A blank there is no unknown: the figure without signal holds.
        assertThat(page.locator("#signalScreenWatts")).hasAttribute("placeholder", "as without");
        page.fill("#designation", "X19");
        page.fill("#plateWatts", "nineteen");
        page.click("text=Keep this type");
        assertThat(page.locator("#say-plateWatts")).containsText("nineteen");
        page.fill("#plateWatts", "19");
        page.fill("#source", "own measurement, 2026");
        page.fill("#share", "6");
        page.fill("#band", "2");
        page.fill("#plateVolts", "450");
        page.fill("#screenVolts", "400");
        page.click("text=Keep this type");
        assertThat(page.locator("#say-screenWatts")).containsText("mark it below as not published");
        page.check("input[name=none][value=screenWatts]");
        looksRight();
        page.navigate(url("/tubes/new"));
        assertThat(page.locator("#share")).hasValue("6");
        page.click("text=Keep this type");
        assertThat(page.locator("h1")).hasText("X19");
        assertThat(page.locator(
                                "tr",
                                new com.microsoft.playwright.Page.LocatorOptions().setHasText("screen dissipation"))
                        .first())
                .containsText("none published");
        page.navigate(url("/?tube=X19&volts=396.5&reading=327.1mV&r=9.94&bias=tracking"));
        assertThat(page.locator("#answer")).containsText("12.3 ± 0.4 W");
        assertThat(page.locator("#answer")).containsText("of 19 W");
    }

    @Test
    void keepsTheFiguresAStoredRoundWasJudgedBy() {
        Amp amp = keepPair("Dunlin 40", "5881");
        var round = keepRound(amp, pairValues("309 mV", "301 mV"));
        page.navigate(url("/tubes/5881/correct"));
        page.fill("#plateWatts", "26");
        page.fill("#source", "corrected sheet");
        page.click("text=Keep this type");
        assertThat(page.locator("[data-differs]")).containsText("plate dissipation 26 W instead of 23 W");
        page.navigate(url("/rounds/" + round));
        assertThat(page.locator("body")).containsText("23 W");
        var later = keepRound(amp, pairValues("309 mV", "301 mV"));
        assertThat(rounds.round(later).types().get("5881").own()).isTrue();
        assertThat(rounds.round(round).types().get("5881").own()).isFalse();
    }

    @Test
    void editsTargetsAndAddsAMeter() {
        page.navigate(url("/settings"));
        looksRight();
        page.fill("#name", "my middle");
        page.fill("#lo", "70");
        page.fill("#hi", "60");
        page.click("text=Keep this target");
        assertThat(page.locator("body")).containsText("rises within");
        assertThat(page.locator("#name")).hasValue("my middle");
        page.fill("#lo", "58");
        page.fill("#hi", "64");
        page.click("text=Keep this target");
        assertThat(page.locator("body")).containsText("58 to 64");
        page.fill("#meterName", "bench three");
        for (String field : new String[] {"vPercent", "aPercent", "oPercent"}) {
            page.fill("#" + field, "0.2");
        }
        page.click("text=Keep this meter");
        assertThat(page.locator("body")).containsText("bench three");
        page.navigate(url("/"));
        assertThat(page.locator("#target")).containsText("my middle");
        page.navigate(url("/?tube=6L6GC&volts=431&reading=45&r=1&bias=tracking&mains=230&meter=bench+three"));
        assertThat(page.locator("#meter")).hasValue("bench three");
        page.locator("#workings summary").click();
        assertThat(page.locator("#workings")).containsText("± 2.2 % likely");
    }
}
