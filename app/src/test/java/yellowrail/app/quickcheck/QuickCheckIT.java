package yellowrail.app.quickcheck;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import yellowrail.app.BrowserIT;

class QuickCheckIT extends BrowserIT {
    private Locator verdict() {
        return page.getByTestId("verdict");
    }

    private void ask() {
        page.navigate(url("/"));
        page.fill("#tube", "6L6GC");
        page.selectOption("#bias", "tracking");
        page.fill("#volts", "431 V");
        page.fill("#reading", "36.4 mV");
        page.fill("#r", "1.00");
    }

    @Test
    void answersWhileOneTypesAndKeepsItsStateInTheAddress() {
        ask();
        assertThat(page.locator("#answer")).containsText("49.5 %");
        assertThat(page.locator("#answer")).containsText("14.9 ± 0.5 W");
        assertThat(verdict()).containsText("no target chosen");
        page.selectOption("#target", "middle");
        assertThat(verdict()).containsText("below the window");
        assertThat(page.locator("tr.on")).containsText("44.1 mV");
        page.fill("#reading", "45 mV");
        // In the window as read, but nobody knows the mains: no all-clear.
        assertThat(verdict()).containsText("unknown");
        assertThat(page.locator("#answer")).containsText("mains voltage is not given");
        page.fill("#mains", "230");
        page.fill("#highest", "240");
        assertThat(verdict()).containsText("in the window");
        assertThat(verdict()).hasAttribute("data-clear", "true");
        assertThat(page).hasURL(Pattern.compile(".*tube=6L6GC.*mains=230.*"));
        page.reload();
        assertThat(page.locator("#reading")).hasValue("45 mV");
        assertThat(verdict()).containsText("in the window");
    }

    @Test
    void aMeterByItsFullNameStaysPicked() {
        page.navigate(url("/?tube=6L6GC&volts=431&reading=41.3&r=1&bias=tracking&mains=230&meter=fine+handheld"));
        assertThat(page.locator("#meter")).hasValue("fine handheld");
        page.navigate(url("/?tube=6L6GC&volts=431&reading=41.3&r=1&bias=tracking&mains=230&meter=basic+handheld"));
        assertThat(page.locator("#meter")).hasValue("basic handheld");
        page.navigate(url("/?tube=6L6GC&meter=bench"));
        assertThat(page.locator("#meter")).hasValue("bench");
        page.navigate(url("/?tube=6L6GC"));
        assertThat(page.locator("#meter")).hasValue("handheld");
    }

    @Test
    void anOpenQuestionIsAnsweredWithOneTap() {
        page.navigate(url("/?tube=6L6GC&volts=450&ref=cathode&reading=42.2+mV&r=1&rtol=1&mains=230&target=middle"));
        assertThat(verdict()).containsText("open question");
        assertThat(page.locator(".statements")).containsText("if the bias follows the mains");
        page.locator("a", new com.microsoft.playwright.Page.LocatorOptions().setHasText("It follows the mains"))
                .click();
        assertThat(page.locator("#bias")).hasValue("tracking");
        assertThat(verdict()).hasAttribute("data-clear", "true");
        assertThat(page.locator(".statements")).containsText("76 % at 253 V mains");
        assertThat(page.getByTestId("permitted")).containsText("highest permitted");
        page.selectOption("#bias", "constant");
        assertThat(verdict()).containsText("too close to call at higher mains");
        assertThat(page.locator(".statements")).containsText("in your window");
        assertThat(page.locator("tr.on")).containsText("would pass");
    }

    @Test
    void whatTheAddressHoldsBeyondTheFieldsIsSaid() {
        page.navigate(url("/?tube=6L6GC&volts=431&reading=36.4+mV&r=1&limitter=yes"));
        assertThat(page.locator("#say-address")).containsText("limitter");
        assertThat(verdict()).containsText("no verdict yet");
        page.navigate(url("/?tube=6L6GC&volts=431&reading=36.4+mV&r=1&mains=230&mains=250"));
        assertThat(page.locator("#say-mains")).containsText("two values");
    }

