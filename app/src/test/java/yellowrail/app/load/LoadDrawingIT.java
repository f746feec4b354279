package yellowrail.app.load;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.Test;
import yellowrail.app.BrowserIT;
import yellowrail.core.load.WiringText;

/** What is drawn: the transformer with what hangs on it, the speakers as they are wired, and speakers dragged onto a tap. */
class LoadDrawingIT extends BrowserIT {
    private static WiringDrawing drawn(String text) {
        return WiringDrawing.of(WiringText.read(text, Map.of()).wiring().orElseThrow());
    }

    /** In series one below the other, in parallel side by side; every piece of wire is upright or level. */
    @Test
    void speakersAreDrawnAsTheyAreWired() {
        WiringDrawing series = drawn("8 + 16");
        assertThat(series.boxes()).extracting(WiringDrawing.Box::name).containsExactly("8", "16");
        assertThat(series.boxes().get(0).x()).isEqualTo(series.boxes().get(1).x());
        assertThat(series.boxes().get(1).y())
                .isGreaterThan(series.boxes().get(0).y() + series.boxes().get(0).height());
        WiringDrawing parallel = drawn("8 | 16");
        assertThat(parallel.boxes().get(0).y())
                .isEqualTo(parallel.boxes().get(1).y());
        assertThat(parallel.boxes().get(1).x())
                .isGreaterThan(
                        parallel.boxes().get(0).x() + parallel.boxes().get(0).width());
        WiringDrawing quad = drawn("(8 + 8) | (8 + 8)");
        assertThat(quad.boxes()).hasSize(4);
        assertThat(quad.wires())
                .allSatisfy(
                        w -> assertThat(w.x1() == w.x2() || w.y1() == w.y2()).isTrue());
        // Every plus end and every minus end is on a wire.
        assertThat(quad.boxes()).allSatisfy(box -> {
            double middle = box.x() + box.width() / 2;
            assertThat(quad.wires()).anyMatch(w -> w.x1() == middle && w.x2() == middle && w.y2() == box.y());
            assertThat(quad.wires())
                    .anyMatch(w -> w.x1() == middle && w.x2() == middle && w.y1() == box.y() + box.height());
        });
    }

    @Test
    void speakersAreDraggedOntoATap() {
        page.navigate(url("/load?marked=4.2k&set1=8&set3=16+%7C+16&connection=ul&load=4.2k&tap=40+%25"));
        assertThat(page.locator("svg.transformer")).containsText("40 %");
        assertThat(page.locator("svg.transformer")).containsText("V at clipping");
        assertThat(page.locator("svg.wiring")).hasCount(0);
        page.dragAndDrop("[data-set='3']", "g[data-tap='4'] rect.drop");
        assertThat(page.locator("#effects h2").first()).containsText("16 | 16 on the 4 Ω tap");
        assertThat(page.locator("#cell-4-2")).isChecked();
        assertThat(page.locator("svg.wiring rect")).hasCount(2);
        assertThat(page.locator(".wired-as")).containsText("one turned round cancels the bass");
        // A set that is not typed has no cell to go to.
        page.dragAndDrop("[data-set='2']", "g[data-tap='16'] rect.drop");
        assertThat(page.locator("#cell-4-2")).isChecked();
        looksRight();
    }

    /** A cell is picked with the mouse as well as with the keyboard, on a page where nothing else was touched. */
    @Test
    void aCellOpensByAClick() {
        page.navigate(url("/load?marked=4.2k&set1=8"));
        page.locator("#cell-16-1").click();
        assertThat(page.locator("#effects h2").first()).containsText("8 on the 16 Ω tap");
        page.locator("#cell-16-1").press("ArrowLeft");
        assertThat(page.locator("#effects h2").first()).containsText("8 on the 8 Ω tap");
        page.waitForURL(u -> u.contains("open=8%3A1"));
    }

    /** The netlist holds the speaker's network, and the stage as it is on the page. */
    @Test
    void theNetlistHoldsTheSpeaker() {
        String query =
                "marked=4.2k&set1=A&coilOhms=6.4&coilHenries=0.6&eddyOhms=30&resonance=80&peakOhms=46.4&quality=5";
        page.navigate(url("/load?" + query));
        String href = page.locator("a:has-text('as a netlist')").getAttribute("href");
        String text = page.request().get(url(href)).text();
        assertThat(text)
                .contains("Vload x0 xl 0")
                .contains("Csp")
                .contains("at 1000.00000 Hz")
                .contains(".endc");
        assertThat(page.request()
                        .get(url("/load/netlist.cir?hertz=80&" + query))
                        .text())
                .contains("at 80.0000000 Hz")
                .doesNotContain("NaN");
        assertThat(page.request().get(url("/load/netlist.cir?hertz=3&" + query)).status())
                .isEqualTo(404);
        assertThat(page.request().get(url("/load/netlist.cir?set1=8+%7C")).status())
                .isEqualTo(404);
    }
}
