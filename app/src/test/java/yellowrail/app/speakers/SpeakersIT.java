package yellowrail.app.speakers;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import yellowrail.app.BrowserIT;
import yellowrail.core.load.CurveText;
import yellowrail.core.load.HeatOverFrequency;
import yellowrail.core.load.ImpedanceCurve;
import yellowrail.core.load.Speaker;

/** Measured speakers: imported, refused with a sentence, wired by their names, written out again. */
class SpeakersIT extends BrowserIT {
    private static final Speaker.Modelled CONE = new Speaker.Modelled(6.4, 0.6e-3, 30, 80, 46.4, 5);

    @Autowired
    private SpeakerStore speakers;

    private static String curve(int points) {
        StringBuilder text = new StringBuilder("* a measuring program\nFreq\tImp\tPhase\n");
        for (double hertz : HeatOverFrequency.spread(10, 20e3, points)) {
            var z = CONE.at(hertz);
            text.append(
                    String.format(Locale.ROOT, "%.5f\t%.5f\t%.4f%n", hertz, z.norm(), Math.toDegrees(z.getArgument())));
        }
        return text.toString();
    }

    @Test
    void aMeasuredSpeakerIsWiredByItsName() throws Exception {
        page.navigate(url("/speakers"));
        page.fill("#name", "dc12");
        page.fill("#curve", "20 8\n30 eight");
        page.click("text=Keep this speaker");
        assertThat(page.locator("#say-name")).containsText("letters first");
        assertThat(page.locator("#say-curve")).containsText("Line 2: “eight” is no number.");
        assertThat(page.locator("#curve")).hasValue("20 8\n30 eight");
        page.fill("#name", "barn12");
        page.setInputFiles(
                "#file", new FilePayload("barn.txt", "text/plain", curve(400).getBytes(StandardCharsets.UTF_8)));
        page.locator("text=Keep this speaker").dblclick();
        page.waitForURL("**/speakers?kept=*");
        assertThat(page.locator("main")).containsText("400 points from 10 Hz to 20000 Hz");
        assertThat(speakers.named().stream().filter(s -> s.name().equals("barn12")))
                .hasSize(1);
        looksRight();
        String written = page.request()
                .get(url(page.locator("a:has-text('As text')").first().getAttribute("href")))
                .text();
        ImpedanceCurve again = CurveText.read(written).curve().orElseThrow();
        assertThat(again.at(80).norm()).isCloseTo(46.4, within(0.2));
        // Two of them beside one another on a load, with heat over frequency as of the model.
        page.navigate(url("/load?marked=4.2k&set1=barn12+%7C+barn12"));
        assertThat(page.locator("table.map")).containsText("400 points from 10 Hz");
        assertThat(page.locator("#effects")).containsText("Lowest in the band of a guitar: 3.3 Ω");
        assertThat(page.locator("#effects")).containsText("Hottest screen in the band");
        page.fill("#set2", "nobody");
        assertThat(page.locator("#say-set2")).containsText("no speaker is called “nobody”");
    }

    /** A curve that begins above its resonance must not make the screens look cool. */
    @Test
    void aCurveThatEndsWithinTheBandSaysSo() {
        String text = curve(400)
                .lines()
                .filter(line -> !line.matches("\\d.*") || Double.parseDouble(line.split("\t")[0]) > 200)
                .collect(java.util.stream.Collectors.joining("\n"));
        speakers.keep(UUID.randomUUID(), "cutoff", Optional.of(8.0), text);
        page.navigate(url("/load?marked=4.2k&set1=cutoff"));
        assertThat(page.locator("#effects"))
                .containsText("The curve of cutoff does not reach over the band of a guitar");
        assertThat(page.locator(".over-frequency")).containsText("a resonance or a rise there is not seen");
        // Nor is anything drawn there: 200 Hz of 20 Hz to 20 kHz is a third of the axis from 52 to 740.
        for (String curve : List.of(
                page.locator("svg.frequencies path.curve").first().getAttribute("d"),
                page.locator(".over-frequency path.curve").first().getAttribute("d"))) {
            assertThat(Double.parseDouble(curve.substring(1, curve.indexOf(','))))
                    .isGreaterThan(270);
        }
        page.navigate(url("/load?marked=4.2k&set1=A&coilOhms=6.4&coilHenries=0.6&eddyOhms=30&resonance=80&peakOhms=46.4"
                + "&quality=5"));
        assertThat(page.locator("#effects")).not().containsText("does not reach over the band");
    }

    /** Fifty thousand points are kept, drawn and computed with. */
    @Test
    void aLongCurveIsTaken() {
        speakers.keep(UUID.randomUUID(), "long", Optional.of(8.0), curve(50_000));
        page.navigate(url("/load?marked=4.2k&set1=long"));
        assertThat(page.locator("table.map")).containsText("50000 points");
        assertThat(page.locator("#effects")).containsText("Hottest plate in the band");
        String path = page.locator("svg.frequencies path.curve").first().getAttribute("d");
        assertThat(path.length()).isLessThan(10_000);
    }

    /** However many there are, their page asks for their names; each curve comes once it is scrolled to. */
    @Test
    void manyDoNotSlowTheirPage() {
        for (int i = 0; i < 20; i++) {
            speakers.keep(UUID.randomUUID(), "heron" + i, Optional.of(8.0), curve(100));
        }
        UUID broken = UUID.randomUUID();
        jdbc.sql("insert into speaker_curve (id, name, body, created_at) values (?, 'heron20', '{}', now())")
                .param(broken)
                .update();
        assertThat(page.request().get(url("/speakers")).text())
                .contains("heron0", "heron19", "heron20")
                .doesNotContain("<path");
        page.navigate(url("/speakers"));
        var last = page.locator("section.rule:has(h2:text-is('heron19'))");
        last.scrollIntoViewIfNeeded();
        assertThat(last).containsText("100 points from 10 Hz");
        assertThat(last.locator("svg.frequencies path.curve")).hasCount(1);
        var unread = page.locator("section.rule:has(h2:text-is('heron20'))");
        unread.scrollIntoViewIfNeeded();
        assertThat(unread).containsText("cannot be shown");
        page.navigate(url("/speakers/" + broken + "/curve"));
        assertThat(page.locator("main")).containsText("is kept as it is");
    }
}