    @Test
    void shipsItsFontsAndItsScripts() {
        page.navigate(url("/"));
        page.evaluate("() => document.fonts.ready.then(() => true)");
        assertThat(page.evaluate(
                        "() => [...document.fonts].filter(f => f.status === 'loaded').map(f => f.family).join()"))
                .asString()
                .contains("IBM Plex Sans", "IBM Plex Mono");
        assertThat(page.evaluate("() => typeof htmx")).isEqualTo("object");
        assertThat(page.locator("body")).containsText("Lethal voltages");
        assertThat(page.locator("body")).containsText("cannot see the amplifier");
    }

    @Test
    void whatIsTypedBeforeTheScriptsAreReadyIsAskedForToo() {
        page.addInitScript("""
                document.addEventListener('readystatechange', () => {
                  const volts = document.getElementById('volts');
                  if (document.readyState === 'interactive') volts.value = '1,234';
                });""");
        page.navigate(url("/?tube=6L6GC"));
        assertThat(page.locator("#say-volts")).containsText("could mean 1.234 V or 1234 V");
    }

    @Test
    void asksInsteadOfGuessing() {
        ask();
        page.fill("#tube", "6L6");
        assertThat(page.locator("#say-tube")).containsText("Which one");
        page.locator("#say-tube a", new com.microsoft.playwright.Page.LocatorOptions().setHasText("6L6GC"))
                .click();
        assertThat(page.locator("#tube")).hasValue("6L6GC");
        assertThat(page.locator("#volts")).hasValue("431 V");
        page.fill("#volts", "1,234");
        assertThat(page.locator("#say-volts")).containsText("could mean 1.234 V or 1234 V");
        assertThat(verdict()).containsText("no verdict yet");
        page.fill("#volts", "431 bananas");
        assertThat(page.locator("#say-volts")).containsText("bananas");
        assertThat(page.locator("#volts")).hasValue("431 bananas");
        assertThat(page.locator("#volts")).hasAttribute("aria-invalid", "true");
    }

    @Test
    void asksAboutALikelySlipWithBothResults() {
        ask();
        page.fill("#reading", "364 mV");
        assertThat(page.locator("#say-reading")).containsText("ten times the usual");
        assertThat(page.locator("#say-reading")).containsText("If it is real, or a plate glows: power off now.");
        // No verdict before the answer.
        assertThat(verdict()).containsText("no verdict yet");
        page.getByRole(AriaRole.LINK, new com.microsoft.playwright.Page.GetByRoleOptions().setName("364 mV is right"))
                .click();
        assertThat(verdict()).containsText("above the rating");
        // The word counts for what was typed then, not for what is typed next.
        page.fill("#reading", "374 mV");
        assertThat(verdict()).containsText("no verdict yet");
        page.locator("#say-reading a").first().click();
        assertThat(page.locator("#reading")).hasValue("37.4 mV");
    }

    @Test
    void opensEveryFigureToItsFormula() {
        ask();
        page.locator("summary", new com.microsoft.playwright.Page.LocatorOptions().setHasText("Every figure"))
                .click();
        assertThat(page.locator("#workings")).containsText("Pp = Vpk · Ip");
        assertThat(page.locator("#workings")).containsText("431.0 V · 34.47 mA");
        assertThat(page.locator("#workings")).containsText("36.4 mV / 1.000 Ω");
    }

    @Test
    void changesTheSentenceWithThePick() {
        page.navigate(url("/"));
        assertThat(page.locator("#n")).isHidden();
        page.selectOption("#method", "shared");
        assertThat(page.locator("#n")).isVisible();
        page.selectOption("#method", "half");
        assertThat(page.locator("#warm")).isVisible();
        page.selectOption("#method", "grid");
        assertThat(page.locator("#r")).isHidden();
        page.fill("#tube", "6L6GC");
        page.fill("#volts", "431");
        page.fill("#reading", "-44.1");
        assertThat(verdict()).containsText("unknown");
        assertThat(page.locator("#answer")).containsText("not what the tube draws");
    }

