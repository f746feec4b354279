package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import yellowrail.app.amps.Amp;
import yellowrail.core.reading.Meter;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Purpose;

/** Journeys along what opens a lock, what keeps a sheet from being proven, and what was pressed or typed by mistake. */
class ProofJourneyIT extends BenchPage {
    private void powersUp() {
        goesTo("MAINS");
        declares("ON_TUBES_IN");
        reads("MAINS", "", "230");
        reads("HEATER", "", "6.3");
        warmsUp(49.0, 49.2);
        goesTo("MEASURE");
    }

    private String side() {
        return page.locator(".side").innerText();
    }

    @Test
    void aTubeIsChangedFromOutsideWithTheChassisClosed() {
        Amp amp = keepHeated("Journey closed chassis");
        begins(amp, "YEARLY_CHECK");
        declares("OFF");
        ticksAll();
        reads("LOAD_OHMS", "", "8");
        goesTo("DRAINED");
        page.locator(".tool summary:has-text('Tubes and parts')").click();
        assertThat(page.locator(".tool:has-text('Tubes and parts')").innerText())
                .contains("Tubes are locked. Next:")
                .contains("Parts are locked. Next:");
        assertThat(page.locator("button:has-text('Put in')").isDisabled()).isTrue();
        clicks(page.locator("form[data-kind=tick]:has(input[value=CHASSIS_CLOSED]) button"));
        // Cool tubes are asked for where tubes are moved; here they were not going to be.
        clicks(page.locator(".tool form[data-kind=tick]:has(input[value=TUBES_COOL]) button"));
        clicks(page.locator(".ticks [role=checkbox]:has-text('standby')"));
        assertThat(page.locator(".tool:has-text('Tubes and parts')").innerText())
                .contains("one minute has passed");
        clock.minutes(1.1);
        page.reload();
        page.fill("#place-tube", "T-033");
        clicks(page.locator("button:has-text('Put in')"));
        assertThat(page.locator("button:has-text('Note the change')").isDisabled())
                .isTrue();
        assertThat(page.locator(".locked").allInnerTexts().toString()).contains("Parts are locked");
        looksRight();
        goesTo("TUBES_IN");
        ticksAllButGlow();
        declares("ON_TUBES_IN");
        assertThat(page.locator(".state").innerText()).contains("on with the tubes in");
    }

    @Test
    void aFindingStaysOpenUntilAFactClosesItAndGoesIntoTheNextSession() {
        Amp amp = keepHeated("Journey finding");
        begins(amp, "YEARLY_CHECK");
        beforePower();
        powersUp();
        round(49.0, 49.2, 421);
        goesTo("SOAK");
        clock.minutes(8);
        reads("MAINS", "", "230");
        reads("PLATE", "V1", "421");
        reads("PLATE", "V2", "421");
        // Far above the rating: asked first, then taken as real.
        int before = seq();
        page.fill(field("CURRENT", "V1"), "99.5 mA");
        page.press(field("CURRENT", "V1"), "Enter");
        page.waitForTimeout(300);
        Locator right = page.locator(".complaint button:has-text('is right')");
        if (right.count() > 0) {
            right.first().click();
        }
        after(before);
        assertThat(page.locator(".found-open").innerText()).contains("above a limit, V1");
        for (String stop : new String[] {"MEASURE", "WARM_UP", "SOAK"}) {
            goesTo(stop);
            assertThat(page.locator(".found-open").innerText()).contains("above a limit, V1");
        }
        looksRight();
        // The next session of this amp begins with it.
        UUID next =
                sessions.begin(UUID.randomUUID(), amp, Plan.usual(amp.description(), Purpose.YEARLY_CHECK, Meter.FINE));
        String here = page.url();
        page.navigate(url("/bench/" + next));
        assertThat(page.locator(".found-open").innerText()).contains("above a limit, V1");
        page.navigate(here);
        page.fill("#cause-0", "loose wire at the socket, soldered");
        clicks(page.locator("button:has-text('Close the finding')"));
        assertThat(page.locator(".found-open").count()).isZero();
        assertThat(side()).contains("Findings closed (1)").contains("Began again or corrected meanwhile");
        round(49.0, 49.2, 421);
        for (int i = 0; i < 4; i++) {
            clock.minutes(8.5);
            reads("MAINS", "", "230");
            round(49.0, 49.2, 421);
        }
        goesTo("PLAY");
        ticksAll();
        closes();
        assertThat(signs())
                .contains("proven")
                .contains("Closed: loose wire at the socket, soldered.")
                .contains("What began the soak again")
                .contains("third edition");
    }

