package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import java.util.List;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import yellowrail.app.amps.Amp;
import yellowrail.core.reading.Meter;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Purpose;

/** One journey for each purpose, driven as a builder would, ending in a sheet whose figures are computed here anew. */
class BenchJourneyIT extends JourneyPage {
    @Test
    void newTubesFromTheColdestEndToAProvenSheet() {
        Amp amp = keepHeated("Journey new");
        begins(amp, "NEW_TUBES");
        // A gate, not a nag: the next stop says what is missing.
        page.locator(".rail form:has(input[value=DRAINED]) button").click();
        page.waitForFunction("() => document.getElementById('told').textContent.includes('Before power is not done')");
        beforePower();
        page.selectOption("#place-socket", "V1");
        page.fill("#place-tube", "T-014");
        clicks(page.locator("button:has-text('Put in')"));
        page.selectOption("#place-socket", "V2");
        page.fill("#place-tube", "T-021");
        clicks(page.locator("button:has-text('Put in')"));
        reads("SENSE_OHMS", "V1", "9.94");
        goesTo("TUBES_OUT");
        declares("ON_TUBES_OUT");
        reads("MAINS", "", "230");
        reads("UNLOADED", "reservoir", "458");
        for (String socket : List.of("V1", "V2")) {
            reads("GRID_COLDEST", socket + " control", "-46.2");
            reads("GRID_HOTTEST", socket + " control", "−31,7 V");
        }
        clicks(page.locator("form[data-kind=direction] button").nth(0));
        clicks(page.locator("form[data-kind=direction] button").nth(1));
        assertThat(page.locator(".findings").allInnerTexts().toString()).contains("−46.2 V at its coldest");
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
        reads("HEATER", "", "6.34");
        warmsUp(27.4, 21.8);
        goesTo("MEASURE");
        reads("MAINS", "", "230");
        round(27.4, 21.8, 433);
        assertThat(page.locator(".next .do").innerText()).contains("is between these, then read every point");
        page.selectOption("#turn-control", "V1 control");
        page.selectOption("#turn-way", "CW");
        clicks(page.locator("button:has-text('Note the turn')"));
        clock.minutes(1);
        round(38.0, 30.0, 427);
        // The next turn, recomputed: R from both rounds, then the closed form for the colder tube.
        assertThat(page.locator(".next .do").innerText()).contains("V2 control hotter (clockwise)");
        double total1 = 0.0274 + 0.0218;
        double total2 = 0.0380 + 0.0300;
        double ohms = ((433 - 0.5 * (0.0274 * 9.94 + 0.0218 * 10.02)) - (427 - 0.5 * (0.0380 * 9.94 + 0.0300 * 10.02)))
                / (total2 - total1);
        double line = ohms / (1 - SHARE);
        double v0 = 427 - 0.0300 * 10.02 + line * 0.0300 * (1 - SHARE);
        double power = 0.60 * rated();
        double plate = 2 * power / (v0 + Math.sqrt(v0 * v0 - 4 * line * power));
        double expected = plate / (1 - SHARE) * 10.02 * 1000;
        // Known to ± 40 Ω or so after two rounds: the closed form lies between the two ends it gives.
        double[] ends = Pattern.compile("[0-9.]+")
                .matcher(page.locator(".next .figure").innerText())
                .results()
                .mapToDouble(r -> Double.parseDouble(r.group()))
                .toArray();
        assertThat(expected).isBetween(0.994 * ends[0], 1.006 * ends[ends.length - 1]);
        page.selectOption("#turn-control", "V2 control");
        clicks(page.locator("button:has-text('Note the turn')"));
        clock.minutes(1);
        reads("MAINS", "", "230");
        round(49.5, 49.0, 421);
        assertThat(page.locator(".next .do").innerText()).contains("Nothing to turn");
        soaks(49.5, 49.0, 421);
        goesTo("PLAY");
        ticksAll();
        reads("OUTPUT_VOLTS", "", "18.7 V");
        assertThat(page.locator(".findings").allInnerTexts().toString()).contains("43.7 W");
        closes();
        String sheet = signs();
        assertThat(sheet).contains("proven").contains("T-014").contains("Next check in one day");
        double[] v2 = row("V2");
        assertThat(v2[2]).isCloseTo(49.0, within(0.06));
        assertThat(v2[3]).isCloseTo(watts(49.0, 10.02, 421), within(0.06));
        double before = watts(19.56, 10.02, 433);
        assertThat(v2[v2.length - 1]).isCloseTo(watts(49.0, 10.02, 421) / v2[1], within(0.02));
        assertThat(before).isLessThan(v2[1] + 3);
        looksRight();
    }

