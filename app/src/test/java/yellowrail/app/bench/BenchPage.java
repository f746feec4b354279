package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.LoadState;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.BrowserIT;
import yellowrail.app.amps.Amp;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Bias;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.amp.OutputTransformer;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Supply;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.amp.Windings;
import yellowrail.core.amp.sensing.CathodeResistor;
import yellowrail.core.amp.sensing.SenseResistor;

/** The bench session's page under a builder's hands, for the journeys. */
abstract class BenchPage extends BrowserIT {
    protected static final double[] OHMS = {9.94, 10.02};
    protected static final double SHARE = 0.045;
    protected static final int PRESSED_AGAIN_MILLIS = 12_000;

    private static final String NEWER =
            "s => document.getElementById('bench') && Number(document.getElementById('bench')?.dataset.seq) > s";

    // The builder's hands.

    protected int seq() {
        return Integer.parseInt(page.locator("#bench").getAttribute("data-seq"));
    }

    /** Whether the page shows a newer event within this time. */
    protected boolean newerIn(double millis, int before) {
        try {
            page.waitForFunction(NEWER, before, new Page.WaitForFunctionOptions().setTimeout(millis));
            return true;
        } catch (TimeoutError nothing) {
            return false;
        }
    }

    /** Waits until the page shows a newer event; if it does not, says what the page said instead. */
    protected void after(int before) {
        try {
            page.waitForFunction(NEWER, before);
        } catch (TimeoutError nothing) {
            throw new AssertionError("Nothing happened after " + before + ": "
                    + page.locator("#told, .complaint, #queue").allInnerTexts());
        }
    }

    protected static String field(String quantity, String point) {
        return "#ask-" + (quantity + "-" + point).toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
    }

    protected void reads(String quantity, String point, String text) {
        int before = seq();
        unfold(field(quantity, point));
        page.fill(field(quantity, point), text);
        page.press(field(quantity, point), "Enter");
        after(before);
    }

    /** Opens what is folded away around a field. */
    protected void unfold(String field) {
        Locator fold = page.locator("details.more:not([open]):has(" + field + ") > summary");
        if (fold.count() > 0) {
            fold.first().click();
        }
    }

    /** A press that meets a page just being exchanged is made again, as a builder does. */
    protected void clicks(Locator button) {
        int before = seq();
        hits(button);
        if (!newerIn(PRESSED_AGAIN_MILLIS, before)) {
            hits(button);
        }
        after(before);
    }

    /** Presses a button, as this builder does. */
    protected void hits(Locator button) {
        button.click();
    }

    protected void ticksAll() {
        Locator open = page.locator(".ticks [role=checkbox][aria-checked=false]");
        while (open.count() > 0) {
            clicks(open.first());
        }
    }

    protected void declares(String power) {
        clicks(page.locator("form[data-kind=declare]:has(input[value=" + power + "]) button"));
        shows(power);
    }

    /** A newer event may be the page's own step from one stop to the next: waits until the page shows the power declared. */
    protected void shows(String power) {
        page.waitForSelector("#bench .power.p-" + power);
    }

    protected void goesTo(String stop) {
        clicks(page.locator(".rail form:has(input[value=" + stop + "]) button"));
        page.waitForFunction("s => document.getElementById('bench')?.dataset.here === s", stop);
    }

    protected Amp keepHeated(String name) {
        return amps.keep(
                UUID.randomUUID(), UUID.randomUUID(), 0, heated(pair(name, "6550"), BiasScheme.FIXED_TRACKING));
    }

    /** A pair whose heater winding and reservoir are known; with cathode bias a resistor of its own for each tube. */
    protected static AmpDescription heated(AmpDescription a, BiasScheme bias) {
        boolean cathode = bias == BiasScheme.CATHODE;
        return new AmpDescription(
                a.name(),
                a.stage(),
                new Bias(bias, cathode ? ControlLayout.CATHODE_OWN : a.bias().controls()),
                cathode
                        ? a.sockets().stream()
                                .map(s -> new SenseGroup(
                                        s.name(),
                                        List.of(s.name()),
                                        new CathodeResistor(SenseResistor.marked(470, 1), 1)))
                                .toList()
                        : a.groups(),
                new Supply(
                        a.mains(),
                        List.of(SupplyNode.single("reservoir", Optional.of(220e-6), Optional.of(500.0))),
                        a.supply().chokeOhms(),
                        Windings.heater(6.3)),
                OutputTransformer.UNKNOWN,
                a.judging().aimedAt(cathode ? "cathode-bias usual" : a.judging().target()),
                a.quirks());
    }

    protected void begins(Amp amp, String purpose) {
        page.navigate(url("/bench"));
        page.locator("a[aria-label='Begin a session on " + amp.description().name() + "']")
                .click();
        page.selectOption("select[name=purpose]", purpose);
        page.selectOption("select[name=meter]", "fine handheld");
        page.click("button:has-text('Begin')");
        page.waitForURL("**/bench/*");
        page.waitForLoadState(LoadState.NETWORKIDLE);
    }

