package yellowrail.app.load;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import yellowrail.app.BrowserIT;
import yellowrail.app.stage.UsualStage;
import yellowrail.core.amp.Duty;
import yellowrail.core.stage.DriveSweep;
import yellowrail.core.stage.StageIdle;

/** The load page as a builder uses it: a ratio, a tap for what cabinets are there, and what a load does to this stage. */
class LoadIT extends BrowserIT {
    private static DriveSweep usual(double factor) {
        return DriveSweep.of(StageIdle.at(UsualStage.usual(), 0.65 * 30).withLoad(4200 * factor), 24);
    }

    private void type(String id, String text) {
        page.locator("#" + id).fill(text);
    }

    private String cell(String set, String tap) {
        return page.locator("table.map tbody tr", new com.microsoft.playwright.Page.LocatorOptions().setHasText(set))
                .first()
                .locator("td")
                .nth(List.of("4", "8", "16").indexOf(tap))
                .innerText();
    }

    private double figure(String row, int column) {
        String text = page.locator("table.effects tbody tr")
                .filter(new com.microsoft.playwright.Locator.FilterOptions().setHasText(row))
                .first()
                .locator("td")
                .nth(column)
                .locator(".m")
                .innerText();
        // As it stands; what it would be at another mains comes after it.
        return Double.parseDouble(text.replaceAll("(?s)^[^0-9]*([0-9.]+).*", "$1"));
    }

    @Test
    void anUnmarkedTransformerIsMeasured() {
        page.navigate(url("/load"));
        // Nothing is known: no cell, no figure, and no guess.
        assertThat(page.locator("table.map")).containsText("ratio not known");
        page.selectOption("#driven1", "tap-8");
        page.selectOption("#other1", "primary");
        type("drive1", "6.3");
        assertThat(page.locator("#expect1")).containsText("Stop.");
        assertThat(page.locator("#expect1")).containsText("at most 0.2 V goes on the low side");
        type("volts1", "164.2");
        assertThat(page.locator("#answer")).containsText("This reading does not count");
        assertThat(page.locator("table.map")).containsText("ratio not known");
        type("drive1", "0.1828");
        assertThat(page.locator("#expect1")).containsText("tens of volts");
        type("volts1", "4.766");
        assertThat(page.locator("table.map")).not().containsText("ratio not known");
        assertThat(page.locator("#answer")).containsText("26.07² · 8 Ω = 5.44 kΩ");
        assertThat(page.locator("#answer")).containsText("Drive the other winding and read once more");
        // From the other side with the wrong leads: it asks again, and tells nothing of what contradicts itself.
        page.selectOption("#driven2", "primary");
        page.selectOption("#other2", "tap-8");
        type("drive2", "30.00");
        assertThat(page.locator("#expect2")).containsText("a secondary 1.1 to 1.2 V");
        type("volts2", "1.250");
        assertThat(page.locator("#answer")).containsText("Contradiction.");
        assertThat(page.locator("table.map")).containsText("ratio not known");
        type("volts2", "1.152");
        assertThat(page.locator("#answer")).not().containsText("Contradiction.");
        assertThat(page.locator("table.map")).containsText("5.43 kΩ");
        // The address brings all of it back.
        page.waitForURL(u -> u.contains("volts2=1.152"));
        page.reload();
        assertThat(page.locator("#answer")).containsText("4.766 V / 182.8 mV");
        assertThat(page.locator("#drive2")).hasValue("30.00");
        looksRight();
    }

    @Test
    void aTapIsFoundForThreeCabinets() {
        page.navigate(url("/load?marked=5.44k&load=5.44k&set1=16+%7C+16+%7C+8"));
        assertThat(cell("16 | 16 | 8", "4"))
                .contains("× 1.0")
                .contains("matched")
                .contains("nearest tap");
        assertThat(cell("16 | 16 | 8", "8")).contains("× 0.50").contains("lower than wanted");
        // Unequal cabinets share unequally, and an estimate is called one.
        assertThat(page.locator("table.map")).containsText("Power: 25 % in 16, 25 % in 16, 50 % in 8.");
        type("set2", "dc 6.4");
        assertThat(page.locator("table.map")).containsText("estimated: 70 to 90 % of the marking is usual");
        type("set2", "16 | 16");
        assertThat(page.locator("table.map tbody tr")).hasCount(3);
        // Two mistakes multiply.
        type("set3", "4");
        assertThat(page.locator("table.map")).containsText("× 0.25");
        assertThat(page.locator("table.map")).containsText("stop: as good as shorted");
        type("set4", "4x(4x16)");
        assertThat(page.locator("#say-set4").or(page.locator("table.map")))
                .not()
                .hasCount(0);
        type("set4", "8 |");
        assertThat(page.locator("#say-set4")).containsText("a speaker is missing at the end");
        assertThat(page.locator("#set4")).hasAttribute("aria-invalid", "true");
        assertThat(page.locator("table.map")).containsText("Stop: an open output.");
        // By keyboard: the next cell of the map.
        page.locator("#cell-4-1").focus();
        page.keyboard().press("ArrowRight");
        assertThat(page.locator("#effects h2").first()).containsText("16 | 16 | 8 on the 8 Ω tap");
        page.waitForURL(u -> u.contains("open=8%3A1"));
        assertThat(page.locator("#cell-8-1")).isFocused();
    }

