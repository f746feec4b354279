package yellowrail.app.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import yellowrail.app.BrowserIT;
import yellowrail.core.amp.Duty;
import yellowrail.core.stage.DriveSweep;
import yellowrail.core.stage.StageIdle;

class StageIT extends BrowserIT {
    private double tile(String name) {
        String text = page.locator(".tile[data-name='" + name + "'] .figure").innerText();
        return Double.parseDouble(text.replaceAll("[^0-9.]", ""));
    }

    private void open(String address) {
        page.navigate(url(address));
        page.waitForFunction("() => document.body?.dataset.shown");
    }

    private void waitsForMore(Runnable action) {
        int before = Integer.parseInt((String) page.evaluate("() => document.body.dataset.shown"));
        action.run();
        page.waitForFunction("n => Number(document.body?.dataset.shown) > n", before);
    }

    private void slide(String name, String to) {
        waitsForMore(() -> page.evaluate(
                "([name, to]) => { const s = document.querySelector(`input[name=${name}]`); s.value = to;"
                        + " s.dispatchEvent(new Event('input', { bubbles: true })); }",
                List.of(name, to)));
    }

    private void swept() {
        page.waitForFunction("() => document.body?.dataset.swept === 'yes'");
    }

    @Test
    void slidingToHotMovesTheTilesAndTheyAreWhatTheCoreComputes() {
        open("/stage");
        DriveSweep cool = DriveSweep.of(StageIdle.at(UsualStage.usual(), 0.65 * 30), 24);
        assertThat(tile("Power at clipping")).isCloseTo(cool.full().watts(), within(0.06));
        assertThat(tile("Hottest plate"))
                .isCloseTo(cool.hottestPlate(Duty.NOT_SAID).hottestPlateWatts(), within(0.06));
        // An opened formula stays open while the slider moves.
        page.click(".tile[data-name='Hottest plate'] summary");
        slide("idle", "95");
        DriveSweep hot = DriveSweep.of(StageIdle.at(UsualStage.usual(), 0.95 * 30), 24);
        assertThat(tile("Hottest plate"))
                .isCloseTo(hot.hottestPlate(Duty.NOT_SAID).hottestPlateWatts(), within(0.06));
        assertThat(page.locator(".tile[data-name='Hottest plate'] details p").innerText())
                .contains("mean of Vpk · Ip: 28.5 W at idle")
                .contains("28.5 W at idle");
        assertThat(page.url()).contains("idle=95");
        assertThat(page.locator("#chart .curve").count()).isEqualTo(8);
        for (String drawn : List.of("rating", "path", "mirrored", "composite", "whisker", "idle")) {
            assertThat(page.locator("#chart ." + drawn).count()).as(drawn).isEqualTo(1);
        }
        // Plates and screens over the drive, and the rated plate volts on the chart.
        assertThat(page.locator("#heat .line").count()).isEqualTo(2);
        assertThat(page.locator("#chart .limit").count()).isEqualTo(1);
        assertThat(page.locator("#accuracy").innerText()).startsWith("Model, not measurement. 6L6GC");
        // The address brings the same picture back.
        page.reload();
        page.waitForFunction("() => document.body?.dataset.shown");
        assertThat(tile("Hottest plate"))
                .isCloseTo(hot.hottestPlate(Duty.NOT_SAID).hottestPlateWatts(), within(0.06));
        swept();
        looksRight();
    }

    @Test
    void keysMoveTheSlidersAndTheSweepsFollow() {
        open("/stage");
        swept();
        assertThat(page.locator("#over-idle .line").count()).isEqualTo(2);
        assertThat(page.locator("#over-mains .line").count()).isEqualTo(3);
        assertThat(page.locator("#open-load").innerText()).contains("Never drive it without a load");
        // Its screens stand above their limit at highest mains: no idle mends that.
        assertThat(page.locator("#target").innerText()).contains("No idle is accepted: screen volts");
        assertThat(page.locator("#clean-idle").innerText()).contains("distortion at 1 W under 0.50 %");
        String screens = page.locator("#screens").innerText();
        page.focus("input[name=loadFactor]");
        waitsForMore(() -> page.keyboard().press("ArrowRight"));
        assertThat(page.inputValue("input[name=loadFactor]")).isEqualTo("1.05");
        swept();
        assertThat(page.locator("#screens").innerText()).isNotEqualTo(screens);
        assertThat(page.locator("svg.stale").count()).isZero();
        // Pointing at the chart reads it.
        page.locator("#chart").hover();
        String read = page.locator("#read").innerText();
        assertThat(read).matches("\\d+ V, [0-9.]+ mA: [0-9.]+ W, .*grid.*");
        page.focus("#chart");
        page.keyboard().press("ArrowRight");
        page.keyboard().press("ArrowUp");
        assertThat(page.locator("#read").innerText()).isNotEqualTo(read).contains("grid");
    }