    @Test
    void aReadingTakenBackStaysOnRecordAndBeginsTheSoakAgainWhenItIsLate() {
        Amp amp = keepHeated("Journey voided");
        begins(amp, "YEARLY_CHECK");
        beforePower();
        powersUp();
        round(49.0, 49.2, 421);
        goesTo("SOAK");
        assertThat(side()).contains("Proof: set, not proven").contains("The soak is whole at");
        assertThat(page.locator(".rail .stop:has(input[value=SOAK]) .note").innerText())
                .contains("if it stays so");
        clock.minutes(8);
        reads("MAINS", "", "230");
        round(49.6, 49.2, 421);
        clock.minutes(8);
        reads("MAINS", "", "230");
        round(49.0, 49.2, 421);
        page.locator(".side summary:has-text('Readings')").click();
        Locator wrong = page.locator(".log li:has-text('current V1')").nth(1);
        wrong.locator("summary").click();
        // Without a reason it is refused, and what was typed elsewhere stays.
        wrong.locator("form[data-kind=void] button").click();
        page.waitForFunction("() => document.getElementById('told').textContent.includes('Say why')");
        wrong.locator("form[data-kind=void] input[name=reason]").fill("probe on the wrong pin");
        clicks(wrong.locator("form[data-kind=void] button"));
        assertThat(page.locator(".log .gone").first().innerText()).contains("493");
        assertThat(side())
                .contains("Began again or corrected meanwhile")
                .contains("V1: no reading yet that counts")
                .contains("not proven");
        looksRight();
    }

    @Test
    void aStopPressedByMistakeIsTakenBack() {
        Amp amp = keepHeated("Journey mistake");
        begins(amp, "YEARLY_CHECK");
        beforePower();
        powersUp();
        round(49.0, 49.2, 421);
        clicks(page.locator(".emergency button"));
        assertThat(page.locator(".notice").innerText())
                .contains("Stopped for safety")
                .contains("Pressed by mistake: it is still on with the tubes in");
        assertThat(page.locator(".state").innerText()).contains("not declared");
        looksRight();
        clock.minutes(0.5);
        clicks(page.locator("button:has-text('Pressed by mistake')"));
        assertThat(page.locator(".notice:has-text('Stopped')").count()).isZero();
        assertThat(page.locator(".state").innerText()).contains("on with the tubes in");
        assertThat(page.locator(".tube-row").count()).isEqualTo(2);
        assertThat(page.locator(".side").textContent()).contains("Power off for safety");
        // After a minute there is no way back but by the cause.
        clicks(page.locator(".emergency button"));
        clock.minutes(1.2);
        page.reload();
        assertThat(page.locator("button:has-text('Pressed by mistake')").count())
                .isZero();
    }

    @Test
    void aSessionIsClosedWithoutASheetAndAnAmpPutAway() {
        Amp amp = keepHeated("Journey shelf");
        begins(amp, "YEARLY_CHECK");
        declares("OFF");
        reads("LOAD_OHMS", "", "7");
        page.locator("summary:has-text('Close without a sheet')").click();
        page.fill("#close-reason", "begun on the wrong amp");
        page.click("button:has-text('Close the session')");
        page.waitForURL("**/sheet");
        assertThat(page.locator("body").innerText()).contains("Closed without a sheet: begun on the wrong amp");
        looksRight();
        page.navigate(url("/bench"));
        assertThat(page.locator(".running").allInnerTexts().toString()).doesNotContain("Journey shelf");
        page.navigate(url("/bench/amp/" + amp.id()));
        assertThat(page.locator("table").innerText()).contains("closed without a sheet");
        UUID next =
                sessions.begin(UUID.randomUUID(), amp, Plan.usual(amp.description(), Purpose.YEARLY_CHECK, Meter.FINE));
        page.navigate(url("/bench/" + next));
        assertThat(page.locator("body").innerText()).doesNotContain("last session 7");
        page.navigate(url("/amps/" + amp.id()));
        page.click("button:has-text('Put this amp')");
        page.waitForURL("**/amps");
        assertThat(page.locator("section:has-text('Put away')").innerText()).contains("Journey shelf");
        page.navigate(url("/bench"));
        assertThat(page.locator("a[aria-label='Begin a session on Journey shelf']")
                        .count())
                .isZero();
        page.navigate(url("/amps/" + amp.id()));
        page.click("button:has-text('Bring it')");
        page.waitForURL("**/amps/" + amp.id());
        looksRight();
        page.navigate(url("/bench"));
        assertThat(page.locator("a[aria-label='Begin a session on Journey shelf']")
                        .count())
                .isOne();
    }
}
