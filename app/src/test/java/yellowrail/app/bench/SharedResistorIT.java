package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Four tubes on one cathode resistor, from the quick check's question to the sheet. */
class SharedResistorIT extends CountedPage {
    @Test
    void fromTheQuickCheckToTheSheet() {
        page.navigate(url("/?tube=EL84&volts=318&mains=230&highest=244&vg2=300&target=middle"));
        page.selectOption("#bias", "cathode");
        // Cathode bias turns the question into one about its resistor.
        assertThat(page.inputValue("#method")).isEqualTo("cathode");
        page.fill("#r", "130");
        page.fill("#n", "4");
        page.fill("#reading", "11.2");
        page.waitForFunction("() => document.querySelector('#answer table')?.textContent.includes('Ω')");
        String answer = page.locator("#answer").innerText();
        assertThat(answer).contains("cathode resistor to fit").doesNotContain("turn until");
        assertThat(answer).containsPattern(Pattern.compile("\\d+ Ω to \\d+ Ω, [0-9.]+ W"));
        page.fill("#ampName", "Dunlin 4");
        page.click("button:has-text('Keep this')");
        page.waitForURL("**/amps/**");
        page.navigate(url(page.locator("a[href*='/bench/new?amp=']").first().getAttribute("href")));
        page.selectOption("select[name=soaks]", "no");
        begin();
        assertThat(here()).isEqualTo("BEFORE_POWER");
    }
}
