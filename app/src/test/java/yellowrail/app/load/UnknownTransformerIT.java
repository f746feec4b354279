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
        assertThat(page.locator("#found")).containsText("At most 30 V AC");
        assertThat(page.locator("#notes")).hasValue("1 2 100\n1 2 230V 3 4 9V");
    }

    /** Leads are tapped on the drawing, figures typed between. */
    @Test
    void leadsAreTapped() {
        page.navigate(url("/load/unknown"));
        tap("blue", "red");
        page.keyboard().type("148");
        assertThat(page.locator("#found .winding").first()).containsText("blue");
        tap("red", "brown");
        page.keyboard().type("167");
        tap("blue", "brown");
        page.keyboard().type("314");
        tap("black", "green");
        page.keyboard().type("0.6");
        assertThat(page.locator("#found")).containsText("red is about its middle");
        tap("blue", "brown");
        page.keyboard().type("20V ");
        tap("black", "green");
        page.keyboard().type("0.632V");
        assertThat(page.locator("#notes"))
                .hasValue("blue red 148\nred brown 167\nblue brown 314\nblack green 0.6\n"
                        + "blue brown 20V black green 0.632V");
        assertThat(page.locator("#found")).containsText("black–green for 8 Ω");
        looksRight();
    }

    private void tap(String one, String two) {
        page.locator("[data-lead='" + one + "']").click();
        page.locator("[data-lead='" + two + "']").click();
        assertThat(page.locator("#notes")).isFocused();
    }

    /** Readings that contradict are named, and nothing is concluded from them. */
    @Test
    void whatContradictsIsNamed() {
        page.navigate(url("/load/unknown?notes=" + "1+2+230%0A1+2+40%0A8+9+0.6%0A1+2+20V+8+9+0.6V"));
        assertThat(page.locator("#found")).containsText("give 230 Ω and 40.0 Ω");
        assertThat(page.locator("#found")).not().containsText("These readings on the load page");
        page.navigate(url("/load/unknown?notes=" + "1+3+314%0A8+9+0.6%0A1+3+20V+8+9+8V"));
        assertThat(page.locator("#found")).containsText("a line or 600 Ω winding?");
        assertThat(page.locator("#found")).not().containsText("These readings on the load page");
    }
}