    @Test
    void becomesAnAmpWithItsFirstReadingByKeyboardAlone() {
        page.navigate(url("/"));
        page.locator("#tube").focus();
        page.keyboard().type("6V6GT");
        for (String[] step :
                new String[][] {{"volts", "350 V"}, {"reading", "22.4 mV"}, {"r", "1.00"}, {"mains", "230"}}) {
            for (int tabs = 0; tabs < 40; tabs++) {
                page.keyboard().press("Tab");
                if (step[0].equals(page.evaluate("() => document.activeElement.id"))) {
                    break;
                }
            }
            page.keyboard().type(step[1]);
        }
        assertThat(page.locator("#answer")).containsText("22.4 mA cathode current");
        for (int tabs = 0; tabs < 40 && !"ampName".equals(page.evaluate("() => document.activeElement.id")); tabs++) {
            page.keyboard().press("Tab");
        }
        page.keyboard().type("Crake 12");
        page.keyboard().press("Enter");
        assertThat(page.locator("h1")).hasText("Crake 12");
        assertThat(page.locator(".told")).containsText("Kept");
        assertThat(page.locator(".map")).containsText("V1");
        assertThat(page.locator("body")).containsText("Not measured: V2");
        Object stored = jdbc.sql("select raw from reading r join round q on q.id = r.round_id join amp_version a on"
                        + " a.amp_id = q.amp_id where a.name = 'Crake 12' and quantity = 'CURRENT'")
                .query(String.class)
                .single();
        assertThat(stored).isEqualTo("22.4 mV");
    }

    @Test
    void judgesByThePublicationTheBuilderPicks() {
        page.navigate(url("/?tube=6V6GT&volts=300+V&reading=30+mV&r=1&bias=tracking&mains=230"));
        assertThat(page.locator("#answer")).containsText("of 12 W, design centre");
        page.getByRole(
                        AriaRole.LINK,
                        new com.microsoft.playwright.Page.GetByRoleOptions()
                                .setName(Pattern.compile("judge by design maximum.*")))
                .click();
        assertThat(page.locator("#answer")).containsText("of 14 W, design maximum");
        assertThat(page.locator("#reading")).hasValue("30 mV");
        // Another type does not have that publication: its own strictest one is used again.
        page.fill("#tube", "EL84");
        assertThat(page.locator("#answer")).containsText("of 12 W, design centre");
    }

    @Test
    void letsTheCoreDecideWhenVoltsAreTooOld() {
        page.navigate(
                url("/?tube=6L6GC&volts=431&reading=45+mV&r=1&bias=tracking&mains=230&highest=240&target=middle"));
        assertThat(verdict()).hasAttribute("data-clear", "true");
        page.selectOption("#pair", "before");
        assertThat(verdict()).containsText("stale");
        page.fill("#minutes", "4");
        page.fill("#moved", "2");
        assertThat(verdict()).hasAttribute("data-clear", "true");
        page.fill("#moved", "-7");
        assertThat(verdict()).containsText("stale");
        assertThat(page.locator("#answer")).containsText("the current moved 7.0 %");
    }

    @Test
    void looksRightInBothThemesAndSizes() {
        ask();
        assertThat(page.locator("#answer")).containsText("49.5 %");
        looksRight();
    }

    @Test
    void doesNotMoveTheFieldBeingTyped() {
        ask();
        assertThat(page.locator("#answer")).containsText("49.5 %");
        double before = page.locator("#reading").boundingBox().y;
        page.locator("#reading").fill("zzz");
        assertThat(page.locator("#say-reading")).containsText("zzz");
        org.assertj.core.api.Assertions.assertThat(page.locator("#reading").boundingBox().y)
                .isEqualTo(before);
    }
}
