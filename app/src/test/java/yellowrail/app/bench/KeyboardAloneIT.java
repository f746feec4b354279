package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.options.LoadState;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import yellowrail.app.amps.Amp;
import yellowrail.core.session.Access;

/** A whole evening without a pointer: after every entry the keyboard stands at the next sensible place, never at the top. */
class KeyboardAloneIT extends CountedPage {
    private String focus() {
        return page.evaluate("() => document.activeElement.id || document.activeElement.tagName + ' '"
                        + " + document.activeElement.textContent.trim()")
                .toString();
    }

    /** Waits for the focus to come to a place; what was entered is stored before it moves. */
    private void focusAt(String place) {
        try {
            page.waitForFunction(
                    "p => (document.activeElement.id || document.activeElement.textContent).includes(p)", place);
        } catch (com.microsoft.playwright.TimeoutError elsewhere) {
            throw new AssertionError("The focus is at " + focus() + ", not at " + place);
        }
    }

    private void types(String text) {
        int before = seq();
        page.keyboard().type(text);
        page.keyboard().press("Enter");
        after(before);
    }

    private void presses(String key) {
        int before = seq();
        page.keyboard().press("Escape");
        page.keyboard().press(key);
        after(before);
    }

    private static String ask(String quantity, String point) {
        return field(quantity, point).substring(1);
    }

    private static String milli(double milliamperes, int tube) {
        return String.format(Locale.ROOT, "%.1f", milliamperes * OHMS[tube]);
    }

    @Test
    void aYearlyCheckFromTheFirstKeyToTheSignedSheet() {
        Amp amp = keepHeated("Keyboard yearly");
        workedBefore(amp, Access.OPEN, false, false);
        opensNew(amp);
        page.focus("button:has-text('Begin')");
        page.keyboard().press("Enter");
        page.waitForURL("**/bench/*-*");
        page.waitForLoadState(LoadState.NETWORKIDLE);
        presses("a");
        focusAt(ask("LOAD_OHMS", ""));
        types("8");
        at("DRAINED");
        focusAt("tick-STANDBY_PLAY-");
        presses("t");
        focusAt(ask("RESIDUAL", "reservoir"));
        types("0.6 V");
        clock.minutes(1.2);
        // The same field once more: a dead reading is taken twice.
        page.focus("#" + ask("RESIDUAL", "reservoir"));
        types("0.8 V");
        page.waitForSelector(".ticks form:not([data-waits]) #tick-METER_PROVEN-");
        presses("t");
        at("MAINS");
        presses("i");
        focusAt(ask("MAINS", ""));
        types("230");
        focusAt(ask("HEATER", ""));
        types("6.31");
        at("WARM_UP");
        clock.minutes(10);
        // An empty Enter goes on to the next field.
        page.focus("#" + ask("PLATE", "V1"));
        page.keyboard().press("Enter");
        focusAt(ask("CURRENT", "V1"));
        types(milli(49.0, 0));
        focusAt(ask("CURRENT", "V2"));
        types(milli(49.2, 1));
        clock.minutes(5.5);
        key("1");
        focusAt(ask("PLATE", "V1"));
        page.keyboard().press("Enter");
        types(milli(49.0, 0));
        types(milli(49.2, 1));
        at("MEASURE");
        focusAt(ask("PLATE", "V1"));
        types("421");
        focusAt(ask("CURRENT", "V1"));
        page.keyboard().press("Enter");
        focusAt(ask("SCREEN", "V1"));
        types("376");
        assertThat(page.locator(".tube-row .figures b").allInnerTexts()).allMatch(v -> v.contains("in the window"));
        presses("ArrowRight");
        at("PLAY");
        presses("a");
        at("CLOSE");
        presses("o");
        focusAt("all-ticks");
        presses("a");
        focusAt(ask("RESIDUAL", "reservoir"));
        page.focus("#" + ask("RESIDUAL", "reservoir"));
        types("0.6 V");
        clock.minutes(1.2);
        page.focus("#" + ask("RESIDUAL", "reservoir"));
        types("0.8 V");
        page.waitForSelector(".ticks form:not([data-waits]) #tick-METER_PROVEN-");
        presses("t");
        at("SIGN_OFF");
        focusAt("by");
        page.keyboard().type("E. R.");
        page.keyboard().press("Enter");
        page.waitForURL("**/sheet");
        assertThat(page.locator("article.sheet .stamp").innerText()).isEqualTo("set, not proven");
    }

    private void key(String key) {
        page.keyboard().press("Escape");
        page.keyboard().press(key);
    }
}
