package yellowrail.app.load;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import org.junit.jupiter.api.Test;
import yellowrail.app.BrowserIT;
import yellowrail.app.stage.UsualStage;
import yellowrail.core.stage.DriveSweep;
import yellowrail.core.stage.StageIdle;

/** The transformer itself: copper, core and low notes; whose it is; and which load the tubes would like. */
class LoadTransformerIT extends BrowserIT {
    private void type(String id, String text) {
        page.locator("#" + id).fill(text);
    }

    private Locator row(String ohms) {
        return page.locator("#choice tbody tr")
                .filter(new Locator.FilterOptions().setHasText(ohms))
                .first();
    }

    @Test
    void copperAndCoreReachTheFigures() {
        page.navigate(url("/load?marked=4.2k&set1=8&idle=50"));
        page.click("text=The transformer's copper, inductance and core");
        type("halfA", "20");
        type("halfB", "70");
        assertThat(page.locator("#answer")).containsText("Contradiction. Half A reads 20 Ω, half B 70 Ω");
        assertThat(page.locator("#answer")).containsText("Do not power this transformer");
        type("halfA", "100");
        type("halfB", "110");
        assertThat(page.locator("#answer")).not().containsText("Contradiction.");
        type("secondaryDc", "0.4");
        assertThat(page.locator("#effects")).containsText("the tubes see 4.62 kΩ instead of 4.2 kΩ");
        assertThat(page.locator("#effects")).containsText("91 % of the power reaches the speakers, 0.41 dB are lost");
        // The same copper is in the figures of the stage.
        var read = StageIdle.at(UsualStage.usual().withCopper(105, 210), 0.5 * 30);
        String power = page.locator("table.effects tbody tr")
                .first()
                .locator("td")
                .first()
                .locator(".m")
                .innerText();
        assertThat(Double.parseDouble(power.replaceAll("[^0-9.]", "")))
                .isCloseTo(DriveSweep.of(read, 24).full().watts(), within(0.06));
        type("ratedWatts", "20");
        assertThat(page.locator("#say-ratedHertz")).containsText("belong together");
        type("ratedHertz", "60");
        assertThat(page.locator("#effects")).containsText("Caution. The ");
        assertThat(page.locator("#effects")).containsText("20 W · (80 Hz / 60 Hz)²");
        type("henries", "2");
        assertThat(page.locator("#effects")).containsText("above the lowest note of a guitar, 80 Hz");
        type("henries", "60");
        assertThat(page.locator("#effects")).not().containsText("above the lowest note");
        page.waitForURL(u -> u.contains("henries=60"));
        page.reload();
        assertThat(page.locator("#halfB")).hasValue("110");
    }

    /** All of a single-ended stage's current magnetises its core. */
    @Test
    void aSingleEndedCoreHasARating() {
        page.navigate(url("/load?tube=6V6GT&topology=se&tubes=1&supply=285&load=5k&marked=5k&set1=8&rg2=100&feed=0"));
        assertThat(page.locator("table.effects")).containsText("Direct current in the core, idle");
        // What it is made for is not known: no load is called good.
        assertThat(page.locator("table.map")).containsText("its rating is not known");
        page.click("text=The transformer's copper, inductance and core");
        assertThat(page.locator("#halfB")).hasCount(0);
        type("coreDc", "15");
        assertThat(page.locator("table.map")).containsText("Direct current in the core");
        assertThat(page.locator("table.effects .tone-over")).not().hasCount(0);
        type("coreDc", "200");
        assertThat(page.locator("table.map")).not().containsText("Direct current");
    }

    @Test
    void whoseTransformerThisIs() {
        page.navigate(url("/load?tube=6V6GT&marked=3.4k&load=8k&set1=8&supply=300"));
        assertThat(page.locator("#answer")).containsText("6V6GT is published with 8 kΩ to 10 kΩ");
        assertThat(page.locator("#answer")).containsText("it belongs to other tubes");
        assertThat(page.locator("#answer")).containsText("2 × EL34 push-pull");
        type("marked", "8k");
        assertThat(page.locator("#answer")).not().containsText("belongs to other tubes");
    }

    /** What is only unusual is asked about: no verdict before that, and once confirmed it stays written beside the answer. */
    @Test
    void unusualCopperIsAskedAbout() {
        page.navigate(url("/load?marked=4.2k&set1=8&idle=50"));
        page.click("text=The transformer's copper, inductance and core");
        type("secondaryDc", "50");
        assertThat(page.locator("#say-secondaryDc")).containsText("625 % of the 8 Ω tap's ohms");
        assertThat(page.locator("#answer")).containsText("The stage is not computed: Secondary copper");
        assertThat(page.locator("table.effects")).hasCount(0);
        page.locator("#say-secondaryDc button").click();
        assertThat(page.locator("#say-secondaryDc")).isHidden();
        assertThat(page.locator("table.effects")).hasCount(1);
        assertThat(page.locator("#answer")).containsText("Confirmed as right");
        type("secondaryDc", "5");
        assertThat(page.locator("#say-secondaryDc")).containsText("Is it right?");
        type("secondaryDc", "0.5");
        assertThat(page.locator("#answer")).not().containsText("Confirmed as right");
        assertThat(page.locator("table.effects")).hasCount(1);
        page.navigate(url("/stage?mains=80"));
        assertThat(page.locator("#say-mains")).containsText("80 % of nominal");
        assertThat(page.locator(".stage-body")).isHidden();
        page.locator("#say-mains button").click();
        assertThat(page.locator(".stage-body")).isVisible();
        assertThat(page.locator("#accuracy")).containsText("Confirmed as right");
        looksRight();
    }

    /** Twice the wanted load or half of it: both schools, with what this stage does there. */
    @Test
    void bothSchoolsWithThisStagesFigures() {
        page.navigate(url("/load?marked=4.2k&set1=16&idle=50&open=8:1"));
        assertThat(page.locator("table.map")).containsText("caution: twice the wanted load or more");
        assertThat(page.locator("#effects")).containsText("This stage at × 2.0 of the load: plates");
        assertThat(page.locator("#effects")).containsText("This stage at half the load: plates");
    }

    @Test
    void theLoadTheTubesWouldLike() {
        page.navigate(url("/load?marked=4.2k&set1=8&idle=50&supply=380&highest=104+%25&tube=6L6GC"));
        page.click("#choice button");
        assertThat(page.locator("#choice tbody tr")).hasCount(14);
        assertThat(page.locator("#choice")).containsText("Change of tone needs a speaker with its curve");
        assertThat(row("4.2 kΩ")).containsText("this load");
        assertThat(page.locator("#choice .marks")).containsText("Most power: ");
        assertThat(page.locator("#choice .marks")).containsText("8 on the 8 Ω tap");
        // A load at which a limit is passed is best at nothing.
        for (Locator line : page.locator("#choice tbody tr").all()) {
            if (line.locator(".tone-over").count() > 0) {
                assertThat(line.locator("td").last().innerText()).isEmpty();
            }
        }
        // What was computed belongs to what is typed: it goes with the next change.
        type("marked", "5k");
        assertThat(page.locator("#choice button")).isVisible();
        looksRight();
        page.navigate(url("/load?marked=4.2k&set1=A&coilOhms=6.4&coilHenries=0.6&eddyOhms=30&resonance=80&peakOhms=46.4"
                + "&quality=5&idle=50&supply=430&highest=104+%25"));
        page.click("#choice button");
        assertThat(page.locator("#choice thead")).containsText("change of tone");
        assertThat(page.locator("#choice .marks")).containsText("Least change of tone over the speaker: ");
    }
}
