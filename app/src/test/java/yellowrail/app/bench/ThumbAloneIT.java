package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.PlaywrightException;
import com.microsoft.playwright.options.BoundingBox;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import yellowrail.app.amps.Amp;
import yellowrail.core.session.Access;

/** A whole evening on a phone with a thumb: taps only, nothing wider than the screen, every target large enough. */
class ThumbAloneIT extends CountedPage {
    private static final int TARGET = 44;

    private static final int MOST_LOOKS = 10;

    @Override
    protected Browser.NewContextOptions screen() {
        return new Browser.NewContextOptions()
                .setViewportSize(390, 844)
                .setHasTouch(true)
                .setIsMobile(true);
    }

    @Override
    protected void hits(Locator button) {
        var box = inSight(button);
        assertThat(Math.min(box.width, box.height)).as(button.innerText()).isGreaterThanOrEqualTo(TARGET - 0.5);
        button.tap();
    }

    /** Its place once it stands still: an answer on its way may exchange it while one looks. */
    private static BoundingBox inSight(Locator button) {
        PlaywrightException last = null;
        for (int looks = 0; looks < MOST_LOOKS; looks++) {
            try {
                button.scrollIntoViewIfNeeded();
                BoundingBox box = button.boundingBox();
                if (box != null) {
                    return box;
                }
            } catch (PlaywrightException exchanged) {
                last = exchanged;
            }
        }
        throw new AssertionError("No place of " + button, last);
    }

    @Override
    protected void records(String field, String text) {
        page.locator(field).tap();
        page.fill(field, text);
        hits(page.locator("form:has(" + field + ") button").first());
    }

    private void fits() {
        // A page that is just being left is none to be measured.
        page.waitForFunction("() => document.readyState === 'complete' && document.getElementById('bench')");
        assertThat(page.evaluate("() => document.documentElement.scrollWidth - window.innerWidth"))
                .as(here())
                .isEqualTo(0);
    }

    @Test
    void aYearlyCheckByTaps() {
        Amp amp = keepHeated("Thumb yearly");
        workedBefore(amp, Access.OPEN, false, false);
        opensNew(amp);
        begin();
        fits();
        confirmsAll();
        enters("LOAD_OHMS", "", "8");
        at("DRAINED");
        fits();
        drainsCounted();
        at("MAINS");
        declaresCounted("ON_TUBES_IN");
        enters("MAINS", "", "230");
        enters("HEATER", "", "6.31");
        at("WARM_UP");
        clock.minutes(10);
        currents();
        clock.minutes(5.5);
        currents();
        at("MEASURE");
        enters("PLATE", "V1", "421");
        enters("SCREEN", "V1", "376");
        fits();
        presses(page.locator(".moves button:has-text('Go to Play')"));
        at("PLAY");
        confirmsAll();
        at("CLOSE");
        declaresCounted("OFF");
        drainsCounted();
        at("SIGN_OFF");
        fits();
        signsCounted();
        assertThat(page.locator("article.sheet .stamp").innerText()).isEqualTo("set, not proven");
    }

    private void currents() {
        enters("CURRENT", "V1", String.format(Locale.ROOT, "%.1f", 49.0 * OHMS[0]));
        enters("CURRENT", "V2", String.format(Locale.ROOT, "%.1f", 49.2 * OHMS[1]));
    }
}