    @Test
    void aYearlyCheckByKeyboardAloneWithARefusedReadingAndACorrection() {
        Amp amp = keepHeated("Journey yearly");
        begins(amp, "YEARLY_CHECK");
        looksRight();
        beforePower();
        goesTo("MAINS");
        declares("ON_TUBES_IN");
        // Digits and Enter only from here on.
        page.locator("h1").click();
        page.keyboard().press("0");
        int before = seq();
        page.keyboard().type("230 ohm");
        page.keyboard().press("Enter");
        page.waitForFunction(
                "() => document.querySelector('.ask .complaint').textContent.includes('understood as 230 Ω')");
        assertThat(seq()).isEqualTo(before);
        assertThat(page.inputValue(field("MAINS", ""))).isEqualTo("230 ohm");
        page.keyboard().press("Control+a");
        page.keyboard().type("231");
        page.keyboard().press("Enter");
        after(before);
        // The new panel comes with the next field: what is typed at once lands there.
        assertThat(page.evaluate("() => document.activeElement.id"))
                .isNotEqualTo(field("MAINS", "").substring(1));
        before = seq();
        page.keyboard().type("6.29");
        page.keyboard().press("Enter");
        after(before);
        assertThat(page.locator(".findings").allInnerTexts().toString()).contains("−0.2 %");
        page.keyboard().press("Escape");
        before = seq();
        page.keyboard().press("ArrowRight");
        after(before);
        page.waitForFunction("() => document.getElementById('bench')?.dataset.here === 'WARM_UP'");
        assertThat(page.locator(".next .do").innerText()).contains("the next reading counts in 10 min");
        page.keyboard().press("Escape");
        page.keyboard().press("?");
        assertThat(page.locator("#keys").isVisible()).isTrue();
        page.keyboard().press("Escape");
        clock.minutes(10);
        page.keyboard().press("2");
        assertThat(page.evaluate("() => document.activeElement.id"))
                .isEqualTo(field("CURRENT", "V2").substring(1));
        for (int i = 0; i < 2; i++) {
            round(49.0, 49.2, 421);
            clock.minutes(5.5);
        }
        goesTo("MEASURE");
        looksRight();
        // A slip is corrected; the first value stays on record.
        page.locator(".side summary:has-text('Readings')").click();
        Locator wrong = page.locator(".log li:has-text('plate volts V2')").first();
        wrong.locator("summary").click();
        wrong.locator("input[name=text]").fill("422");
        wrong.locator("form[data-kind=read] input[name=reason]").fill("misread");
        clicks(wrong.locator("button:has-text('Correct it')"));
        assertThat(page.locator(".log .gone").first().innerText()).contains("421");
        soaks(49.0, 49.2, 421);
        goesTo("PLAY");
        ticksAll();
        closes();
        assertThat(signs()).contains("proven");
        assertThat(row("V1")[3]).isCloseTo(watts(49.0, 9.94, 421), within(0.06));
        // The next one has last time's values beside its fields.
        UUID next =
                sessions.begin(UUID.randomUUID(), amp, Plan.usual(amp.description(), Purpose.YEARLY_CHECK, Meter.FINE));
        page.navigate(url("/bench/" + next));
        assertThat(page.locator("body").innerText()).contains("last session 8 Ω");
    }
}