    protected void beforePower() {
        declares("OFF");
        ticksAll();
        reads("LOAD_OHMS", "", "8");
        goesTo("DRAINED");
        drains();
    }

    protected void drains() {
        reads("RESIDUAL", "reservoir", "0.6 V");
        clock.minutes(1.2);
        reads("RESIDUAL", "reservoir", "0.8");
        ticksAll();
    }

    protected void round(double milli1, double milli2, double volts) {
        reads("PLATE", "V1", volts + " V");
        reads("SCREEN", "V1", String.valueOf(volts - 45));
        reads("CURRENT", "V1", String.format(Locale.ROOT, "%.1f mV", milli1 * OHMS[0]));
        reads("PLATE", "V2", String.valueOf(volts));
        reads("CURRENT", "V2", String.format(Locale.ROOT, "%.1f", milli2 * OHMS[1]));
    }

    protected void warmsUp(double milli1, double milli2) {
        goesTo("WARM_UP");
        clock.minutes(6);
        reads("CURRENT", "V1", String.format(Locale.ROOT, "%.1f", 1.05 * milli1 * OHMS[0]));
        reads("CURRENT", "V2", String.format(Locale.ROOT, "%.1f", 1.05 * milli2 * OHMS[1]));
        clock.minutes(5);
        for (int i = 0; i < 2; i++) {
            reads("CURRENT", "V1", String.format(Locale.ROOT, "%.1f", milli1 * OHMS[0]));
            reads("CURRENT", "V2", String.format(Locale.ROOT, "%.1f", milli2 * OHMS[1]));
            clock.minutes(5.5);
        }
    }

    protected void soaks(double milli1, double milli2, double volts) {
        goesTo("SOAK");
        // Well under the longest gap, 10 min: what a slow machine takes for a round comes on top.
        for (int i = 0; i < 5; i++) {
            clock.minutes(6.2);
            if (i == 0 || i == 4) {
                reads("MAINS", "", "230");
                round(milli1, milli2, volts);
            } else {
                elsewhere("MAINS", "", "230");
                roundElsewhere(milli1, milli2, volts);
            }
            clock.minutes(2);
        }
    }

    /** Another device of the bench takes the reading; the page follows. */
    private void elsewhere(String quantity, String point, String text) {
        int before = seq();
        sends(quantity, point, text);
        after(before);
    }

    private void sends(String quantity, String point, String text) {
        long now = clock.millis();
        String body = JsonMapper.shared()
                .writeValueAsString(Map.of(
                        "id",
                        UUID.randomUUID(),
                        "kind",
                        "read",
                        "device",
                        "other",
                        "madeAt",
                        now,
                        "sentAt",
                        now,
                        "fields",
                        Map.of("quantity", quantity, "point", point, "text", text)));
        String session = page.url().replaceAll(".*/bench/([0-9a-f-]+).*", "$1");
        try {
            MockHttpServletResponse answer = mvc.perform(post("/api/v1/sessions/" + session + "/events")
                            .contentType(MediaType.APPLICATION_JSON)
                            .content(body))
                    .andReturn()
                    .getResponse();
            assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(200);
        } catch (Exception failed) {
            throw new AssertionError(failed);
        }
    }

    private void roundElsewhere(double milli1, double milli2, double volts) {
        sends("PLATE", "V1", volts + " V");
        sends("SCREEN", "V1", String.valueOf(volts - 45));
        sends("CURRENT", "V1", String.format(Locale.ROOT, "%.1f mV", milli1 * OHMS[0]));
        sends("PLATE", "V2", String.valueOf(volts));
        elsewhere("CURRENT", "V2", String.format(Locale.ROOT, "%.1f", milli2 * OHMS[1]));
    }

    protected void closes() {
        goesTo("CLOSE");
        declares("OFF");
        drains();
        goesTo("SIGN_OFF");
    }

    protected String signs() {
        page.fill("#by", "E. R.");
        page.click("button:has-text('Sign the sheet')");
        page.waitForURL("**/sheet");
        return page.locator("article.sheet").innerText();
    }

    protected static double watts(double milli, double ohms, double volts) {
        double reading = Math.round(milli * ohms * 10) / 10.0 / 1000;
        return (volts - reading) * reading / ohms * (1 - SHARE);
    }

    protected void drainsButGlow() {
        reads("RESIDUAL", "reservoir", "0.5");
        clock.minutes(1.2);
        reads("RESIDUAL", "reservoir", "0.5");
        ticksAllButGlow();
    }

    protected void ticksAllButGlow() {
        Locator open = page.locator(".ticks form:not(:has(input[value=GLOWS])) [role=checkbox][aria-checked=false]");
        while (open.count() > 0) {
            clicks(open.first());
        }
    }
}