    @Test
    void twoSettingsAreComparedInWordsAndLines() {
        open("/stage?idle=50");
        waitsForMore(() -> page.click("#keep"));
        slide("idle", "85");
        assertThat(page.locator("#kept li").innerText())
                .contains("A: idle 50 %")
                .contains("From A to now:")
                .contains("the hottest plate with signal rises from");
        assertThat(page.locator("#distortion .line").count()).isEqualTo(2);
        waitsForMore(() -> page.click("#keep"));
        slide("loadFactor", "1.5");
        assertThat(page.locator("#kept li").count()).isEqualTo(2);
        assertThat(page.locator("#distortion .line").count()).isEqualTo(3);
        page.reload();
        page.waitForFunction("() => document.body?.dataset.shown");
        assertThat(page.locator("#kept li").count()).isEqualTo(2);
        swept();
        looksRight();
        waitsForMore(() -> page.click("#kept li:first-child button"));
        assertThat(page.locator("#kept li").innerText())
                .contains("A: load × 1.")
                .contains("From A to now:");
    }

    @Test
    void ownMeasurementsLieOverTheComputedCurves() {
        open("/stage");
        waitsForMore(() -> page.fill("#measured", "1, 1000, 1, 0.3\n2, 1000, 12, 1.1\n3, 1000, 40, 3"));
        assertThat(page.locator("#distortion .dot").count()).isEqualTo(3);
        assertThat(page.locator("#distortion").innerHTML()).contains("× measured");
        waitsForMore(() -> page.fill("#measured", "1, 1000, 1"));
        assertThat(page.locator("#say-measured").innerText()).contains("there are 3 columns");
        assertThat(page.locator("#distortion .dot").count()).isZero();
        assertThat(page.inputValue("#measured")).isEqualTo("1, 1000, 1");
    }

    @Test
    void aTypeWithoutParametersGivesNoCurves() {
        open("/stage?tube=KT150");
        assertThat(page.locator("#say-tube").innerText()).contains("no curves for the KT150");
        assertThat(page.locator(".stage-body").isVisible()).isFalse();
        assertThat(page.inputValue("input[name=tube]")).isEqualTo("KT150");
        looksRight();
    }

    @Test
    void aFamilyNameOffersItsVariants() {
        open("/stage?tube=6L6");
        assertThat(page.locator("#say-tube").innerText()).contains("Which one is fitted?");
        looksRight();
        waitsForMore(() -> page.click("#say-tube button:has-text('6L6GC')"));
        page.waitForSelector(".stage-body:not([hidden])");
        assertThat(page.inputValue("input[name=tube]")).isEqualTo("6L6GC");
        assertThat(page.locator("#say-tube").count()).isZero();
    }

    @Test
    void badInputIsSaidAtItsFieldAndNothingTypedIsLost() {
        open("/stage");
        waitsForMore(() -> page.fill("input[name=supply]", "5 kV"));
        assertThat(page.locator("input[name=supply] + .at-field").innerText()).contains("2");
        assertThat(page.getAttribute("input[name=supply]", "aria-invalid")).isEqualTo("true");
        assertThat(page.locator(".stage-body").isVisible()).isFalse();
        waitsForMore(() -> page.fill("input[name=load]", "-4 k"));
        assertThat(page.locator(".at-field").count()).isEqualTo(2);
        assertThat(page.inputValue("input[name=supply]")).isEqualTo("5 kV");
        looksRight();
        waitsForMore(() -> page.fill("input[name=supply]", "450"));
        waitsForMore(() -> page.fill("input[name=load]", "4k"));
        assertThat(page.locator(".at-field").count()).isZero();
        assertThat(page.locator(".stage-body").isVisible()).isTrue();
        // A folded field opens when it has something to say.
        waitsForMore(
                () -> page.evaluate("() => { const f = document.querySelector('input[name=scales]'); f.value = 'x';"
                        + " f.dispatchEvent(new Event('input', { bubbles: true })); }"));
        assertThat(page.locator("#say-scales").isVisible()).isTrue();
    }

    @Test
    void anImpossibleStageIsExplainedInPlaceOfThePicture() {
        open("/stage?supply=40&idle=100");
        assertThat(page.locator("#stage-said").innerText()).contains("No bias reaches 30.0 W at idle");
        assertThat(page.locator(".curves").isVisible()).isFalse();
    }

    @Test
    void aStageOfEightTubesAndLongNumbersStaysReadable() {
        open("/stage?tubes=8&tube=KT88&supply=1.15 kV&screens=450&load=1.25k&source=22.5&rg2=1.5k&idle=70");
        swept();
        assertThat(page.locator("#chart .curve").count()).isEqualTo(8);
        // Names of curves do not stand on each other.
        Object apart = page.evaluate("() => { const b = [...document.querySelectorAll('#chart .grid-name')].map((t) =>"
                + " t.getBoundingClientRect()); return b.every((p, i) => b.every((q, j) => i === j || p.right < q.left ||"
                + " q.right < p.left || p.bottom - 3 < q.top || q.bottom - 3 < p.top)); }");
        assertThat(apart).isEqualTo(true);
        looksRight();
    }
}
