package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Four tubes on one cathode resistor, from the quick check's question to the sheet. */
class SharedResistorIT extends CountedPage {
    @Test
    void fromTheQuickCheckToTheSheet() {
        page.navigate(url("/?tube=EL84&volts=290&mains=230&highest=244&vg2=280&target=middle"));
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
        confirmsAll();
        enters("LOAD_OHMS", "", "8");
        at("DRAINED");
        drainsCounted();
        at("MAINS");
        declaresCounted("ON_TUBES_IN");
        enters("MAINS", "", "230");
        enters("HEATER", "", "6.31");
        at("WARM_UP");
        clock.minutes(10);
        String point = page.locator(".ask input[name=quantity][value=CURRENT] ~ input[name=point]")
                .first()
                .inputValue();
        enters("CURRENT", point, "11.2");
        clock.minutes(5.5);
        enters("CURRENT", point, "11.2");
        at("MEASURE");
        enters(
                "PLATE",
                point.equals("all")
                        ? "V1"
                        : page.locator(".ask input[value=PLATE] ~ input[name=point]")
                                .first()
                                .inputValue(),
                "318");
        // One point, four tubes: a mean, never an all-clear, and a resistor instead of a turn.
        String tubes = page.locator(".tube-row").allInnerTexts().toString();
        assertThat(tubes).contains("mean only");
        assertThat(page.locator(".next").innerText()).doesNotContain("Turn the");
        presses(page.locator(".moves button:has-text('Go to Play')"));
        at("PLAY");
        confirmsAll();
        at("CLOSE");
        declaresCounted("OFF");
        drainsCounted();
        at("SIGN_OFF");
        signsCounted();
        assertThat(page.locator("article.sheet").innerText()).contains("mean of several");
    }
}
