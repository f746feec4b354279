package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import yellowrail.app.amps.Amp;
import yellowrail.core.session.Access;

/** What a builder hears of without looking: entries taken, alarms, a reading that is due; and what is opened on the way. */
class AnnouncedIT extends CountedPage {
    private void said(String region, String text) {
        page.waitForFunction(
                "([id, t]) => document.getElementById(id).textContent.includes(t)", new Object[] {region, text});
    }

    @Test
    void entriesPolitelyAlarmsAtOnceAndWhatIsDueInTheTitle() {
        Amp amp = keepHeated("Announced");
        workedBefore(amp, Access.OPEN, false, true);
        opensNew(amp);
        begin();
        confirmsAll();
        enters("LOAD_OHMS", "", "8");
        at("DRAINED");
        // A node that holds its charge is an alarm.
        enters("RESIDUAL", "reservoir", "37 V");
        said("alarm", "hands stay out");
        assertThat(page.locator("#alarm").getAttribute("role")).isEqualTo("alert");
        said("told", "37");
        assertThat(page.locator("#told").getAttribute("role")).isEqualTo("status");
        // The soak wants a reading: told once, and in the title until it is taken.
        page.evaluate("() => { document.getElementById('bench').dataset.due = String(Date.now() - 1000); }");
        page.waitForFunction("() => document.title.startsWith('● Reading due')");
        said("alarm", "A reading of the soak is due");
        page.evaluate("() => { delete document.getElementById('bench').dataset.due; }");
        page.waitForFunction("() => !document.title.startsWith('●')");
    }

    @Test
    void whatIsOpenedOnTheWayBringsItsSteps() {
        Amp amp = keepHeated("Opened later");
        workedBefore(amp, Access.TEST_POINTS, false, true);
        opensNew(amp);
        begin();
        assertThat(page.locator(".rail").innerText()).doesNotContain("Drained").doesNotContain("Soak");
        page.locator("summary:has-text('More is opened')").click();
        presses(page.locator("button:has-text('Tubes are reached from outside')"));
        assertThat(page.locator(".rail").innerText())
                .contains("Drain and close")
                .doesNotContain("Drained");
        presses(page.locator("form:has(input[value=OPEN]) button:has-text('opened')"));
        assertThat(page.locator(".rail").innerText()).contains("Drained").contains("Soak");
        assertThat(page.locator(".ticks").innerText()).contains("Only one hand works inside");
        looksRight();
    }
}