    @Test
    void halfTheLoadHeatsPlatesAndDoubleHeatsScreensAsTheStageComputes() {
        page.navigate(url("/load?marked=4.2k&set1=8"));
        DriveSweep half = usual(0.5);
        DriveSweep twice = usual(2);
        assertThat(figure("Plate with signal", 1))
                .isCloseTo(half.hottestPlate(Duty.NOT_SAID).hottestPlateWatts(), within(0.06));
        assertThat(figure("Screen with signal", 2))
                .isCloseTo(twice.hottestScreen(Duty.NOT_SAID).hottestScreenWatts(), within(0.01));
        assertThat(figure("Power at clipping", 2)).isCloseTo(twice.full().watts(), within(0.06));
        assertThat(page.locator("#effects .tone-over").first()).isVisible();
        assertThat(page.locator(".claims")).containsText("Some builders hold");
        assertThat(page.locator(".claims")).containsText("Others hold");
        // As good as open or shorted: a stop, no operation.
        page.navigate(url("/load?marked=4.2k&set1=100&open=4:1"));
        assertThat(cell("100", "4")).contains("stop: as good as open");
        assertThat(page.locator("#effects")).containsText("arc over");
        page.navigate(url("/load?marked=4.2k&set1=1"));
        assertThat(cell("1", "16")).contains("stop: as good as shorted");
        // The other connection is another stage.
        page.navigate(url("/load?marked=4.2k&set1=8&connection=triode"));
        assertThat(figure("Power at clipping", 0)).isLessThan(half.full().watts());
    }

    @Test
    void aSpeakerHeatsPlatesAtItsDipAndScreensAtItsResonance() {
        page.navigate(url("/load?marked=4.2k&duty=tone&set1=A"));
        assertThat(page.locator("#say-set1")).containsText("no speaker is called “A”");
        page.click("text=A speaker over frequency, called A above");
        type("coilOhms", "6.4");
        type("coilHenries", "0.6 mH");
        type("eddyOhms", "30");
        type("resonance", "80");
        assertThat(page.locator("#say-peakOhms")).containsText("this one is missing");
        type("peakOhms", "46.4");
        type("quality", "5");
        assertThat(page.locator("#effects")).containsText("Lowest in the band of a guitar: 6.5 Ω");
        assertThat(page.locator(".over-frequency")).containsText("Hottest plate in the band");
        assertThat(page.locator("svg.frequencies")).hasCount(2);
        // At the dip, below 1 kHz; the screen at the resonance or in the treble.
        String told = page.locator(".over-frequency").innerText();
        assertThat(Double.parseDouble(
                        told.replaceAll("(?s).*Hottest plate in the band: [\\d.]+ W at (\\d+) Hz.*", "$1")))
                .isBetween(200.0, 1000.0);
        double screenAt =
                Double.parseDouble(told.replaceAll("(?s).*Hottest screen in the band: [\\d.]+ W at (\\d+) Hz.*", "$1"));
        assertThat(screenAt < 120 || screenAt > 2000).as(screenAt + " Hz").isTrue();
        // What is played is judged by its octaves, not by one frequency.
        page.selectOption("#duty", "clean");
        assertThat(page.locator(".over-frequency")).containsText("W over 80 to 5000 Hz with");
        assertThat(page.locator(".over-frequency")).containsText("inductance is not known");
        page.evaluate("() => document.querySelectorAll('details').forEach((d) => { d.open = true; })");
        type("henries", "60");
        assertThat(page.locator(".over-frequency")).not().containsText("inductance is not known");
        // Another instrument asks for another band.
        page.selectOption("#band", "bass");
        assertThat(page.locator("#effects")).containsText("Lowest in the band of a bass");
        assertThat(page.locator(".over-frequency")).containsText("Hottest screen in the band");
        looksRight();
    }

    @Test
    void comesFromTheStageWithItsFigures() {
        page.navigate(url("/stage?tube=EL34&load=3.4k&loadFactor=1.5&measured=x"));
        page.waitForFunction("() => document.body?.dataset.shown");
        page.evaluate("() => document.querySelectorAll('details').forEach((d) => { d.open = true; })");
        page.click("#to-load");
        assertThat(page.locator("#tube")).hasValue("EL34");
        assertThat(page.locator("#load-ohms")).hasValue("3.4k");
        assertThat(page.locator("[data-unknown]")).hasCount(0);
        page.navigate(url("/load?loadFactor=1.5"));
        assertThat(page.locator("#say-loadFactor")).containsText("× 1.5");
    }

    @Test
    void whatIsNotUnderstoodIsSaidAtItsField() {
        page.navigate(url("/load?taps=four&tube=XYZ&marked=5&driven1=pin-3&meter=mine&nonsense=1"));
        for (String field : List.of("taps", "tube", "driven1", "meter")) {
            assertThat(page.locator("#say-" + field)).isVisible();
        }
        assertThat(page.locator("[data-unknown]")).containsText("nonsense");
        assertThat(page.locator("#answer")).containsText("The stage is not computed");
    }
}
