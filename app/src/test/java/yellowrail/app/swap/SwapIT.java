package yellowrail.app.swap;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import org.junit.jupiter.api.Test;
import yellowrail.app.BrowserIT;
import yellowrail.app.stage.UsualStage;
import yellowrail.core.stage.StageIdle;

/** The page of swaps as a builder uses it: four candidates, rows answered in place, all types ranked, the sheet for paper. */
class SwapIT extends BrowserIT {
    private Locator head(String name) {
        return page.locator(".head", new com.microsoft.playwright.Page.LocatorOptions().setHasText(name))
                .first();
    }

    private Locator cell(String row, String name) {
        return page.locator("#cells-" + row + " .swap-cell")
                .filter(new Locator.FilterOptions().setHasText(name))
                .first();
    }

    @Test
    void aRowAnsweredInPlaceChangesTheVerdict() {
        page.navigate(url("/swap?supply=380+V&idle=60&to1=EL34"));
        assertThat(head("2 × EL34")).containsText("Unknown: Base and pins");
        assertThat(head("2 × EL34")).containsText("does not by itself raise output power");
        page.selectOption("#oneToEight", "no");
        assertThat(head("2 × EL34")).containsText("Fail: Base and pins");
        assertThat(cell("pins", "2 × EL34")).containsText("an open suppressor makes the tube run away");
        page.selectOption("#oneToEight", "yes");
        assertThat(cell("pins", "2 × EL34")).containsText("note");
        // Four and a half ampere for two tubes of 1.5 A and 0.6 A for others: enough; three ampere are not.
        page.fill("#winding", "3");
        page.fill("#others", "0.6");
        assertThat(cell("heater", "2 × EL34")).containsText("3.60 A of 3.00 A: 0.60 A over");
        assertThat(head("2 × EL34")).containsText("Fail: Heater current");
        page.fill("#winding", "4.5");
        assertThat(cell("heater", "2 × EL34")).containsText("pass");
        assertThat(page.locator("#winding")).isFocused();
        // What is not understood judges nothing, and nothing typed is lost.
        page.fill("#leak", "twenty");
        assertThat(page.locator("#say-leak")).isVisible();
        assertThat(page.locator("#heads")).containsText("Nothing is judged");
        page.fill("#leak", "220k");
        assertThat(cell("grid-circuit", "2 × EL34")).containsText("220 kΩ of 500 kΩ");
        page.waitForURL(u -> u.contains("leak=220k") && u.contains("winding=4.5"));
        page.reload();
        assertThat(page.locator("#winding")).hasValue("4.5");
        assertThat(cell("heater", "2 × EL34")).containsText("pass");
        looksRight();
    }

    /** What the sheet says of the idle is what the stage says of it. */
    @Test
    void theIdleIsThatOfTheStage() {
        page.navigate(url("/swap?to1=6L6GC&wanted=50+%25"));
        double watts = 0.5 * 30;
        double volts = StageIdle.at(UsualStage.usual(), watts).biasing().gridA();
        assertThat(head("2 × 6L6GC")).containsText("Idle then: 15.0 W, 50 % of 30 W");
        String said = cell("bias-range", "2 × 6L6GC").innerText().replace('−', '-');
        double shown = Double.parseDouble(said.replaceAll("(?s).*?(-[0-9.]+) V.*", "$1"));
        assertThat(shown).isCloseTo(volts, within(0.06));
    }

    @Test
    void fourCandidatesAndATypeFromTheList() {
        page.navigate(url("/swap?supply=380+V&idle=60&duty=tone&to1=6L6GC&to2=KT88&to3=EL86"));
        assertThat(page.locator(".head")).hasCount(3);
        assertThat(head("2 × EL86")).containsText("Fail: Base and pins");
        assertThat(head("2 × EL86")).containsText("Power is not computed");
        assertThat(head("2 × KT88")).containsText("Fail: Screen dissipation");
        page.locator("summary:has-text('Which tubes could go here?')").click();
        assertThat(page.locator("#every-type tbody tr")).not().hasCount(0);
        assertThat(page.locator("#every-type tbody tr").last()).containsText("Fail");
        page.locator("#every-type button:text-is('7591')").click();
        assertThat(page.locator("#to4")).hasValue("7591");
        assertThat(head("2 × 7591")).containsText("Fail: Base and pins");
        assertThat(cell("pins", "2 × 7591")).containsText("wired as control grid, in the 7591 it is the cathode");
        page.fill("#to4", "6L6");
        assertThat(page.locator("#say-to4")).containsText("6L6GC");
        assertThat(page.locator(".head")).hasCount(3);
        page.locator("#say-to4 button:text-is('6L6GB')").click();
        assertThat(head("2 × 6L6GB")).containsText("Fail: Screen volts");
        looksRight();
        page.locator("text=All of it as a sheet for paper").click();
        assertThat(page.locator("article.sheet")).containsText("2 × 6L6GB: Fail, Screen volts");
        assertThat(page.locator("article.sheet")).containsText("local codes and a licensed technician come first");
        looksRight();
    }

    /** Half of the tubes pulled, on two channels' transformer; another connection; a resistor that counts for nothing. */
    @Test
    void countsConnectionsAndChannelsAreSwapsToo() {
        page.navigate(url("/swap?supply=380+V&idle=60&tubes=4&load=2.1k&to1=6L6GC&count1=2&winding=9&others=1"));
        assertThat(cell("heater", "2 × 6L6GC")).containsText("2 × 0.90 A and 1.00 A");
        page.selectOption("#channels", "2");
        assertThat(cell("heater", "2 × 6L6GC")).containsText("4 × 0.90 A and 1.00 A");
        page.selectOption("#wired1", "triode");
        assertThat(cell("screen-volts", "2 × 6L6GC")).isVisible();
        page.fill("#count1", "3");
        assertThat(head("3 × 6L6GC")).containsText("3 tubes do not make a push-pull stage");
        assertThat(page.request().get(url("/swap/every-type?reserve=70+%25")).text())
                .contains("nothing can be ranked");
        page.navigate(url("/swap?ohms1=300"));
        assertThat(page.locator("#say-ohms1")).containsText("counts only with cathode bias");
        page.navigate(url("/swap?bias=cathode&at=250&supply=300+V&to1=6L6GC&ohms1=300&nonsense=1"));
        assertThat(cell("cathode-resistor", "2 × 6L6GC")).containsText("replaces the fitted 250 Ω");
        assertThat(page.locator("[data-unknown]")).containsText("nonsense");
    }
}
