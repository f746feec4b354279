package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.LoadState;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import yellowrail.app.amps.Amp;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.reading.Meter;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Purpose;

/** One journey for each purpose, driven as a builder would, ending in a sheet whose figures are computed here anew. */
class BenchJourneyIT extends BenchPage {
    /** The figures of a tube's row: before mA, before W, after mA, after W, per cent, ratio. */
    private double[] row(String socket) {
        String row = page.locator("article.sheet .tubes tbody tr")
                .filter(new Locator.FilterOptions()
                        .setHas(page.locator("td.b", new Page.LocatorOptions().setHasText(socket))))
                .first()
                .innerText();
        Matcher m = Pattern.compile("\\d+\\.?\\d*")
                .matcher(row.substring(row.indexOf("6550") + 4).replaceAll("T-?\\d+", ""));
        return m.results().mapToDouble(r -> Double.parseDouble(r.group())).toArray();
    }

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
        assertThat(page.locator(".next .do").innerText()).contains("Turn a little");
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
        String figure = page.locator(".next .figure").innerText();
        assertThat(Double.parseDouble(figure.replace(" mV", ""))).isCloseTo(expected, within(0.006 * expected));
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

    private double rated() {
        return 35;
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
        page.waitForFunction("() => document.getElementById('bench').dataset.here === 'WARM_UP'");
        assertThat(page.locator(".next .do").innerText()).contains("10 min after power on");
        page.keyboard().press("?");
        assertThat(page.locator("#keys").isVisible()).isTrue();
        page.keyboard().press("Escape");
        clock.minutes(10);
        page.keyboard().press("2");
        assertThat(page.evaluate("() => document.activeElement.id"))
                .isEqualTo(field("PLATE", "V2").substring(1));
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

    @Test
    void aFaultThatCreepsIsStoppedSwappedAndConcluded() {
        Amp amp = keepHeated("Journey fault");
        begins(amp, "FAULT");
        beforePower();
        page.fill("#place-tube", "T3");
        clicks(page.locator("button:has-text('Put in')"));
        page.selectOption("#place-socket", "V2");
        page.fill("#place-tube", "T7");
        clicks(page.locator("button:has-text('Put in')"));
        goesTo("TUBES_OUT");
        page.locator(".skip-stop summary").click();
        page.fill("#skip-reason", "range known from last time");
        clicks(page.locator("button:has-text('Skip it')"));
        goesTo("TUBES_IN");
        ticksAllButGlow();
        declares("ON_TUBES_IN");
        ticksAll();
        reads("CURRENT", "V1", "480");
        reads("CURRENT", "V2", "470");
        goesTo("MAINS");
        reads("MAINS", "", "230");
        reads("HEATER", "", "6.3");
        warmsUp(48.0, 47.0);
        goesTo("MEASURE");
        round(48.0, 47.0, 421);
        goesTo("SOAK");
        double[] creep = {47.6, 49.0, 51.2, 54.4, 58.6, 64.2};
        for (double milli : creep) {
            clock.minutes(5);
            reads("MAINS", "", "230");
            round(48.0, milli, 421);
        }
        assertThat(page.locator(".findings").first().innerText())
                .contains("V2 reaches the ceiling")
                .contains("power off now");
        looksRight();
        page.fill("#what", "V2 ran away");
        clicks(page.locator(".emergency button"));
        assertThat(page.locator(".rail .at-stopped").count()).isEqualTo(1);
        assertThat(page.locator(".notice").innerText()).contains("Stopped for safety");
        declares("OFF");
        goesTo("DRAINED");
        drains();
        page.fill("#found", "tube V2 suspect");
        clicks(page.locator("button:has-text('Go on')"));
        page.selectOption("#swap-a", "V1");
        page.selectOption("#swap-b", "V2");
        clicks(page.locator("button:has-text('Exchange the tubes')"));
        goesTo("TUBES_IN");
        ticksAllButGlow();
        declares("ON_TUBES_IN");
        ticksAll();
        reads("CURRENT", "V1", "480");
        reads("CURRENT", "V2", "480");
        goesTo("MAINS");
        goesTo("WARM_UP");
        clock.minutes(10);
        for (int i = 0; i < 2; i++) {
            reads("MAINS", "", "230");
            round(47.6, 48.0, 421);
            clock.minutes(5);
        }
        goesTo("MEASURE");
        goesTo("SOAK");
        for (double milli : new double[] {48.2, 49.0, 50.2, 51.9}) {
            reads("MAINS", "", "230");
            round(milli, 48.0, 421);
            clock.minutes(5);
        }
        assertThat(page.locator(".findings").allInnerTexts().toString())
                .contains("T7 was moved from V2 to V1")
                .contains("follows the tube");
        goesTo("CLOSE");
        declares("OFF");
        drains();
        goesTo("SIGN_OFF");
        String sheet = signs();
        assertThat(sheet)
                .contains("not proven")
                .contains("Power off for safety: V2 ran away")
                .contains("Exchanged the tubes of V1 and V2")
                .contains("Power with tubes out: range known from last time");
        assertThat(row("V1")[3]).isCloseTo(watts(51.9, 9.94, 421), within(0.06));
        looksRight();
    }

    @Test
    void anExperimentWithACathodeResistorAndBlindListening() {
        Amp amp = amps.keep(
                UUID.randomUUID(),
                UUID.randomUUID(),
                0,
                heated(pair("Journey experiment", "6550"), BiasScheme.CATHODE));
        begins(amp, "EXPERIMENT");
        beforePower();
        goesTo("MAINS");
        declares("ON_TUBES_IN");
        reads("MAINS", "", "230");
        reads("HEATER", "", "6.3");
        goesTo("WARM_UP");
        clock.minutes(10);
        for (int i = 0; i < 2; i++) {
            cathodeRound("25.0 V");
            clock.minutes(5.5);
        }
        goesTo("MEASURE");
        // The resistor to fit, recomputed: Vk' = Vk − ΔI/gm with bounds, the outer one at constant Vk.
        double each = 25.0 / 470;
        double share = (421 - 25.0) * each * (1 - SHARE) / rated();
        double wanted = each * 0.90 / share;
        String fit = page.locator(".next").innerText();
        assertThat(fit).contains("Fit another cathode resistor at V1");
        double ohms =
                Double.parseDouble(page.locator(".next .figure").innerText().replace(" Ω", ""));
        double constant = 25.0 / wanted;
        assertThat(ohms).isNotCloseTo(constant, within(1.0));
        assertThat(Math.signum(ohms - 470)).isEqualTo(Math.signum(constant - 470));
        assertThat(page.locator(".tool").first().innerText()).contains("E12").contains("outer bound");
        page.fill("#drawer", "470 220 33 1k");
        clicks(page.locator("button:has-text('Look for a fit')"));
        assertThat(page.locator(".tool").first().innerText()).contains("From your drawer");
        page.locator(".tool summary:has-text('Notes and listening')").click();
        page.selectOption("#label", "A");
        page.check("input[name=blind]");
        clicks(page.locator("button:has-text('Label it')"));
        assertThat(page.locator(".tube-row").count()).isZero();
        assertThat(page.locator("#bench").innerText()).contains("hidden until you choose");
        page.fill("#hear-text", "clear");
        clicks(page.locator("form[data-kind=hear] button"));
        clicks(page.locator("form[data-kind=choose] button"));
        assertThat(page.locator(".tube-row").count()).isEqualTo(2);
        page.locator(".skip-stop").count();
        goesTo("SOAK");
        for (int i = 0; i < 5; i++) {
            clock.minutes(9);
            reads("MAINS", "", "230");
            cathodeRound("25.0 V");
        }
        goesTo("PLAY");
        ticksAll();
        closes();
        page.fill("#tier-items", "new cathode resistors");
        clicks(page.locator("button:has-text('Note the tier')"));
        String sheet = signs();
        assertThat(sheet)
                .contains("setting A: clear")
                .contains("setting A chosen by ear")
                .contains("Minimal: new cathode resistors");
        double watts = (421 - 25.0) * each * (1 - SHARE);
        assertThat(row("V1")[3]).isCloseTo(watts, within(0.06));
        String fan = page.locator("article.sheet .fan").innerText();
        // As stages with their own cathode resistor follow the mains: from 2.1 to 2.2.
        assertThat(fan)
                .contains(String.format(
                        Locale.ROOT,
                        "%.1f to %.1f W",
                        watts * Math.pow(244 / 230.0, 2.1),
                        watts * Math.pow(244 / 230.0, 2.2)));
    }

    private void cathodeRound(String volts) {
        reads("PLATE", "V1", "421");
        reads("CURRENT", "V1", volts);
        reads("PLATE", "V2", "421");
        reads("CURRENT", "V2", volts);
    }

    @Test
    void twoDevicesSeeEachOtherAndWhatIsTypedStays() {
        Amp amp = keepHeated("Journey two");
        begins(amp, "YEARLY_CHECK");
        Page phone = tab();
        phone.setViewportSize(390, 844);
        phone.navigate(page.url());
        phone.waitForLoadState(LoadState.NETWORKIDLE);
        page.fill("#ask-load-ohms-", "1");
        phone.fill("#ask-load-ohms-", "8");
        phone.press("#ask-load-ohms-", "Enter");
        page.waitForFunction(
                "() => document.querySelector('.ask .last') && document.querySelector('.ask .last').textContent.includes('8 Ω')");
        assertThat(page.inputValue("#ask-load-ohms-")).isEqualTo("1");
        phone.close();
    }

    @Test
    void entriesMadeWithoutTheServerWaitInTheBrowserAndGoInOrderOnce() {
        Amp amp = keepHeated("Journey queue");
        begins(amp, "YEARLY_CHECK");
        String session = page.url().substring(page.url().lastIndexOf('/') + 1);
        declares("OFF");
        context.route(
                "**/api/v1/sessions/**",
                r -> r.fulfill(new com.microsoft.playwright.Route.FulfillOptions().setStatus(503)));
        page.fill("#ask-load-ohms-", "8");
        page.press("#ask-load-ohms-", "Enter");
        page.waitForSelector("#queue:not([hidden])");
        Locator tick =
                page.locator(".ticks [role=checkbox][aria-checked=false]").first();
        tick.click();
        page.waitForFunction("() => document.getElementById('queue').textContent.startsWith('2 entries wait')");
        // A reload loses none of it.
        page.reload();
        page.waitForFunction("() => document.getElementById('queue').textContent.startsWith('2 entries wait')");
        assertThat(sessions.<Integer>look(UUID.fromString(session), BenchSession::seq))
                .isEqualTo(1);
        context.unroute("**/api/v1/sessions/**");
        page.waitForFunction("() => document.getElementById('queue').hidden");
        assertThat(sessions.<List<String>>look(
                        UUID.fromString(session),
                        s -> s.state().entries().stream()
                                .map(e -> e.event().getClass().getSimpleName())
                                .toList()))
                .containsExactly("Declared", "Read", "Ticked");
    }

    @Test
    void badLimitsAreNamedAtTheirFields() {
        Amp amp = keepHeated("Journey limits");
        page.navigate(url("/bench/new?amp=" + amp.id()));
        page.locator("summary:has-text('Limits')").click();
        page.fill("#hands", "60 V");
        page.fill("#soak", "2");
        page.click("button:has-text('Begin')");
        page.waitForSelector(".complaint:has-text('hands')");
        assertThat(page.inputValue("#hands")).isEqualTo("60 V");
        looksRight();
        page.navigate(url("/bench"));
        looksRight();
    }
}
