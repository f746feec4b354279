package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import yellowrail.app.amps.Amp;
import yellowrail.core.session.Access;

/** How much a builder has to enter for the usual evenings: counted presses and fields, from beginning to signed sheet. */
class FewEntriesIT extends CountedPage {
    private static String milli(double milliamperes, int tube) {
        return String.format(java.util.Locale.ROOT, "%.1f", milliamperes * OHMS[tube]);
    }

    private void currents(double first, double second) {
        enters("CURRENT", "V1", milli(first, 0));
        enters("CURRENT", "V2", milli(second, 1));
    }

    @Test
    void aYearlyCheckOfAPairIn24() {
        Amp amp = keepHeated("Counted yearly");
        workedBefore(amp, Access.OPEN, false, false);
        opensNew(amp);
        begin();
        setWhole();
        signsCounted();
        assertThat(page.locator("article.sheet .stamp").innerText()).isEqualTo("set, not proven");
        assertThat(page.locator("article.sheet").innerText()).contains("No soak was chosen");
        assertThat(row("V1")[3]).isPositive();
        atMost(24);
    }

    @Test
    void aRecheckAtTestPointsIn12() {
        Amp amp = keepHeated("Counted points");
        // Last time it was set: the currents of then are what is compared with.
        workedBefore(amp, Access.OPEN, false, false);
        opensNew(amp);
        begin();
        setWhole();
        signsCounted();
        assertThat(page.locator("article.sheet .stamp").innerText()).isEqualTo("set, not proven");
        opensNew(amp);
        page.selectOption("select[name=access]", "points");
        begin();
        confirmsAll();
        enters("LOAD_OHMS", "", "8");
        at("MAINS");
        declaresCounted("ON_TUBES_IN");
        enters("MAINS", "", "232");
        at("WARM_UP");
        clock.minutes(10);
        currents(49.7, 49.9);
        clock.minutes(5.5);
        currents(49.7, 49.9);
        at("MEASURE");
        assertThat(page.locator(".findings").allInnerTexts().toString())
                .contains("agrees within 3 %")
                .contains("it was left at 49.0 mA");
        assertThat(page.locator(".findings .tone-recheck").count()).isEqualTo(2);
        assertThat(page.locator(".findings .tone-good").count()).isZero();
        presses(page.locator(".moves button:has-text('Go to Sign off')"));
        declaresCounted("OFF");
        signsCounted();
        assertThat(page.locator("article.sheet").innerText())
                .contains("re-check: currents agree with last time. Plates not read, no watts")
                .contains("agrees with last time");
        atMost(12);
        // Currents without volts are no round: the amp's last verdict stays the one of its setting.
        page.navigate(url("/amps/" + amp.id()));
        assertThat(page.locator("main").innerText()).contains("in the window").doesNotContain("unknown");
    }

    @Test
    void newTubesInAPairIn40() {
        Amp amp = keepHeated("Counted new");
        opensNew(amp);
        page.selectOption("select[name=purpose]", "NEW_TUBES");
        page.selectOption("select[name=meter]", "fine handheld");
        page.selectOption("select[name=soaks]", "no");
        begin();
        confirmsAll();
        enters("LOAD_OHMS", "", "8");
        at("DRAINED");
        drainsCounted();
        at("TUBES_OUT");
        declaresCounted("ON_TUBES_OUT");
        enters("UNLOADED", "reservoir", "458");
        for (String socket : List.of("V1", "V2")) {
            enters("GRID_COLDEST", socket + " control", "-46.2");
        }
        presses(page.locator("#all-directions"));
        confirmsAll();
        at("TUBES_IN");
        declaresCounted("OFF");
        enters("RESIDUAL", "reservoir", "0.6 V");
        clock.minutes(1.2);
        enters("RESIDUAL", "reservoir", "0.8 V");
        confirmsAll();
        declaresCounted("ON_TUBES_IN");
        confirmsAll();
        currents(20, 20);
        at("MAINS");
        enters("MAINS", "", "230");
        enters("HEATER", "", "6.31");
        at("WARM_UP");
        clock.minutes(10);
        currents(36.4, 30.8);
        clock.minutes(5.5);
        currents(36.4, 30.8);
        at("MEASURE");
        enters("PLATE", "V1", "361");
        assertThat(page.locator(".next .do").innerText())
                .contains("V2 control hotter")
                .contains("then read every point");
        turned(1, 63.4);
        enters("CURRENT", "V1", milli(35.5, 0));
        enters("PLATE", "V1", "356");
        assertThat(page.locator(".next .do").innerText()).contains("V1 control hotter");
        turned(0, 62.6);
        enters("CURRENT", "V2", milli(61.9, 1));
        enters("PLATE", "V1", "351");
        assertThat(page.locator(".next .do").innerText()).contains("Nothing to turn");
        presses(page.locator(".moves button:has-text('Go to Play')"));
        at("PLAY");
        confirmsAll();
        at("CLOSE");
        declaresCounted("OFF");
        drainsCounted();
        at("SIGN_OFF");
        signsCounted();
        assertThat(page.locator("article.sheet .stamp").innerText()).isEqualTo("set, not proven");
        atMost(40);
    }

    /** The turn and the reading after it in one. */
    private void turned(int tube, double milliamperes) {
        presses(() -> {
            page.fill("#turned-text", milli(milliamperes, tube));
            page.press("#turned-text", "Enter");
        });
        page.waitForFunction("() => !document.querySelector('#turned-text')?.value");
    }

    /** Everything of a yearly check up to where it is signed. */
    private void setWhole() {
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
        currents(49.0, 49.2);
        clock.minutes(5.5);
        currents(49.0, 49.2);
        at("MEASURE");
        enters("PLATE", "V1", "421");
        // One plate reading serves the pair; the second is folded away.
        assertThat(page.locator(field("PLATE", "V2")).isVisible()).isFalse();
        // The plate's volts alone would pass what the screens may have: that field comes to the front.
        enters("SCREEN", "V1", "376");
        assertThat(page.locator(".tube-row .figures b").allInnerTexts())
                .hasSize(2)
                .allMatch(v -> v.contains("in the window"));
        presses(page.locator(".moves button:has-text('Go to Play')"));
        at("PLAY");
        confirmsAll();
        at("CLOSE");
        declaresCounted("OFF");
        drainsCounted();
        at("SIGN_OFF");
    }
}
