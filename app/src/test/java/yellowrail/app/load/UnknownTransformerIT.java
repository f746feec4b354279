package yellowrail.app.load;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import org.junit.jupiter.api.Test;
import yellowrail.app.BrowserIT;

/** A box of irons: what an unmarked transformer is, from ohms and a few volts, and on to the load page. */
class UnknownTransformerIT extends BrowserIT {
    @Test
    void leadsAreToldAndTheReadingsGoOn() {
        page.navigate(url("/load"));
        page.click("text=Leads not known?");
        assertThat(page.locator("#found")).containsText("Read the ohms between the leads");
        page.fill("#notes", "blue red 148\nred brown 167\nblue brown 314\nblack green 0.6");
        assertThat(page.locator("#found")).containsText("blue – red – brown");
        assertThat(page.locator("#found")).containsText("red is about its middle by the ohms");
        assertThat(page.locator("#found")).containsText("Ohms never tell one");
        page.fill(
                "#notes",
                "blue red 148\nred brown 167\nblue brown 314\nblack green 0.6\nblue brown 20V blue red 10V\n"
                        + "blue brown 20V black green 0.632V");
        assertThat(page.locator("#found")).containsText("red is its centre, by equal volts");
        assertThat(page.locator("#found")).containsText("black–green for 8 Ω");
        assertThat(page.locator("#found")).containsText("EL84 push-pull");
        page.waitForURL(u -> u.contains("0.632V"));
        looksRight();
        // One secondary could be for 4, 8 or 16 Ω: the builder picks, and keeps it.
        page.locator("#found div:has-text('black–green for 8 Ω') >> text=These readings on the load page")
                .first()
                .click();
        assertThat(page.locator("#answer")).containsText("8.01 kΩ");
        assertThat(page.locator("#taps")).hasValue("8");
        page.fill("#name", "Box of irons, third");
        page.click("#keep button");
        page.waitForURL("**/transformers/*kept=yes");
        assertThat(page.locator("main")).containsText("whole primary driven with 20");
    }

    @Test
    void aSlipIsSaidAtItsLine() {
        page.navigate(url("/load/unknown?notes=1+2+100%0A1+2+230V+3+4+9V"));
        assertThat(page.locator("#found")).containsText("Line 2");
        assertThat(page.locator("#found")).containsText("at most 50 V AC");
        assertThat(page.locator("#notes")).hasValue("1 2 100\n1 2 230V 3 4 9V");
    }
}
