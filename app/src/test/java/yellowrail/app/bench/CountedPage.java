package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.LoadState;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import yellowrail.app.amps.Amp;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Socket;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Unit;
import yellowrail.core.session.Access;
import yellowrail.core.session.Memory;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Purpose;
import yellowrail.core.session.Setup;
import yellowrail.core.session.events.ClosedUnsigned;

/** A session's page as builders have it, going on by itself, with every press and every entered field counted. */
abstract class CountedPage extends JourneyPage {
    private static final int PATIENCE_MILLIS = 40_000;

    private int entries;

    @Override
    protected boolean goesOnByItself() {
        return true;
    }

    protected int entries() {
        return entries;
    }

    /** An earlier session of this amp, worked so: the next one proposes the same. */
    protected void workedBefore(Amp amp, Access access, boolean byTurns, boolean soaks) {
        AmpDescription described = amp.description();
        UUID earlier = sessions.begin(
                UUID.randomUUID(),
                amp,
                Plan.usual(described, Purpose.YEARLY_CHECK, Meter.FINE)
                        .worked(new Setup(access, byTurns, soaks, java.util.List.of(), Memory.NONE)));
        sessions.append(
                earlier,
                new yellowrail.core.session.Entry(
                        UUID.randomUUID().toString(), clock.millis(), "desk", new ClosedUnsigned("only tried")));
    }

    protected void opensNew(Amp amp) {
        measuredBefore(amp);
        page.navigate(url("/bench/new?amp=" + amp.id()));
        entries = 0;
    }

    protected void begin() {
        entries++;
        hits(page.locator("button:has-text('Begin')"));
        page.waitForURL("**/bench/*-*");
        page.waitForLoadState(LoadState.NETWORKIDLE);
    }

    /** Fills a field and records it, as this builder does. */
    protected void records(String field, String text) {
        page.fill(field, text);
        page.press(field, "Enter");
    }

    protected String here() {
        return page.locator("#bench").getAttribute("data-here");
    }

    /** Waits until the page stands at a stop, however it came there; a page that only says where to go on is pressed. */
    protected void at(String stop) {
        if (comesTo(stop)) {
            return;
        }
        Locator go = page.locator(".moves button").first();
        if (go.isVisible()) {
            go.click();
        }
        if (!comesTo(stop)) {
            throw new AssertionError("The page did not come to " + stop + ": "
                    + page.locator("#bench .at").innerText());
        }
    }

    private boolean comesTo(String stop) {
        try {
            page.waitForFunction("s => document.getElementById('bench')?.dataset.here === s", stop);
            return true;
        } catch (TimeoutError elsewhere) {
            return false;
        }
    }

    protected void presses(Runnable act) {
        entries++;
        int before = seq();
        act.run();
        after(before);
    }

    protected void presses(Locator button) {
        entries++;
        clicks(button);
    }

    /** Types into a field and presses Enter, and waits until the page shows it. */
    protected void enters(String quantity, String point, String text) {
        entries++;
        int before = seq();
        String field = field(quantity, point);
        page.waitForSelector(field);
        records(field, text);
        after(before);
    }

    /**
     * One press for a whole list; waits until all of it is confirmed, or until the page went on. One that meets a page just
     * going on by itself confirms a part: it is made again, as a builder does.
     */
    protected void confirmsAll() {
        entries++;
        String stop = here();
        hits(page.locator("#all-ticks"));
        if (!confirmed(stop, PRESSED_AGAIN_MILLIS)) {
            hits(page.locator("#all-ticks"));
            assertThat(confirmed(stop, PATIENCE_MILLIS))
                    .as("confirmed at " + stop + ": "
                            + page.locator(".ticks, #told, #queue").allInnerTexts())
                    .isTrue();
        }
    }

    private boolean confirmed(String stop, int millis) {
        try {
            // What waits for something else than this list stays open.
            page.waitForFunction(
                    "s => { const b = document.getElementById('bench');"
                            + " return b && (b.dataset.here !== s || !document.getElementById('all-ticks')); }",
                    stop,
                    new Page.WaitForFunctionOptions().setTimeout(millis));
            return true;
        } catch (TimeoutError open) {
            return false;
        }
    }

    protected void declaresCounted(String power) {
        presses(page.locator("form[data-kind=declare]:has(input[value=" + power + "]) button"));
        shows(power);
    }

    protected void signsCounted() {
        entries++;
        records("#by", "E. R.");
        page.waitForURL("**/sheet");
    }

    protected void drainsCounted() {
        enters("RESIDUAL", "reservoir", "0.6 V");
        clock.minutes(1.2);
        enters("RESIDUAL", "reservoir", "0.8 V");
        confirmsAll();
    }

    protected void atMost(int most) {
        assertThat(entries).as("entries").isLessThanOrEqualTo(most);
    }

    /** A yearly check is one of an amp that was measured before. */
    private void measuredBefore(Amp amp) {
        if (rounds.countReadings(amp.id()) == 0) {
            Map<String, String> values = new HashMap<>(Map.of("MAINS.", "230"));
            for (Socket socket : amp.description().sockets()) {
                values.put("PLATE." + socket.name(), "421 V");
                values.put("SCREEN." + socket.name(), "376 V");
            }
            amp.description()
                    .groups()
                    .forEach(g -> values.put(
                            "CURRENT." + g.name(), g.method().field().unit() == Unit.VOLT ? "490 mV" : "49 mA"));
            keepRound(amp, values);
        }
    }
}
